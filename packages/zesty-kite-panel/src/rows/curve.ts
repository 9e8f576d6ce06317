/** A curve over the zoom: a drawing whose points are dragged, and its points as numbers. */
import type { Span } from 'zesty-kite';
import { valueAtSpan } from 'zesty-kite/review';
import { html, svg, type TemplateResult } from 'lit-html';
import type { Setting } from '../tuning/listed.ts';
import { rounded, short } from '../tuning/slider.ts';
import { labelOf, type Desk } from './desk.ts';
import { fine } from './here.ts';
import { hereButton } from './hereButton.ts';
import { numberInput } from './number.ts';
import { spanOf } from './spanRow.ts';
import { unitOf } from './units.ts';

export type Stop = readonly [Span, number];

/** The value over the zoom, with spans in world units. */
export type Plain = Parameters<typeof valueAtSpan>[0];

const [WIDE, HIGH, EDGE] = [280, 120, 14] as const;
const SAMPLES = 80;
/** A point is grabbed within so many pixels of the drawing. */
const GRAB = 16;

/** The zooms that a curve is drawn over, world units. */
export function rangeOf({ spans, camera }: Desk): { minSpan: number; maxSpan: number } {
  const { minSpan, maxSpan } = spans.zoom;
  const near = minSpan ?? camera.shown.span / 4;
  return { minSpan: near, maxSpan: Math.max(near * 1.01, maxSpan ?? camera.shown.span * 4) };
}

export function curve(desk: Desk, setting: Setting, written: readonly Stop[], plain: readonly Stop[]): TemplateResult {
  const { path } = setting;
  const { unit, useful } = unitOf(desk, setting);
  const { minSpan, maxSpan } = rangeOf(desk);
  const spans = plain.map(([span]) => span as number);
  const [near, far] = [Math.min(minSpan, ...spans), Math.max(maxSpan, ...spans)];
  const values = plain.map(([, value]) => value);
  const [least, most] = useful ?? [0, 1];
  const [low, high] = [Math.min(least, ...values), Math.max(most, ...values)];
  const octaves = Math.log2(far / near);
  const x = (span: number): number => EDGE + (Math.log2(span / near) / octaves) * (WIDE - 2 * EDGE);
  const y = (value: number): number => HIGH - EDGE - ((value - low) / (high - low)) * (HIGH - 2 * EDGE);
  const put = (stops: readonly Stop[], isDone: boolean): void => {
    desk.set(path, sorted(desk, stops), isDone);
  };
  /** The position of an event in the drawing. */
  const placeOf = (event: MouseEvent): { x: number; y: number; stop: Stop } => {
    const box = (event.currentTarget as Element).getBoundingClientRect();
    const at = {
      x: ((event.clientX - box.left) / box.width) * WIDE,
      y: ((event.clientY - box.top) / box.height) * HIGH,
    };
    const right = Math.min(1, Math.max(0, (at.x - EDGE) / (WIDE - 2 * EDGE)));
    const up = Math.min(1, Math.max(0, (HIGH - EDGE - at.y) / (HIGH - 2 * EDGE)));
    return { ...at, stop: [fine(near * (far / near) ** right), rounded(low + up * (high - low), (high - low) / 200)] };
  };
  const nearest = (at: { x: number; y: number }): number => {
    const off = plain.map(([span, value]) => Math.hypot(x(span as number) - at.x, y(value) - at.y));
    const least = Math.min(...off);
    return least < GRAB ? off.indexOf(least) : -1;
  };
  const grab = (event: PointerEvent): void => {
    const index = nearest(placeOf(event));
    const drawing = event.currentTarget as SVGElement;
    drawing.dataset['grabbed'] = String(index);
    if (index >= 0) drawing.setPointerCapture(event.pointerId);
  };
  const drag = (event: PointerEvent, isDone: boolean): void => {
    const drawing = event.currentTarget as SVGElement;
    const index = Number(drawing.dataset['grabbed'] ?? -1);
    if (index < 0) return;
    const [span, value] = placeOf(event).stop;
    // It stays between its neighbours.
    const above = (spans[index - 1] ?? 0) * 1.001;
    const below = (spans[index + 1] ?? Infinity) / 1.001;
    put(written.with(index, [Math.min(below, Math.max(above, span as number)), value]), isDone);
    if (isDone) drawing.dataset['grabbed'] = '-1';
  };
  const addOrRemove = (event: MouseEvent): void => {
    const at = placeOf(event);
    const index = nearest(at);
    if (index < 0) put([...written, at.stop], true);
    else if (written.length > 1) put(written.toSpliced(index, 1), true);
  };
  const line = Array.from({ length: SAMPLES + 1 }, (_, i) => {
    const span = near * (far / near) ** (i / SAMPLES);
    return `${i === 0 ? 'M' : 'L'}${x(span).toFixed(1)} ${y(valueAtSpan(plain as Plain, span)).toFixed(1)}`;
  });
  const now = Math.min(far, Math.max(near, desk.camera.shown.span));
  return html`<svg
      class="curve"
      viewBox="0 0 ${WIDE} ${HIGH}"
      aria-hidden="true"
      @pointerdown=${grab}
      @pointermove=${(event: PointerEvent) => {
        drag(event, false);
      }}
      @pointerup=${(event: PointerEvent) => {
        drag(event, true);
      }}
      @dblclick=${addOrRemove}
    >
      <path class="now" d="M${x(now).toFixed(1)} 0V${HIGH}" />
      <path d=${line.join('')} />
      ${plain.map(
        ([span, value]) => svg`<circle cx=${x(span as number).toFixed(1)} cy=${y(value).toFixed(1)} r="5" />`,
      )}
      <text x="3" y="11">${short(high)} ${unit}</text>
      <text x="3" y=${HIGH - 3}>${short(low)} ${unit}, span ${short(near)}</text>
      <text x=${WIDE - 3} y=${HIGH - 3} text-anchor="end">span ${short(far)}</text>
    </svg>
    <p class="hint">Drag a point. Double-click adds or removes one. The line is the present zoom.</p>
    ${written.map((stop, i) => stopLine(desk, setting, written, stop, i, put))}
    <div class="line">
      <span class="grow"></span>
      ${hereButton(`${labelOf(setting)}: add a point at the present zoom`, () => {
        const span = fine(desk.camera.shown.span);
        const others = written.filter((_, i) => Math.abs(Math.log((spans[i] ?? 0) / span)) > 1e-3);
        put([...others, [span, rounded(valueHere(desk, path, plain as Plain), 0.01)]], true);
      })}
    </div>`;
}

