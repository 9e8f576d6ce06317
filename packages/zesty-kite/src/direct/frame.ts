/**
 * Framing: the nearest zoom at which everything shows.
 *
 * With (fr, ft) the focus along the screen's right and toward the viewer, s the span and q the widening of the lens, a
 * point (R, T, z) shows left of the screen line u when R - fr ≤ u (s + q (A + ft cos p)), with A = -T cos p - z sin p:
 * linear in (fr, ft, s), and so are the other sides. Each side asks for its outermost point alone. What is left is a linear
 * program of four constraints; its answer is where two of them meet.
 */
import { checkNumber, checkObject } from '../messages/index.ts';
import type { Camera } from '../camera/index.ts';
import { raiseEye, type Motion, type Rules } from '../motion/index.ts';
import { exp2, log2 } from '../math/index.ts';
import { shown } from '../settings/index.ts';
import type { Look, Insets, Point } from '../view/index.ts';
import { cameraHere, timelineOf } from './here.ts';
import { stand } from './stand.ts';
import { Outline, type Thing } from './things.ts';

export interface FrameOptions {
  /** How much of the safe frame stays free at its sides, CSS pixels; 0 when left out. */
  readonly padding?: number | Insets;
  /** Degrees; as it is heading to when left out. */
  readonly heading?: number;
  /** Degrees; what the zoom asks for, with what the player tilted, when left out. */
  readonly pitch?: number;
}

/** Where to stand. Heading and pitch are there if they were named. */
export interface Framed {
  readonly x: number;
  readonly y: number;
  readonly span: number;
  readonly heading?: number;
  readonly pitch?: number;
}

export interface Framing {
  /** For `travel`, `camera.place` or `start`. */
  readonly to: Framed;
  /** Everything shows, with the padding, once the camera is there. */
  readonly fits: boolean;
  /**
   * What kept the span from being just as large as everything needs, or the focus from being where it ought: an end of the
   * `zoom`, the zoom `stops`, or the `bounds`.
   */
  readonly limitedBy: readonly ('zoom' | 'stops' | 'bounds')[];
  /** The corners of the ground around all things, world units: to draw the box that is framed. */
  readonly corners: readonly Point[];
}

/**
 * The nearest zoom at which all things show in the safe frame, and where the focus has to be: points, circles, boxes with
 * heights, GeoJSON.
 *
 * ```ts
 * await travel(camera, frame(camera, chosen, { padding: 40 }).to);
 * ```
 *
 * @throws TypeError for what is no thing
 */
export function frame(camera: Camera, things: readonly Thing[], options: FrameOptions = {}): Framing {
  const here = cameraHere('frame', camera);
  checkObject('frame.options', options, 'an object such as { padding: 40 }');
  const { padding = 0 } = options;
  if (typeof padding === 'number') checkNumber('frame.options.padding', padding);
  else
    for (const side of ['left', 'top', 'right', 'bottom'] as const) {
      checkObject('frame.options.padding', padding, 'pixels, or {left, top, right, bottom}');
      checkNumber(`frame.options.padding.${side}`, padding[side]);
    }
  return frameGrown(here, things, options, 0);
}

/** The same with so many world units around each thing. */
export function frameGrown(camera: Camera, things: readonly Thing[], options: FrameOptions, grown: number): Framing {
  const timeline = timelineOf('frame', camera);
  const { kept, rules } = timeline;
  const outline = new Outline(things, rules.ground, grown);
  for (const name of ['heading', 'pitch'] as const)
    if (options[name] !== undefined && !Number.isFinite(options[name]))
      throw new TypeError(`frame.options.${name}: found ${shown(options[name])}; wanted a finite number`);
  const solver = new Solver(outline, kept, timeline.spare(), options);
  const limitedBy: Framing['limitedBy'][number][] = [];
  const { min, max } = solver;
  const tight = solver.tight;
  if (tight === max || solver.needs(min) < min) limitedBy.push('zoom');
  const stop = rules.stops === null ? tight : solver.stopFrom(tight);
  if (Math.abs(stop / tight - 1) > SAME) limitedBy.push('stops');
  let fits = solver.goTo(stop);
  if (solver.isKeptAway) limitedBy.push('bounds');
  // Kept away, or over steep ground, a larger view may show it all; where there is no room for the padding, without it.
  for (const padding of [options.padding ?? 0, 0]) {
    if (fits || solver.shows()) break;
    solver.pad(padding);
    const larger = solver.nearest((span) => solver.goTo(span), stop);
    fits = solver.goTo(larger ?? stop) && padding === (options.padding ?? 0);
    if (larger !== null) break;
  }
  return { to: solver.destination, fits, limitedBy, corners: outline.corners };
}

/** What differs by less is the same, as a share. */
const SAME = 1e-9;
/** On the side of more. */
const ROUNDING = 3e-13;
/** What reaches over a side by less shows, in safe-frame heights. */
const SLACK = 3e-7;
/** Of the zoom range, looked through for the nearest span that will do. */
const PARTS = 192;

