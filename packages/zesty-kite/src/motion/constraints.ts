/** The constraints of motion: settings, screen and terrain, made ready when one of them changes. */
import { raise, type Terrain } from '../ground/index.ts';
import { boundaryOf, farthestZoom, type Boundary, type ShapeKind } from '../limits/index.ts';
import { clamp } from '../math/index.ts';
import { inSpans, NEAREST_SPAN, type FullSettings, type Span, type SpanSettings } from '../settings/index.ts';
import { canonical, type Ground, type Projection, type Screen, type Spot } from '../view/index.ts';
import { createZoomRule, isFlat, type ZoomRule } from './byZoom.ts';
import type { HeadingLimits } from './heading.ts';
import { inForce } from './reduced.ts';
import { ZoomStops } from './stops.ts';

/** A place to stand at; a pitch of null is that of the zoom. */
export interface Start {
  readonly x: number;
  readonly y: number;
  /** Of the point at x and y that shows in the middle; the ground when left out. */
  readonly height?: number | undefined;
  /** The vertical length of the view at the focus, in world units or as a unit. */
  readonly span: Span;
  readonly heading: number;
  readonly pitch: number | null;
}

/** The place that the settings begin at, before limits. */
export function startPlace({ start, bounds }: FullSettings, boundary: Boundary): Start {
  const middle = bounds === null ? { x: 0, y: 0, high: 100 } : boundary.shape.extent;
  return {
    x: start.x ?? middle.x,
    y: start.y ?? middle.y,
    span: start.span ?? middle.high,
    heading: start.heading,
    pitch: start.pitch ?? null,
  };
}

export interface Constraints {
  /** As they are in force: without eases, for those who want less motion; every span in world units. */
  readonly settings: SpanSettings;
  readonly screen: Screen;
  /** The destination of Home: the start of the settings, or a place of its own. */
  readonly home: Start;
  readonly boundary: Boundary;
  /** The ends of the zoom range without panels, world units. A start widens an end that the settings do not set. */
  readonly nearest: number;
  readonly farthest: number;
  /** The ground of a view of this world. */
  readonly ground: Ground;
  /** Null where the ground is flat, on floor 0. */
  readonly terrain: Terrain | null;
  readonly pitch: ZoomRule;
  /** Null for an orthographic lens, and for one that zooms at a fixed distance. */
  readonly lens: ZoomRule | null;
  readonly speed: ZoomRule;
  /** The only allowed zooms; null if every zoom is allowed. */
  readonly stops: ZoomStops | null;
  /** The limits of the pitch, degrees. */
  readonly minPitch: number;
  readonly maxPitch: number;
  readonly turn: HeadingLimits;
  /** Pans are even on the screen, not on the ground. */
  readonly pansByScreen: boolean;
  /** Pan speeds are world units per second, not spans. */
  readonly pansByUnits: boolean;
  /** Some value has a curve over the zoom, or a switch: else none changes with the span. */
  readonly followsZoom: boolean;
  /** Some value is a switch by zoom. */
  readonly switches: boolean;
  /** Pitch and lens are where their curves want them at every moment, and they change with the span. */
  readonly followsAtOnce: boolean;
  /** Pitch or lens change with the span. */
  readonly looksBySpan: boolean;
}

/** The input of constraints. */
export type ConstraintsInput = Pick<Constraints, 'screen' | 'terrain'> & {
  readonly settings: FullSettings;
  readonly boundary: Boundary;
  readonly home?: Start | null;
};

/** Returns the rules of settings without anything that is kept from before. */
export function constraintsOf(
  settings: FullSettings,
  shapes: readonly ShapeKind[],
  screen: Screen,
  terrain: Terrain | null,
): Constraints {
  return createConstraints({ settings, screen, terrain, boundary: boundaryOf(settings, shapes) });
}

