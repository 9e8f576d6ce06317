/** Whether a camera has visibly arrived. */
import { lengthOfEase } from '../math/index.ts';
import { goalPose, type Timeline } from '../motion/index.ts';
import { aim, FRAME_PLACES, ScratchPoint, View, type ScreenPoint } from '../view/index.ts';

/** So near to the end it has arrived, CSS pixels. Zoom, turn and pan end one after the other: in all a point may still move by half a pixel. */
const NEAR_END = 0.35;

export class VisibleArrival {
  readonly #now = new View();
  readonly #there = new View();
  readonly #spot = new ScratchPoint();
  readonly #at: ScreenPoint = { x: 0, y: 0, depth: 0, inFront: true };

  /** Whether nothing in the safe frame will move by half a pixel any more, and nothing is held. */
  isVisible(timeline: Timeline): boolean {
    const { kept, constraints, projection } = timeline;
    const { hold, pan } = kept;
    if (hold.fingers > 0 || pan.isDriven || kept.isSteered) return false;
    const { settings, screen, ground } = constraints;
    const halfLife = pan.isGliding ? settings.drag.glideHalfLife : settings.pan.stopHalfLife;
    // So far, in spans, a velocity of 1 still glides.
    const glide = lengthOfEase(kept.valueNow(constraints.speed, pan.isFar), halfLife);
    if ((Math.abs(pan.velocityX) + Math.abs(pan.velocityY)) * glide * projection.frameHeight > NEAR_END) return false;
    const now = this.#now;
    const there = this.#there;
    const spot = this.#spot;
    const at = this.#at;
    const motion = timeline.spare();
    // The focus of kept motion may be solved later.
    motion.focusing.solve();
    aim(now, motion, screen, ground, motion.insets);
    const goal = goalPose(kept, motion);
    const far = glide * goal.span;
    now.projection.toWorld(pan.velocityX * far, pan.velocityY * far * kept.foreshortening(), spot);
    aim(there, { ...goal, x: goal.x + spot.x, y: goal.y + spot.y }, screen, ground, settings.safeFrame);
    const { middleX, middleY, frameWidth, frameHeight } = now.projection;
    // Between them nothing moves farther.
    for (const [across, down] of FRAME_PLACES) {
      const x = middleX + across * frameWidth;
      const y = middleY + down * frameHeight;
      if (now.toLevel(x, y, now.focusHeight, spot) === null) continue;
      there.toScreen(spot.x, spot.y, now.focusHeight, at);
      if (!(Math.abs(at.x - x) + Math.abs(at.y - y) < NEAR_END)) return false;
    }
    return true;
  }
}
