/** Playing a session again, and measuring what was promised while it plays. */
import { checkMade, checkObject, refuseRange } from '../messages/index.ts';
import { Camera, rigOf, type Grip, type Rig, type SessionStart } from '../camera/index.ts';
import type { StampedSignal } from '../signals/index.ts';
import { DIRECTED } from '../direct/index.ts';
import type { Terrain } from '../ground/index.ts';
import { Digest, norm } from '../math/index.ts';
import type { Mover } from '../motion/index.ts';
import { Measures, type ReplaySummary } from './measures.ts';
import { restoreState } from './state.ts';
import { checkTerrain, terrainChangedTo } from './terrains.ts';
import { polygons } from '../polygons/index.ts';

export interface ReplayOptions {
  /** Frames per second, > 0; 60 when left out. The motion does not depend on it. */
  readonly rate?: number;
  /** The terrain that the session was recorded over. */
  readonly terrain?: Terrain | null;
  /** Abilities that cameras may have learned; those of `zesty-kite/direct` when left out. */
  readonly movers?: readonly Mover[];
  /** From this moment on it is measured and fingerprinted, microseconds; from the beginning when left out. */
  readonly from?: number;
  /** The end, microseconds: later signals are ignored. By default it ends at rest. */
  readonly until?: number;
  /** Others that it changes to; parts of a grid that change are in the session itself. */
  readonly terrains?: readonly Terrain[];
  /** As for a camera. */
  readonly report?: (error: unknown) => void;
  /** Called at every frame with its time in microseconds; not while the camera is at rest. */
  readonly frame?: (camera: Camera, micros: number) => void;
}

/** The motion is sampled for its digest every 10 ms, at every frame rate. */
const SAMPLE_MICROS = 10_000;
/** A session in which something is still held at the end plays on for this long. */
const LONGEST_TAIL_MICROS = 10_000_000;

/**
 * Plays the signals of a session, and measures the motion.
 *
 * ```ts
 * const reader = new SessionReader();
 * const signals = reader.push(file);
 * const replay = new Replay(reader.end().header, { rate: 60 });
 * for (const signal of signals) replay.push(signal);
 * console.log(replay.end().digest);
 * ```
 *
 * @throws RangeError for a wrong rate, or another terrain than that of the session
 */
export class Replay {
  /** The camera that plays the session. */
  readonly camera: Camera;
  readonly #measures = new Measures();
  /** The worst values so far, for the summary. */
  readonly worst: {
    gripError: number;
    pairError: number;
    boundsExcess: number;
    rangeExcess: number;
  } = this.#measures.worst;
  readonly #rate: number;
  readonly #from: number;
  readonly #until: number;
  readonly #frame: (camera: Camera, micros: number) => void;
  readonly #terrains: readonly Terrain[];
  readonly #digest = new Digest();
  #frames = 0;
  /** The number of the next frame, from which its time follows. */
  #nextFrame: number;
  #samples: number;
  #signals = 0;
  #last: number;
  readonly #begin: number;
  #panned = 0;
  /** At the last sample nothing moved, and no signal has come since. */
  #rests = false;
  #restDrawn = false;
  readonly #rig: Rig;
  #x = 0;
  #y = 0;
  #grip: Grip | null = null;

