/** A recorded session, played again under any settings: the same hands on another camera. */
import { Camera, mergeSettings, type Settings, type StampedSignal, type Terrain } from 'zesty-kite';
import { learn } from 'zesty-kite/abilities';
import { DIRECTED } from 'zesty-kite/direct';
import { SessionReader, type SessionHeader } from 'zesty-kite/session';

export interface Take {
  readonly text: string;
  readonly header: SessionHeader;
  readonly signals: readonly StampedSignal[];
  /** The time of its signals at which it begins, milliseconds. */
  readonly begin: number;
  /** Milliseconds, a second of rest included. */
  readonly length: number;
}

/** @throws SessionError for what is no session */
export function takeOf(text: string): Take {
  const reader = new SessionReader();
  const signals = reader.push(text);
  const { header, signals: more } = reader.end();
  const all = [...signals, ...more];
  const begin = (header.at ?? 0) / 1000;
  return { text, header, signals: all, begin, length: (all.at(-1)?.at ?? 0) / 1000 - begin + 1000 };
}

/** Plays a take on a camera of its own. */
export class Player {
  readonly camera: Camera;
  readonly #take: Take;
  #next = 0;

  constructor(take: Take, settings: Settings, terrain: Terrain | null) {
    const { settings: recorded, pose } = take.header;
    const start = pose === undefined ? recorded.start : { ...pose, pitch: pose.pitch ?? undefined };
    this.#take = take;
    this.camera = new Camera(start === undefined ? settings : mergeSettings(settings, { start }), {
      screen: take.header.screen,
      terrain,
    });
    for (const mover of DIRECTED) learn(this.camera, mover);
    this.camera.advance(0);
  }

  /** On to a time, milliseconds, in steps of a frame. */
  goTo(time: number, from = 0): void {
    for (let at = from; at < time; at += 1000 / 60) this.#frame(at);
    this.#frame(time);
  }

  #frame(time: number): void {
    const { signals, begin } = this.#take;
    for (let signal = signals[this.#next]; signal; signal = signals[++this.#next]) {
      const due = signal.at / 1000 - begin;
      if (due > time) break;
      // Another look's ground and changes are not this one's.
      if (signal.kind !== 'terrain' && signal.kind !== 'change') this.camera.signal({ ...signal, time: due });
    }
    this.camera.advance(time);
  }
}
