/** Whether a camera has visibly arrived. */
import { lengthOfEase } from '../math/index.ts';
import { byZoomNow, goalPose, isDriven, isSteered, Motion, solveFocus, type Timeline } from '../motion/index.ts';
import { aim, ScratchInsets, ScratchPoint, View, type Pose, type ScreenPoint } from '../view/index.ts';

/** What moves by less is not seen, CSS pixels. */
const SEEN = 0.5;
/** The middle of the safe frame and its corners, in its widths and heights: between them nothing moves farther. */
const PLACES = [
  [0, 0],
  [-0.5, -0.5],
  [0.5, -0.5],
  [0.5, 0.5],
  [-0.5, 0.5],
] as const;

const now = new View();
const there = new View();
const scratch = new Motion();
const insets = new ScratchInsets();
const spot = new ScratchPoint();
const at: ScreenPoint = { x: 0, y: 0, depth: 0, inFront: true };
const goal: Pose = { x: 0, y: 0, focusHeight: 0, span: 1, heading: 0, pitch: 90, fieldOfView: 0 };

/** Whether nothing in the safe frame will move by half a pixel any more, and nothing is held. */
export function isThere({ kept, rules, look }: Timeline): boolean {
  if (kept.fingers > 0 || isDriven(kept) || isSteered(kept)) return false;
  const { settings, screen, ground } = rules;
  // The focus of kept motion may be solved later.
  scratch.copyFrom(kept);
  solveFocus(scratch, rules, look);
  const { velocityX, velocityY } = kept;
  const halfLife = kept.gliding ? settings.drag.glideHalfLife : settings.pan.stopHalfLife;
  const speed = byZoomNow(kept, rules, rules.speed, kept.speedFar) * look.frameHeight;
  if (lengthOfEase(Math.sqrt(velocityX * velocityX + velocityY * velocityY) * speed, halfLife) > SEEN) return false;
  insets.left = kept.insetLeft;
  insets.top = kept.insetTop;
  insets.right = kept.insetRight;
  insets.bottom = kept.insetBottom;
  aim(now, scratch, screen, ground, insets);
  aim(there, goalPose(kept, rules, goal), screen, ground, settings.safeFrame);
  const { middleX, middleY, frameWidth, frameHeight } = now.look;
  for (const [across, down] of PLACES) {
    const x = middleX + across * frameWidth;
    const y = middleY + down * frameHeight;
    if (now.toLevel(x, y, now.focusHeight, spot) === null) continue;
    there.toScreen(spot.x, spot.y, now.focusHeight, at);
    if (!(Math.abs(at.x - x) + Math.abs(at.y - y) < SEEN)) return false;
  }
  return true;
}
