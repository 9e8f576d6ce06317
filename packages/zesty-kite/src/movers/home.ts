/** Back to where the settings begin: zoom, turn and tilt ease there as they do, and the way there is this mover's own. */
import {
  addTurn,
  dropGrip,
  ENDED_BY_STEERING,
  headingInside,
  interrupt,
  isDriven,
  pitchAt,
  restHeading,
  setGoalSpan,
  setPitch,
  startPlace,
  type Motion,
  type Mover,
  type Rules,
} from '../motion/index.ts';
import { SIGNALS } from '../signals/index.ts';
import { nearestCopy, type Look } from '../view/index.ts';
import { goesAWay, type Way } from './way.ts';

export const home: Mover<Rules, Way> = {
  ...goesAWay,
  name: 'home',
  column: 'way home',
  endedBy: {
    ...ENDED_BY_STEERING,
    mover: 'newWish',
    placeFocus: 'named',
    placeSpan: 'named',
    placeHeading: 'named',
    placePitch: 'named',
  },
  signals: { home: SIGNALS.home },
  hear: (way, motion, rules, look) => {
    if (motion.fingers > 0) return;
    interrupt(motion, rules, look, 'mover');
    // A pan that is still slowing down would delay the start.
    if (!isDriven(motion)) motion.velocityX = motion.velocityY = 0;
    dropGrip(motion);
    setOut(way, motion, rules, look);
  },
};

/** Zoom, turn, tilt and the way there, all eased. */
function setOut(way: Way, motion: Motion, rules: Rules, look: Look): void {
  const { x, y, span, heading, pitch } = startPlace(rules);
  const { periodX = 0, periodY = 0 } = rules.ground;
  way.x = nearestCopy(x - motion.x, periodX);
  way.y = nearestCopy(y - motion.y, periodY);
  setGoalSpan(motion, rules, look, span);
  const { minHeading, maxHeading } = rules;
  const turn = headingInside(rules, heading) - motion.heading;
  const short = turn - 360 * Math.round(turn / 360);
  const mayTurn = motion.heading + short >= minHeading && motion.heading + short <= maxHeading;
  addTurn(motion, rules, mayTurn ? short : turn);
  restHeading(motion, rules);
  if (pitch === null) motion.tilt = 0;
  else setPitch(motion, rules, pitch);
  motion.askedPitch = pitchAt(motion, rules, motion.span);
  motion.easing = motion.tilting = motion.tilted = true;
}
