/**
 * An ability that moves the camera by itself, in one file. Its state is a part that frames copy; the rest are functions
 * of it, called in the order of a step. `docs/add-an-ability.md` walks through one.
 */
import type { Span } from '../settings/index.ts';
import type { SignalShape } from '../signals/index.ts';
import type { Cause, Effect } from './ends.ts';
import type { MovedCamera } from './moved.ts';
import type { Part } from './part.ts';

/** Any signal of a mover. */
export interface MoverSignal {
  /** The name of the signal, which is the mover's own. */
  readonly kind: string;
}

/** The values that a placing names. */
export type Placement = Readonly<
  Partial<Record<'x' | 'y' | 'height' | 'heading' | 'pitch', number | undefined>> & { span?: Span | undefined }
>;

/** The last movement of a hand that drags or pinches. */
export interface HandMoved {
  /** It holds with other fingers than before, or let go. */
  readonly fingersChanged: boolean;
  /** It let go in passing. */
  readonly glides: boolean;
  /** The time, microseconds. */
  readonly micros: number;
}

/**
 * @typeParam M the motion that it moves
 * @typeParam S its state
 * @typeParam B its signals
 */
export interface Mover<M = MovedCamera, S extends Part = Part, B extends MoverSignal = MoverSignal> {
  /** Its name in a session. */
  readonly name: string;
  /** Its heading in the table of what ends what. */
  readonly label: string;
  /** The effect of everything that can come. */
  readonly interruptions: Readonly<Record<Cause, Effect>>;
  /** Its kinds of signals: a kind, then field by field how it is cleaned. */
  readonly signals: Readonly<Record<B['kind'], SignalShape>>;
  /** The kinds with which it takes over: keys that are held then wait until they are pressed again. */
  readonly takesOver?: readonly string[];
  /** Returns its state at rest, for the motion that it will move. */
  createState(motion: M): S;
  /** While this is true, the camera is not settled, and `move` is called in every step. */
  isUnderWay(state: S): boolean;
  /** It keeps something where it shows: then `aim` is called in every step in which anything moves, and nothing is gripped. */
  pins?(state: S): boolean;
  /** Stops it, by the effect that the table names for a cause. */
  interrupt(state: S, motion: M, effect: Effect, cause: Cause): void;
  /** A saved state has been put back: makes what it could not hold. Saved are numbers, texts, flags, lists, sets, maps and plain objects. */
  restore?(state: S): void;
  /** Ends what steers just the values that a placing names. */
  interruptAxes?(state: S, placement: Placement): void;
  /** One of its signals takes effect. */
  receive?(state: S, motion: M, signal: B): void;
  /** A hand holds, moves what it holds, or has let go. */
  hand?(state: S, motion: M, hand: HandMoved): void;
  /**
   * A step of so many seconds, while the mover is under way or pins something: sets span, heading, pitch, lens or focus if the mover
   * eases them itself. A mover that pins something is called with 0 seconds after each signal, too. Not called while a hand
   * holds.
   */
  aim?(state: S, motion: M, seconds: number): void;
  /** Keys, or a glide, have just panned, as the camera looks in this step. */
  panned?(state: S, motion: M): void;
  /** A step: adds to `motion.pan` how far the focus goes. Not called while keys pan or a hand holds. */
  move?(state: S, motion: M, seconds: number): void;
  /** Adds to `motion.pan` how far the focus will have gone in the end, and sets what else it will have moved: for `camera.goal`. */
  finish?(state: S, motion: M): void;
}
