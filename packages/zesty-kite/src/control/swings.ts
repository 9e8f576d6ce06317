/** Buttons that turn and tilt: with the pointer, about what was under it when it was pressed. */
import type { FullSettings } from '../settings/index.ts';
import type { SwingIntent } from './intent.ts';

interface Swing {
  readonly downX: number;
  readonly downY: number;
  readonly slop: number;
  x: number;
  y: number;
  began: boolean;
}

export class Swings {
  readonly #swings = new Map<number, Swing>();

  get areHeld(): boolean {
    return this.#swings.size > 0;
  }

  press(id: number, x: number, y: number, slop: number): void {
    this.#swings.set(id, { downX: x, downY: y, slop, x, y, began: false });
  }

  /** @param height of the screen, CSS pixels */
  move(id: number, x: number, y: number, { turn, pitch }: FullSettings, height: number): SwingIntent[] {
    const swing = this.#swings.get(id);
    if (swing === undefined) return [];
    const wayX = x - swing.downX;
    const wayY = y - swing.downY;
    if (!swing.began && wayX * wayX + wayY * wayY <= swing.slop * swing.slop) return [];
    const right = swing.began ? x - swing.x : 0;
    const down = swing.began ? y - swing.y : 0;
    swing.began = true;
    swing.x = x;
    swing.y = y;
    const turned = (right / height) * turn.perScreen;
    const tilted = (down / height) * pitch.perScreen;
    return [{ kind: 'swing', turn: turned, tilt: tilted, x: swing.downX, y: swing.downY }];
  }

  lift(id: number): void {
    this.#swings.delete(id);
  }

  clear(): void {
    this.#swings.clear();
  }
}
