/** What the player's hands hold now, and what they want by it: signals → intents. */
import { clamp } from '../math/index.ts';
import type { FullSettings } from '../settings/index.ts';
import type { Screen } from '../view/index.ts';
import { Bindings, type Ability } from './bindings.ts';
import { Edge, pushAt } from './edge.ts';
import { Fingers, type HoldIntent } from './fingers.ts';
import { Taps } from './taps.ts';
import type {
  HoldSignal,
  HoverSignal,
  KeySignal,
  LetGoSignal,
  LiftSignal,
  MoveSignal,
  PressSignal,
  WheelSignal,
} from './signal.ts';

/** Go on at these rates for as long as nothing else is said. */
export interface SteerIntent {
  readonly kind: 'steer';
  /** In pan speeds. */
  readonly right: number;
  readonly down: number;
  /** Degrees per second: clockwise, and down. */
  readonly turn: number;
  readonly tilt: number;
  /** Notches per second; positive: farther. */
  readonly zoom: number;
}

/** Zoom by notches (positive: farther) about a screen point, the focus or the ground below the eye. */
export interface ZoomIntent {
  readonly kind: 'zoom';
  readonly notches: number;
  readonly anchor: FullSettings['zoom']['anchor'];
  /** CSS pixels, on the screen. */
  readonly x: number;
  readonly y: number;
}

/** Turn by a step, eased; or back to north, the short way round. */
export interface StepIntent {
  readonly kind: 'step';
  /** Degrees clockwise; null for north. */
  readonly degrees: number | null;
}

/** Turn and tilt at once about a screen point. */
export interface SwingIntent {
  readonly kind: 'swing';
  /** Degrees: clockwise, and down. */
  readonly turn: number;
  readonly tilt: number;
  /** CSS pixels. */
  readonly x: number;
  readonly y: number;
}

/** Pan at once by so many CSS pixels. */
export interface ShiftIntent {
  readonly kind: 'shift';
  readonly right: number;
  readonly down: number;
}

export type Intent = ShiftIntent | SteerIntent | ZoomIntent | StepIntent | SwingIntent | HoldIntent;

const NO_SCREEN: Screen = { width: 0, height: 0 };

interface Swing {
  readonly downX: number;
  readonly downY: number;
  readonly slop: number;
  x: number;
  y: number;
  began: boolean;
}

export class Hands {
  readonly #held = new Set<string>();
  readonly #fingers = new Fingers();
  readonly #edge = new Edge();
  readonly #taps = new Taps();
  readonly #swings = new Map<number, Swing>();
  /** What pointers have pressed, to be let go with them. */
  readonly #pressed = new Map<number, string>();
  #settings: FullSettings;
  #bindings: Bindings;

  constructor(settings: FullSettings) {
    this.#settings = settings;
    this.#bindings = new Bindings(settings.bindings);
  }

