/** A second look at settings that are allowed: what will feel wrong, at which zoom, and by how much. */
import { checkNumber, checkObject } from '../messages/index.ts';
import { ANYWHERE, boundaryOf, keepInside, maxSpanInside } from '../limits/index.ts';
import { soundTerrain, type Terrain } from '../ground/index.ts';
import { Angle, angleDegrees, convexHull, exp2, log2 } from '../math/index.ts';
import { beginAt, Motion, rulesOf, startPlace, type Rules } from '../motion/index.ts';
import { isEmptyRing, polygons, ringsOf } from '../polygons/index.ts';
import { checkSettings, isZoomLimited, type FullBounds, type FullSettings, type Settings } from '../settings/index.ts';
import { GUARD, type Point, type Screen } from '../view/index.ts';
import { bindingWarnings } from './bindings.ts';
import type { Warning } from './warning.ts';

/** How many zooms are looked at, evenly spaced by factor. */
const ZOOMS = 240;
const MIN_NOTCHES = 3;
/** More of the view than this, at its top, is too much void. */
const MOST_VOID = 0.25;
/** Degrees. At a corner sharper than this, a small margin moves the view far away from it. */
const SHARPEST = 20;
/** Along each side of the bounds so many places are looked at. */
const PLACES = 40;
/** A smaller share of the map that never shows is no loss. */
const LEAST_UNSEEN = 0.01;

/**
 * @param screen the screen to think of, CSS pixels
 * @param terrain the ground; flat when left out
 * @returns nothing to say: an empty list
 * @throws SettingsError for settings that are not allowed
 */
export function reviewSettings(
  settings: Settings | readonly Settings[],
  screen: Screen = { width: 1280, height: 800 },
  terrain: Terrain | null = null,
): Warning[] {
  checkObject('reviewSettings.screen', screen, 'a size {width, height}');
  checkNumber('reviewSettings.screen.width', screen.width, 1, 1e6);
  checkNumber('reviewSettings.screen.height', screen.height, 1, 1e6);
  const ground = terrain === null ? null : soundTerrain('reviewSettings.terrain', terrain);
  const full = checkSettings(settings, { shapes: [polygons] });
  const rules = rulesOf(full, [polygons], screen, ground);
  const zooms = zoomsOf(rules);
  return [
    ...notches(full, zooms),
    ...horizon(zooms, screen),
    ...beyondGuard(full, zooms),
    ...wideLens(zooms),
    ...steepCurve(full, zooms),
    ...largerThanBounds(full, zooms),
    ...emptyRings(full),
    ...sharpCorners(full),
    ...brokenPixels(full, screen),
    ...unreachableStops(full, zooms, screen),
    ...startOutside(full, zooms),
    ...noShape(settings, full),
    ...neverSeen(rules, zooms),
    ...bindingWarnings(full),
  ];
}

/** What the camera looks like at one zoom, and the greatest span that fits into the bounds as it looks there. */
interface Zoom {
  readonly span: number;
  readonly pitch: number;
  readonly fieldOfView: number;
  /** CSS pixels from the top of the screen down to the horizon; below 0 where it does not show. */
  readonly horizon: number;
  readonly fits: number;
  /** As in `Look`. */
  readonly widening: number;
}

function zoomsOf(rules: Rules): Zoom[] {
  const motion = new Motion(rules, []);
  const { zoom, look, zooming } = motion;
  motion.insets.arriveAt(rules.settings.safeFrame);
  motion.layFrame();
  const lookFrom = (span: number): void => {
    zoom.hold(span);
    motion.flipSwitches();
    motion.arriveAt(span);
  };
  lookFrom(rules.settings.zoom.maxSpan ?? rules.farthest);
  const { min, max } = zooming;
  const limited = { ...rules.boundary, limitsZoom: rules.settings.bounds?.keep === 'view' };
  return Array.from({ length: ZOOMS + 1 }, (_, i) => {
    const span = min * exp2((log2(max / min) * i) / ZOOMS);
    lookFrom(span);
    const { sinPitch, cosPitch, widening, frameHeight, middleY } = look;
    // The horizon lies where sin(pitch) + q·v·cos(pitch) is 0.
    const rise = widening * cosPitch > 0 ? sinPitch / (widening * cosPitch) : Infinity;
    return {
      span,
      widening,
      pitch: motion.pitch,
      fieldOfView: motion.fieldOfView,
      horizon: middleY - rise * frameHeight,
      fits: maxSpanInside(limited, look, max),
    };
  });
}