/** A look that is tried on one span after the other. */
class Solver {
  readonly min: number;
  readonly max: number;
  readonly #there: Motion;
  readonly #look: Look;
  readonly #outline: Outline;
  readonly #kept: Motion;
  readonly #rules: Rules;
  readonly #options: FrameOptions;
  /** The sides of the padded safe frame, in its heights from its middle: right and down. */
  #left = NaN;
  #top = NaN;
  #right = NaN;
  #bottom = NaN;
  /** Where the focus ought to be for the span that was tried last. */
  #x = NaN;
  #y = NaN;
  /** How far the things reach over lines through their anchor, and the least depth that shows them side by side. */
  #needsLeft = NaN;
  #needsRight = NaN;
  #needsTop = NaN;
  #needsBottom = NaN;
  #needsDepth = NaN;

  /** @param there scratch */
  constructor(outline: Outline, kept: Motion, there: Motion, options: FrameOptions) {
    this.#outline = outline;
    this.#kept = kept;
    this.#rules = kept.rules;
    this.#there = there;
    this.#look = there.look;
    this.#options = options;
    const { heading } = options;
    stand(there, kept, heading === undefined ? {} : { heading });
    this.min = there.zooming.min;
    this.max = there.zooming.max;
    this.pad(options.padding ?? 0);
  }

  pad(padding: number | Insets): void {
    const { frameWidth, frameHeight } = this.#look;
    const even = typeof padding === 'number' ? padding : 0;
    const { left, top, right, bottom } =
      typeof padding === 'number' ? { left: even, top: even, right: even, bottom: even } : padding;
    if (!(left + right < frameWidth && top + bottom < frameHeight))
      throw new TypeError(
        `frame.options.padding: found ${shown(padding)}; wanted less than the safe frame, ${String(frameWidth)} × ${String(frameHeight)} pixels`,
      );
    this.#left = (left - frameWidth / 2) / frameHeight;
    this.#right = (frameWidth / 2 - right) / frameHeight;
    this.#top = top / frameHeight - 0.5;
    this.#bottom = 0.5 - bottom / frameHeight;
  }

  /** The nearest zoom at which everything shows, were there no stops and no bounds; the farthest where there is none. */
  get tight(): number {
    const { min, max } = this;
    const { followsZoom, terrain } = this.#rules;
    // Unless pitch, lens or ground change with it, what is needed is the same at every span.
    if (!followsZoom && terrain === null) return Math.min(Math.max(this.needs(min) * (1 + ROUNDING), min), max);
    return this.nearest((span) => this.needs(span) <= span, min) ?? max;
  }

  /** The least span from one on that will do: looked for in steps, then halved. Null for none. */
  nearest(willDo: (span: number) => boolean, from: number): number | null {
    const { max } = this;
    if (willDo(from)) return from;
    const octaves = log2(max / from);
    let low = from;
    for (let part = 1; part <= PARTS; part++) {
      const high = part === PARTS ? max : from * exp2((octaves * part) / PARTS);
      if (willDo(high)) return halve(willDo, low, high);
      low = high;
    }
    return null;
  }

