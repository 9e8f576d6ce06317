/** A zoom in any unit. */
import { inSpans, type FullSettings, type Span } from 'zesty-kite';
import { html, type TemplateResult } from 'lit-html';
import type { Setting } from '../tuning/listed.ts';
import { isTree } from '../tuning/paths.ts';
import { labelOf, type Desk } from './desk.ts';
import { fine } from './here.ts';
import { numberInput } from './number.ts';

const UNITS = {
  span: 'units high',
  pixelsPerUnit: 'px per unit',
  eyeHeight: 'eye height',
  fieldOfView: '° of lens',
} as const;
type Unit = keyof typeof UNITS;

/** How far a slider goes to either side of a zoom of the game, as a factor. */
const REACH = 64;

export function spanRow(desk: Desk, setting: Setting, value: Span | null): TemplateResult {
  const { full, camera } = desk;
  const { path, isNullable } = setting;
  const height = camera.view.height;
  const [unit, amount] = partsOf(value);
  const middle = fine(inUnit(full, unit, camera.shown.span, height) ?? amount);
  const units = (Object.keys(UNITS) as Unit[]).filter((one) => hasUnit(full, one, height));
  const choose = ({ currentTarget }: Event): void => {
    const next = (currentTarget as HTMLSelectElement).value;
    if (next === 'null') desk.set(path, null);
    else desk.set(path, converted(full, next as Unit, value, camera.shown.span, height));
  };
  return html`${value === null
      ? html`<span class="wide">automatic</span>`
      : numberInput({
          label: labelOf(setting),
          value: amount,
          unit: '',
          allowed: setting.allowed,
          useful: [Math.min(amount, middle) / REACH, Math.max(amount, middle) * REACH],
          set: (next, isDone) => {
            desk.set(path, written(unit, next), isDone);
          },
        })}
    <select aria-label=${`${labelOf(setting)}, unit`} @change=${choose}>
      ${isNullable ? html`<option value="null" ?selected=${value === null}>automatic</option>` : ''}
      ${units.map(
        (one) => html`<option value=${one} ?selected=${value !== null && one === unit}>${UNITS[one]}</option>`,
      )}
    </select>`;
}

function partsOf(value: Span | null): readonly [Unit, number] {
  if (!isTree(value)) return ['span', value ?? NaN];
  const [[unit, amount] = ['span', NaN]] = Object.entries(value);
  return [unit as Unit, amount];
}

function written(unit: Unit, amount: number): Span {
  return (unit === 'span' ? amount : { [unit]: amount }) as Span;
}

function converted(full: FullSettings, unit: Unit, value: Span | null, shown: number, height: number): Span {
  const span = value === null ? shown : spanOf(full, value, height);
  return written(unit, fine(inUnit(full, unit, span, height) ?? span));
}

/** Returns the span of a zoom, as the camera looks there. */
export function spanOf(full: FullSettings, value: Span, height: number): number {
  return inSpans({ ...full, zoom: { ...full.zoom, minSpan: value } }, height).zoom.minSpan ?? NaN;
}

/** Whether the lens has a unit. */
function hasUnit(full: FullSettings, unit: Unit, height: number): boolean {
  return !Number.isNaN(spanOf(full, written(unit, 50), height));
}

/** Halvings until a zoom is found to all of its digits. */
const HALVINGS = 60;

/** Returns a span in another unit; null if the lens does not have it. */
function inUnit(full: FullSettings, unit: Unit, span: number, height: number): number | null {
  if (unit === 'span') return span;
  // Every unit rises or falls with the span: halve the logarithms between which it lies.
  const [least, most] = unit === 'fieldOfView' ? [0, Math.log(150)] : [Math.log(1e-9), Math.log(1e9)];
  const isFalling = unit === 'pixelsPerUnit';
  let [low, high] = [least, most];
  if (!hasUnit(full, unit, height)) return null;
  for (let i = 0; i < HALVINGS; i += 1) {
    const middle = (low + high) / 2;
    if (spanOf(full, written(unit, Math.exp(middle)), height) < span === isFalling) high = middle;
    else low = middle;
  }
  return Math.exp((low + high) / 2);
}
