/** How fast things ease: a decay for each, which is asked for over a step. */
import { Decay } from '../math/index.ts';
import type { FullSettings } from '../settings/index.ts';

/**
 * Two fingers that zoom along a curve at once could often hold their points in several ways, and would
 * leap from one to the other: so then it is followed with this half-life, seconds.
 */
const PINCH_HALF_LIFE = 0.05;

/** The jump of a change of settings eases with this half-life, seconds. */
const OFFSET_HALF_LIFE = 0.1;

/** Points under two fingers return under them with this half-life, seconds: nearly all of it in 0.2 s. */
const LAG_HALF_LIFE = 0.025;

export class Pace {
  readonly zoom = new Decay();
  readonly turn = new Decay();
  /** The share of a velocity that remains after *half* of a step. */
  readonly halfStart = new Decay();
  readonly halfStop = new Decay();
  readonly halfGlide = new Decay();
  readonly pitch = new Decay();
  readonly lens = new Decay();
  /** For a pitch and a lens that follow at once, while two fingers zoom. */
  readonly pinch = new Decay();
  readonly lag = new Decay();
  readonly level = new Decay();
  readonly insets = new Decay();
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
    this.lag.take(LAG_HALF_LIFE);
    this.level.take(ground.followHalfLife);
    this.insets.take(safeFrame.halfLife);
    this.back.take(bounds?.returnHalfLife ?? 0);
    this.offset.take(OFFSET_HALF_LIFE);
  }
}
