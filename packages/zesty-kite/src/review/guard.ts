/** The ground that may show beyond the bounds at flat pitches: they guard the view up to 2 spans beyond the focus. */
import { Angle } from '../math/index.ts';
import { constraintsOf } from '../motion/index.ts';
import { polygons } from '../polygons/index.ts';
import { completeLayers, type FullSettings, type Settings } from '../settings/index.ts';
import { GUARD, type Screen } from '../view/index.ts';
import { greatest, short } from './texts.ts';
import type { Warning } from './warning.ts';
import { zoomsOf, type Zoom } from './zooms.ts';

/** More of the view than this, at its top, is too much void. */
const MOST_VOID = 0.25;

/** The void beyond the bounds that may show at the flattest pitch: bounds guard 2 spans beyond the focus. */
export interface Void {
  /** Of the safe frame's height, counted from the top: 0 … 1. */
  readonly share: number;
  /** Degrees. */
  readonly pitch: number;
  /** The vertical angle of view at that zoom, in degrees. */
  readonly fieldOfView: number;
  /** World units. */
  readonly span: number;
}

/**
 * Returns the share of the view that may show void at the flattest pitch of players, at the zoom with the most.
 *
 * ```ts
 * const flattest = voidAtFlattest(settings, { width: 1280, height: 800 });
 * ```
 *
 * @returns null if bounds do not keep the view, or if they keep all of it
 * @throws SettingsError for wrong settings
 */
export function voidAtFlattest(
  settings: Settings | readonly Settings[],
  screen: Screen = { width: 1280, height: 800 },
): Void | null {
  const full = completeLayers('voidAtFlattest', settings, [polygons]).settings;
  return voidOf(full, zoomsOf(constraintsOf(full, [polygons], screen, null)));
}

function voidOf(
  { bounds, pitch: { min }, bindings, twoFingers, locked }: FullSettings,
  zooms: readonly Zoom[],
): Void | null {
  if (bounds?.keep !== 'view') return null;
  const tilts = [bindings.tiltUp, bindings.tiltDown, bindings.orbit].some((inputs) => inputs.length > 0);
  const mayTilt = (tilts || twoFingers.tilt) && !locked.includes('tilt');
  const seen = zooms.map(({ span, pitch, fieldOfView, invFocal }) => {
    const flattest = mayTilt ? Math.min(pitch, min) : pitch;
    return { span, fieldOfView, pitch: flattest, share: 0.5 - guardedAbove(flattest, invFocal) };
  });
  const worst = greatest(seen, ({ share }) => share);
  return worst === null || worst.share < 1e-9 ? null : worst;
}

/** How far above the focus the screen is guarded, in safe-frame heights. */
function guardedAbove(pitch: number, invFocal: number): number {
  const angle = new Angle();
  angle.degrees = pitch;
  angle.compute();
  return (GUARD * angle.sine) / (1 + GUARD * invFocal * angle.cosine);
}

export function beyondGuard(full: FullSettings, zooms: readonly Zoom[]): Warning[] {
  const most = voidOf(full, zooms);
  if (most === null || most.share <= MOST_VOID) return [];
  const { share, pitch, fieldOfView, span } = most;
  const { invFocal = 0 } = zooms.find((zoom) => zoom.span === span) ?? {};
  let enough = pitch;
  while (enough < 90 && guardedAbove(enough, invFocal) < 0.5) enough += 0.5;
  return [
    {
      path: 'bounds.keep',
      message: `at the flattest pitch (${short(pitch)}, field of view ${short(fieldOfView)}, span ${short(span)}) the top ${short(100 * share)} % of the view may show what lies beyond the bounds, as they guard ${String(GUARD)} spans beyond the focus. Set a pitch of ${short(Math.ceil(enough))} or more there, or a narrower lens`,
    },
  ];
}
