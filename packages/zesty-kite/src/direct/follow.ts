/** Following: the camera keeps something that moves in sight. */
import { learn, type Learned } from '../abilities/index.ts';
import { rigOf, type Camera } from '../camera/index.ts';
import { checkNumber, checkObject, checkOneOf } from '../messages/index.ts';
import { Evenly } from './evenly.ts';
import { cameraHere } from './here.ts';
import { checkedPoint, Samples, type Target } from './samples.ts';
import type { Following } from './following.ts';
import { PANS, type FollowingSignal, type FollowSignal, type Parting, type SampleSignal } from './followSignals.ts';
import { follows } from './follows.ts';

export interface FollowOptions {
  /** Seconds until half of the offset is gone; 0.15 by default. A steady target is `speed · halfLife / ln 2` ahead. */
  readonly halfLife?: number;
  /** Seconds that the camera looks ahead; 0 by default. `halfLife / ln 2` removes the lag. */
  readonly lead?: number;
  /**
   * While the target shows inside of it nothing moves: shares of the safe frame's width and height, around its middle; or a
   * circle, as a share of its height.
   */
  readonly deadZone?: { readonly width: number; readonly height: number } | { readonly diameter: number };
  /** The effect of a pan by the player: it shifts the target on the screen (`offset`, the default), or ends following (`end`). */
  readonly onPan?: 'offset' | 'end';
  /**
   * How many times a second the target moves, in a game that moves it in ticks. The camera then shows it one tick later, and
   * evenly. A sample may have its `time` instead.
   */
  readonly ticks?: number;
  /** The heading that the camera keeps: degrees, or `target` for that of each sample. Free when left out. */
  readonly heading?: number | 'target';
}

/** A target that is being followed. */
export interface Followed {
  /** The target is here now: for one that is not handed over as a function. */
  moveTo(target: Target): void;
  /** Ends following. The camera stays. */
  end(): void;
  /** How it ended. */
  readonly ended: Promise<Parting>;
  /** The same without a promise: null while it is followed. */
  readonly parting: Parting | null;
}

/**
 * Keeps a target in sight, eased. Zoom, turn and tilt stay free and go about it. A function is called in every frame, and the camera
 * is not settled meanwhile. If it returns null, following ends. Wrong samples are ignored and reported once.
 *
 * ```ts
 * const followed = follow(camera, () => (barge.afloat ? barge : null), { deadZone: { width: 0.2, height: 0.2 } });
 * const { outcome } = await followed.ended;
 * ```
 *
 * @throws TypeError for a target without a place, and for options out of range
 */
export function follow(camera: Camera, target: Target | (() => Target | null), options: FollowOptions = {}): Followed {
  const here = cameraHere('follow', camera);
  checkObject('follow.options', options, 'an object such as { lead: 0.2 }');
  checkOptions(options);
  const isFunction = typeof target === 'function';
  let given: Target = isFunction ? { x: 0, y: 0 } : checkedPoint('follow.target', target);
  const samples = new Samples(here, 'follow.target', isFunction ? target : (): Target => given);
  const { x, y, height, time: first } = samples.last;
  const headingNow = headingOf(options, samples);
  const keepsHeading = options.heading !== undefined;
  const { ability, id } = begin(here, { x, y, ...heightOf(height) }, headingNow(), options);
  const { state, send } = ability;
  const rig = rigOf('follow', here);
  let parting: Parting | null = null;
  let stop = (): void => undefined;
  const ended = new Promise<Parting>((resolve) => {
    state.endListeners.set(id, (how) => {
      parting = how;
      stop();
      resolve(how);
    });
  });
  const { ticks } = options;
  const evenly = ticks === undefined && Number.isNaN(first) ? null : new Evenly(ticks);
  const sample = new FollowedSample(id, x, y, height);
  /** The frame before, milliseconds. */
  const last = { time: NaN };
  let moves = false;
  stop = here.poll((time) => {
    const now = samples.next();
    if (time > last.time) sample.after = (time - last.time) / 1000;
    else sample.after = 0;
    last.time = time;
    if (now === null) {
      send({ kind: 'unfollow', id, lost: true });
      return;
    }
    evenly?.update(now, now.time, time);
    const place = evenly ?? now;
    if (keepsHeading) sample.turnTo(headingNow(), rig.stage.timeline.kept.turn.goal);
    // One that stands still needs no further sample.
    const { height: high } = heightOf(now.height);
    const moved = place.x !== sample.x || place.y !== sample.y || high !== sample.height;
    if (!moved && !moves && sample.heading === undefined) return;
    sample.x = place.x;
    sample.y = place.y;
    sample.height = high;
    moves = moved;
    rig.sampleTarget(sample, time);
  }, isFunction);
  return {
    moveTo: (point) => {
      const { x: toX, y: toY } = checkedPoint('follow.moveTo', point);
      given = { ...point };
      // No frame comes to look at it.
      if (here.settled && parting === null)
        send({ kind: 'followed', id, x: toX, y: toY, after: 0, ahead: 0, ...heightOf(given.height) });
    },
    end: () => {
      send({ kind: 'unfollow', id, lost: false });
    },
    ended,
    get parting() {
      return parting;
    },
  };
}