  /** @throws RangeError when the rate is not above 0, or the terrain is not the session's; SettingsError as `Camera` does */
  constructor(start: SessionStart, options: ReplayOptions = {}) {
    checkMade('Replay.start', start, 'settings', 'the header of a session');
    checkObject('Replay.options', options, 'an object such as { rate: 60 }');
    const {
      rate = 60,
      terrain = null,
      terrains = [],
      movers = DIRECTED,
      from = 0,
      until = Infinity,
      frame = () => undefined,
      report,
    } = options;
    if (!(rate > 0 && rate <= 1e6)) refuseRange('rate', String(rate), 'a number above 0, at most 1000000');
    checkTerrain(start.terrain ?? null, terrain);
    this.camera = new Camera(start.settings, {
      screen: start.screen,
      terrain,
      home: start.home ?? null,
      shapes: [polygons],
      ...(report && { report }),
    });
    this.#rig = rigOf('Replay', this.camera);
    // One may have been learned while the session went on.
    for (const mover of movers) this.#rig.learn(mover);
    this.#rate = rate;
    this.#from = from;
    this.#until = until;
    this.#frame = frame;
    this.#terrains = terrains;
    const { at = 0, state } = start;
    if (state !== undefined) restoreState(this.#rig, state);
    this.#last = this.#begin = at;
    this.#samples = Math.ceil(at / SAMPLE_MICROS);
    this.#nextFrame = Math.ceil((at * rate) / 1e6);
    this.camera.advance(0);
    this.camera.advance(at / 1000);
    this.#x = this.camera.view.x;
    this.#y = this.camera.view.y;
  }

  /** Plays up to a signal and lets it take effect. */
  push(signal: StampedSignal): void {
    if (signal.at > this.#until) return;
    this.#playUntil(signal.at);
    if (signal.kind === 'terrain')
      this.camera.changeTerrain(terrainChangedTo(signal, this.camera.terrain, this.#terrains), signal.at / 1000);
    else this.camera.signal({ ...signal, time: signal.at / 1000 });
    this.#signals += 1;
    this.#last = signal.at;
    this.#rests = this.#restDrawn = false;
  }

  /** Plays on to rest. */
  end(): ReplaySummary {
    const end = Math.min(this.#last + LONGEST_TAIL_MICROS, this.#until);
    let sampled: number;
    do {
      sampled = Math.max(this.#samples * SAMPLE_MICROS, this.#last);
      this.#playUntil(sampled + 1);
    } while (!this.camera.settled && sampled < end);
    if (this.#rests) this.#drawRest(Infinity);
    return {
      duration: (sampled - this.#begin) / 1e6,
      signals: this.#signals,
      frames: this.#frames,
      panned: this.#panned,
      minSpan: this.#measures.minSpan,
      maxSpan: this.#measures.maxSpan,
      worstGripError: this.worst.gripError,
      worstPairError: this.worst.pairError,
      worstBoundsExcess: this.worst.boundsExcess,
      worstRangeExcess: this.worst.rangeExcess,
      finite: this.#measures.finite,
      timeToRest: this.camera.settled ? (sampled - this.#last) / 1e6 : null,
      digest: this.#digest.toString(),
    };
  }

  /**
   * Frames and samples before `micros`, in order. Rest is neither drawn nor sampled: that is
   * decided at samples alone, which are the same at every frame rate.
   */
  #playUntil(micros: number): void {
    for (;;) {
      if (this.#rests) {
        this.#drawRest(micros);
        this.#samples = Math.max(this.#samples, Math.ceil(micros / SAMPLE_MICROS));
        this.#nextFrame = Math.max(this.#nextFrame, Math.ceil((micros * this.#rate) / 1e6));
        return;
      }
      const frame = Math.round((this.#nextFrame * 1e6) / this.#rate);
      const sample = this.#samples * SAMPLE_MICROS;
      const next = Math.min(frame, sample);
      if (next >= micros) return;
      this.camera.advance(next / 1000);
      const { grips } = this.camera;
      const isMeasured = next >= this.#from;
      if (isMeasured) this.#measures.add(this.camera, this.#rig, grips);
      if (sample === next) this.#sample(grips, isMeasured);
      if (frame === next) {
        this.#nextFrame += 1;
        if (isMeasured) this.#draw(next);
      }
    }
  }

  /** One frame shows the rest, if it comes before `micros`. */
  #drawRest(micros: number): void {
    const frame = Math.round((this.#nextFrame * 1e6) / this.#rate);
    if (this.#restDrawn || frame >= micros) return;
    this.#restDrawn = true;
    this.camera.advance(frame / 1000);
    this.#nextFrame += 1;
    if (frame < this.#from) return;
    this.#measures.add(this.camera, this.#rig, this.camera.grips);
    this.#draw(frame);
  }

  #draw(micros: number): void {
    this.#frames += 1;
    this.#frame(this.camera, micros);
  }

  #sample(grips: readonly Grip[], isMeasured: boolean): void {
    const { x, y, span, focusHeight, heading, pitch, fieldOfView } = this.camera.view;
    const grip = grips[0] ?? null;
    this.#samples += 1;
    if (isMeasured) {
      this.#digest.add(x);
      this.#digest.add(y);
      this.#digest.add(span);
      this.#digest.add(focusHeight);
      this.#digest.add(heading);
      this.#digest.add(pitch);
      this.#digest.add(fieldOfView);
      this.#panned += this.#pannedSince(x, y, grip);
    }
    this.#x = x;
    this.#y = y;
    this.#grip = grip;
    this.#rests = this.camera.settled;
    this.#restDrawn &&= this.#rests;
  }

  /** How far the ground moved: the held point while the grip is the same, else the focus. */
  #pannedSince(x: number, y: number, now: Grip | null): number {
    const before = this.#grip;
    if (!before && !now) return norm(x - this.#x, y - this.#y);
    const same = now && before?.screenX === now.screenX && before.screenY === now.screenY;
    return same ? norm(now.x - before.x, now.y - before.y) : 0;
  }
}
