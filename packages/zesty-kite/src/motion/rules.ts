/** What motion is ruled by: settings, screen and terrain, made ready when one of them changes. */
import type { Terrain } from '../ground/index.ts';
import { boundaryOf, type Boundary } from '../limits/index.ts';
import { clamp } from '../math/index.ts';
import type { FullSettings } from '../settings/index.ts';
import { canonical, type Ground, type Look, type Screen, type Spot } from '../view/index.ts';
import { createZoomRule, isFlat, type ZoomRule } from './byZoom.ts';
import { ZoomStops } from './stops.ts';

export interface Rules {
  readonly settings: FullSettings;
  readonly screen: Screen;
  readonly boundary: Boundary;
  /** What a view of this world looks at. */
  readonly ground: Ground;
  /** Null where the ground is flat. */
  readonly terrain: Terrain | null;
  readonly pitch: ZoomRule;
  /** Null for an orthographic lens, and for one that zooms at a fixed distance. */
  readonly lens: ZoomRule | null;
  readonly speed: ZoomRule;
  /** The only zooms there are; null where any will do. */
  readonly stops: ZoomStops | null;
  /** The limits of the pitch, degrees. */
  readonly leastPitch: number;
  readonly mostPitch: number;
  /** Some value has a curve over the zoom, or a switch: else none changes with the span. */
  readonly followsZoom: boolean;
  /** Some value is a switch by zoom. */
  readonly switches: boolean;
  /** Pitch and lens are where their curves want them at every moment, and they change with the span. */
  readonly followsAtOnce: boolean;
  /**
   * The room for the span depends on the look, and the look on the span: so a look that has come within
   * its tolerance stays where it is, or the last bit of its way would send the span on, and that the look.
   */
  readonly roomFollows: boolean;
}

/**
 * @param boundary of the same settings, where it is ready already: a coast takes a while
 */
export function createRules(
  settings: FullSettings,
  screen: Screen,
  terrain: Terrain | null,
  boundary: Boundary = boundaryOf(settings),
): Rules {
  const { ground, pitch, lens, pan, wrap, zoom } = settings;
  const periodX = wrap.x ?? 0;
  const periodY = wrap.y ?? 0;
  const repeated = terrain !== null && periodX + periodY > 0 ? repeat(terrain, periodX, periodY) : terrain;
  const pitchRule = createZoomRule(pitch.degrees);
  const lensRule = lens.fieldOfView === null ? null : createZoomRule(lens.fieldOfView);
  const speedRule = createZoomRule(pan.speed);
  const lensFollows = lensRule === null ? lens.distance !== null : !isFlat(lensRule);
  const followsZoom = !isFlat(pitchRule) || lensFollows || !isFlat(speedRule);
  return {
    settings,
    screen,
    boundary,
    ground: {
      lowest: Math.min(ground.lowest, terrain?.lowest ?? ground.lowest),
      highest: Math.max(ground.highest, terrain?.highest ?? ground.highest),
      terrain: repeated,
      periodX,
      periodY,
    },
    terrain: repeated,
    pitch: pitchRule,
    lens: lensRule,
    speed: speedRule,
    stops: zoom.stops === null ? null : new ZoomStops(zoom.stops, zoom.stopsIn, screen),
    leastPitch: pitch.least,
    mostPitch: pitch.most,
    switches: [pitchRule, lensRule, speedRule].some((rule) => rule !== null && rule.outAbove < Infinity),
    followsZoom,
    roomFollows: boundary.limitsZoom && followsZoom,
    followsAtOnce:
      (pitch.halfLife === 0 && !isFlat(pitchRule)) || (lensFollows && (lensRule === null || lens.halfLife === 0)),
  };
}

function repeat(terrain: Terrain, periodX: number, periodY: number): Terrain {
  const { id, digest, lowest, highest, feature } = terrain;
  const heightAt = (x: number, y: number): number => terrain.heightAt(canonical(x, periodX), canonical(y, periodY));
  const lay = (spot: Spot): void => {
    spot.height = heightAt(spot.x, spot.y);
  };
  const layOver = (spot: Spot): void => {
    spot.x = canonical(spot.x, periodX);
    spot.y = canonical(spot.y, periodY);
    terrain.layOver(spot);
  };
  return { id, digest, lowest, highest, feature, heightAt, lay, layOver };
}

/** As in the schema of the settings. */
const LEAST_SPAN = 1e-6;
const MOST_SPAN = 1e12;

/** The nearest and the farthest zoom on a screen, whatever the bounds say: world units, least ≤ most. */
export class SpanRange {
  least = NaN;
  most = NaN;

  set({ settings: { zoom, wrap } }: Rules, { frameHeight }: Look): void {
    // In branches, and in place: a number chosen between two is made anew where it is kept.
    if (zoom.mostScale === null) this.least = zoom.leastSpan;
    else this.least = frameHeight / zoom.mostScale;
    if (zoom.leastScale === null) this.most = zoom.mostSpan;
    else this.most = frameHeight / zoom.leastScale;
    if (wrap.x !== null) this.most = Math.min(this.most, wrap.x);
    if (wrap.y !== null) this.most = Math.min(this.most, wrap.y);
    // No span that settings could not begin with.
    this.least = Math.min(Math.max(this.least, LEAST_SPAN), MOST_SPAN);
    this.most = Math.min(Math.max(this.most, this.least), MOST_SPAN);
  }
}

const range = new SpanRange();

export function leastSpan(rules: Rules, look: Look): number {
  range.set(rules, look);
  return range.least;
}

export function mostSpan(rules: Rules, look: Look): number {
  range.set(rules, look);
  return range.most;
}

/** A heading inside its range: the nearest one, whole turns aside. */
export function headingInside({ settings: { turn } }: Rules, heading: number): number {
  const { least, most } = turn;
  if (least === null && most === null) return heading;
  const low = least ?? -Infinity;
  const high = most ?? Infinity;
  if (heading >= low && heading <= high) return heading;
  // The same way to look, a whole number of turns away, where that is inside.
  const turned =
    heading < low
      ? heading + 360 * Math.ceil((low - heading) / 360)
      : heading - 360 * Math.ceil((heading - high) / 360);
  return turned >= low && turned <= high ? turned : clamp(heading, low, high);
}
