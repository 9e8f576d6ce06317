/** Back to where the settings begin: zoom, turn and tilt ease there as they do, and the way there is this mover's own. */
import { ENDED_BY_STEERING, headingInside, type Motion, type Mover } from '../motion/index.ts';
import { SIGNALS, type SignalsOf } from '../signals/index.ts';
import { nearestCopy, ScratchPoint } from '../view/index.ts';
import { easedDistance, goOn, type RemainingDistance } from './easedDistance.ts';

const signals = { home: SIGNALS.home };
const gone = new ScratchPoint();

export const home: Mover<Motion, RemainingDistance, SignalsOf<typeof signals>> = {
  ...easedDistance,
  name: 'home',
  label: 'way home',
  interruptions: {
    ...ENDED_BY_STEERING,
    mover: 'replaced',
    placeFocus: 'named',
    placeSpan: 'named',
    placeHeading: 'named',
    placePitch: 'named',
  },
  signals,
  receive: (way, motion) => {
    if (motion.hold.fingers > 0) return;
    motion.interrupt('mover');
    // A pan that is still slowing down would delay the start.
    if (!motion.pan.isDriven) motion.pan.stop();
    motion.hold.drop();
    // Zoom, turn, tilt and the way there, all eased.
    const { focus, zoom, turn, tilt, hold, constraints, zooming } = motion;
    const { x, y, span, heading, pitch } = constraints.home;
    const { periodX = 0, periodY = 0 } = constraints.ground;
    focus.rawX = focus.x - focus.excessX;
    focus.rawY = focus.y - focus.excessY;
    way.x = nearestCopy(x - focus.rawX, periodX);
    way.y = nearestCopy(y - focus.rawY, periodY);
    zooming.easeTo(zooming.spanOf(span, pitch ?? undefined));
    const { min, max } = constraints.turn;
    const degrees = headingInside(constraints.turn, heading) - turn.shown;
    const short = degrees - 360 * Math.round(degrees / 360);
    const mayTurn = turn.shown + short >= min && turn.shown + short <= max;
    turn.turnBy(mayTurn ? short : degrees, constraints.turn);
    turn.rest(constraints.turn, hold.fingers);
    if (pitch === null) tilt.offset = 0;
    else motion.setPitch(pitch);
    tilt.easeTo(motion.pitchAt(zoom.eased), true);
  },
  // The raw focus goes straight there: what limits move on the way, and water in it, do not count.
  aim: (way, motion, seconds) => {
    const { focus, focusing } = motion;
    goOn(way, motion, seconds, gone);
    focusing.leadTo(focus.rawX + gone.x, focus.rawY + gone.y);
  },
  finish: ({ x, y }, { focus, focusing }) => {
    focusing.leadTo(focus.rawX + x, focus.rawY + y);
  },
};
