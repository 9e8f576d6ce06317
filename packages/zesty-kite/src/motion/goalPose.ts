/** The pose that the camera is heading to. */
import type { Pose } from '../view/index.ts';
import { scaleWithFrame } from './keepScale.ts';
import type { Motion } from './motion.ts';

/**
 * The goal span and heading, what they ask of pitch and lens, and the grip holding there, inside the limits.
 *
 * @param there scratch: it goes there
 */
export function goalPose(motion: Motion, there: Motion): Pose {
  const { zoom, turn, insets, projection } = there;
  const { focusHeight } = motion;
  there.copyFrom(motion);
  there.layFrame();
  const { frameWidth, frameHeight } = projection;
  insets.arriveAt(motion.constraints.settings.safeFrame);
  there.layFrame();
  scaleWithFrame(zoom, frameWidth, frameHeight, projection, 'scale');
  turn.turnTo(motion.turn.goal);
  there.zooming.findGoal();
  zoom.finish();
  there.flipSwitches();
  there.arriveAt(zoom.goal);
  if (there.isMoved) for (const { mover, state } of there.moving) mover.finish?.(state, there);
  projection.turn(there);
  there.zooming.show();
  there.focusing.solve();
  const { x, y } = there.focusing.allowed;
  const { span, heading, pitch, fieldOfView } = there;
  return { x, y, focusHeight, span, heading, pitch, fieldOfView };
}
