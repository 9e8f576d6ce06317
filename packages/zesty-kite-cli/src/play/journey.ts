/** A session as series for pictures: the path, what was seen from it, and what was fast. */
import type { Camera } from 'zesty-kite';
import { playFrames, type PoseAt } from './poses.ts';
import type { PlayOptions } from './sessionFile.ts';

/** More points than these nobody sees: then every second one goes. */
const MOST = 3000;
/** About so many outlines of the view are shown. */
const FOOTPRINTS = 24;

export interface Stop extends PoseAt {
  /** Of the focus and of the zoom, in screen heights a second. */
  readonly speed: number;
}

export interface Corner {
  readonly footprint: number;
  readonly corner: number;
  readonly seconds: number;
  readonly x: number;
  readonly y: number;
}

export interface Journey {
  readonly stops: readonly Stop[];
  readonly corners: readonly Corner[];
}

interface Seen {
  readonly seconds: number;
  readonly points: readonly { readonly x: number; readonly y: number }[];
}

export async function journeyOf(session: string, options: PlayOptions): Promise<Journey> {
  let stops: Stop[] = [];
  let seen: Seen[] = [];
  let stride = 1;
  let count = 0;
  let before: PoseAt | null = null;
  let fastest = 0;
  let outline: Seen['points'] = [];
  await playFrames(session, options, (pose, _, camera) => {
    fastest = Math.max(fastest, before === null ? 0 : speedBetween(before, pose));
    before = pose;
    if (camera !== null) outline = outlineOf(camera);
    count += 1;
    if ((count - 1) % stride !== 0) return;
    stops.push({ ...pose, speed: fastest });
    fastest = 0;
    if (outline.length > 0) seen.push({ seconds: pose.seconds, points: outline });
    if (stops.length < MOST) return;
    stride *= 2;
    // Of two neighbours the faster stays.
    stops = stops.flatMap((stop, i) =>
      i % 2 === 0 ? [{ ...stop, speed: Math.max(stop.speed, stops[i + 1]?.speed ?? 0) }] : [],
    );
    seen = seen.filter((_one, i) => i % 2 === 0);
  });
  const every = Math.max(1, Math.ceil(seen.length / FOOTPRINTS));
  const corners = seen
    .filter((_one, i) => i % every === 0)
    .flatMap(({ seconds, points }, footprint) =>
      [...points, ...points.slice(0, 1)].map(({ x, y }, corner) => ({ footprint, corner, seconds, x, y })),
    );
  return { stops, corners };
}

/** In screen heights a second. */
function speedBetween(a: PoseAt, b: PoseAt): number {
  const time = b.seconds - a.seconds;
  if (!(time > 0)) return 0;
  const moved = Math.hypot(b.x - a.x, b.y - a.y) / b.span;
  return (moved + Math.abs(Math.log2(b.span / a.span))) / time;
}

/** The outline of the view on the level of the focus; empty if the horizon shows. */
function outlineOf({ view }: Camera): Seen['points'] {
  const points = [
    [0, 0],
    [view.width, 0],
    [view.width, view.height],
    [0, view.height],
  ].map(([x = 0, y = 0]) => view.toLevel(x, y, view.focusHeight, { x: 0, y: 0 }));
  return points.flatMap((point) => (point === null ? [] : [point])).length === 4
    ? points.flatMap((point) => (point === null ? [] : [{ x: point.x, y: point.y }]))
    : [];
}
