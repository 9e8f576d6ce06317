/** The pose on the way of a journey. */
import { maxSpanAt } from '../limits/index.ts';
import { exp2, log2 } from '../math/index.ts';
import type { Motion } from '../motion/index.ts';
import type { Way } from './way.ts';
import type { PathPoint } from './path.ts';

/** Sets the pose on the way, at a share of the path. */
export function goOn(way: Way, share: number, motion: Motion, movedX: number, movedY: number): void {
  const { path, from, to, wantedSpan } = way;
  const { zoom, turn, tilt, lens, constraints, projection, zooming } = motion;
  path.at(share, point);
  const gone = path.distance > 0 ? point.along / path.distance : share;
  // Panels and other screens scale all spans; other limits, where it goes in the end.
  const scale = zoom.wanted / wantedSpan;
  const otherGoal = zoom.goal / (to.span * scale);
  zoom.eased = point.span * scale * (otherGoal === 1 ? 1 : exp2(share * log2(otherGoal)));
  zoom.remaining = 0;
  zoom.keepIn(zooming.min, zooming.max);
  turn.shown = between(from.heading, to.heading, share);
  tilt.isFar = to.pitchFar;
  lens.isFar = to.lensFar;
  // Along curves pitch and lens follow the span; through a switch they would jump.
  const asked =
    constraints.pitch.outAbove < Infinity
      ? between(from.pitch, motion.pitchAt(zoom.goal), share)
      : motion.curvePitch(zoom.eased) + between(from.tilt, tilt.offset, share);
  tilt.arriveAt(motion.insidePitch(asked));
  lens.arriveAt(
    constraints.lens !== null && constraints.lens.outAbove < Infinity
      ? between(from.fieldOfView, motion.fieldOfViewAt(zoom.goal), share)
      : motion.fieldOfViewAt(zoom.eased) + between(from.lensOffset, 0, share),
  );
  const x = between(from.x, to.x, gone) + movedX * share;
  const y = between(from.y, to.y, gone) + movedY * share;
  // On the way the zoom gives way to the bounds, down to what the ends would have there, and the focus goes straight on.
  projection.turn(motion);
  const fits = maxSpanAt(constraints.boundary, projection, x, y, zoom.eased);
  zoom.eased = Math.min(zoom.eased, Math.max(fits, between(from.span * scale, zoom.goal, gone)));
  zoom.keepIn(zooming.min, zooming.max);
  motion.focusing.putAt(x, y);
}

function between(from: number, to: number, share: number): number {
  return from + (to - from) * share;
}

const point: PathPoint = { along: -0, span: NaN };
