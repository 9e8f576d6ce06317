/** How fast things ease over one step. */
import { Decay } from '../math/index.ts';
import type { FullSettings } from '../settings/index.ts';
import { TICKS_PER_SECOND } from './clock.ts';
import { isDriven, isPanning, isSteered, type Motion } from './motion.ts';

/**
 * Two fingers that zoom along a curve at once could often hold their points in several ways, and would
 * leap from one to the other: so then it is followed with this half-life, seconds.
 */
const PINCH_HALF_LIFE = 0.05;

/** What a change of settings would have made jump eases with this half-life, seconds. */
const OFFSET_HALF_LIFE = 0.1;

export class Pace {
  /** The ground is not flat. */
  hilly = false;
  /** Length of the step, > 0. */
  seconds = NaN;
  readonly zoom = new Decay();
  readonly turn = new Decay();
  /** What is left of a velocity after *half* the step. */
  readonly halfStart = new Decay();
  readonly halfStop = new Decay();
  readonly halfGlide = new Decay();
  readonly pitch = new Decay();
  readonly lens = new Decay();
  /** For a pitch and a lens that follow at once, while two fingers zoom. */
  readonly pinch = new Decay();
  readonly level = new Decay();
  readonly frame = new Decay();
  readonly back = new Decay();
  readonly offset = new Decay();

  /** Takes the half-lives of the settings. */
  take({ zoom, turn, pan, drag, pitch, lens, ground, safeFrame, bounds }: FullSettings): void {
    this.zoom.take(zoom.halfLife);
    this.turn.take(turn.halfLife);
    this.halfStart.take(2 * pan.startHalfLife);
    this.halfStop.take(2 * pan.stopHalfLife);
    this.halfGlide.take(2 * drag.glideHalfLife);
    this.pitch.take(pitch.halfLife);
    this.lens.take(lens.halfLife);
    this.pinch.take(PINCH_HALF_LIFE);
    this.level.take(ground.followHalfLife);
    this.frame.take(safeFrame.halfLife);
    this.back.take(bounds?.returnHalfLife ?? 0);
    this.offset.take(OFFSET_HALF_LIFE);
  }

  /** Takes the length of a step, for any motion. */
  over(seconds: number): void {
    this.seconds = seconds;
    const { zoom, turn, halfStart, halfStop, halfGlide, pitch, lens, pinch, level, frame, back, offset } = this;
    for (const decay of [zoom, turn, halfStart, halfStop, halfGlide, pitch, lens, pinch, level, frame, back, offset])
      decay.over(this);
  }

  /** The same in ticks, and only for what `motion` eases now. */
  overFor(motion: Motion, ticks: number): void {
    this.seconds = ticks / TICKS_PER_SECOND;
    if (motion.zoomRemaining !== 0 || motion.zoomRate !== 0 || motion.moving) this.zoom.over(this);
    if (motion.turnRemaining !== 0 || motion.turnRate !== 0) this.turn.over(this);
    if (isPanning(motion)) this.panned(motion).over(this);
    // Over hills whatever moves may have all of them follow.
    if (motion.easing || motion.zoomRemaining !== 0 || this.hilly || isSteered(motion)) {
      this.pitch.over(this);
      this.lens.over(this);
      this.level.over(this);
    }
    if (motion.pinched) this.pinch.over(this);
    if (motion.framing) this.frame.over(this);
    if (motion.excessX !== 0 || motion.excessY !== 0) this.back.over(this);
    if (motion.offset.isOn) this.offset.over(this);
  }

  /** How a pan's velocity eases: toward what keys ask for, to a stop, or gliding. */
  panned(motion: Motion): Decay {
    return isDriven(motion) ? this.halfStart : motion.gliding ? this.halfGlide : this.halfStop;
  }
}
