/** Taps of one input: quick presses that stay where they are, counted; and what the camera makes of those of fingers. */
import type { FullSettings } from '../settings/index.ts';
import type { Point } from '../view/index.ts';

/** A quick tap is over within so many microseconds, and so is the pause between two of them. */
const LONGEST = 300_000;
/** Two taps this near to each other are at one place, CSS pixels. */
const NEAR = 40;

interface Down extends Point {
  readonly startsAfter: number;
}

/** The screen point of the tap, in the middle of its fingers. */
export interface Tapped extends Point {
  readonly fingers: number;
  /** How many quick ones at this place this is the last of. */
  readonly count: number;
  /** From the first coming down to the last going up, microseconds. */
  readonly held: number;
}

export class Taps {
  readonly down = new Map<number, Down>();
  readonly points: Point[] = [];
  began = 0;
  /** No finger has started to drag since the first came down. */
  still = true;
  last: (Tapped & { readonly at: number }) | null = null;

  /** Nothing has dragged since the first finger came down, and it is the only one. */
  get isStillAlone(): boolean {
    return this.still && this.points.length === 1 && this.down.size === 1;
  }

  press(id: number, x: number, y: number, startsAfter: number, at: number): void {
    if (this.down.size === 0) {
      this.points.length = 0;
      this.began = at;
      this.still = true;
    }
    this.down.set(id, { x, y, startsAfter });
    this.points.push({ x, y });
  }

  move(id: number, x: number, y: number): void {
    const down = this.down.get(id);
    if (down === undefined) return;
    const wayX = x - down.x;
    const wayY = y - down.y;
    if (wayX * wayX + wayY * wayY > down.startsAfter * down.startsAfter) this.still = false;
  }

  /** The tap that ends with this finger's going, or null. */
  lift(id: number, cancelled: boolean, at: number): Tapped | null {
    if (!this.down.delete(id)) return null;
    if (cancelled) this.still = false;
    if (this.down.size > 0 || !this.still) return null;
    const fingers = this.points.length;
    const x = this.points.reduce((sum, point) => sum + point.x, 0) / fingers;
    const y = this.points.reduce((sum, point) => sum + point.y, 0) / fingers;
    const last = this.last;
    const again =
      last?.fingers === fingers &&
      this.began - last.at < LONGEST &&
      Math.abs(last.x - x) < NEAR &&
      Math.abs(last.y - y) < NEAR;
    const held = at - this.began;
    const tap = { x, y, fingers, count: again ? last.count + 1 : 1, held };
    this.last = held > LONGEST ? null : { ...tap, at };
    return tap;
  }

  clear(): void {
    this.down.clear();
    this.last = null;
  }
}

/** The notches by which the camera zooms at a tap of fingers; 0 if the tap is left to the game. */
export function doubleTapNotches({ drag, locked }: FullSettings, { fingers, count, held }: Tapped): number {
  if (held > LONGEST || locked.includes('zoom')) return 0;
  if (fingers === 2) return -drag.doubleTapNotches + 0;
  return fingers === 1 && count % 2 === 0 ? drag.doubleTapNotches : 0;
}
