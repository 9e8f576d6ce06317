/** Presses that pan at a rate: the farther the pointer is from where it was pressed, the faster. */
import { norm } from '../math/index.ts';
import type { FullSettings } from '../settings/index.ts';
import type { Point } from '../view/index.ts';

interface Pull extends Point {
  readonly downX: number;
  readonly downY: number;
  readonly startsAfter: number;
  /** Of the screen, CSS pixels. */
  readonly height: number;
}

export class Pulls {
  readonly pulls = new Map<number, Pull>();

  press(id: number, x: number, y: number, startsAfter: number, height: number): void {
    this.pulls.set(id, { x, y, downX: x, downY: y, startsAfter, height });
  }

  /** @returns whether this press pulls */
  move(id: number, x: number, y: number): boolean {
    const pull = this.pulls.get(id);
    if (pull !== undefined) this.pulls.set(id, { ...pull, x, y });
    return pull !== undefined;
  }

  lift(id: number): void {
    this.pulls.delete(id);
  }

  clear(): void {
    this.pulls.clear();
  }

  /** The direction of the pull, in pan speeds. It begins at 0 at the distance that starts a drag. */
  push({ drag }: FullSettings): { right: number; down: number } {
    const push = { right: 0, down: 0 };
    for (const { x, y, downX, downY, startsAfter, height } of this.pulls.values()) {
      const length = norm(x - downX, y - downY);
      if (length <= startsAfter) continue;
      const speed = (length - startsAfter) / (drag.pullDistance * height * length);
      push.right += (x - downX) * speed;
      push.down += (y - downY) * speed;
    }
    return push;
  }
}
