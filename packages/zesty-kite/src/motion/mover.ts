/**
 * An ability that moves the camera by itself: one file in `movers/`. What it keeps is a part that frames copy; the rest
 * are functions of it, called in the order of a step. `docs/add-an-ability.md` walks through one.
 */
import type { SignalShape } from '../signals/index.ts';
import type { Cause, Effect } from './ends.ts';
import type { Part } from './part.ts';

/** A signal that a mover hears. */
export interface Heard {
  readonly kind: string;
}

/** What a placing names. */
export type Place = Readonly<Partial<Record<'x' | 'y' | 'span' | 'heading' | 'pitch', number | undefined>>>;

/** What a hand that drags or pinches has just done. */
export interface HandMoved {
  /** It holds with other fingers than before, or let go. */
  readonly anew: boolean;
  /** It let go in passing. */
  readonly glides: boolean;
  /** When, microseconds. */
  readonly micros: number;
}

/** @typeParam M the motion that it moves */
export interface Mover<M, S extends Part = Part> {
  /** Names it in a session. */
  readonly name: string;
  /** What it is called in the table of what ends what. */
  readonly column: string;
  readonly endedBy: Readonly<Record<Cause, Effect>>;
  /** Its kinds of signals: a kind, then field by field how it is cleaned. */
  readonly signals: Readonly<Record<string, SignalShape>>;
  /** Those of them with which it takes over: keys that are held then steer no more until they are pressed again. */
  readonly takesOver?: readonly string[];
  /** What it keeps, at rest. */
  keep(): S;
  /** While it is, the camera is not settled, and `move` is called in every step. */
  isUnderWay(state: S): boolean;
  /** It keeps something where it shows: then `aim` is called in every step in which anything moves, and nothing is gripped. */
  pins?(state: S): boolean;
  /** Stops it, as a cause of the table asks; or because a session begins. */
  end(state: S, motion: M, effect: Effect, cause: Cause | 'session'): void;
  /** Ends what steers just what a placing names. */
  endNamed?(state: S, place: Place): void;
  /** One of its signals has come. */
  hear?(state: S, motion: M, signal: Heard): void;
  /** A hand holds, moves what it holds, or has let go. */
  hand?(state: S, motion: M, hand: HandMoved): void;
  /**
   * A step of so many seconds: sets span, heading, pitch, lens or the focus where they do not ease as they do by themselves. A
   * mover that pins something is called with 0 seconds after each signal, too. Not called while a hand holds.
   */
  aim?(state: S, motion: M, seconds: number): void;
  /** Keys, or what glides, have just panned, as the camera looks in this step. */
  panned?(state: S, motion: M): void;
  /** A step: adds to `motion.pan` how far the focus goes. Not called while keys pan or a hand holds. */
  move?(state: S, motion: M, seconds: number): void;
  /** Adds to `motion.pan` how far the focus will have gone in the end, and sets what else it will have moved: for `camera.goal`. */
  finish?(state: S, motion: M): void;
}
