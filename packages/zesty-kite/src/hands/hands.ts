/** What the player's hands hold now, and what they want by it: signals → intents. */
import type { DeviceKind } from '../devices/index.ts';
import { MOUSE_MOTION, startsAfterOf, type FullSettings } from '../settings/index.ts';
import type { Screen } from '../view/index.ts';
import { Bindings, type Ability } from './bindings.ts';
import { Edge, type Push } from './edge.ts';
import { Fingers } from './fingers.ts';
import type { HoldIntent, Intent, SteerIntent } from './intent.ts';
import { isOfDevice, nameOf, strengthsOf } from './deviceOf.ts';
import { Levers } from './levers.ts';
import type {
  HandSignal,
  HoldSignal,
  HoverSignal,
  KeySignal,
  UnholdSignal,
  LiftSignal,
  MotionSignal,
  MoveSignal,
  PressSignal,
  SignalOf,
  WheelSignal,
} from '../signals/index.ts';
import { orbitBy, ORBITING, Orbits } from './orbits.ts';
import { Pulls } from './pulls.ts';
import { tapNotches, Taps } from './taps.ts';
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
  /** What pointers have pressed, to be let go with them. */
  readonly pressed = new Map<number, string>();
  #settings: FullSettings;
  #bindings: Bindings;

  constructor(settings: FullSettings) {
    this.#settings = withLocks(settings);
    this.#bindings = new Bindings(settings.bindings);
    this.#configureFingers(settings);
  }

  #configureFingers({ locked, sensitivity }: FullSettings): void {
    this.fingers.locked = locked.includes('pan');
    this.fingers.sensitivity = sensitivity.pinch;
  }

  /** Takes other settings. Keys that they do not bind are released: their keyup would not be heard. */
  adopt(settings: FullSettings, screen: Screen): Intent[] {
    const { bindings, locked } = this.#settings;
    if (settings.bindings !== bindings) this.#bindings = new Bindings(settings.bindings);
    this.#settings = withLocks(settings);
    for (const input of [...this.held]) if (!this.#bindings.names(input)) this.#letGo(input);
    this.edge.refit(settings, screen);
    this.#configureFingers(settings);
    // A drag that is locked now ends; unlocked, it grips again where the pointer is.
    const regrips = locked.includes('pan') !== this.fingers.locked && this.fingers.areDown;
    return regrips ? [this.#steer(), this.fingers.takeHold()] : [this.#steer()];
  }

  /**
   * What a signal of a hand comes to.
   *
   * @param at microseconds
   */
  hear(body: HandSignal, screen: Screen, at: number): readonly Intent[] {
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
        return [this.#hold(body)];
      case 'unhold':
        return [this.#unhold(body)];
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
    const asked = this.#bindings.asks(input, this.held);
    this.held.add(input);
    this.pressed.set(id, input);
    const startsAfter = startsAfterOf(this.#settings, input);
    const strokes = this.#strokes(input);
    if (input === 'Touch') this.taps.press(id, x, y, startsAfter, at);
    const needsCompany = input === 'Touch' && this.#settings.drag.touchRequires === 'two-fingers';
    if (asked.includes('drag')) strokes.push(...this.fingers.press(id, x, y, startsAfter, needsCompany));
    else if (asked.includes('pull')) this.pulls.press(id, x, y, startsAfter, height);
    else {
      const orbiting = ORBITING.find((ability) => asked.includes(ability));
      if (orbiting !== undefined) this.orbits.press(id, x, y, startsAfter, orbiting);
    }
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
    const notches = tap === null ? 0 : tapNotches(this.#settings, tap);
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
    const asked = this.#bindings.asks(signal.notches > 0 ? 'WheelDown' : 'WheelUp', this.held);
    const isFaster = [...this.held].some((input) => this.#bindings.asks(input, this.held).includes('faster'));
    return this.#unlocked(this.wheel.turn(signal, this.#settings, asked, screen, isFaster));
  }

  /** The mouse moves with no button down: it turns about the focus or the eye. */
  #turnByMotion({ right, down }: MotionSignal, { width, height }: Screen): Intent[] {
    const asked = this.#bindings.asks(MOUSE_MOTION, this.held);
    const tilts = asked.includes('orbit');
    if (!tilts && !asked.includes('dragTurn')) return [];
    const orbit = orbitBy(right, down, this.#settings, height, width / 2, height / 2, tilts);
    const about = orbit.about === 'cursor' ? 'focus' : orbit.about;
    // No button goes up at its end.
    return [...this.#unlocked([{ ...orbit, about }]), this.#steer()];
  }

  #hold({ id, x, y }: HoldSignal): HoldIntent {
    return this.fingers.hold(id, x, y, this.#settings);
  }

  #unhold({ id }: UnholdSignal): HoldIntent {
    return this.fingers.unhold(id);
  }

  /** What an input asks for once, when it comes down. */
  #strokes(input: string): Intent[] {
    const { turn, zoom } = this.#settings;
    const stroke = (ability: Ability): Intent[] => {
      if (ability === 'turnStepRight') return [{ kind: 'step', turn: turn.step, tilt: 0 }];
      if (ability === 'turnStepLeft') return [{ kind: 'step', turn: -turn.step, tilt: 0 }];
      if (ability === 'faceNorth') return [{ kind: 'step', turn: null, tilt: 0 }];
      if (ability === 'home') return [{ kind: 'home' }];
      if (zoom.stops === null || (ability !== 'zoomIn' && ability !== 'zoomOut')) return [];
      return [{ kind: 'zoom', notches: ability === 'zoomIn' ? -1 : 1, anchor: 'focus', x: 0, y: 0 }];
    };
    return this.#unlocked(this.#bindings.asks(input, this.held).flatMap(stroke));
  }

  /** What all that is held asks for, and the edge: opposites cancel, diagonals are not faster. */
  #steer(): SteerIntent {
    const { pan, turn, pitch, zoom, locked, inverted } = this.#settings;
    const { strengths } = this.levers;
    const asked = new Map<Ability, number>();
    const ask = (input: string, strength: number): void => {
      for (const bound of this.#bindings.asks(input, this.held)) {
        if (bound !== 'faster' && this.spent.has(input)) continue;
        const ability = input.includes('Stick') ? OPPOSITES[bound] : undefined;
        const asks = ability !== undefined && inverted.includes(ability.axis) ? ability.other : bound;
        asked.set(asks, Math.max(strength, asked.get(asks) ?? 0));
      }
    };
    for (const input of this.held) if (!strengths.has(input)) ask(input, 1);
    for (const [input, strength] of strengths) ask(input, strength);
    const between = (one: Ability, other: Ability): number => (asked.get(one) ?? 0) - (asked.get(other) ?? 0);
    const isFaster = (asked.get('faster') ?? 0) >= 0.5;
    const inWorld = pan.directions === 'world';
    const keys = evenly(between('panRight', 'panLeft'), between('panDown', 'panUp'));
    const push = this.#push(inWorld ? NO_PUSH : keys);
    const pull = this.pulls.push(this.#settings);
    const pans = locked.includes('pan') ? 0 : 1;
    const speed = pans * (isFaster ? pan.fasterFactor : 1);
    const turns = locked.includes('turn') ? 0 : turn.rate * (isFaster ? turn.fasterFactor : 1);
    const tilts = locked.includes('tilt') ? 0 : pitch.rate * (isFaster ? turn.fasterFactor : 1);
    const zooms = zoom.stops !== null || locked.includes('zoom') ? 0 : zoom.rate * (isFaster ? zoom.fasterFactor : 1);
    return {
      kind: 'steer',
      right: push.right * speed + pull.right * pans + 0,
      down: push.down * speed + pull.down * pans + 0,
      east: inWorld ? keys.right * speed + 0 : 0,
      south: inWorld ? keys.down * speed + 0 : 0,
      turn: between('turnRight', 'turnLeft') * turns + 0,
      tilt: between('tiltDown', 'tiltUp') * tilts + 0,
      zoom: between('zoomOut', 'zoomIn') * zooms + 0,
      orbits: this.orbits.areHeld,
      sides: this.edge.sides,
    };
  }

  /** Keys and edges together, in pan speeds: they are no faster than the faster one. */
  #push({ right, down }: Push): Push {
    const { edge } = this.#settings;
    const { right: edgeRight, down: edgeDown } = this.edge.push;
    if (edge === null || (edgeRight === 0 && edgeDown === 0)) return { right, down };
    // No faster than the faster of its sides.
    const fastest = Math.max(1, Math.abs(edgeRight), Math.abs(edgeDown));
    const most = edge.speed * fastest;
    const edges = most / Math.max(fastest, Math.sqrt(edgeRight * edgeRight + edgeDown * edgeDown));
    if (right === 0 && down === 0) return { right: edgeRight * edges, down: edgeDown * edges };
    const both = { right: right + edgeRight * edges, down: down + edgeDown * edges };
    const length = Math.sqrt(both.right * both.right + both.down * both.down);
    const kept = Math.max(1, most) / Math.max(1, most, length);
    return { right: both.right * kept, down: both.down * kept };
  }

  /** Removes from intents what is locked. */
  #unlocked(intents: readonly Intent[]): Intent[] {
    const { locked } = this.#settings;
    if (locked.length === 0) return [...intents];
    const mayNot = { pan: locked.includes('pan'), turn: locked.includes('turn'), tilt: locked.includes('tilt') };
    return intents.flatMap((intent): Intent[] => {
      switch (intent.kind) {
        case 'zoom':
          if (locked.includes('zoom')) return [];
          // The focus stays where panning is locked.
          return [mayNot.pan ? { ...intent, anchor: 'focus' } : intent];
        case 'step':
          return [{ ...intent, turn: mayNot.turn ? 0 : intent.turn, tilt: mayNot.tilt ? 0 : intent.tilt }];
        case 'orbit':
          return [{ ...intent, turn: mayNot.turn ? 0 : intent.turn, tilt: mayNot.tilt ? 0 : intent.tilt }];
        case 'shift':
          return mayNot.pan ? [] : [intent];
        case 'home':
          return [];
        case 'hold':
        case 'steer':
          return [intent];
      }
    });
  }
}

const NO_PUSH: Push = { right: 0, down: 0 };

/** A push that is no faster along a diagonal. */
function evenly(right: number, down: number): Push {
  const length = Math.max(1, Math.sqrt(right * right + down * down));
  return { right: right / length, down: down / length };
}

/** A pinch or a twist that is locked is switched off. */
function withLocks(settings: FullSettings): FullSettings {
  const { twoFingers, locked } = settings;
  if (locked.length === 0) return settings;
  return {
    ...settings,
    twoFingers: {
      zoom: twoFingers.zoom && !locked.includes('zoom'),
      turn: twoFingers.turn && !locked.includes('turn'),
      tilt: twoFingers.tilt && !locked.includes('tilt'),
    },
  };
}
/** What a stick does that is inverted. */
const OPPOSITES: Partial<Record<Ability, { readonly axis: 'turn' | 'tilt'; readonly other: Ability }>> = {
  turnLeft: { axis: 'turn', other: 'turnRight' },
  turnRight: { axis: 'turn', other: 'turnLeft' },
  tiltUp: { axis: 'tilt', other: 'tiltDown' },
  tiltDown: { axis: 'tilt', other: 'tiltUp' },
};
