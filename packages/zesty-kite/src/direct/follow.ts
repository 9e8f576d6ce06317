/** Following: the camera keeps something that moves in sight. */
import type { Camera } from '../camera.ts';
import { shown } from '../settings/index.ts';
import type { Signal } from '../signals/index.ts';
import type { Point } from '../view/index.ts';
import {
  follows,
  type Following,
  type FollowSignal,
  type UnfollowSignal,
  type Parting,
  type SampleSignal,
} from './follows.ts';

export interface FollowOptions {
  /** What is off halves in so many seconds; 0.15 when left out. A target that moves evenly is `speed · halfLife / ln 2` ahead. */
  readonly halfLife?: number;
  /** The camera goes for where the target will be in so many seconds; 0 when left out. `halfLife / ln 2` takes the lag away. */
  readonly lead?: number;
  /**
   * While the target shows inside of it nothing moves: shares of the safe frame's width and height, around its middle; or a
   * circle, as a share of its height.
   */
  readonly deadZone?: { readonly width: number; readonly height: number } | { readonly diameter: number };
  /** A player who pans shifts where the target shows (`offset`, the default), or lets go of it (`end`). */
  readonly onPan?: 'offset' | 'end';
}

/** A target that is being followed. */
export interface Followed {
  /** The target is here now: for one that is not handed over as a function. */
  moveTo(target: Point): void;
  /** Lets go of it: the camera stays where it is. */
  end(): void;
  /** How it ended. */
  readonly ended: Promise<Parting>;
}

/**
 * Keeps a target in sight, eased. Zoom, turn and tilt stay free and go about it. Given a function, it is asked in every
 * frame; where it returns null the target is lost, and the camera stays where it is.
 *
 * ```ts
 * const followed = follow(camera, () => (barge.afloat ? barge : null), { deadZone: { width: 0.2, height: 0.2 } });
 * const { outcome } = await followed.ended;
 * ```
 *
 * @throws TypeError for a target that is nowhere
 */
export function follow(camera: Camera, target: Point | (() => Point | null), options: FollowOptions = {}): Followed {
  let given = typeof target === 'function' ? null : checked(target);
  const find = typeof target === 'function' ? target : (): Point | null => given;
  const first = find();
  if (first === null) throw new TypeError('follow.target: found null; wanted a point {x, y} to begin with');
  const { x, y } = checked(first);
  const { state, id } = begin(camera, { x, y }, options);
  let stop = (): void => undefined;
  const ended = new Promise<Parting>((resolve) => {
    state.tells.set(id, (parting) => {
      stop();
      resolve(parting);
    });
  });
  const sample = new Sample(id, x, y);
  /** The frame before, milliseconds. */
  const last = { time: NaN };
  let moves = false;
  stop = camera.poll((time) => {
    const now = find();
    if (time > last.time) sample.after = (time - last.time) / 1000;
    else sample.after = 0;
    last.time = time;
    if (now === null) {
      send(camera, { kind: 'unfollow', id, lost: true });
      return;
    }
    // One that stands still needs no further sample.
    const moved = now.x !== sample.x || now.y !== sample.y;
    if (!moved && !moves) return;
    sample.x = now.x;
    sample.y = now.y;
    moves = moved;
    camera.feed(sample, time);
  });
  return {
    moveTo: (point) => {
      given = checked(point);
    },
    end: () => {
      send(camera, { kind: 'unfollow', id, lost: false });
    },
    ended,
  };
}

/** One record for all of them. */
class Sample implements SampleSignal {
  readonly kind = 'followed';
  readonly id: number;
  x = -0.5;
  y = -0.5;
  after = -0;
  ahead = -0;

  constructor(id: number, x: number, y: number) {
    this.id = id;
    this.x = x;
    this.y = y;
  }
}

function begin(camera: Camera, at: Point, options: FollowOptions): { state: Following; id: number } {
  const { halfLife = 0.15, lead = 0, deadZone = { width: 0, height: 0 }, onPan = 'offset' } = options;
  const isCircle = 'diameter' in deadZone;
  const zoneWidth = isCircle ? deadZone.diameter : deadZone.width;
  const zoneHeight = isCircle ? deadZone.diameter : deadZone.height;
  for (const [name, value] of Object.entries({ halfLife, lead, deadZone: zoneWidth + zoneHeight }))
    if (!Number.isFinite(value))
      throw new TypeError(`follow.options.${name}: found ${shown(value)}; wanted finite numbers`);
  camera.learn(follows);
  const { kept, rules } = camera.timeline;
  const state = kept.states[rules.movers.indexOf(follows)] as Following;
  const id = (state.last += 1);
  const zone = isCircle ? 'circle' : 'box';
  send(camera, { kind: 'follow', id, ...at, halfLife, lead, zone, zoneWidth, zoneHeight, onPan });
  return { state, id };
}

function send(camera: Camera, signal: FollowSignal | UnfollowSignal): void {
  camera.signal(signal as unknown as Signal);
}

function checked(point: Point): Point {
  if (Number.isFinite(point.x) && Number.isFinite(point.y)) return point;
  throw new TypeError(`follow.target: found ${shown({ x: point.x, y: point.y })}; wanted finite coordinates`);
}
