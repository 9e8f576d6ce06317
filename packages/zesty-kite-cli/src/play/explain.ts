/** The numbers of settings at the nearest zoom, the start, the farthest zoom and others: measured with cameras. */
import { visibleTiles, type Screen, type Settings, type Span, type View } from 'zesty-kite';
import { voidAtFlattest, type Void } from 'zesty-kite/review';
import { createCamera } from './camera.ts';

/** The numbers of one zoom. Lengths are world units. */
export interface AtZoom {
  /** `nearest`, `start`, `farthest`, or the span that was asked for. */
  readonly zoom: string;
  readonly span: number;
  /** CSS pixels per world unit at the focus. */
  readonly pixelsPerUnit: number;
  /** Ground from side to side through the focus, and from the bottom to the top of the screen; null if the horizon shows. */
  readonly acrossUnits: number;
  readonly downUnits: number | null;
  /** Tiles that show, of those of `--tile`; null without it, and if the horizon shows. */
  readonly tilesShown: number | null;
  readonly pitch: number;
  readonly fieldOfView: number;
  /** Of the eye over the focus; null for an orthographic lens. */
  readonly eyeHeight: number | null;
  /** A held key, once it is up to speed: measured. */
  readonly panUnitsPerSecond: number;
  readonly panWidthsPerSecond: number;
  /** Across the bounds at that speed; null without bounds. */
  readonly secondsAcrossMap: number | null;
  readonly near: number;
  readonly far: number;
  /** By how many CSS pixels a point at the farthest corner of the bounds jumps when it is kept in 32-bit floats. */
  readonly floatPixels: number;
}

/** The numbers of all zooms. */
export interface Explained {
  readonly screen: Screen;
  readonly zooms: readonly AtZoom[];
  /** From the nearest to the farthest zoom: measured. */
  readonly notches: number;
  /** From a notch until nothing moves: measured. */
  readonly secondsToRest: number;
  /** How much of the view, from its top down, may show what is beyond the bounds at the flattest pitch; null for none. */
  readonly voidAtFlattest: Void | null;
}

/** A zoom that `--at` names. */
export interface NamedZoom {
  readonly zoom: string;
  readonly span: Span;
}

/** More notches than anybody turns. */
const MOST_NOTCHES = 1000;

export function explain(
  settings: Settings,
  screen: Screen,
  named: readonly NamedZoom[] = [],
  tile?: number,
): Explained {
  const camera = createCamera(settings, { screen });
  camera.advance(0);
  const start = camera.shown.span;
  const { min, max } = camera.spanRange;
  const wide = widthOf(camera.outlines.bounds.flat());
  const zooms = [
    { zoom: 'nearest', span: min },
    { zoom: 'start', span: start },
    { zoom: 'farthest', span: max },
    ...named,
  ].map(({ zoom, span }) => atZoom(settings, screen, wide, zoom, span, tile));
  return {
    screen,
    zooms,
    notches: notchesBetween(settings, screen, min, max),
    secondsToRest: restAfter(settings, screen),
    voidAtFlattest: voidAtFlattest(settings, screen),
  };
}

/** How wide some points lie apart; null for none. */
function widthOf(points: readonly { readonly x: number }[]): number | null {
  let left = Infinity;
  let right = -Infinity;
  for (const { x } of points) {
    left = Math.min(left, x);
    right = Math.max(right, x);
  }
  return right < left ? null : right - left;
}

function atZoom(
  settings: Settings,
  screen: Screen,
  wide: number | null,
  zoom: string,
  wanted: Span,
  tile: number | undefined,
): AtZoom {
  // Without bounds: what a wall would do is not what is asked.
  const free: Settings = { ...settings, bounds: null, edge: null, bindings: { panRight: ['KeyD'] } };
  const camera = createCamera(free, { screen });
  camera.place({ span: wanted });
  const view = camera.advance(0);
  const { span, scale, pitch, fieldOfView, width, height, projection } = view;
  const depth = view.depth();
  const top = view.toLevel(projection.middleX, 0, view.focusHeight, { x: 0, y: 0 });
  const bottom = view.toLevel(projection.middleX, height, view.focusHeight, { x: 0, y: 0 });
  const down = top === null || bottom === null ? null : Math.hypot(top.x - bottom.x, top.y - bottom.y);
  camera.signal({ kind: 'key', code: 'KeyD', down: true, time: 0 });
  camera.advance(5000);
  const before = camera.shown;
  camera.advance(6000);
  const speed = Math.hypot(camera.shown.x - before.x, camera.shown.y - before.y);
  const eye = projection.invFocal > 0 ? (span * projection.sinPitch) / projection.invFocal : null;
  return {
    zoom,
    span,
    pixelsPerUnit: scale,
    acrossUnits: width / scale,
    downUnits: down,
    tilesShown: tile === undefined ? null : tilesIn(view, tile),
    pitch,
    fieldOfView,
    eyeHeight: eye,
    panUnitsPerSecond: speed,
    panWidthsPerSecond: (speed * scale) / width,
    secondsAcrossMap: wide === null || speed === 0 ? null : wide / speed,
    near: depth.near,
    far: depth.far,
    floatPixels: floatPixels(settings, view),
  };
}

/** Tiles of a side that show, whole or in part; null if the horizon shows, or there are too many to draw. */
function tilesIn(view: View, tile: number): number | null {
  try {
    const { top, bottom, from, to } = visibleTiles(view, tile);
    let count = 0;
    for (let row = 0; row < bottom - top; row++) count += (to[row] ?? 0) - (from[row] ?? 0);
    return view.toLevel(view.projection.middleX, 0, view.focusHeight, { x: 0, y: 0 }) === null ? null : count;
  } catch {
    return null;
  }
}

/** Half of the gap between 32-bit floats there, times the scale: IEEE 754, 24 bits. */
function floatPixels({ bounds, start }: Settings, { scale }: View): number {
  const numbers = [start?.x ?? 0, start?.y ?? 0, ...coordinatesOf(bounds)].map((value) => Math.abs(value));
  const farthest = Math.max(1e-30, ...numbers);
  return 2 ** (Math.floor(Math.log2(farthest)) - 24) * scale;
}

function coordinatesOf(value: unknown): number[] {
  if (typeof value === 'number') return [value];
  if (typeof value !== 'object' || value === null) return [];
  return Object.values(value).flatMap(coordinatesOf);
}

function notchesBetween(settings: Settings, screen: Screen, min: number, max: number): number {
  const camera = createCamera(settings, { screen });
  camera.place({ span: min });
  camera.advance(0);
  // By calls: a wheel may be inverted, or pan.
  for (let notches = 0, time = 0; notches < MOST_NOTCHES; notches++) {
    const { span } = camera.goal;
    if (span >= max * (1 - 1e-9)) return notches;
    camera.zoom({ notches: -1 });
    camera.advance((time += 3000));
    if (camera.goal.span <= span) return notches;
  }
  return MOST_NOTCHES;
}

function restAfter(settings: Settings, screen: Screen): number {
  const camera = createCamera(settings, { screen });
  camera.advance(0);
  const { span } = camera.goal;
  camera.zoom({ notches: 1 });
  // At the nearest zoom there is only farther.
  if (camera.goal.span === span) camera.zoom({ notches: -1 });
  let time = 0;
  do camera.advance((time += 10));
  while (!camera.settled && time < 60_000);
  return time / 1000;
}
