/** Two versions of the settings under the same hands. */
import type { CameraLike, FullSettings, View } from 'zesty-kite';
import { learn } from 'zesty-kite/abilities';
import { DIRECTED } from 'zesty-kite/direct';
import { record, type Recording } from 'zesty-kite/session';
import { cameraHere, isHere, terrainOf } from '../panel/cameraParts.ts';
import type { Slot, Tuning } from '../tuning/tuning.ts';
import { Probe, type Sample } from './lines.ts';
import { Hands, Player, startOf, takeOf, type Take } from './take.ts';

/** So much of the past is drawn, seconds. */
export const PAST = 8;
const SLOTS = [0, 1] as const;
/** A page that stood still for longer goes on where it was, as held keys do; milliseconds. */
const LONGEST_GAP = 250;

export class Compare {
  take: Take | null = null;
  isPlaying = false;
  isLooped = true;
  /** Both versions are to be drawn, by a game that can. */
  isBeside = false;
  /** The time in the take, milliseconds. */
  time = 0;
  /** The take under each version. */
  lines: readonly (readonly Sample[])[] = [[], []];
  readonly #camera: CameraLike;
  readonly #tuning: Tuning;
  readonly #probe = new Probe();
  /** The last seconds of the camera, by the version that was in force. */
  readonly #past: { readonly sample: Sample; readonly slot: Slot }[] = [];
  #recording: Recording | null = null;
  #players: readonly Player[] = [];
  /** The settings that the lines are of. */
  #linesOf: readonly FullSettings[] = [];
  #hands: Hands | null = null;
  #last = 0;

  constructor(camera: CameraLike, tuning: Tuning) {
    this.#camera = camera;
    this.#tuning = tuning;
  }

  /** A camera in a worker records there. */
  get canRecord(): boolean {
    return isHere(this.#camera);
  }

  get isRecording(): boolean {
    return this.#recording !== null;
  }

  /** Views that the game is to draw: two while a take is shown side by side. */
  get views(): readonly View[] {
    return this.isBeside && this.#players.length > 0
      ? this.#players.map(({ camera }) => camera.view)
      : [this.#camera.view];
  }

  /** The view of the version that is not in force, while a take plays. */
  get other(): View | null {
    return this.#players[1 - this.#tuning.slot]?.camera.view ?? null;
  }

  /** The last seconds of the camera, a line for each version. */
  get past(): readonly (readonly Sample[])[] {
    return SLOTS.map((slot) => this.#past.filter((one) => one.slot === slot).map(({ sample }) => sample));
  }

  get now(): number {
    return this.#past.at(-1)?.sample.time ?? 0;
  }

  toggleRecording(): void {
    if (this.#recording === null) {
      this.stop();
      this.#recording = record(cameraHere(this.#camera));
      return;
    }
    this.#recording.stop();
    const text = this.#recording.text();
    this.#recording = null;
    this.open(text);
  }

  /** Takes the text of a session. @throws SessionError */
  open(text: string): void {
    this.stop();
    this.take = takeOf(text);
    this.time = 0;
    this.#linesOf = [];
    this.measure();
  }

  /** Plays the take from its beginning, on the camera of the game. */
  play(): void {
    const { take } = this;
    if (take === null) return;
    this.time = 0;
    for (const mover of DIRECTED) learn(cameraHere(this.#camera), mover);
    this.#camera.place(startOf(take) as Parameters<CameraLike['place']>[0]);
    this.#begin(take);
    this.#hands = new Hands(take);
    this.isPlaying = true;
  }

  stop(): void {
    if (this.isPlaying) this.#camera.signal({ kind: 'release' });
    this.isPlaying = false;
    this.#hands = null;
    this.#players = [];
  }

  /** Ends a recording, too. */
  end(): void {
    this.#recording?.stop();
    this.#recording = null;
    this.stop();
  }

  /** Shows a moment of the take, milliseconds. */
  seek(time: number): void {
    const { take } = this;
    if (take === null) return;
    this.stop();
    this.time = time;
    this.#begin(take);
    for (const player of this.#players) player.goTo(time);
    const shown = this.#players[this.#tuning.slot]?.camera.shown;
    if (shown === undefined) return;
    const { x, y, span, heading, pitch } = shown;
    this.#camera.place({ x, y, span, heading, pitch });
  }

  /** The take under both versions, from its beginning to its end, if they have changed. */
  measure(): void {
    const { take } = this;
    const fulls = SLOTS.map((slot) => this.#tuning.fullOf(this.#tuning.settingsOf(slot)));
    if (take === null || fulls.every((full, slot) => full === this.#linesOf[slot])) return;
    this.#linesOf = fulls;
    this.lines = fulls.map((full) => {
      const probe = new Probe();
      const samples: Sample[] = [];
      new Player(take, full, terrainOf(this.#camera)).goTo(take.length, (camera, time) => {
        samples.push(probe.sample(camera, time));
      });
      return samples;
    });
  }

  /** Each frame of the camera, milliseconds. */
  frame(time: number): void {
    const passed = Math.min(LONGEST_GAP, Math.max(0, time - this.#last));
    this.#last = time;
    this.#past.push({ sample: this.#probe.sample(this.#camera, time), slot: this.#tuning.slot });
    while ((this.#past[0]?.sample.time ?? Infinity) < time / 1000 - PAST) this.#past.shift();
    const { take } = this;
    if (take === null || !this.isPlaying) return;
    const before = this.time;
    this.time += passed;
    this.#hands?.until(this.time, (signal, due) =>
      this.#camera.signal({ ...signal, time: time - passed + due - before }),
    );
    for (const player of this.#players) player.goTo(this.time);
    if (this.time < take.length) return;
    this.stop();
    if (this.isLooped) this.play();
  }

  #begin(take: Take): void {
    this.#players = SLOTS.map(
      (slot) => new Player(take, this.#tuning.fullOf(this.#tuning.settingsOf(slot)), terrainOf(this.#camera)),
    );
  }
}