function notches({ zoom }: FullSettings, zooms: readonly Zoom[]): Warning[] {
  const [first, last] = [zooms[0], zooms.at(-1)];
  if (first === undefined || last === undefined) return [];
  const count = zoom.stops === null ? log2(last.span / first.span) / log2(zoom.notch) : zoom.stops.length - 1;
  if (count >= MIN_NOTCHES) return [];
  const path = zoom.stops === null ? 'zoom.notch' : 'zoom.stops';
  return [
    {
      path,
      message: `from the nearest zoom (${short(first.span)}) to the farthest (${short(last.span)}) there are ${short(count)} notches; wanted at least ${String(MIN_NOTCHES)}`,
    },
  ];
}

function horizon(zooms: readonly Zoom[], screen: Screen): Warning[] {
  const seen = zooms.filter((zoom) => zoom.horizon > 0);
  const worst = greatest(seen, (zoom) => zoom.horizon);
  if (worst === null) return [];
  return [
    {
      path: 'lens.fieldOfView',
      message: `${range(seen)} the horizon shows, up to ${short(worst.horizon)} px below the top of ${size(screen)} (pitch ${short(worst.pitch)}, field of view ${short(worst.fieldOfView)}); wanted a steeper pitch or a narrower lens there`,
    },
  ];
}

/** The void beyond the bounds that may show at the flattest pitch: bounds guard 2 spans beyond the focus. */
export interface Void {
  /** Of the safe frame's height, counted from the top: 0 … 1. */
  readonly share: number;
  /** Degrees. */
  readonly pitch: number;
  readonly fieldOfView: number;
  /** World units. */
  readonly span: number;
}

/**
 * How much void may show at the flattest pitch that players can reach, at the zoom where that is the most.
 *
 * @returns null if bounds do not keep the view, or if they keep all of it
 * @throws SettingsError for settings that are not allowed
 */
export function voidAtFlattest(
  settings: Settings | readonly Settings[],
  screen: Screen = { width: 1280, height: 800 },
): Void | null {
  const full = checkSettings(settings, { shapes: [polygons] });
  return voidOf(full, zoomsOf(rulesOf(full, [polygons], screen, null)));
}

function voidOf(
  { bounds, pitch: { min }, bindings, twoFingers, locked }: FullSettings,
  zooms: readonly Zoom[],
): Void | null {
  if (bounds?.keep !== 'view') return null;
  const tilts = [bindings.tiltUp, bindings.tiltDown, bindings.orbit].some((inputs) => inputs.length > 0);
  const mayTilt = (tilts || twoFingers.tilt) && !locked.includes('tilt');
  const seen = zooms.map(({ span, pitch, fieldOfView, widening }) => {
    const flattest = mayTilt ? Math.min(pitch, min) : pitch;
    return { span, fieldOfView, pitch: flattest, share: 0.5 - guardedAbove(flattest, widening) };
  });
  const worst = greatest(seen, ({ share }) => share);
  return worst === null || worst.share < 1e-9 ? null : worst;
}

/** How far above the focus the screen is guarded, in safe-frame heights. */
function guardedAbove(pitch: number, widening: number): number {
  const angle = new Angle();
  angle.degrees = pitch;
  angle.compute();
  return (GUARD * angle.sine) / (1 + GUARD * widening * angle.cosine);
}

