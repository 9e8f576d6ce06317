/** `camera.pan`: the focus goes so many pixels along the screen, eased; several calls add up. */
import { ENDED_BY_STEERING, type Motion, type Mover } from '../motion/index.ts';
import { SIGNALS, type SignalsOf } from '../signals/index.ts';
import { ScratchPoint } from '../view/index.ts';
import { easedDistance, goOn, type RemainingDistance } from './easedDistance.ts';

const signals = { pan: SIGNALS.pan };
const gone = new ScratchPoint();

export const pan: Mover<Motion, RemainingDistance, SignalsOf<typeof signals>> = {
  ...easedDistance,
  name: 'pan',
  label: 'eased pan of a call',
  interruptions: {
    ...ENDED_BY_STEERING,
    turn: 'goesOn',
    tilt: 'goesOn',
    zoom: 'goesOn',
    pan: 'addsUp',
    placeFocus: 'named',
  },
  signals,
  receive: (way, motion, { x, y }) => {
    if (motion.hold.fingers > 0) return;
    motion.interrupt('pan');
    const { projection } = motion;
    const perPixel = projection.perPixel * motion.span;
    const right = x * perPixel;
    const toward = (y * perPixel) / projection.sinPitch;
    way.x += right * projection.cosHeading - toward * projection.sinHeading;
    way.y += right * projection.sinHeading + toward * projection.cosHeading;
  },
  move: (way, motion, seconds) => {
    goOn(way, motion, seconds, gone);
    motion.moveBy(gone.x, gone.y);
  },
  finish: ({ x, y }, motion) => {
    motion.moveBy(x, y);
  },
};
