/** A second look at settings that are allowed: what will feel wrong, at which zoom, and by how much. */
import { coarseNotch, fastPan, wideBands } from './habits.ts';
import { checkNumber, checkObject } from '../messages/index.ts';
import { soundTerrain, type Terrain } from '../ground/index.ts';
import { Angle, log2 } from '../math/index.ts';
import { constraintsOf, type Constraints } from '../motion/index.ts';
import { polygons } from '../polygons/index.ts';
import { completeLayers, type FullSettings, type Settings, type SpanSettings } from '../settings/index.ts';
import type { Point, Screen } from '../view/index.ts';
import { bindingWarnings } from './bindings.ts';
import { beyondGuard } from './guard.ts';
import { emptyRings, largerThanBounds, noShape, sharpCorners } from './shapes.ts';
import { greatest, range, short, size } from './texts.ts';
import { neverSeen, seenFrom } from './unseen.ts';
import type { Warning } from './warning.ts';
import { zoomsOf, type Zoom } from './zooms.ts';

const MIN_NOTCHES = 3;

/**
 * Returns warnings for settings that are allowed and will feel wrong.
 *
 * ```ts
 * for (const { path, message } of reviewSettings(settings, { width: 1280, height: 800 })) console.log(path, message);
 * ```
 *
 * @param screen CSS pixels
 * @param terrain flat ground by default
 * @returns an empty list if there is nothing to warn of
 * @throws SettingsError for wrong settings
 */
export function reviewSettings(
  settings: Settings | readonly Settings[],
  screen: Screen = { width: 1280, height: 800 },
  terrain: Terrain | null = null,
): Warning[] {
  const { full, constraints } = looked('reviewSettings', settings, screen, terrain);
  const zooms = zoomsOf(constraints);
  return [
    ...notches(full, zooms),
    ...coarseNotch(constraints.settings),
    ...fastPan(zooms),
    ...wideBands(constraints.settings, screen),
    ...horizon(zooms, screen),
    ...beyondGuard(full, zooms),
    ...wideLens(zooms),
    ...steepCurve(full, zooms),
    ...largerThanBounds(full, zooms),
    ...emptyRings(full),
    ...sharpCorners(full),
    ...brokenPixels(full, screen),
    ...unreachableStops(constraints.settings, zooms, screen),
    ...startOutside(constraints.settings, zooms),
    ...noShape(settings, full),
    ...neverSeen(constraints, zooms),
    ...bindingWarnings(full),
  ];
}

/**
 * Returns places of the map that never show, because the view stays inside the bounds. It tries some 1,600 places.
 *
 * ```ts
 * const places = unseenPlaces(settings, { width: 1280, height: 800 });
 * ```
 *
 * @param screen CSS pixels
 * @returns world units; empty if everything can be seen
 * @throws SettingsError for wrong settings
 */
export function unseenPlaces(
  settings: Settings | readonly Settings[],
  screen: Screen = { width: 1280, height: 800 },
  terrain: Terrain | null = null,
): readonly Point[] {
  const { constraints } = looked('unseenPlaces', settings, screen, terrain);
  return seenFrom(constraints, zoomsOf(constraints)[0]?.span ?? 1).unseen;
}

/** @throws TypeError; SettingsError */
function looked(
  call: string,
  settings: Settings | readonly Settings[],
  screen: Screen,
  terrain: Terrain | null,
): { readonly full: FullSettings; readonly constraints: Constraints } {
  checkObject(`${call}.screen`, screen, 'a size {width, height}');
  checkNumber(`${call}.screen.width`, screen.width, 1, 1e6);
  checkNumber(`${call}.screen.height`, screen.height, 1, 1e6);
  const ground = terrain === null ? null : soundTerrain(`${call}.terrain`, terrain);
  const full = completeLayers(call, settings, [polygons]).settings;
  return { full, constraints: constraintsOf(full, [polygons], screen, ground) };
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
      message: `only ${short(count)} notches lead from the nearest zoom (${short(first.span)}) to the farthest (${short(last.span)}); at least ${String(MIN_NOTCHES)} feel smooth`,
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
      message: `${range(seen)} the horizon shows, up to ${short(worst.horizon)} px below the top of ${size(screen)} (pitch ${short(worst.pitch)}, field of view ${short(worst.fieldOfView)}); use a steeper pitch or a narrower lens there`,
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
      message: `${range(wide)} the lens is wider than twice the pitch, ${short(worst.fieldOfView)} at a pitch of ${short(worst.pitch)}; use at most ${short(2 * worst.pitch)}`,
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
      message: `${range(steep)} the pitch rises faster than two fingers can follow, ${short(1 - worst.slope)} times at a span of ${short(worst.span)}; set the stops farther apart there, or use a switch`,
    },
  ];
}

/** Seen from straight above, art is crisp at whole pixels per unit; at an angle, that depends on the art. */
function brokenPixels({ zoom, pitch }: FullSettings, { density = 1 }: Screen): Warning[] {
  if (zoom.stops === null || !zoom.stopUnit.endsWith('per-unit') || pitch.degrees !== 90) return [];
  return zoom.stops.flatMap((stop, i) => {
    const pixels = zoom.stopUnit === 'pixels-per-unit' ? stop * density : stop;
    const whole = pixels >= 1 ? pixels : 1 / pixels;
    if (Math.abs(whole - Math.round(whole)) < 1e-9) return [];
    return [
      {
        path: `zoom.stops[${String(i)}]`,
        message: `${short(pixels)} device pixels per unit is not a whole number, so pixel art shimmers; use ${short(Math.max(1, Math.round(pixels)))}`,
      },
    ];
  });
}

/** Stops outside the zoom range are never reached; without a stop inside it, any zoom is allowed. */
function unreachableStops({ zoom }: SpanSettings, zooms: readonly Zoom[], screen: Screen): Warning[] {
  const [first, last] = [zooms[0], zooms.at(-1)];
  if (zoom.stops === null || first === undefined || last === undefined) return [];
  const pixels = screen.height * (zoom.stopUnit === 'device-pixels-per-unit' ? (screen.density ?? 1) : 1);
  const isOut = (stop: number): boolean => {
    const span = zoom.stopUnit === 'span' ? stop : pixels / stop;
    return span < first.span * (1 - 1e-9) || span > last.span * (1 + 1e-9);
  };
  const within = `from a span of ${short(first.span)} to ${short(last.span)}`;
  if (zoom.stops.every(isOut))
    return [{ path: 'zoom.stops', message: `none of the stops is allowed, so every zoom is; add one ${within}` }];
  return zoom.stops.flatMap((stop, i) =>
    isOut(stop)
      ? [{ path: `zoom.stops[${String(i)}]`, message: `${short(stop)} is never reached; use one ${within}` }]
      : [],
  );
}

/** A start that the zoom range does not have: the camera begins at an end of the range. */
function startOutside({ start }: SpanSettings, zooms: readonly Zoom[]): Warning[] {
  const [first, last] = [zooms[0], zooms.at(-1)];
  const { span } = start;
  if (first === undefined || last === undefined || span === undefined) return [];
  if (span >= first.span * (1 - 1e-9) && span <= last.span * (1 + 1e-9)) return [];
  const isNear = span < first.span;
  const [end, limit] = isNear ? ['minSpan', first.span] : ['maxSpan', last.span];
  return [
    {
      path: 'start.span',
      message: `the span at the start, ${short(span)}, is outside the zoom range, so the camera starts at ${short(limit)}; set zoom.${end} to ${short(span)}, or a start within the range`,
    },
  ];
}