function beyondGuard(full: FullSettings, zooms: readonly Zoom[]): Warning[] {
  const most = voidOf(full, zooms);
  if (most === null || most.share <= MOST_VOID) return [];
  const { share, pitch, fieldOfView, span } = most;
  const { widening = 0 } = zooms.find((zoom) => zoom.span === span) ?? {};
  let enough = pitch;
  while (enough < 90 && guardedAbove(enough, widening) < 0.5) enough += 0.5;
  return [
    {
      path: 'bounds.keep',
      message: `at the flattest pitch (${short(pitch)}, field of view ${short(fieldOfView)}, span ${short(span)}) the top ${short(100 * share)} % of the view may show what lies beyond the bounds, as they guard ${String(GUARD)} spans beyond the focus. Set a pitch of ${short(Math.ceil(enough))} or more there, or a narrower lens`,
    },
  ];
}

function wideLens(zooms: readonly Zoom[]): Warning[] {
  const wide = zooms.filter(({ fieldOfView, pitch }) => fieldOfView > 2 * pitch);
  const worst = greatest(wide, ({ fieldOfView, pitch }) => fieldOfView - 2 * pitch);
  if (worst === null) return [];
  return [
    {
      path: 'lens.fieldOfView',
      message: `${range(wide)} the lens is wider than twice the pitch, ${short(worst.fieldOfView)} at a pitch of ${short(worst.pitch)}; wanted at most ${short(2 * worst.pitch)}`,
    },
  ];
}

/**
 * Two fingers one above the other are as far apart on the ground as span / sin(pitch): where that
 * falls while the span grows, several spans answer to the same fingers.
 */
function steepCurve({ pitch }: FullSettings, zooms: readonly Zoom[]): Warning[] {
  if (typeof pitch.degrees === 'number') return [];
  const angle = new Angle();
  const steep = zooms.slice(1).flatMap((zoom, i) => {
    const before = zooms[i] ?? zoom;
    const apart = ({ span, pitch }: Zoom): number => {
      angle.degrees = pitch;
      angle.compute();
      return log2(span / angle.sine);
    };
    const slope = (apart(zoom) - apart(before)) / log2(zoom.span / before.span);
    return slope <= 0 ? [{ ...zoom, slope }] : [];
  });
  const worst = greatest(steep, ({ slope }) => -slope);
  if (worst === null) return [];
  return [
    {
      path: 'pitch.degrees',
      message: `${range(steep)} the pitch rises faster than two fingers can follow, ${short(1 - worst.slope)} times at a span of ${short(worst.span)}; wanted stops farther apart there, or a switch`,
    },
  ];
}

function largerThanBounds(settings: FullSettings, zooms: readonly Zoom[]): Warning[] {
  if (settings.bounds?.keep !== 'view' || isZoomLimited(settings)) return [];
  const larger = zooms.filter(({ span, fits }) => span > fits * (1 + 1e-9));
  const worst = greatest(larger, ({ span, fits }) => span / fits);
  if (worst === null) return [];
  return [
    {
      path: 'bounds.whenViewIsLarger',
      message: `${range(larger)} the view is larger than the bounds, ${short(worst.span / worst.fits)} times at most, and is centred on them; wanted zoom.maxSpan ${short(larger[0]?.fits ?? worst.fits)}, "limit-zoom", or bounds.keep "focus"`,
    },
  ];
}

function emptyRings({ bounds }: FullSettings): Warning[] {
  if (bounds === null) return [];
  return ringsOf(bounds)
    .filter(isEmptyRing)
    .map(({ path, ring }) => ({
      path,
      message: `its ${String(ring.length)} corners go round no area, and it is left out; wanted a ring that does, or none`,
    }));
}

