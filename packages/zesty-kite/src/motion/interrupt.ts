/** Ends what a cause ends, by the table of what ends what. */
import type { Look } from '../view/index.ts';
import { ROWS, type Cause } from './ends.ts';
import type { Motion } from './motion.ts';
import type { Rules } from './rules.ts';
import { restHeading, stopTilt, stopTurn } from './turn.ts';
import { stopZoom } from './zoom.ts';

/** Ends what a cause ends. What the cause itself sets out to do is done by its own code. */
export function interrupt(motion: Motion, rules: Rules, look: Look, cause: Cause): void {
  const { zoom, turn, tilt, keys } = ROWS[cause];
  endMovers(motion, rules, look, cause);
  if (keys === 'waits') endPan(motion);
  if (zoom === 'ends' || zoom === 'toStop') stopZoom(motion, rules);
  if (turn === 'rests') restHeading(motion, rules);
  if (turn === 'ends' || (turn === 'stepsOn' && !motion.stepping)) stopTurn(motion, rules);
  if (tilt === 'ends') stopTilt(motion, rules);
}

/** The same for movers alone. */
export function endMovers(motion: Motion, rules: Rules, look: Look, cause: Cause): void {
  rules.movers.forEach((mover, i) => {
    const effect = mover.endedBy[cause];
    const state = motion.states[i];
    if (
      state !== undefined &&
      (effect === 'ends' || effect === 'newWish' || effect === 'takesOver' || effect === 'offsets')
    )
      mover.end(state, motion, effect, cause, rules, look);
  });
  findMoving(motion, rules);
}

/** Sets whether a mover is under way, and whether one leads. */
export function findMoving(motion: Motion, { movers }: Rules): void {
  motion.moving = motion.led = false;
  for (let i = 0; i < motion.states.length; i++) {
    const state = motion.states[i];
    if (state === undefined) continue;
    if (movers[i]?.isUnderWay(state) === true) motion.moving = true;
    if (movers[i]?.leads?.(state) === true) motion.led = true;
  }
}

/** Stops the pan at once. */
export function endPan(motion: Motion): void {
  motion.velocityX = motion.velocityY = 0;
  motion.gliding = false;
}
