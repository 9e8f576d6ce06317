/** A recorded session, played again under other settings: the same hands on another camera. */
import { Camera, mergeSettings, type Settings, type StampedSignal, type Terrain } from 'zesty-kite';
import { learn } from 'zesty-kite/abilities';
import { DIRECTED } from 'zesty-kite/direct';
import { polygons } from 'zesty-kite/polygons';
import { SessionReader, type SessionHeader } from 'zesty-kite/session';

export interface Take {
  /** As a file has it. */
  readonly text: string;
  readonly header: SessionHeader;
  readonly signals: readonly StampedSignal[];
  /** The time of its signals at which it begins, milliseconds. */
  readonly begin: number;
  /** Milliseconds, a second of rest included. */
  readonly length: number;
}

/** The rest after the last signal, milliseconds. */
const REST = 1000;

/** @throws SessionError for a text that is no session */
export function takeOf(text: string): Take {
  const reader = new SessionReader();
  const signals = reader.push(text);
  const { header, signals: more } = reader.end();
  const all = [...signals, ...more];
  const begin = (header.at ?? 0) / 1000;
  return { text, header, signals: all, begin, length: (all.at(-1)?.at ?? 0) / 1000 - begin + REST };
}

/** The pose at the beginning of a take. */
export function startOf({ header: { pose, settings } }: Take): NonNullable<Settings['start']> {
  return pose === undefined ? (settings.start ?? {}) : { ...pose, pitch: pose.pitch ?? undefined };
}

/** Signals of a take, as their time comes. Its changes of settings and of the ground are those of another camera. */
export class Hands {
  readonly #take: Take;
  #next = 0;

  constructor(take: Take) {
    this.#take = take;
  }

  /** Passes on what is due up to a time, milliseconds since the beginning of the take. */
  until(time: number, send: (signal: StampedSignal, due: number) => void): void {
    const { signals, begin } = this.#take;
    for (let signal = signals[this.#next]; signal !== undefined; signal = signals[this.#next]) {
      const due = signal.at / 1000 - begin;
      if (due > time) return;
      this.#next += 1;
      if (!['terrain', 'change', 'screen'].includes(signal.kind)) send(signal, due);
    }
  }
}

/** Plays a take on a camera of its own. */
export class Player {
  readonly camera: Camera;
  readonly #hands: Hands;
  #time = 0;

  constructor(take: Take, settings: Settings, terrain: Terrain | null) {
    this.#hands = new Hands(take);
    this.camera = new Camera(mergeSettings(settings, { start: startOf(take) }), {
      screen: take.header.screen,
      terrain,
      shapes: [polygons],
    });
    for (const mover of DIRECTED) learn(this.camera, mover);
    this.camera.advance(0);
  }

  /** Goes on to a time, milliseconds, in steps of a frame. */
  goTo(time: number, frame: (camera: Camera, time: number) => void = () => undefined): void {
    while (this.#time < time) {
      this.#time = Math.min(time, this.#time + 1000 / 60);
      this.#hands.until(this.#time, (signal, due) => this.camera.signal({ ...signal, time: due }));
      this.camera.advance(this.#time);
      frame(this.camera, this.#time);
    }
  }
}
