/** A value that follows the zoom: the same everywhere, a curve that is dragged, or a switch. */
import type { Span } from 'zesty-kite';
import { valueAtSpan } from 'zesty-kite/review';
import { html, type TemplateResult } from 'lit-html';
import type { Setting } from '../tuning/listed.ts';
import { valueAt } from '../tuning/paths.ts';
import { rounded } from '../tuning/slider.ts';
import { curve, rangeOf, type Plain, type Stop } from './curve.ts';
import { labelOf, type Desk } from './desk.ts';
import { fine } from './here.ts';
import { hereButton } from './hereButton.ts';
import { numberInput } from './number.ts';
import { unitOf } from './units.ts';

interface Switch {
  readonly near: number;
  readonly far: number;
  readonly at: Span;
  readonly slack: number;
}
export type ByZoom = number | readonly Stop[] | Switch;

export function byZoomRow(desk: Desk, setting: Setting, value: ByZoom | null): TemplateResult {
  const { path, isNullable } = setting;
  const label = labelOf(setting);
  const plain = valueAt(desk.spans, path) as Plain | null;
  const now = desk.camera.shown.span;
  const here = plain === null ? (setting.useful?.[0] ?? 1) : rounded(valueAtSpan(plain, now), 0.01);
  const kind = value === null ? 'none' : typeof value === 'number' ? 'same' : Array.isArray(value) ? 'curve' : 'switch';
  const kinds: Readonly<Record<string, () => unknown>> = {
    same: () => here,
    curve: () => {
      const { minSpan, maxSpan } = rangeOf(desk);
      const at = (span: number): Stop => [fine(span), plain === null ? here : rounded(valueAtSpan(plain, span), 0.01)];
      return [at(minSpan), at(maxSpan)];
    },
    switch: () => ({ near: here, far: here, at: fine(now), slack: 0.1 }),
    none: () => null,
  };
  const names = { same: 'the same at every zoom', curve: 'a curve over the zoom', switch: 'a switch at a zoom' };
  return html`<select
      class="wide"
      aria-label=${`${label}, kind`}
      @change=${({ currentTarget }: Event) => {
        desk.set(path, kinds[(currentTarget as HTMLSelectElement).value]?.());
      }}
    >
      ${isNullable ? html`<option value="none" ?selected=${kind === 'none'}>none: no perspective</option>` : ''}
      ${Object.entries(names).map(
        ([one, name]) => html`<option value=${one} ?selected=${one === kind}>${name}</option>`,
      )}
    </select>
    ${typeof value === 'number' ? flat(desk, setting, value) : ''}
    ${Array.isArray(value) ? curve(desk, setting, value as readonly Stop[], plain as readonly Stop[]) : ''}
    ${kind === 'switch' ? switched(desk, setting, value as Switch) : ''}`;
}

function flat(desk: Desk, setting: Setting, value: number): TemplateResult {
  return html`<div class="line">
    ${numberInput({
      ...setting,
      ...unitOf(desk, setting),
      label: labelOf(setting),
      value,
      usual: numberOrNone(desk.tuning.defaultAt(setting.path)),
      set: (next, isDone) => {
        desk.set(setting.path, next, isDone);
      },
    })}
  </div>`;
}

function numberOrNone(value: unknown): number | undefined {
  return typeof value === 'number' ? value : undefined;
}

function switched(desk: Desk, setting: Setting, value: Switch): TemplateResult {
  const part = (key: 'near' | 'far' | 'slack', unit: string, useful: readonly [number, number] | null) =>
    html`<div class="line">
      <span class="part">${key}</span>
      ${numberInput({
        label: `${labelOf(setting)} ${key}`,
        value: value[key],
        unit,
        allowed: setting.allowed,
        useful,
        set: (next, isDone) => {
          desk.set(setting.path, { ...value, [key]: next }, isDone);
        },
      })}
    </div>`;
  const { unit, useful } = unitOf(desk, setting);
  return html`${part('near', unit, useful)}${part('far', unit, useful)}
    <div class="line">
      <span class="part">at</span>
      <span class="grow">${typeof value.at === 'number' ? `span ${String(value.at)}` : JSON.stringify(value.at)}</span>
      ${hereButton(`${labelOf(setting)}: switch at the present zoom`, () => {
        desk.set(setting.path, { ...value, at: fine(desk.camera.shown.span) });
      })}
    </div>
    ${part('slack', 'share', [0, 1])}`;
}
