/** A cutscene that is made by flying: keyframes are taken from where the camera is. */
import type { CameraLike } from 'zesty-kite';
import { checkCutscene, play, type Cutscene, type Keyframe, type Played } from 'zesty-kite/direct';
import { cameraHere } from '../panel/cameraParts.ts';
import { fine, fineAt } from '../rows/here.ts';
import { rounded } from '../tuning/slider.ts';

/** Seconds from one keyframe to the next that is added. */
const APART = 2;
/** The least time between two keyframes, seconds. */
const LEAST_APART = 0.05;

export class Flight {
  keyframes: readonly Keyframe[] = [];
  /** The keyframe that is chosen. */
  chosen = -1;
  /** The time in the scene, seconds. */
  time = 0;
  readonly #camera: CameraLike;
  #played: Played | null = null;
  #isPaused = false;

  constructor(camera: CameraLike) {
    this.#camera = camera;
  }

  get length(): number {
    return this.keyframes.at(-1)?.at ?? 0;
  }

  get isPlaying(): boolean {
    return this.#played !== null && !this.#isPaused;
  }

  get json(): string {
    return `${JSON.stringify({ keyframes: this.keyframes } satisfies Cutscene, null, 2)}\n`;
  }

  /** @throws TypeError for a value that is no cutscene */
  open(scene: Cutscene): void {
    checkCutscene(scene);
    this.end();
    this.keyframes = scene.keyframes;
    this.chosen = -1;
    this.time = 0;
  }

  /** Adds where the camera is, after the last keyframe. */
  add(): void {
    const at = this.keyframes.length === 0 ? 0 : rounded(this.length + APART, 0.1);
    this.#put([...this.keyframes, { at, ...this.#here() }], this.keyframes.length);
  }

  /** Replaces the pose of the chosen keyframe by where the camera is. */
  take(): void {
    this.change(this.chosen, this.#here());
  }

  /** Changes some of a keyframe. Its time stays between its neighbours. */
  change(index: number, part: Partial<Keyframe>): void {
    const before = this.keyframes[index];
    if (before === undefined) return;
    const { at = before.at } = part;
    const least = index === 0 ? 0 : (this.keyframes[index - 1]?.at ?? 0) + LEAST_APART;
    const most = (this.keyframes[index + 1]?.at ?? Infinity) - LEAST_APART;
    const next = { ...before, ...part, at: Math.min(Math.max(rounded(at, 0.05), least), most) };
    this.#put(this.keyframes.with(index, next), index);
  }

  remove(index: number): void {
    this.#put(this.keyframes.toSpliced(index, 1), Math.min(index, this.keyframes.length - 2));
  }

  /** Plays from where the scene is, or from its beginning. */
  play(): void {
    if (this.keyframes.length === 0) return;
    if (this.time >= this.length) this.time = 0;
    const played = this.#begun();
    played.seek(this.time);
    played.forward();
    this.#isPaused = false;
  }

  pause(): void {
    this.#played?.pause();
    this.#isPaused = true;
  }

  /** Shows a moment of the scene, seconds. */
  seek(time: number): void {
    if (this.keyframes.length === 0) return;
    this.time = time;
    const played = this.#begun();
    played.pause();
    played.seek(time);
    this.#isPaused = true;
  }

  /** The camera is the player's again. */
  end(): void {
    this.#played?.end();
    this.#played = null;
    this.#isPaused = false;
  }

  /** Each frame of the camera. */
  frame(): void {
    if (this.#played === null) return;
    if (this.#played.finale === null) {
      if (!this.#isPaused) this.time = Math.min(this.length, this.#played.time);
      return;
    }
    if (!this.#isPaused) this.time = this.length;
    this.#played = null;
  }

  #begun(): Played {
    this.#played ??= play(cameraHere(this.#camera), { keyframes: this.keyframes });
    return this.#played;
  }

  #put(keyframes: readonly Keyframe[], chosen: number): void {
    this.end();
    this.keyframes = keyframes;
    this.chosen = chosen;
  }

  #here(): Omit<Keyframe, 'at'> {
    const { x, y, span, heading, pitch } = this.#camera.shown;
    return {
      x: fineAt(x, span),
      y: fineAt(y, span),
      span: fine(span),
      heading: rounded(heading, 0.1),
      pitch: rounded(pitch, 0.1),
    };
  }
}
