/** Settings that lift the limits of a camera. */
import type { Settings, SpanSettings } from 'zesty-kite';

/** @param span the present one, world units: the range of the zoom goes far beyond it if none is set */
export function withoutLimits({ zoom: { minSpan, maxSpan } }: SpanSettings, span: number): Settings {
  return {
    bounds: null,
    zoom: { minSpan: (minSpan ?? span) / 50, maxSpan: (maxSpan ?? span) * 50, stops: null },
    pitch: { min: 1, max: 90 },
    turn: { min: null, max: null, stops: null },
  };
}
