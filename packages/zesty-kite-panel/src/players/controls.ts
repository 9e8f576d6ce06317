/** The controls of the dialog: a switch, a slider, a choice, and the inputs of a binding. */
import type { OfferedSetting } from 'zesty-kite/players';
import { html, nothing, type TemplateResult } from 'lit-html';
import { live } from 'lit-html/directives/live.js';
import { scaleOf, valueOn, wayOf } from '../tuning/slider.ts';
import { filled, type DialogTexts } from './dialogTexts.ts';

/** Steps of a slider. */
const STEPS = 100;

/** The parts of the dialog that its controls need. */
export interface ControlDesk {
  readonly texts: DialogTexts;
  /** The binding that waits for a press; null if none does. */
  readonly waiting: string | null;
  set(path: string, value: unknown): void;
  /** Waits for a key or a button, and adds it to the inputs of a binding; Escape ends that. */
  addInput(path: string, inputs: readonly string[]): void;
  /** The label of an input on this keyboard. */
  readonly inputName: (input: string) => string;
}

/** The control of a setting; nothing for a kind that the dialog does not show. */
export function controlOf(desk: ControlDesk, item: OfferedSetting): TemplateResult | typeof nothing {
  const { kind, path, value } = item;
  if (kind === 'number') return slider(desk, item);
  if (kind === 'choice') return choice(desk, item);
  if (kind === 'inputs') return inputs(desk, item);
  if (kind !== 'switch') return nothing;
  return html`<input
    type="checkbox"
    aria-labelledby=${`name-${path}`}
    aria-describedby=${`text-${path}`}
    .checked=${live(value === true)}
    @change=${({ currentTarget }: Event) => {
      desk.set(path, (currentTarget as HTMLInputElement).checked);
    }}
  />`;
}

function slider(desk: ControlDesk, { path, value, min = 0, max = 1, step, unit = '' }: OfferedSetting): TemplateResult {
  const now = Number(value);
  if (!Number.isFinite(max - min))
    return html`<input
      type="number"
      step="any"
      aria-labelledby=${`name-${path}`}
      .value=${live(String(now))}
      @change=${({ currentTarget }: Event) => {
        const { valueAsNumber } = currentTarget as HTMLInputElement;
        if (Number.isFinite(valueAsNumber)) desk.set(path, valueAsNumber);
      }}
    />`;
  const scale = scaleOf([min, max], unit);
  const onStep = (next: number): number =>
    step === undefined ? next : Number((min + Math.round((next - min) / step) * step).toFixed(9));
  return html`<input
      type="range"
      min="0"
      max=${STEPS}
      aria-labelledby=${`name-${path}`}
      aria-describedby=${`text-${path}`}
      aria-valuetext=${`${String(now)} ${unit}`}
      .value=${live(String(wayOf(scale, now) * STEPS))}
      @input=${({ currentTarget }: Event) => {
        desk.set(path, onStep(valueOn(scale, (currentTarget as HTMLInputElement).valueAsNumber / STEPS)));
      }}
    /><output>${Number(now.toPrecision(3))}</output>`;
}

function choice(desk: ControlDesk, { path, value, among = [] }: OfferedSetting): TemplateResult {
  return html`<select
    aria-labelledby=${`name-${path}`}
    aria-describedby=${`text-${path}`}
    @change=${({ currentTarget }: Event) => {
      desk.set(path, among[(currentTarget as HTMLSelectElement).selectedIndex]);
    }}
  >
    ${among.map(
      (one) => html`<option ?selected=${JSON.stringify(one) === JSON.stringify(value)}>${wordFor(desk, one)}</option>`,
    )}
  </select>`;
}

function wordFor(desk: ControlDesk, value: unknown): string {
  const word = typeof value === 'string' ? value : JSON.stringify(value);
  return desk.texts.values[word] ?? (typeof value === 'object' ? 'on' : word);
}

function inputs(desk: ControlDesk, { path, name, value }: OfferedSetting): TemplateResult {
  const inputs = value as readonly string[];
  const isWaiting = desk.waiting === path;
  return html`${inputs.map(
      (input) =>
        html`<button
          type="button"
          aria-label=${filled(desk.texts.removeInput, { input: desk.inputName(input), name })}
          @click=${() => {
            desk.set(
              path,
              inputs.filter((one) => one !== input),
            );
          }}
        >
          ${desk.inputName(input)} ×
        </button>`,
    )}<button
      type="button"
      aria-pressed=${isWaiting}
      aria-label=${filled(desk.texts.addInput, { name })}
      @click=${() => {
        desk.addInput(path, inputs);
      }}
    >
      ${isWaiting ? desk.texts.press : '+'}
    </button>`;
}
