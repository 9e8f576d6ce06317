/** `camera.pan`: the focus goes so many pixels along the screen, eased; several calls add up. */
import { ENDED_BY_STEERING, interrupt, LENGTH_TOLERANCE, type Mover, type Rules } from '../motion/index.ts';
import { SIGNALS, type PanSignal } from '../signals/index.ts';
import { Way } from './way.ts';

export const pan: Mover<Rules, Way> = {
  name: 'pan',
  column: 'eased pan of a call',
  endedBy: { ...ENDED_BY_STEERING, turn: 'goesOn', tilt: 'goesOn', zoom: 'goesOn', placeFocus: 'named' },
  signals: { pan: SIGNALS.pan },
  keep: () => new Way(),
  isUnderWay: ({ x, y }) => x !== 0 || y !== 0,
  end: (way) => {
    way.x = way.y = 0;
  },
  endNamed: (way, { x, y }) => {
    if (x !== undefined) way.x = 0;
    if (y !== undefined) way.y = 0;
  },
  hear: (way, motion, rules, look, signal) => {
    if (motion.fingers > 0) return;
    const { x, y } = signal as PanSignal;
    const before = { x: way.x, y: way.y };
    interrupt(motion, rules, look, 'mover');
    const perPixel = look.perPixel * motion.span;
    const right = x * perPixel;
    const toward = (y * perPixel) / look.sinPitch;
    way.x = before.x + right * look.cosHeading - toward * look.sinHeading;
    way.y = before.y + right * look.sinHeading + toward * look.cosHeading;
  },
  move: (way, motion, { zoom }) => {
    way.goOn(motion, zoom.remaining, LENGTH_TOLERANCE * motion.span);
  },
  finish: (way, motion) => {
    way.finish(motion);
  },
};
