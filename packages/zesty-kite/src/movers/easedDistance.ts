/** A way of the focus that is left, eased as a zoom is: what the way home and an eased pan have in common. */
import { exp2 } from '../math/index.ts';
import type { Point } from '../view/index.ts';
import { LENGTH_TOLERANCE, type Motion, type Mover, type Part } from '../motion/index.ts';

/** World units. */
export class RemainingDistance implements Part {
  x = -0;
  y = -0;

  copyFrom(other: RemainingDistance): void {
    this.x = other.x;
    this.y = other.y;
  }
}

type Hooks = 'createState' | 'isUnderWay' | 'interrupt' | 'interruptAxes';

export const easedDistance: Pick<Mover<Motion, RemainingDistance>, Hooks> = {
  createState: () => new RemainingDistance(),
  isUnderWay: ({ x, y }) => x !== 0 || y !== 0,
  interrupt: (way) => {
    way.x = way.y = 0;
  },
  interruptAxes: (way, { x, y }) => {
    if (x !== undefined) way.x = 0;
    if (y !== undefined) way.y = 0;
  },
};

/** Eases on by a step. Sets `gone` to how far it goes, world units. */
export function goOn(way: RemainingDistance, { span, constraints }: Motion, seconds: number, gone: Point): void {
  const { x, y } = way;
  const remaining = exp2(-seconds * (1 / constraints.settings.zoom.halfLife));
  way.x *= remaining;
  way.y *= remaining;
  const near = LENGTH_TOLERANCE * span;
  if (Math.abs(way.x) < near && Math.abs(way.y) < near) way.x = way.y = 0;
  gone.x = x - way.x;
  gone.y = y - way.y;
}
