/** Intents: the result of signals, and the input of kept motion. */
import type { FullSettings } from '../settings/index.ts';
import type { Point } from '../view/index.ts';
import type { Side } from './edge.ts';

/** Go on at these rates for as long as nothing else is said. */
export interface SteerIntent {
  readonly kind: 'steer';
  /** In pan speeds. */
  readonly right: number;
  readonly down: number;
  /** The same along the axes of the world. */
  readonly east: number;
  readonly south: number;
  /** Degrees per second: clockwise, and down. */
  readonly turn: number;
  readonly tilt: number;
  /** Notches per second; positive: nearer. */
  readonly zoom: number;
  /** A button that orbits is still down. */
  readonly orbits: boolean;
  /** The sides of the screen at which the pointer pans. */
  readonly sides: readonly Side[];
}

/** Zoom by notches (positive: nearer) about a screen point, the focus or the ground below the eye. */
export interface ZoomIntent {
  readonly kind: 'zoom';
  readonly notches: number;
  readonly anchor: FullSettings['zoom']['anchor'];
  /** CSS pixels, on the screen. */
  readonly x: number;
  readonly y: number;
}

/** Turn or tilt by a step, eased; or turn back to north, the short way round. */
export interface StepIntent {
  readonly kind: 'step';
  /** Degrees clockwise; null for north. */
  readonly turn: number | null;
  /** Degrees down. */
  readonly tilt: number;
}

/** Go back to where the settings begin, eased. */
export interface HomeIntent {
  readonly kind: 'home';
}

/** Turn and tilt at once about a screen point. */
export interface OrbitIntent {
  readonly kind: 'orbit';
  /** Degrees: clockwise, and down. */
  readonly turn: number;
  readonly tilt: number;
  /** CSS pixels. */
  readonly x: number;
  readonly y: number;
  /** About the ground under this point, the focus, or the ground below the eye. */
  readonly about: FullSettings['turn']['anchor'];
}

/** Pan at once by this many CSS pixels. */
export interface ShiftIntent {
  readonly kind: 'shift';
  readonly right: number;
  readonly down: number;
}

/** Hold what is under the fingers: none, one or two screen points in CSS pixels. */
export interface HoldIntent {
  readonly kind: 'hold';
  readonly fingers: readonly Point[];
  /**
   * Other fingers than before, so that all take hold again; two that have left a zone, and hold what they held; the same
   * fingers, moved; or as they were.
   */
  readonly change: 'fingers' | 'zone' | 'moved' | 'none';
  /** Two fingers may zoom, and turn. */
  readonly zoom: boolean;
  readonly turn: boolean;
  /** Let go in passing: what moved goes on. */
  readonly glides: boolean;
}

export type Intent = ShiftIntent | SteerIntent | ZoomIntent | StepIntent | HomeIntent | OrbitIntent | HoldIntent;
