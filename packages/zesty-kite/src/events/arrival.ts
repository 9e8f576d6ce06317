/** Whether a camera has visibly arrived. */
import { byZoomNow, goalPose, isDriven, isSteered, Motion, solveFocus, type Timeline } from '../motion/index.ts';
import { aim, View, type Pose } from '../view/index.ts';

/** What moves by less is not seen, CSS pixels. */
const SEEN = 0.5;
/** An ease with half-life h that begins at speed v goes v · h / ln 2 far. */
const LN2 = 0.6931471805599453;

const now = new View();
const there = new View();
const scratch = new Motion();
const goal: Pose = { x: 0, y: 0, focusHeight: 0, span: 1, heading: 0, pitch: 90, fieldOfView: 0 };

/** Whether nothing in the safe frame will move by half a pixel any more, and nothing is held. */
export function isThere({ kept, rules, look }: Timeline): boolean {
  if (kept.fingers > 0 || isDriven(kept) || isSteered(kept)) return false;
  const { settings, screen, ground } = rules;
  // The focus of kept motion may be solved later.
  scratch.copyFrom(kept);
  solveFocus(scratch, rules, look);
  const { insetLeft, insetTop, insetRight, insetBottom, velocityX, velocityY } = kept;
  const halfLife = kept.gliding ? settings.drag.glideHalfLife : settings.pan.stopHalfLife;
  const speed = byZoomNow(kept, rules, rules.speed, kept.speedFar) * look.frameHeight;
  const glides = (Math.sqrt(velocityX * velocityX + velocityY * velocityY) * speed * halfLife) / LN2;
  if (glides > SEEN) return false;
  const insets = { left: insetLeft, top: insetTop, right: insetRight, bottom: insetBottom };
  aim(now, scratch, screen, ground, insets);
  aim(there, goalPose(kept, rules, goal), screen, ground, settings.safeFrame);
  const { middleX, middleY, frameWidth, frameHeight } = now.look;
  // The corners, and the middle: between them nothing moves farther.
  for (const [across, down] of [
    [0, 0],
    [-0.5, -0.5],
    [0.5, -0.5],
    [0.5, 0.5],
    [-0.5, 0.5],
  ] as const) {
    const x = middleX + across * frameWidth;
    const y = middleY + down * frameHeight;
    const spot = now.toLevel(x, y, now.focusHeight, { x: 0, y: 0 });
    if (spot === null) continue;
    const at = there.toScreen(spot.x, spot.y, now.focusHeight);
    if (!(Math.abs(at.x - x) + Math.abs(at.y - y) < SEEN)) return false;
  }
  return true;
}