/** The pitch and the lens as they are now, the player's tilt included. */
function valueHere({ camera }: Desk, path: string, plain: Plain): number {
  const { shown } = camera;
  if (path === 'pitch.degrees') return shown.pitch;
  return path === 'lens.fieldOfView' && shown.fieldOfView > 0 ? shown.fieldOfView : valueAtSpan(plain, shown.span);
}

function stopLine(
  desk: Desk,
  setting: Setting,
  written: readonly Stop[],
  [span, value]: Stop,
  index: number,
  put: (stops: readonly Stop[], isDone: boolean) => void,
): TemplateResult {
  const label = `${labelOf(setting)}, point ${String(index + 1)}`;
  return html`<div class="line">
    ${typeof span === 'number'
      ? numberInput({
          label: `${label}, span`,
          value: span,
          unit: 'span',
          allowed: [1e-6, 1e12],
          useful: null,
          set: (next) => {
            put(written.with(index, [next, value]), true);
          },
        })
      : html`<span class="grow">${JSON.stringify(span)}</span>`}
    ${numberInput({
      label: `${label}, value`,
      value,
      unit: setting.unit,
      allowed: setting.allowed,
      useful: null,
      set: (next) => {
        put(written.with(index, [span, next]), true);
      },
    })}
    <button
      type="button"
      class="small"
      aria-label=${`${label}: remove`}
      ?disabled=${written.length < 2}
      @click=${() => {
        put(written.toSpliced(index, 1), true);
      }}
    >
      ×
    </button>
  </div>`;
}

/** Stops from the nearest to the farthest. */
function sorted({ full, camera }: Desk, stops: readonly Stop[]): readonly Stop[] {
  const height = camera.view.height;
  return stops.toSorted(([one], [other]) => spanOf(full, one, height) - spanOf(full, other, height));
}