/** The heading to keep now; undefined for none. */
function headingOf({ heading }: FollowOptions, { last }: Samples): () => number | undefined {
  if (heading !== 'target') return () => heading;
  return () => (Number.isNaN(last.heading) ? undefined : last.heading);
}

/** @param height NaN for the ground */
function heightOf(height = NaN): { readonly height?: number } {
  return Number.isNaN(height) ? {} : { height };
}

/** One record for all of them. */
class FollowedSample implements Omit<SampleSignal, 'heading' | 'height'> {
  readonly kind = 'followed';
  readonly id: number;
  x = -0.5;
  y = -0.5;
  after = -0;
  ahead = -0;
  heading: number | undefined = undefined;
  height: number | undefined;

  constructor(id: number, x: number, y: number, height: number) {
    this.id = id;
    this.x = x;
    this.y = y;
    this.height = heightOf(height).height;
  }

  /** A heading that the camera goes to already is not named. */
  turnTo(heading: number | undefined, goal: number): void {
    const turn = heading === undefined ? 0 : heading - goal;
    const short = turn - 360 * Math.round(turn / 360);
    this.heading = Math.abs(short) > HAIR ? heading : undefined;
  }
}

/** Degrees: less of a turn is none. */
const HAIR = 1e-9;

function begin(
  camera: Camera,
  at: Target,
  heading: number | undefined,
  options: FollowOptions,
): { ability: Learned<Following, FollowingSignal>; id: number } {
  const { halfLife = 0.15, lead = 0, onPan = 'offset' } = options;
  const { zone, zoneWidth, zoneHeight } = zoneOf(options);
  const ability = learn(camera, follows);
  const id = (ability.state.last += 1);
  const turned = heading === undefined ? {} : { heading };
  ability.send({ kind: 'follow', id, ...at, halfLife, lead, zone, zoneWidth, zoneHeight, onPan, ...turned });
  return { ability, id };
}

function zoneOf({
  deadZone = { width: 0, height: 0 },
}: FollowOptions): Pick<FollowSignal, 'zone' | 'zoneWidth' | 'zoneHeight'> {
  if (!('diameter' in deadZone)) return { zone: 'box', zoneWidth: deadZone.width, zoneHeight: deadZone.height };
  return { zone: 'circle', zoneWidth: deadZone.diameter, zoneHeight: deadZone.diameter };
}

/** @throws TypeError */
function checkOptions(options: FollowOptions): void {
  const { halfLife = 0.15, lead = 0, onPan = 'offset', ticks = 60, heading = 0, deadZone = {} } = options;
  checkNumber('follow.options.halfLife', halfLife, 0, 60);
  checkNumber('follow.options.lead', lead, -60, 60);
  checkNumber('follow.options.ticks', ticks, 0.1, 1e4);
  if (heading !== 'target') checkNumber('follow.options.heading', heading, -1e6, 1e6);
  checkOneOf('follow.options.onPan', onPan, PANS);
  checkObject('follow.options.deadZone', deadZone, 'shares {width, height}, or {diameter}');
  for (const [name, share] of Object.entries(deadZone)) checkNumber(`follow.options.deadZone.${name}`, share, 0, 1);
}
