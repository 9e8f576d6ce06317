/** The view turns slowly around the focus while nobody steers: for a title screen. */
import type { Camera } from '../src/index.ts';
import {
  ENDED_BY_STEERING,
  learn,
  number,
  type MovedCamera,
  type Mover,
  type Part,
  type SignalsOf,
} from '../src/abilities/index.ts';

/** The state: plain numbers, and their copy. */
class Circling implements Part {
  /** Degrees per second; 0 at rest. */
  rate = 0;
  /** Seconds without steering before it turns. */
  pause = 0;
  /** Seconds since somebody steered. */
  idle = 0;

  copyFrom(other: Circling): void {
    this.rate = other.rate;
    this.pause = other.pause;
    this.idle = other.idle;
  }
}

const signals = { circle: { rate: number(-90, 90), pause: number(0, 3600) } };

export const circling: Mover<MovedCamera, Circling, SignalsOf<typeof signals>> = {
  name: 'circle',
  label: 'circling',
  interruptions: ENDED_BY_STEERING,
  signals,
  createState: () => new Circling(),
  isUnderWay: ({ rate }) => rate !== 0,
  interrupt: (state, camera, effect, cause) => {
    state.idle = 0;
    if (cause === 'mover') state.rate = 0;
  },
  receive: (state, camera, { rate, pause }) => {
    camera.interrupt('mover');
    state.rate = rate;
    state.pause = pause;
    state.idle = pause;
  },
  aim: (state, camera, seconds) => {
    if (camera.isDriven) {
      state.idle = 0;
      return;
    }
    const before = Math.max(0, state.idle - state.pause);
    state.idle += seconds;
    const turning = Math.max(0, state.idle - state.pause) - before;
    camera.turnTo(camera.heading + state.rate * turning);
  },
};

/** Turns the view by `rate` degrees per second, and waits `pause` seconds after steering. A rate of 0 ends it. */
export function circle(camera: Camera, rate: number, pause = 3): void {
  learn(camera, circling).send({ kind: 'circle', rate, pause });
}
