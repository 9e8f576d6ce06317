/** One setting in the panel: its name, its control, its marks and what is said of it. */
import type { Span } from 'zesty-kite';
import { html, nothing, type TemplateResult } from 'lit-html';
import { live } from 'lit-html/directives/live.js';
import type { Setting } from '../tuning/listed.ts';
import { valueAt } from '../tuning/paths.ts';
import { bindingRow } from './bindingRow.ts';
import { byZoomRow, type ByZoom } from './byZoomRow.ts';
import { labelOf, type Desk } from './desk.ts';
import { HERE } from './here.ts';
import { numberInput } from './number.ts';
import { spanRow } from './spanRow.ts';
import { unitOf } from './units.ts';

export function row(desk: Desk, setting: Setting): TemplateResult {
  const { tuning, camera, full } = desk;
  const { path, name } = setting;
  const here = HERE[path];
  const isDefault = tuning.isDefault(path);
  const isAsInFile = tuning.isAsInFile(path);
  return html`<div class="row ${setting.kind}" data-path=${path}>
    <span class="name" title=${setting.text}>${name}</span>
    <span class="marks">
      ${isAsInFile ? nothing : html`<span class="unsaved" title="Differs from the file">●</span>`}
      ${here === undefined
        ? nothing
        : html`<button
            type="button"
            class="small"
            title="Take the value from where the camera is now"
            aria-label=${`${labelOf(setting)}: here`}
            @click=${() => {
              desk.set(path, here(camera, full));
            }}
          >
            Here
          </button>`}
      <button
        type="button"
        class="small reset"
        title=${`Back to the default: ${told(tuning.defaultAt(path))}`}
        aria-label=${`${labelOf(setting)}: back to the default`}
        ?disabled=${isDefault}
        @click=${() => {
          desk.reset(path);
        }}
      >
        ↺
      </button>
    </span>
    <div class="control">${control(desk, setting)}</div>
    ${desk.messagesOf(path).map((message) => html`<p class="message" role="status">${message}</p>`)}
  </div>`;
}

/** A default in few letters. */
function told(value: unknown): string {
  const text = value === undefined ? 'left out' : JSON.stringify(value);
  return text.length > 40 ? `${text.slice(0, 40)} …` : text;
}

function control(desk: Desk, setting: Setting): TemplateResult {
  const { path, kind, among, isNullable } = setting;
  const value = valueAt(desk.full, path);
  const label = labelOf(setting);
  const set = (next: unknown): void => {
    desk.set(path, next);
  };
  switch (kind) {
    case 'number':
      return numberOrNull(desk, setting, typeof value === 'number' ? value : null);
    case 'by-zoom':
      return byZoomRow(desk, setting, value as ByZoom | null);
    case 'span':
      return spanRow(desk, setting, (value ?? null) as Span | null);
    case 'inputs':
      return bindingRow(desk, setting, value as readonly string[]);
    case 'switch':
      return checkBox(label, value === true, set);
    case 'group':
      return checkBox(`${label}: on`, value !== null && value !== undefined, (isOn) => {
        set(isOn ? (desk.tuning.defaultAt(path) ?? GROUPS[path]?.(desk) ?? {}) : null);
      });
    case 'names':
      return html`${among.map((name) => {
        const names = value as readonly string[];
        return html`<label class="check"
          >${checkBox(`${label}: ${name}`, names.includes(name), (isOn) => {
            set(among.filter((one) => (one === name ? isOn : names.includes(one))));
          })}${name}</label
        >`;
      })}`;
    case 'choice':
      return html`<select
        aria-label=${label}
        @change=${({ currentTarget }: Event) => {
          const { value: chosen } = currentTarget as HTMLSelectElement;
          set(chosen === '' ? null : chosen);
        }}
      >
        ${isNullable ? html`<option value="" ?selected=${value === null}>automatic</option>` : nothing}
        ${among.map((one) => html`<option value=${one} ?selected=${one === value}>${one}</option>`)}
      </select>`;
    case 'list':
      return list(label, value as readonly number[] | null, set);
    case 'other':
      return html`<span class="wide">${told(value)}</span>`;
  }
}

/** The first value of a group without a default. */
const GROUPS: Readonly<Partial<Record<string, (desk: Desk) => unknown>>> = {
  home: ({ camera, full }) => HERE['home']?.(camera, full),
  'turn.stops': () => ({ step: 90 }),
};

export function checkBox(label: string, isOn: boolean, set: (isOn: boolean) => void): TemplateResult {
  return html`<input
    type="checkbox"
    aria-label=${label}
    .checked=${live(isOn)}
    @change=${({ currentTarget }: Event) => {
      set((currentTarget as HTMLInputElement).checked);
    }}
  />`;
}

function numberOrNull(desk: Desk, setting: Setting, value: number | null): TemplateResult {
  const { path, isNullable } = setting;
  const set = (next: number, isDone: boolean): void => {
    desk.set(path, next, isDone);
  };
  const usual = desk.tuning.defaultAt(path);
  const automatic = isNullable
    ? html`<label class="check"
        >${checkBox(`${labelOf(setting)}, automatic`, value === null, (isOn) => {
          desk.set(path, isOn ? null : (setting.useful?.[0] ?? 0));
        })}automatic</label
      >`
    : nothing;
  if (value === null) return html`${isNullable ? automatic : optional(desk, setting)}`;
  const input = numberInput({
    ...setting,
    ...unitOf(desk, setting),
    label: labelOf(setting),
    value,
    usual: typeof usual === 'number' ? usual : undefined,
    set,
  });
  return html`${input}${automatic}`;
}

/** A number that is left out: an empty field. */
function optional(desk: Desk, setting: Setting): TemplateResult {
  return html`<input
    type="number"
    step="any"
    aria-label=${labelOf(setting)}
    placeholder="automatic"
    @change=${({ currentTarget }: Event) => {
      const { valueAsNumber } = currentTarget as HTMLInputElement;
      if (Number.isFinite(valueAsNumber)) desk.set(setting.path, valueAsNumber);
    }}
  />`;
}

function list(label: string, value: readonly number[] | null, set: (next: unknown) => void): TemplateResult {
  return html`<input
    type="text"
    class="grow"
    aria-label=${label}
    placeholder="none: any zoom"
    .value=${value?.join(', ') ?? ''}
    @change=${({ currentTarget }: Event) => {
      const { value: text } = currentTarget as HTMLInputElement;
      const numbers = text.split(/[\s,;]+/).filter((one) => one !== '');
      set(numbers.length === 0 ? null : numbers.map(Number));
    }}
  />`;
}
