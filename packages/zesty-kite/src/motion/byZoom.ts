/** Values that follow the zoom: the same everywhere, a curve over log₂(span), or a switch. */
import { Cell, createCurve, curveIn, log2, type Curve } from '../math/index.ts';
import type { ByZoom } from '../settings/index.ts';

/** A rule made ready. `curve` is null where the value is the same on either side of a switch. */
export interface ZoomRule {
  readonly curve: Curve | null;
  readonly near: number;
  readonly far: number;
  /** A switch goes to `far` above this span, and back to `near` below the other. */
  readonly outAbove: number;
  readonly inBelow: number;
}

export function createZoomRule(value: ByZoom): ZoomRule {
  if (typeof value === 'number') return { curve: null, near: value, far: value, outAbove: Infinity, inBelow: 0 };
  if (Array.isArray(value)) {
    const curve = createCurve(value.map(([span, at]) => [log2(span), at]));
    return { curve, near: NaN, far: NaN, outAbove: Infinity, inBelow: 0 };
  }
  const { near, far, at, slack } = value;
  return { curve: null, near, far, outAbove: at * (1 + slack), inBelow: at / (1 + slack) };
}

/** Whether the value changes with the zoom at all. */
export function isFlat({ curve, near, far }: ZoomRule): boolean {
  return curve === null && near === far;
}

/** On which side a switch is, given where it was. */
export function isFar({ outAbove, inBelow }: ZoomRule, span: number, wasFar: boolean): boolean {
  return wasFar ? span >= inBelow : span > outAbove;
}

/** The value at a span, given its logarithm to base 2. */
export function valueAt(rule: ZoomRule, logSpan: number, onFarSide: boolean): number {
  cell.value = logSpan;
  valueIn(rule, onFarSide, cell);
  return cell.value;
}

const cell = new Cell();

/** The same in place. */
export function valueIn({ curve, near, far }: ZoomRule, onFarSide: boolean, io: Cell): void {
  if (curve !== null) curveIn(curve, io);
  else io.value = onFarSide ? far : near;
}