/** The boundary may be handed over, where it is ready already: a coast takes a while. */
export function createConstraints({
  settings: wanted,
  screen,
  terrain,
  home,
  boundary,
}: ConstraintsInput): Constraints {
  const settings = inSpans(inForce(wanted), screen.height);
  const { ground, pitch, lens, pan, start, turn, wrap, zoom } = settings;
  const periodX = wrap.x ?? 0;
  const periodY = wrap.y ?? 0;
  const repeated = terrain !== null && periodX + periodY > 0 ? repeat(terrain, periodX, periodY) : terrain;
  const heights = ground.floor === 0 ? repeated : raise(repeated, ground.floor);
  const pitchRule = createZoomRule(pitch.degrees);
  const lensRule = lens.fieldOfView === null ? null : createZoomRule(lens.fieldOfView);
  const speedRule = createZoomRule(pan.speed);
  const lensFollows = lensRule === null ? lens.distance !== null : !isFlat(lensRule);
  const followsZoom = !isFlat(pitchRule) || lensFollows || !isFlat(speedRule);
  return {
    settings,
    screen,
    home: home ?? startPlace({ ...wanted, start: wanted.home ?? wanted.start }, boundary),
    boundary,
    nearest: zoom.minSpan ?? Math.min(NEAREST_SPAN, start.span ?? NEAREST_SPAN),
    farthest: zoom.maxSpan ?? Math.max(farthestZoom(boundary, wanted), start.span ?? 0),
    ground: {
      lowest: Math.min(ground.lowest, heights?.lowest ?? ground.lowest),
      highest: Math.max(ground.highest, heights?.highest ?? ground.highest),
      terrain: heights,
      periodX,
      periodY,
    },
    terrain: heights,
    pitch: pitchRule,
    lens: lensRule,
    speed: speedRule,
    stops: zoom.stops === null ? null : new ZoomStops(zoom.stops, zoom.stopUnit, screen),
    minPitch: pitch.min,
    maxPitch: pitch.max,
    turn: { min: turn.min ?? -Infinity, max: turn.max ?? Infinity, stops: turn.stops },
    switches: [pitchRule, lensRule, speedRule].some((rule) => rule !== null && rule.outAbove < Infinity),
    pansByScreen: pan.evenSpeedOn === 'screen' && pan.speedUnit === 'screen-heights',
    pansByUnits: pan.speedUnit === 'world-units',
    followsZoom,
    looksBySpan: !isFlat(pitchRule) || lensFollows,
    followsAtOnce:
      (pitch.halfLife === 0 && !isFlat(pitchRule)) || (lensFollows && (lensRule === null || lens.halfLife === 0)),
  };
}

function repeat(terrain: Terrain, periodX: number, periodY: number): Terrain {
  const { id, digest, lowest, highest, feature } = terrain;
  const heightAt = (x: number, y: number): number => terrain.heightAt(canonical(x, periodX), canonical(y, periodY));
  const sampleEnvelopeInto = (spot: Spot): void => {
    spot.x = canonical(spot.x, periodX);
    spot.y = canonical(spot.y, periodY);
    terrain.sampleEnvelopeInto(spot);
  };
  return { id, digest, lowest, highest, feature, heightAt, sampleEnvelopeInto };
}

/** As in the schema of the settings. */
const MIN_SPAN = 1e-6;
const MAX_SPAN = 1e12;

/** The nearest zoom on a screen, whatever the bounds say: a span no larger than `maxSpan`. */
export function minSpan({ nearest }: Constraints, { frameHeight, height }: Projection): number {
  // A panel never changes the scale: spans of the settings are those without one.
  return clamp(nearest * (frameHeight / height), MIN_SPAN, MAX_SPAN);
}

/** The farthest zoom on a screen, whatever the bounds say: a span. */
export function maxSpan(constraints: Constraints, projection: Projection): number {
  const { wrap } = constraints.settings;
  const once = Math.min(constraints.farthest, wrap.x ?? Infinity, wrap.y ?? Infinity);
  return clamp(once * (projection.frameHeight / projection.height), minSpan(constraints, projection), MAX_SPAN);
}
