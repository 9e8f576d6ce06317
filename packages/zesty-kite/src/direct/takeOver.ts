/** The shared parts of movers that set the whole pose: their beginning, their interruptions, and a motion to try out. */
import { ENDED_BY_STEERING, Motion, type Cause, type Effect } from '../motion/index.ts';

/** All that steers or places ends them. */
export const ENDED_BY_ALL: Readonly<Record<Cause, Effect>> = {
  ...ENDED_BY_STEERING,
  mover: 'replaced',
  placeSpan: 'ends',
  placeHeading: 'ends',
  placePitch: 'ends',
};

/** Everything else that is under way ends, and nothing is held or pulled over an edge any more. */
export function takeOver(motion: Motion): void {
  motion.interrupt('mover');
  motion.pan.stop();
  motion.hold.drop();
  motion.focus.undoElastic();
}

/** The camera stays as it is shown; with stops, it goes on to the nearest. */
export function standStill(motion: Motion): void {
  const { zoom, turn, tilt, hold, constraints } = motion;
  motion.zooming.stayAt(zoom.shown);
  turn.stop(constraints.turn, hold.fingers);
  motion.setPitch(tilt.pitch);
  motion.question = null;
  motion.easeLook();
}

/** Another motion in the same state: to try something out. */
export function copyOf(motion: Motion): Motion {
  const copy = new Motion(
    motion.constraints,
    motion.moving.map(({ mover }) => mover),
  );
  copy.copyFrom(motion);
  copy.layLook();
  return copy;
}