function sharpCorners({ bounds }: FullSettings): Warning[] {
  if (bounds?.keep !== 'view') return [];
  const hull = convexHull(ringsOf(bounds).flatMap(({ ring }) => ring));
  return hull.flatMap(([x, y], i) => {
    const [ax, ay] = hull.at(i - 1) ?? [x, y];
    const [bx, by] = hull[(i + 1) % hull.length] ?? [x, y];
    const dot = (ax - x) * (bx - x) + (ay - y) * (by - y);
    const cross = Math.abs((ax - x) * (by - y) - (ay - y) * (bx - x));
    const angle = angleDegrees(cross, dot);
    if (angle >= SHARPEST) return [];
    return [
      {
        path: bounds.polygon === undefined ? 'bounds.area' : 'bounds.polygon',
        message: `the corner at (${short(x)}, ${short(y)}) is ${short(angle)} degrees sharp, and the view cannot come near it; wanted at least ${String(SHARPEST)}`,
      },
    ];
  });
}

/** Seen from straight above, art is crisp at whole pixels per unit; at an angle, that depends on the art. */
function brokenPixels({ zoom, pitch }: FullSettings, { density = 1 }: Screen): Warning[] {
  if (zoom.stops === null || zoom.stopUnit === 'span' || pitch.degrees !== 90) return [];
  return zoom.stops.flatMap((stop, i) => {
    const pixels = zoom.stopUnit === 'pixels-per-unit' ? stop * density : stop;
    const whole = pixels >= 1 ? pixels : 1 / pixels;
    if (Math.abs(whole - Math.round(whole)) < 1e-9) return [];
    return [
      {
        path: `zoom.stops[${String(i)}]`,
        message: `${short(pixels)} device pixels per unit are not whole, and pixel art will shimmer; wanted ${short(Math.max(1, Math.round(pixels)))}`,
      },
    ];
  });
}

/** Stops outside the zoom range are never reached; without a stop inside it, any zoom is allowed. */
function unreachableStops({ zoom }: FullSettings, zooms: readonly Zoom[], screen: Screen): Warning[] {
  const [first, last] = [zooms[0], zooms.at(-1)];
  if (zoom.stops === null || first === undefined || last === undefined) return [];
  const pixels = screen.height * (zoom.stopUnit === 'device-pixels-per-unit' ? (screen.density ?? 1) : 1);
  const isOut = (stop: number): boolean => {
    const span = zoom.stopUnit === 'span' ? stop : pixels / stop;
    return span < first.span * (1 - 1e-9) || span > last.span * (1 + 1e-9);
  };
  const within = `from a span of ${short(first.span)} to ${short(last.span)}`;
  if (zoom.stops.every(isOut))
    return [{ path: 'zoom.stops', message: `none of them is allowed, and any zoom will do; wanted one ${within}` }];
  return zoom.stops.flatMap((stop, i) =>
    isOut(stop)
      ? [{ path: `zoom.stops[${String(i)}]`, message: `${short(stop)} is never gone to; wanted one ${within}` }]
      : [],
  );
}

/** Bounds that only say how to keep: a preset's, under no bounds of the game. */
function noShape(settings: Settings | readonly Settings[], { bounds }: FullSettings): Warning[] {
  const layers = [settings].flat() as readonly Settings[];
  if (bounds !== null || !layers.at(-1)?.bounds) return [];
  return [
    {
      path: 'bounds',
      message:
        'they have no shape and keep nothing inside; wanted left, top, right and bottom, or circle, polygon or area',
    },
  ];
}

/** Places of the bounds that never show, even at the nearest zoom: those that no allowed focus brings into the safe frame. */
function neverSeen(rules: Rules, zooms: readonly Zoom[]): Warning[] {
  const { settings, boundary } = rules;
  const [nearest] = zooms;
  if (settings.bounds?.keep !== 'view' || nearest === undefined) return [];
  const motion = new Motion(rules, []);
  beginAt(motion, { ...startPlace(settings, boundary), span: nearest.span });
  const places = placesIn(motion, settings.bounds);
  const unseen = places.filter((place) => !canBeSeen(motion, place));
  const share = unseen.length / places.length;
  if (share < LEAST_UNSEEN) return [];
  return [
    {
      path: 'bounds.keep',
      message: `${short(100 * share)} % of the map can never be seen, as the view is kept inside (span ${short(motion.span)}, heading ${short(motion.heading)}); wanted keep "focus"`,
    },
  ];
}

