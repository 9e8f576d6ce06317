/** Held inputs, and the intents of the player: signals → intents. */
import type { DeviceKind } from '../devices/index.ts';
import { MOUSE_MOTION, startsAfterOf, type FullSettings } from '../settings/index.ts';
import type { Screen } from '../view/index.ts';
import { Bindings, type Ability } from './bindings.ts';
import { Edge } from './edge.ts';
import { Fingers } from './fingers.ts';
import type { Intent, SteerIntent } from './intent.ts';
import { isOfDevice, nameOf, strengthsOf } from './deviceOf.ts';
import { Levers } from './levers.ts';
import { unlocked, withLocks } from './locks.ts';
import type {
  HandSignal,
  HoverSignal,
  KeySignal,
  LiftSignal,
  MotionSignal,
  MoveSignal,
  PressSignal,
  SignalOf,
  WheelSignal,
} from '../signals/index.ts';
import { orbitBy, ORBITING, Orbits } from './orbits.ts';
import { Pulls } from './pulls.ts';
import { isFaster, meantBy, ratesOf } from './rates.ts';
import { strokeOf } from './strokes.ts';
import { doubleTapNotches, Taps } from './taps.ts';
import { Wheel } from './wheel.ts';

const NO_SCREEN: Screen = { width: 0, height: 0 };

export class Hands {
  readonly held = new Set<string>();
  /** Those of them that were held when a journey began: they count once they are pressed again. */
  readonly spent = new Set<string>();
  readonly fingers = new Fingers();
  readonly edge = new Edge();
  readonly taps = new Taps();
  readonly orbits = new Orbits();
  readonly pulls = new Pulls();
  readonly levers = new Levers();
  readonly wheel = new Wheel();
  /** Inputs that pointers have pressed, released with them. */
  readonly pressed = new Map<number, string>();
  #settings: FullSettings;
  #bindings: Bindings;

  constructor(settings: FullSettings) {
    this.#settings = withLocks(settings);
    this.#bindings = Bindings.of(settings.bindings);
    this.fingers.adopt(settings);
  }

