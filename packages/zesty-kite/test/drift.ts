/** The view drifts over the ground like a raft, until somebody steers: for a title screen. */
import type { Camera, Signal } from '../src/index.ts';
import { ENDED_BY_STEERING, type Motion, type Mover, type Part } from '../src/motion/index.ts';
import { number } from '../src/signals/index.ts';

/** What is kept: how fast it drifts, in spans per second, east and south. */
class Current implements Part {
  east = 0;
  south = 0;

  copyFrom(other: Current): void {
    this.east = other.east;
    this.south = other.south;
  }
}

interface DriftSignal {
  readonly kind: 'drift';
  readonly east: number;
  readonly south: number;
}

export const drift: Mover<Motion, Current> = {
  name: 'drift',
  column: 'drift',
  endedBy: { ...ENDED_BY_STEERING, placeFocus: 'goesOn' },
  signals: { drift: { east: number(-1, 1), south: number(-1, 1) } },
  keep: () => new Current(),
  isUnderWay: ({ east, south }) => east !== 0 || south !== 0,
  end: (current) => {
    current.east = current.south = 0;
  },
  hear: (current, motion, signal) => {
    const { east, south } = signal as DriftSignal;
    motion.interrupt('mover');
    current.east = east;
    current.south = south;
  },
  move: ({ east, south }, { pan, span }, seconds) => {
    pan.stepX += east * span * seconds;
    pan.stepY += south * span * seconds;
  },
};

/** Lets a camera drift, in spans per second; 0 and 0 end it. */
export function driftAlong(camera: Camera, east: number, south: number): void {
  camera.learn(drift);
  const signal: DriftSignal = { kind: 'drift', east, south };
  camera.signal(signal as unknown as Signal);
}
