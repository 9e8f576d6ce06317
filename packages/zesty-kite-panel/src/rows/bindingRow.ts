/** The inputs of an ability: added by pressing them. */
import { html, type TemplateResult } from 'lit-html';
import type { Setting } from '../tuning/listed.ts';
import type { Desk } from './desk.ts';

export function bindingRow(desk: Desk, { path, name }: Setting, value: readonly string[]): TemplateResult {
  const isListening = desk.listening === path;
  return html`<span class="inputs">
    ${value.map(
      (input) =>
        html`<button
          type="button"
          class="input"
          title="Remove this input"
          aria-label=${`${name}: remove ${desk.inputName(input)}`}
          @click=${() => {
            desk.set(
              path,
              value.filter((one) => one !== input),
            );
          }}
        >
          ${desk.inputName(input)} ×
        </button>`,
    )}
    <button
      type="button"
      class=${isListening ? 'input waiting' : 'input'}
      aria-label=${`${name}: add an input`}
      aria-pressed=${isListening}
      @click=${() => {
        desk.listenFor(path);
      }}
    >
      ${isListening ? 'Press a key, button or wheel; Escape cancels' : '+'}
    </button>
  </span>`;
}
