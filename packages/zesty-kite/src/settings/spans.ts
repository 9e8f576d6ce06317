/** A zoom in the unit of the practitioner, and the span that shows it. */
import { Angle, createCurve, curveAt, exp2, log2 } from '../math/index.ts';
import type { FullSettings } from './types.ts';
import type { Span, ZoomUnit } from './zoomUnit.ts';

/** A value that may follow the zoom, as it is written. */
export type ByZoom = FullSettings['pitch']['degrees'];

/** Settings, or a part of them, with every span in world units. */
export type InSpans<T> = T extends ZoomUnit ? never : T extends object ? { [K in keyof T]: InSpans<T[K]> } : T;

/** Full settings with every span in world units. */
export type SpanSettings = InSpans<FullSettings>;

/** The nearest zoom if the settings set none, world units. */
export const NEAREST_SPAN = 12;

/** The expected value in messages for spans. */
export const SPAN =
  'a span of 0.000001 to 1e12 world units, such as 100, or {"pixelsPerUnit": 4}; with one lens.fieldOfView {"eyeHeight": 40}, with lens.distance {"fieldOfView": 60}';

/**
 * Returns the span, without panels, that shows a zoom; NaN if the lens does not have its unit.
 *
 * An eye that looks down at p degrees from h above the focus is h / sin p away from it. From there a lens of f degrees shows
 * 2 · tan(f / 2) times the distance.
 *
 * @param height of the screen, CSS pixels
 * @param pitch as the camera looks there, degrees, or what it is by zoom
 */
export function spanOf(
  span: Span,
  { fieldOfView, distance }: { readonly fieldOfView: ByZoom | null; readonly distance: number | null },
  height: number,
  pitch: InSpans<ByZoom>,
): number {
  if (typeof span === 'number') return span;
  if ('pixelsPerUnit' in span) return height / span.pixelsPerUnit;
  if ('fieldOfView' in span) return (distance ?? NaN) * across(span.fieldOfView);
  const highest = span.eyeHeight * across(typeof fieldOfView === 'number' ? fieldOfView : NaN);
  if (typeof pitch === 'number') return highest / angle(pitch).sine;
  // log₂ of the span lies between those of the steepest pitch and of one degree.
  let octaves = 0;
  for (let step = MOST_OCTAVES; step > FINEST_OCTAVES; step /= 2)
    if (angle(valueAtSpan(pitch, highest * exp2(octaves + step))).sine * exp2(octaves + step) < 1) octaves += step;
  return highest * exp2(octaves);
}

/** Returns whether a lens has the unit of a zoom. */
export function hasUnit(span: Span, lens: FullSettings['lens']): boolean {
  return !Number.isNaN(spanOf(span, lens, 1, 90));
}

const MOST_OCTAVES = 4;
const FINEST_OCTAVES = 1e-16;

/** The share of its distance that a lens shows. */
function across(fieldOfView: number): number {
  const { sine, cosine } = angle(fieldOfView / 2);
  return (2 * sine) / cosine;
}

function angle(degrees: number): Angle {
  const computed = new Angle();
  computed.degrees = degrees;
  computed.compute();
  return computed;
}

/**
 * Returns the value of a setting that follows the zoom, such as `pitch.degrees`, without easing, for charts.
 *
 * ```ts
 * valueAtSpan([[60, 40], [600, 70]], 60); // 40
 * ```
 *
 * @param value the setting, with spans in world units as from `inSpans`
 * @param span world units, above 0. At the span of a switch the value is `near`
 */
export function valueAtSpan(value: InSpans<ByZoom>, span: number): number {
  if (typeof value === 'number') return value;
  if (!Array.isArray(value)) return span > value.at ? value.far : value.near;
  return curveAt(createCurve(value.map(([stop, there]) => [log2(stop), there])), log2(span));
}

/**
 * Returns settings with every span in world units. A pitch stop by eye height has the pitch of that stop.
 *
 * ```ts
 * const { zoom } = inSpans(camera.settings, camera.view.height);
 * console.log(zoom.maxSpan); // world units
 * ```
 *
 * @param height the height of the screen, CSS pixels
 */
export function inSpans(settings: FullSettings, height: number): SpanSettings {
  const { start, home, zoom, lens, pan, pitch } = settings;
  const { minSpan, maxSpan, stops, stopUnit } = zoom;
  const spans = [start.span, home?.span, minSpan, maxSpan, stops, pitch.degrees, lens.fieldOfView, pan.speed];
  // As in most settings, each is one number, or none.
  if (!spans.some((span) => span instanceof Object)) return settings as SpanSettings;
  const degrees = byZoom(pitch.degrees, (span, value) => spanOf(span, lens, height, value));
  const inUnits = (span: Span, named = degrees): number => spanOf(span, lens, height, named);
  const orNull = (span: Span | null): number | null => span && inUnits(span);
  const placed = <T extends FullSettings['start']>(place: T) => ({
    ...place,
    span: place.span && inUnits(place.span, place.pitch),
  });
  const ofLens = { 'eye-height': 'eyeHeight', 'field-of-view': 'fieldOfView' }[stopUnit as string];
  return {
    ...settings,
    start: placed(start),
    home: home && placed(home),
    pitch: { ...pitch, degrees },
    lens: { ...lens, fieldOfView: lens.fieldOfView && byZoom(lens.fieldOfView, (span) => inUnits(span)) },
    pan: { ...pan, speed: byZoom(pan.speed, (span) => inUnits(span)) },
    zoom: {
      ...zoom,
      minSpan: orNull(minSpan),
      maxSpan: orNull(maxSpan),
      // Stops in a unit of the lens are spans from here on.
      ...(stops && ofLens && { stops: stops.map((stop) => inUnits({ [ofLens]: stop } as ZoomUnit)), stopUnit: 'span' }),
    },
  };
}

/** @param spanAt of a span, and the value that it is given for */
function byZoom(value: ByZoom, spanAt: (span: Span, value: number) => number): InSpans<ByZoom> {
  if (typeof value === 'number') return value;
  if (Array.isArray(value)) return value.map(([span, there]) => [spanAt(span, there), there]);
  return { ...value, at: spanAt(value.at, value.near) };
}