  /** The span at which everything would show as the camera looks at another; the focus is set for that other. */
  needs(span: number): number {
    this.#lookFrom(span);
    if (this.#rules.terrain !== null) this.#standOn(this.#outline.anchor.x, this.#outline.anchor.y);
    let needed = this.#measure(span);
    // Heights count from the focus, and its height is that of the ground where it comes to be.
    for (let round = 0; round < 30 && this.#rules.terrain !== null; round++) {
      const before = this.#there.focus.height;
      this.#standOn(this.#x, this.#y);
      if (Math.abs(this.#there.focus.height - before) < 1e-9 * span) break;
      needed = this.#measure(span);
    }
    return needed;
  }

  /** Sets the height of the focus: that of the ground, and more where the eye has to be lifted. */
  #standOn(x: number, y: number): void {
    const there = this.#there;
    there.focus.x = x;
    there.focus.y = y;
    there.level.height = there.groundLevel;
    raiseEye(there);
  }

  /** Turns the look to what the camera would have at a span. */
  #lookFrom(span: number): void {
    const { zoom, tilt, lens } = this.#there;
    const { pitch } = this.#options;
    zoom.eased = zoom.shown = span;
    tilt.isFar = this.#kept.tilt.isFar;
    lens.isFar = this.#kept.lens.isFar;
    this.#there.flipSwitches();
    this.#there.arriveAt(span);
    if (pitch === undefined) return;
    tilt.arriveAt(this.#there.insidePitch(pitch));
    this.#look.turn(this.#there);
  }

  #measure(span: number): number {
    const { sinHeading, cosHeading, sinPitch, cosPitch, widening } = this.#look;
    const { anchor } = this.#outline;
    const left = this.#left;
    const right = this.#right;
    const bottom = this.#bottom;
    // Above the line of four spans beyond the focus nothing is framed: the horizon is near.
    const top = Math.max(this.#top, this.#look.reachV);
    this.#needsRight = this.#across(right, 1);
    this.#needsLeft = -this.#across(left, -1);
    this.#needsBottom = this.#down(bottom, 1);
    this.#needsTop = -this.#down(top, -1);
    this.#needsDepth = (this.#needsRight - this.#needsLeft) / (right - left);
    const steepTop = sinPitch + widening * top * cosPitch;
    const steepBottom = sinPitch + widening * bottom * cosPitch;
    const deepens = widening * cosPitch;
    const high = (this.#needsBottom * steepTop - this.#needsTop * steepBottom) / ((bottom - top) * sinPitch);
    const wide = (this.#needsDepth * steepTop - this.#needsTop * deepens) / sinPitch;
    const needed = Math.max(high, wide, 0);
    // The middle of what is left to choose from, at the span that is tried.
    const tried = Math.max(span, needed);
    const toward = Math.max(
      (this.#needsBottom - bottom * tried) / steepBottom,
      deepens > 0 ? (this.#needsDepth - tried) / deepens : -Infinity,
    );
    const away = (this.#needsTop - top * tried) / steepTop;
    const forth = (toward + away) / 2;
    const depth = tried + deepens * forth;
    const aside = (this.#needsRight - right * depth + this.#needsLeft - left * depth) / 2;
    this.#x = anchor.x + aside * cosHeading - forth * sinHeading;
    this.#y = anchor.y + aside * sinHeading + forth * cosHeading;
    return needed;
  }

  /** How far the things reach over the plane through the eye and the screen line x = u: right of it, or left for -1. */
  #across(u: number, sense: number): number {
    const { sinHeading, cosHeading, sinPitch, cosPitch, widening } = this.#look;
    const deep = widening * u;
    const east = cosHeading - deep * cosPitch * sinHeading;
    const south = sinHeading + deep * cosPitch * cosHeading;
    return this.#reach(sense * east, sense * south, sense * deep * sinPitch);
  }

  #down(v: number, sense: number): number {
    const { sinHeading, cosHeading, sinPitch, cosPitch, widening } = this.#look;
    const steep = sinPitch + widening * v * cosPitch;
    const up = widening * v * sinPitch - cosPitch;
    return this.#reach(-sense * steep * sinHeading, sense * steep * cosHeading, sense * up);
  }

  #reach(east: number, south: number, up: number): number {
    const { x, y } = this.#outline.anchor;
    return this.#outline.reach(east, south, up, x, y, this.#there.focus.height);
  }

  /** The nearest stop from a span on at which everything shows, or the farthest. */
  stopFrom(span: number): number {
    const { stops } = this.#rules;
    const { min, max } = this;
    let stop = span / (1 + SAME);
    for (;;) {
      const next = stops?.beyond(this.#look, stop, 1, min, max) ?? NaN;
      if (next !== next) return stop < span ? (stops?.beyond(this.#look, span, -1, min, max) ?? span) : stop;
      stop = next;
      if (this.needs(stop) <= stop * (1 + SAME)) return stop;
    }
  }

  /** Goes to a span as a placing would. Says whether everything shows from there. */
  goTo(span: number): boolean {
    this.needs(span);
    const x = this.#x;
    const y = this.#y;
    const { heading, pitch } = this.#options;
    const to = { x, y, span, ...(heading === undefined ? {} : { heading }), ...(pitch === undefined ? {} : { pitch }) };
    stand(this.#there, this.#kept, to);
    this.#look.turn(this.#there);
    raiseEye(this.#there);
    const off = Math.abs(this.#there.x - x) + Math.abs(this.#there.y - y);
    this.isKeptAway = off > SAME * span || Math.abs(this.#there.span / span - 1) > SAME;
    return this.shows();
  }

  /** The bounds do not let the camera go where it went last. */
  isKeptAway = false;

  /** Whether everything shows from where it is. */
  shows(): boolean {
    const { x, y, span } = this.#there;
    const { sinHeading, cosHeading, sinPitch, cosPitch, widening } = this.#look;
    const { anchor } = this.#outline;
    const aside = (x - anchor.x) * cosHeading + (y - anchor.y) * sinHeading;
    const forth = (y - anchor.y) * cosHeading - (x - anchor.x) * sinHeading;
    const depth = span + widening * cosPitch * forth;
    const down = (v: number): number => v * span + forth * (sinPitch + widening * v * cosPitch);
    const slack = SLACK * span;
    return (
      this.#across(this.#right, 1) <= this.#right * depth + aside + slack &&
      this.#across(this.#left, -1) <= -(this.#left * depth + aside) + slack &&
      this.#down(this.#bottom, 1) <= down(this.#bottom) + slack &&
      this.#down(this.#top, -1) <= -down(this.#top) + slack
    );
  }

  get destination(): Framing['to'] {
    const { x, y, span } = this.#there;
    const { heading, pitch } = this.#options;
    return { x, y, span, ...(heading === undefined ? {} : { heading }), ...(pitch === undefined ? {} : { pitch }) };
  }
}

/** Halves an interval whose far end will do, until its ends are the same but for rounding. */
function halve(willDo: (span: number) => boolean, low: number, high: number): number {
  for (let round = 0; round < 60 && high - low > 1e-13 * high; round++) {
    const middle = (low + high) / 2;
    if (willDo(middle)) high = middle;
    else low = middle;
  }
  return high;
}
