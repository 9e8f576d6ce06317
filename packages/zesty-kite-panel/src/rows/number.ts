/** A number: a slider over its useful range, and a field for any allowed value. */
import { html, nothing, type TemplateResult } from 'lit-html';
import { live } from 'lit-html/directives/live.js';
import { scaleOf, valueOn, wayOf, type Scale } from '../tuning/slider.ts';

export interface NumberInput {
  readonly label: string;
  readonly value: number;
  readonly unit: string;
  readonly allowed: readonly [minimum: number, maximum: number];
  /** The ends of the slider; without them there is none. */
  readonly useful: readonly [minimum: number, maximum: number] | null;
  /** Of what marks the default on the slider. */
  readonly usual?: number | undefined;
  /** @param isDone not while the slider moves */
  readonly set: (value: number, isDone: boolean) => void;
}

export function numberInput(of: NumberInput): TemplateResult {
  const { label, value, unit, allowed, useful, set } = of;
  return html`${useful === null ? nothing : slider(of, scaleOf(useful, unit))}
    <input
      type="number"
      step="any"
      min=${allowed[0]}
      max=${allowed[1]}
      aria-label=${label}
      .value=${String(value)}
      @change=${({ currentTarget }: Event) => {
        const { valueAsNumber } = currentTarget as HTMLInputElement;
        if (Number.isFinite(valueAsNumber)) set(valueAsNumber, true);
      }}
      @blur=${({ currentTarget }: Event) => {
        // A number that was refused stays in the field until the field is left.
        (currentTarget as HTMLInputElement).value = String(value);
      }}
    /><span class="unit">${shortUnit(unit)}</span>`;
}

/** Steps of a slider by keys: a hundredth of the way. */
const STEPS = 400;

function slider({ label, value, unit, usual, set }: NumberInput, scale: Scale): TemplateResult {
  const choose = (event: Event, isDone: boolean): void => {
    const input = event.currentTarget as HTMLInputElement;
    set(valueOn(scale, Number(input.value) / STEPS), isDone);
  };
  const mark =
    usual === undefined
      ? nothing
      : html`<i
          class="usual"
          style=${`--way: ${String(wayOf(scale, usual))}`}
          title=${`Default: ${String(usual)}`}
        ></i>`;
  return html`<span class="slide"
    >${mark}<input
      type="range"
      min="0"
      max=${STEPS}
      aria-label=${`${label}, slider`}
      aria-valuetext=${`${String(value)} ${unit}`}
      .value=${live(String(wayOf(scale, value) * STEPS))}
      @input=${(event: Event) => {
        choose(event, false);
      }}
      @change=${(event: Event) => {
        choose(event, true);
      }}
  /></span>`;
}

/** Units that fit beside a field. */
function shortUnit(unit: string): string {
  return SHORT[unit] ?? unit;
}

const SHORT: Readonly<Partial<Record<string, string>>> = {
  'world units': 'units',
  'world units per second': 'units/s',
  '° per second': '°/s',
  'notches per second': 'notches/s',
  'screen heights per second': 'screens/s',
  'screen heights': 'screens',
};
