/** A way of the focus that is left, eased as a zoom is: what the way home and an eased pan have in common. */
import { LENGTH_TOLERANCE, type Mover, type Part, type Rules } from '../motion/index.ts';

/** World units. */
export class Way implements Part {
  x = -0;
  y = -0;

  copyFrom(other: Way): void {
    this.x = other.x;
    this.y = other.y;
  }
}

type Hooks = 'keep' | 'isUnderWay' | 'end' | 'endNamed' | 'move' | 'finish';

export const goesAWay: Pick<Mover<Rules, Way>, Hooks> = {
  keep: () => new Way(),
  isUnderWay: ({ x, y }) => x !== 0 || y !== 0,
  end: (way) => {
    way.x = way.y = 0;
  },
  endNamed: (way, { x, y }) => {
    if (x !== undefined) way.x = 0;
    if (y !== undefined) way.y = 0;
  },
  move: (way, motion, { zoom }) => {
    const { x, y } = way;
    way.x *= zoom.remaining;
    way.y *= zoom.remaining;
    const near = LENGTH_TOLERANCE * motion.span;
    if (Math.abs(way.x) < near && Math.abs(way.y) < near) way.x = way.y = 0;
    motion.panX += x - way.x;
    motion.panY += y - way.y;
  },
  finish: ({ x, y }, motion) => {
    motion.panX += x;
    motion.panY += y;
  },
};