  /** From now on by other settings. Keys that they have no use for are let go: nobody would hear them go up. */
  adopt(settings: FullSettings, screen: Screen): SteerIntent {
    if (settings.bindings !== this.#settings.bindings) this.#bindings = new Bindings(settings.bindings);
    this.#settings = settings;
    for (const input of [...this.#held]) if (!this.#bindings.names(input)) this.#held.delete(input);
    this.#edge.refit(settings.edge, screen);
    return this.#steer();
  }

  /** Whether any binding names this input. */
  uses(input: string): boolean {
    return this.#bindings.names(input);
  }

  /** Whether an input is the camera's own: not a modifier that only comes before another input. */
  owns(input: string): boolean {
    return this.#bindings.owns(input);
  }

  key({ code, down }: KeySignal): Intent[] {
    const before = this.#held.has(code);
    if (down) this.#held.add(code);
    else this.#held.delete(code);
    return [...(down && !before ? this.#strokes(code) : []), this.#steer()];
  }

  /** Whether a pointer here is in a band at the edge. */
  isAtEdge({ x, y }: HoverSignal, screen: Screen): boolean {
    if (x === undefined || y === undefined) return false;
    const { right, down } = pushAt({ x, y }, this.#settings.edge, screen);
    return right !== 0 || down !== 0;
  }

  /**
   * @returns what is asked for, and whether the pointer has just come into a band: then `dwell` has to
   *   be said after the settings' time
   */
  hover({ x, y }: HoverSignal, screen: Screen): { intents: Intent[]; enters: boolean } {
    const at = x === undefined || y === undefined ? null : { x, y };
    const enters = this.#edge.hover(at, this.#settings.edge, screen);
    return { intents: [this.#steer()], enters };
  }

  /** The pointer has stayed in a band for long enough. */
  dwell(): Intent[] {
    this.#edge.dwell();
    return [this.#steer()];
  }

  /** @param at microseconds */
  press({ id, x, y, input }: PressSignal, at: number): Intent[] {
    const asked = this.#bindings.asks(input, this.#held);
    this.#held.add(input);
    this.#pressed.set(id, input);
    const { drag } = this.#settings;
    const slop = input === 'Touch' ? drag.touchSlop : drag.slop;
    const strokes = this.#strokes(input);
    if (input === 'Touch') this.#taps.press(id, x, y, slop, at);
    if (asked.includes('drag')) strokes.push(...this.#fingers.press(id, x, y, slop));
    else if (asked.includes('swing')) this.#swings.set(id, { downX: x, downY: y, slop, x, y, began: false });
    return [...strokes, this.#steer()];
  }

  move({ id, x, y }: MoveSignal, { height }: Screen): Intent[] {
    const swing = this.#swings.get(id);
    this.#taps.move(id, x, y);
    if (swing === undefined) return this.#fingers.move(id, x, y, this.#settings);
    const wayX = x - swing.downX;
    const wayY = y - swing.downY;
    if (!swing.began && wayX * wayX + wayY * wayY <= swing.slop * swing.slop) return [];
    const { turn, pitch } = this.#settings;
    const right = swing.began ? x - swing.x : 0;
    const down = swing.began ? y - swing.y : 0;
    swing.began = true;
    swing.x = x;
    swing.y = y;
    const turned = (right / height) * turn.perScreen;
    const tilted = (down / height) * pitch.perScreen;
    return [{ kind: 'swing', turn: turned, tilt: tilted, x: swing.downX, y: swing.downY }];
  }

  lift({ id, cancelled = false }: LiftSignal, at: number): Intent[] {
    const input = this.#pressed.get(id);
    this.#pressed.delete(id);
    this.#swings.delete(id);
    if (input !== undefined && ![...this.#pressed.values()].includes(input)) this.#held.delete(input);
    const letGo = this.#fingers.has(id) ? [this.#fingers.letGo(id, !cancelled)] : [];
    return [...letGo, this.#steer(), ...this.#tapped(id, cancelled, at)];
  }

  #tapped(id: number, cancelled: boolean, at: number): Intent[] {
    const tap = this.#taps.lift(id, cancelled, at);
    const { tapNotches } = this.#settings.drag;
    if (tap === null || tapNotches === 0) return [];
    const nearer = tap.fingers === 1 && tap.times % 2 === 0;
    if (!nearer && tap.fingers !== 2) return [];
    return [{ kind: 'zoom', notches: nearer ? -tapNotches : tapNotches, anchor: 'cursor', x: tap.x, y: tap.y }];
  }

  /** Lets go of everything: keys, buttons and fingers. */
  release(): Intent[] {
    this.#held.clear();
    this.#pressed.clear();
    this.#swings.clear();
    this.#taps.clear();
    this.#edge.hover(null, null, NO_SCREEN);
    return [this.#steer(), this.#fingers.letGo(undefined, false)];
  }

  wheel({ notches, x, y, right, down, trackpad }: WheelSignal, { width, height }: Screen): ZoomIntent | ShiftIntent {
    const { zoom, wheel } = this.#settings;
    const pans = wheel.does === 'pan' || (wheel.does === 'by-device' && trackpad === 'scroll');
    if (pans && trackpad !== 'pinch' && right !== undefined && down !== undefined)
      return { kind: 'shift', right, down };
    const anchor = notches > 0 ? (zoom.outAnchor ?? zoom.anchor) : zoom.anchor;
    return { kind: 'zoom', notches, anchor, x: clamp(x, 0, width), y: clamp(y, 0, height) };
  }

  hold({ id, x, y }: HoldSignal): HoldIntent {
    return this.#fingers.hold(id, x, y, this.#settings);
  }

  letGo({ id }: LetGoSignal): HoldIntent {
    return this.#fingers.letGo(id, false);
  }

  /** What an input asks for once, when it comes down. */
  #strokes(input: string): Intent[] {
    const { turn, zoom } = this.#settings;
    const stroke = (ability: Ability): Intent[] => {
      if (ability === 'stepRight') return [{ kind: 'step', degrees: turn.step }];
      if (ability === 'stepLeft') return [{ kind: 'step', degrees: -turn.step }];
      if (ability === 'north') return [{ kind: 'step', degrees: null }];
      if (zoom.stops === null || (ability !== 'zoomIn' && ability !== 'zoomOut')) return [];
      return [{ kind: 'zoom', notches: ability === 'zoomIn' ? -1 : 1, anchor: 'focus', x: 0, y: 0 }];
    };
    return this.#bindings.asks(input, this.#held).flatMap(stroke);
  }

  /** What all that is held asks for, and the edge: opposites cancel, diagonals are not faster. */
  #steer(): SteerIntent {
    const { pan, turn, pitch, zoom } = this.#settings;
    const asked = new Set<Ability>();
    for (const input of this.#held) for (const ability of this.#bindings.asks(input, this.#held)) asked.add(ability);
    const between = (one: Ability, other: Ability): number => Number(asked.has(one)) - Number(asked.has(other));
    const push = this.#edge.push;
    const right = between('panRight', 'panLeft') + push.right;
    const down = between('panDown', 'panUp') + push.down;
    const length = Math.sqrt(right * right + down * down);
    const speed = (asked.has('fast') ? pan.fast : 1) / Math.max(1, length);
    return {
      kind: 'steer',
      right: right * speed + 0,
      down: down * speed + 0,
      turn: between('turnRight', 'turnLeft') * turn.rate + 0,
      tilt: between('tiltDown', 'tiltUp') * pitch.rate + 0,
      zoom: zoom.stops === null ? between('zoomOut', 'zoomIn') * zoom.rate + 0 : 0,
    };
  }
}
