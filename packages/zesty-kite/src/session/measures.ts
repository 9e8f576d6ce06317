/** Measuring what was promised, frame by frame. */
import type { Camera, Grip, Rig } from '../camera/index.ts';

/** The result of a session. Distances are world units, times seconds. */
export interface ReplaySummary {
  /** Until the camera was at rest after the last signal, or was given up on. */
  readonly duration: number;
  /** The number of signals that were played. */
  readonly signals: number;
  /** The number of frames that were shown. */
  readonly frames: number;
  /** How far keys moved the ground along the screen. */
  readonly panned: number;
  /** The least span that was shown, in world units. */
  readonly minSpan: number;
  /** The greatest span that was shown, in world units. */
  readonly maxSpan: number;
  /** The farthest that a held point was from its screen point while no limit bound, CSS pixels. */
  readonly worstGripError: number;
  /** The same, while two points were held. */
  readonly worstPairError: number;
  /** The farthest that the view reached over its bounds, as a share of the span. */
  readonly worstBoundsExcess: number;
  /** The farthest that the span was outside its range, as a share of the span. */
  readonly worstRangeExcess: number;
  /** Whether every number was finite. */
  readonly finite: boolean;
  /** From the last signal until nothing moved; null when something was still held. */
  readonly timeToRest: number | null;
  /** The motion's fingerprint: equal at every frame rate and in every engine. Rest is not sampled. */
  readonly digest: string;
}

export class Measures {
  /** The worst values: errors in CSS pixels, excesses as shares of the span. */
  readonly worst = { gripError: 0, pairError: 0, boundsExcess: 0, rangeExcess: 0 };
  minSpan = Infinity;
  maxSpan = 0;
  finite = true;

  /** Takes a frame that is shown. */
  add(camera: Camera, { frame, stage }: Rig, grips: readonly Grip[]): void {
    const { worst } = this;
    const { x, y, span, scale, focusHeight, heading, pitch, fieldOfView } = camera.view;
    const { min, max } = frame.zooming;
    const elastic = camera.settings.bounds?.elastic ?? 0;
    this.minSpan = Math.min(this.minSpan, span);
    this.maxSpan = Math.max(this.maxSpan, span);
    // A change of settings has left the view outside, and it eases in: no promise is broken.
    if (!stage.timeline.kept.offset.isOn) {
      worst.rangeExcess = Math.max(worst.rangeExcess, Math.max(0, min - span, span - max) / span);
      worst.boundsExcess = Math.max(worst.boundsExcess, camera.boundsExcess / span - elastic);
    }
    this.finite &&= Number.isFinite(x + y + span + scale + focusHeight + heading + pitch + fieldOfView);
    for (const { error, limited } of grips) {
      if (limited) continue;
      worst.gripError = Math.max(worst.gripError, error);
      if (grips.length > 1) worst.pairError = Math.max(worst.pairError, error);
    }
  }
}
