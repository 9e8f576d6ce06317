/** Values that follow the zoom: the same everywhere, a curve over log₂(span), or a switch. */
import { angleDegrees, createCurve, curveAt, log2, type Curve } from '../math/index.ts';
import type { ByZoom, InSpans } from '../settings/index.ts';
import type { Projection } from '../view/index.ts';

/** A rule made ready. `curve` is null if the value is the same on either side of a switch. */
export interface ZoomRule {
  readonly curve: Curve | null;
  readonly near: number;
  readonly far: number;
  /** A switch goes to `far` above this span, and back to `near` below the other. */
  readonly outAbove: number;
  readonly inBelow: number;
}

export function createZoomRule(value: InSpans<ByZoom>): ZoomRule {
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

/** The span without panels that has the same scale: curves, switches and limits of the settings go by that. */
export function bareSpan({ frameHeight, height }: Projection, span: number): number {
  return span / (frameHeight / height);
}

/** The value of a rule at a span without panels; a switch stays on its side. */
export function valueAt({ curve, near, far }: ZoomRule, bare: number, onFarSide: boolean): number {
  return curve !== null ? curveAt(curve, log2(bare)) : onFarSide ? far : near;
}

/** The field of view at a span, by a rule or by a fixed distance: degrees; 0 without perspective. */
export function fieldOfViewAt(
  rule: ZoomRule | null,
  distance: number | null,
  projection: Projection,
  span: number,
  onFarSide: boolean,
): number {
  if (rule !== null) return valueAt(rule, bareSpan(projection, span), onFarSide);
  if (distance === null) return 0;
  // Focal length in safe-frame heights = distance / span; the field of view is that of the whole screen.
  return Math.min(WIDEST, 2 * angleDegrees(span * projection.height, 2 * distance * projection.frameHeight));
}

/** The widest that a lens zooms at a fixed distance, degrees. */
const WIDEST = 150;
