/**
 * An ability that moves the camera by itself: one file in `movers/`. What it keeps is a part that frames copy; the rest
 * are functions of it, called in the order of a step. `docs/add-an-ability.md` walks through one.
 */
import type { SignalShape } from '../signals/index.ts';
import type { Look } from '../view/index.ts';
import type { Cause, Effect } from './ends.ts';
import type { Motion } from './motion.ts';
import type { Pace } from './pace.ts';
import type { Part } from './part.ts';

/** A signal that a mover hears. */
export interface Heard {
  readonly kind: string;
}

/** What a placing names. */
export type Place = Readonly<Record<'x' | 'y' | 'span' | 'heading' | 'pitch', number | undefined>>;

/** What a hand that drags or pinches has just done. */
export interface HandMoved {
  /** It holds with other fingers than before, or let go. */
  readonly anew: boolean;
  /** It let go in passing. */
  readonly glides: boolean;
  /** When, microseconds. */
  readonly micros: number;
}

/** @typeParam R the rules: they list the movers themselves */
export interface Mover<R, S extends Part = Part> {
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
  leads?(state: S): boolean;
  /** Stops it, as a cause of the table asks; or because a session begins. */
  end(state: S, motion: Motion, effect: Effect, cause: Cause | 'session', rules: R, look: Look): void;
  /** Ends what steers just what a placing names. */
  endNamed?(state: S, place: Place): void;
  /** One of its signals has come. */
  hear?(state: S, motion: Motion, rules: R, look: Look, signal: Heard): void;
  /** A hand holds, moves what it holds, or has let go. */
  hand?(state: S, motion: Motion, rules: R, look: Look, hand: HandMoved): void;
  /** A step: sets span, heading, pitch or lens, where they do not ease as they do by themselves. Or the focus itself. A mover that leads is called with a step of 0 seconds after each signal, too. Not called while a hand holds. */
  aim?(state: S, motion: Motion, pace: Pace, rules: R, look: Look): void;
  /** Keys, or what glides, have just panned, as the camera looks in this step. */
  panned?(state: S, motion: Motion, rules: R, look: Look): void;
  /** A step: adds to `panX` and `panY` how far the focus goes. Not called while keys pan or a hand holds. */
  move?(state: S, motion: Motion, pace: Pace, rules: R, look: Look): void;
  /** Adds to `panX` and `panY` how far the focus will have gone in the end, and sets what else it will have moved: for `camera.goal`. */
  finish?(state: S, motion: Motion): void;
}
