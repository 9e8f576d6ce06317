/** `camera.pan`: the focus goes so many pixels along the screen, eased; several calls add up. */
import { ENDED_BY_STEERING, type Motion, type Mover } from '../motion/index.ts';
import { SIGNALS, type SignalsOf } from '../signals/index.ts';
import { easedDistance, type RemainingDistance } from './easedDistance.ts';

const signals = { pan: SIGNALS.pan };

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
    const { look } = motion;
    const perPixel = look.perPixel * motion.span;
    const right = x * perPixel;
    const toward = (y * perPixel) / look.sinPitch;
    way.x += right * look.cosHeading - toward * look.sinHeading;
    way.y += right * look.sinHeading + toward * look.cosHeading;
  },
};