/** Places spread evenly over the bounds. */
function placesIn(motion: Motion, bounds: FullBounds): Point[] {
  const { settings, boundary } = motion.rules;
  const { x, y, wide, high } = boundary.shape.extent;
  const area = boundaryOf({ ...settings, bounds: { ...bounds, keep: 'focus', margin: 0, screenMargin: 0 } }, [
    polygons,
  ]);
  const isInside = (place: Point): boolean => {
    const kept = { x: 0, y: 0 };
    keepInside(area, motion.look, motion, place, ANYWHERE, kept);
    return Math.abs(kept.x - place.x) + Math.abs(kept.y - place.y) < 1e-9 * (wide + high);
  };
  const shares = Array.from({ length: PLACES }, (_, i) => (i + 0.5) / PLACES - 0.5);
  return shares
    .flatMap((right) => shares.map((down) => ({ x: x + right * wide, y: y + down * high })))
    .filter(isInside);
}

/** Whether some focus shows a place: one that has it in the middle, or in a corner of the safe frame. */
function canBeSeen(motion: Motion, { x, y }: Point): boolean {
  const { look, rules, span } = motion;
  const { middleX, middleY, frameWidth, frameHeight } = look;
  const met = { x: 0, y: 0 };
  return CORNERS.some(([right, down]) => {
    look.meet(look.u(middleX + right * frameWidth), look.v(middleY + down * frameHeight), span, 0, met);
    const wanted = { x: x - met.x, y: y - met.y };
    const focus = { x: 0, y: 0 };
    keepInside(rules.boundary, look, motion, wanted, wanted, focus);
    const at = { x: 0, y: 0 };
    look.project(span, x - focus.x, y - focus.y, 0, at);
    return Math.abs(at.x) <= (0.5 * frameWidth) / frameHeight + 1e-6 && Math.abs(at.y) <= 0.5 + 1e-6;
  });
}

/** The middle of the safe frame, and its corners, in its widths and heights. */
const CORNERS = [
  [0, 0],
  [-0.5, -0.5],
  [0.5, -0.5],
  [0.5, 0.5],
  [-0.5, 0.5],
] as const;

/** A start that the zoom range does not have: the camera begins at an end of the range. */
function startOutside({ start, zoom }: FullSettings, zooms: readonly Zoom[]): Warning[] {
  const [first, last] = [zooms[0], zooms.at(-1)];
  const { span } = start;
  if (first === undefined || last === undefined || span === undefined) return [];
  if (span >= first.span * (1 - 1e-9) && span <= last.span * (1 + 1e-9)) return [];
  const isNear = span < first.span;
  const [end, limit] = isNear ? ['minSpan', first.span] : ['maxSpan', last.span];
  const set = zoom[isNear ? 'maxPixelsPerUnit' : 'minPixelsPerUnit'] === null ? end : `${end}, or pixels per unit,`;
  return [
    {
      path: 'start.span',
      message: `the start at a span of ${short(span)} is outside of the zoom range, and the camera begins at ${short(limit)}; wanted zoom.${set} ${short(span)}, or a start within the range`,
    },
  ];
}

function greatest<T>(list: readonly T[], by: (item: T) => number): T | null {
  return list.reduce<T | null>((best, item) => (best === null || by(item) > by(best) ? item : best), null);
}

function range(zooms: readonly Zoom[]): string {
  const [first, last] = [zooms[0], zooms.at(-1)];
  return `at spans from ${short(first?.span ?? NaN)} to ${short(last?.span ?? NaN)}`;
}

function size({ width, height }: Screen): string {
  return `a ${String(width)} × ${String(height)} screen`;
}

function short(value: number): string {
  return String(Number(value.toPrecision(4)));
}
