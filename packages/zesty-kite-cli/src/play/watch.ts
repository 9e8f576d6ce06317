/** Holds a session against the promises of docs/guarantees.md, frame by frame, and remembers the first that breaks one. */
import { createMatrices, fillMatrices, type Camera, type View } from 'zesty-kite';
import type { Replay, ReplaySummary } from 'zesty-kite/session';

/** The numbers of the guarantees. */
const LEVEL = 1e-9;
const GRIP_PIXELS = 1e-3;
const BOUNDS_SHARE = 1e-6;
/** Milliseconds that it is looked at once it rests: far more than any easing takes. */
const RESTS_MS = 60_000;

export class Watch {
  #worstTilt = 0;
  #frames = 0;
  #heading = NaN;
  #pitch = NaN;
  #first: { readonly frame: number; readonly micros: number; readonly what: string } | null = null;
  readonly #matrices = createMatrices('z', '-1..1', 'eye');

  /** @param worst what was measured up to this frame */
  frame({ view }: Camera, micros: number, worst: Replay['worst']): void {
    this.#frames += 1;
    if (view.heading !== this.#heading || view.pitch !== this.#pitch) {
      const tilt = this.#tiltOf(view);
      this.#worstTilt = Math.max(this.#worstTilt, tilt);
      if (tilt > LEVEL) this.#found(micros, `G1: the horizon leans by ${small(tilt)}`);
    }
    if (worst.gripError > GRIP_PIXELS) this.#found(micros, `G2: a held point is ${small(worst.gripError)} px away`);
    if (worst.boundsExcess > BOUNDS_SHARE)
      this.#found(micros, `G4: the view is ${small(worst.boundsExcess)} of the span outside`);
    if (worst.rangeExcess > 0)
      this.#found(micros, `G7: the zoom is ${small(worst.rangeExcess)} of the span outside its range`);
  }

  #found(micros: number, what: string): void {
    this.#first ??= { frame: this.#frames, micros, what };
  }

  /** How far the screen's right is from level: the part of it that goes up. */
  #tiltOf(view: View): number {
    this.#heading = view.heading;
    this.#pitch = view.pitch;
    const { view: matrix } = fillMatrices(view, this.#matrices);
    // The first row of a column-major matrix is the right of the screen; z is up.
    return Math.abs(matrix[8] ?? 0);
  }

  /** A sentence for each promise that is broken; the camera is at the end of the session. */
  broken(summary: ReplaySummary, camera: Camera): string[] {
    const broken: string[] = [];
    const wanted = (limit: string): string => `; at most ${limit} is promised`;
    if (this.#worstTilt > LEVEL)
      broken.push(`G1: the horizon leaned by ${small(this.#worstTilt)}${wanted(small(LEVEL))}`);
    if (!(summary.worstGripError <= GRIP_PIXELS))
      broken.push(`G2: a held point was ${small(summary.worstGripError)} px away${wanted(small(GRIP_PIXELS))}`);
    if (summary.worstPairError > GRIP_PIXELS)
      broken.push(
        `G3: of two held points one was ${small(summary.worstPairError)} px away${wanted(small(GRIP_PIXELS))}`,
      );
    if (!(summary.worstBoundsExcess <= BOUNDS_SHARE))
      broken.push(
        `G4: the view was ${small(summary.worstBoundsExcess)} of the span outside${wanted(small(BOUNDS_SHARE))}`,
      );
    if (summary.worstRangeExcess !== 0)
      broken.push(`G7: the zoom was ${small(summary.worstRangeExcess)} of the span outside its range; 0 is promised`);
    if (summary.timeToRest !== null && !staysAtRest(camera, summary.duration))
      broken.push('G8: it moved again after it had come to rest; nothing is promised to');
    if (!summary.finite) broken.push('G11: a number was not finite');
    if (broken.length > 0 && this.#first !== null) {
      const { frame, micros, what } = this.#first;
      broken.push(`first in frame ${String(frame)}, at ${(micros / 1e6).toFixed(3)} s: ${what}`);
    }
    return broken;
  }
}

function staysAtRest(camera: Camera, seconds: number): boolean {
  const poseOf = (): string => {
    const { x, y, focusHeight, span, heading, pitch, fieldOfView } = camera.view;
    return [x, y, focusHeight, span, heading, pitch, fieldOfView].join();
  };
  const before = poseOf();
  camera.advance(seconds * 1000 + RESTS_MS);
  return camera.settled && poseOf() === before;
}

export function small(value: number): string {
  return value === 0 ? '0' : value.toExponential(1);
}