  /** Takes other settings. Keys that they do not bind are released: their keyup would not be heard. */
  adopt(settings: FullSettings, screen: Screen): Intent[] {
    const { locked } = this.#settings;
    this.#bindings = Bindings.of(settings.bindings);
    this.#settings = withLocks(settings);
    for (const input of [...this.held]) if (!this.#bindings.names(input)) this.#letGo(input);
    this.edge.refit(settings, screen);
    this.fingers.adopt(settings);
    // A drag that is locked now ends; unlocked, it grips again where the pointer is.
    const regrips = locked.includes('pan') !== this.fingers.locked && this.fingers.areDown;
    return regrips ? [this.#steer(), this.fingers.takeHold()] : [this.#steer()];
  }

  /**
   * The intents of a signal.
   *
   * @param at microseconds
   */
  receive(body: HandSignal, screen: Screen, at: number): readonly Intent[] {
    if (isOfDevice(body)) return this.#feel(body);
    switch (body.kind) {
      case 'key':
        return this.#key(body);
      case 'wheel':
        return this.#turnWheel(body, screen);
      case 'motion':
        return this.#turnByMotion(body, screen);
      case 'press':
        return this.#press(body, screen, at);
      case 'move':
        return this.#move(body, screen);
      case 'lift':
        return this.#lift(body, at);
      case 'hold':
        return [this.fingers.hold(body.id, body.x, body.y, this.#settings)];
      case 'unhold':
        return [this.fingers.unhold(body.id)];
      case 'release':
        return this.release();
    }
  }

  #key({ code, down }: KeySignal): Intent[] {
    const before = this.held.has(code);
    if (down) this.held.add(code);
    else this.#letGo(code);
    return [...(down && !before ? this.#strokes(code) : []), this.#steer()];
  }

  /** A device says how it is now. */
  #feel(signal: SignalOf<DeviceKind>): Intent[] {
    const { down, up } = this.levers.press(nameOf(signal), strengthsOf(signal, this.#settings) ?? new Map());
    for (const input of up) this.#letGo(input);
    for (const input of down) this.held.add(input);
    for (const input of this.spent)
      if (!this.held.has(input) && !this.levers.strengths.has(input)) this.spent.delete(input);
    return [...down.flatMap((input) => this.#strokes(input)), this.#steer()];
  }

  /**
   * @returns what is asked for, and whether the pointer has just come into a band: then `dwell` has to
   *   be said after the settings' time
   */
  hover({ x, y }: HoverSignal, screen: Screen): { intents: Intent[]; enters: boolean } {
    const at = x === undefined || y === undefined ? null : { x, y };
    const enters = this.edge.hover(at, this.#settings, screen);
    return { intents: [this.#steer()], enters };
  }

  /** The pointer has stayed in a band for long enough. */
  dwell(): Intent[] {
    this.edge.dwell();
    return [this.#steer()];
  }

  #press({ id, x, y, input }: PressSignal, { height }: Screen, at: number): Intent[] {
    const requested = this.#bindings.boundTo(input, this.held);
    this.held.add(input);
    this.pressed.set(id, input);
    const startsAfter = startsAfterOf(this.#settings, input);
    const strokes = this.#strokes(input);
    if (input === 'Touch') this.taps.press(id, x, y, startsAfter, at);
    const orbiting = ORBITING.find((ability) => requested.includes(ability));
    const needsCompany = input === 'Touch' && this.#settings.drag.touchRequires === 'two-fingers';
    if (requested.includes('drag')) strokes.push(...this.fingers.press(id, x, y, startsAfter, needsCompany));
    else if (requested.includes('pull')) this.pulls.press(id, x, y, startsAfter, height);
    else if (orbiting !== undefined) this.orbits.press(id, x, y, startsAfter, orbiting);
    return [...strokes, this.#steer()];
  }

  #move({ id, x, y }: MoveSignal, { height }: Screen): Intent[] {
    this.taps.move(id, x, y);
    if (this.pulls.move(id, x, y)) return [this.#steer()];
    return [
      ...this.#unlocked(this.fingers.move(id, x, y, this.#settings, height)),
      ...this.#unlocked(this.orbits.move(id, x, y, this.#settings, height)),
    ];
  }

  #lift({ id, cancelled = false }: LiftSignal, at: number): Intent[] {
    const input = this.pressed.get(id);
    this.pressed.delete(id);
    this.orbits.lift(id);
    this.pulls.lift(id);
    if (input !== undefined && ![...this.pressed.values()].includes(input)) this.#letGo(input);
    const lifted = this.fingers.has(id) ? [this.fingers.lift(id, !cancelled)] : [];
    return [...lifted, this.#steer(), ...this.#tapped(id, cancelled, at)];
  }

  #tapped(id: number, cancelled: boolean, at: number): Intent[] {
    const tap = this.taps.lift(id, cancelled, at);
    const notches = tap === null ? 0 : doubleTapNotches(this.#settings, tap);
    if (tap === null || notches === 0) return [];
    return this.#unlocked([{ kind: 'zoom', notches, anchor: 'cursor', x: tap.x, y: tap.y }]);
  }

  #letGo(input: string): void {
    this.held.delete(input);
    this.spent.delete(input);
  }

  /** A journey or a cutscene begins: held inputs do not steer until they are pressed again. */
  wait(): Intent[] {
    for (const input of this.held) this.spent.add(input);
    for (const input of this.levers.strengths.keys()) this.spent.add(input);
    this.edge.wait();
    this.pulls.clear();
    return [this.#steer()];
  }

  /** Lets go of everything: keys, buttons, fingers and pads. */
  release(): Intent[] {
    this.held.clear();
    this.spent.clear();
    this.pressed.clear();
    this.orbits.clear();
    this.pulls.clear();
    this.taps.clear();
    this.levers.clear();
    this.wheel.clear();
    this.edge.hover(null, this.#settings, NO_SCREEN);
    return [this.#steer(), this.fingers.unhold(undefined)];
  }

  #turnWheel(signal: WheelSignal, screen: Screen): Intent[] {
    const requested = this.#bindings.boundTo(signal.notches > 0 ? 'WheelUp' : 'WheelDown', this.held);
    return this.#unlocked(this.wheel.turn(signal, this.#settings, requested, screen, isFaster(this.#requested())));
  }

  /** The mouse moves with no button down: it turns about the focus or the eye. */
  #turnByMotion({ right, down }: MotionSignal, { width, height }: Screen): Intent[] {
    const requested = this.#bindings.boundTo(MOUSE_MOTION, this.held);
    const tilts = requested.includes('orbit');
    if (!tilts && !requested.includes('dragTurn')) return [];
    const orbit = orbitBy(right, down, this.#settings, height, width / 2, height / 2, tilts);
    const about = orbit.about === 'cursor' ? 'focus' : orbit.about;
    // No button goes up at its end.
    return [...this.#unlocked([{ ...orbit, about }]), this.#steer()];
  }

  /** The strokes of an input when it goes down. */
  #strokes(input: string): Intent[] {
    const strokes = this.#bindings.boundTo(input, this.held).map((ability) => strokeOf(ability, this.#settings));
    return this.#unlocked(strokes.filter((stroke) => stroke !== null));
  }

  /** The rates of everything that is held, and of the edge. */
  #steer(): SteerIntent {
    const settings = this.#settings;
    const rates = ratesOf(this.#requested(), this.edge.push, this.pulls.push(settings), settings);
    return { kind: 'steer', ...rates, orbits: this.orbits.areHeld, sides: this.edge.sides };
  }

  /** How strongly each ability is asked for, above 0 … 1. */
  #requested(): ReadonlyMap<Ability, number> {
    const { inverted } = this.#settings;
    const { strengths } = this.levers;
    const requested = new Map<Ability, number>();
    const request = (input: string, strength: number): void => {
      for (const bound of this.#bindings.boundTo(input, this.held)) {
        if (bound !== 'faster' && this.spent.has(input)) continue;
        const ability = meantBy(input, bound, inverted);
        requested.set(ability, Math.max(strength, requested.get(ability) ?? 0));
      }
    };
    for (const input of this.held) if (!strengths.has(input)) request(input, 1);
    for (const [input, strength] of strengths) request(input, strength);
    return requested;
  }

  #unlocked(intents: readonly Intent[]): Intent[] {
    return unlocked(intents, this.#settings);
  }
}
