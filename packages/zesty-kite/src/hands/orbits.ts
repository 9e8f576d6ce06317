/** Buttons that turn and tilt: with the pointer, about what was under it when it was pressed. */
import type { FullSettings } from '../settings/index.ts';
import type { OrbitIntent } from './intent.ts';

interface OrbitPress {
  readonly downX: number;
  readonly downY: number;
  readonly startsAfter: number;
  x: number;
  y: number;
  began: boolean;
}

export class Orbits {
  readonly orbits = new Map<number, OrbitPress>();

  get areHeld(): boolean {
    return this.orbits.size > 0;
  }

  press(id: number, x: number, y: number, startsAfter: number): void {
    this.orbits.set(id, { downX: x, downY: y, startsAfter, x, y, began: false });
  }

  /** @param height of the screen, CSS pixels */
  move(id: number, x: number, y: number, { turn, pitch, inverted }: FullSettings, height: number): OrbitIntent[] {
    const press = this.orbits.get(id);
    if (press === undefined) return [];
    const wayX = x - press.downX;
    const wayY = y - press.downY;
    if (!press.began && wayX * wayX + wayY * wayY <= press.startsAfter * press.startsAfter) return [];
    const right = press.began ? x - press.x : 0;
    const down = press.began ? y - press.y : 0;
    press.began = true;
    press.x = x;
    press.y = y;
    const turned = (right / height) * turn.perScreen * (inverted.includes('turn') ? -1 : 1);
    const tilted = (down / height) * pitch.perScreen * (inverted.includes('tilt') ? -1 : 1);
    return [{ kind: 'orbit', turn: turned, tilt: tilted, x: press.downX, y: press.downY }];
  }

  lift(id: number): void {
    this.orbits.delete(id);
  }

  clear(): void {
    this.orbits.clear();
  }
}
