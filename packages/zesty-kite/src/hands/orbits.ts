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
    const way = Math.sqrt(wayX * wayX + wayY * wayY);
    if (!press.began && way <= press.startsAfter) return [];
    // All but the threshold counts, in however many events it comes.
    const share = press.began ? 0 : press.startsAfter / way;
    const right = x - press.x - wayX * share;
    const down = y - press.y - wayY * share;
    press.began = true;
    press.x = x;
    press.y = y;
    const turned = (right / height) * turn.perScreen * (inverted.includes('turn') ? -1 : 1);
    const tilted = (down / height) * pitch.perScreen * (inverted.includes('tilt') ? -1 : 1);
    return [{ kind: 'orbit', turn: turned, tilt: tilted, x: press.downX, y: press.downY, about: turn.anchor }];
  }

  lift(id: number): void {
    this.orbits.delete(id);
  }

  clear(): void {
    this.orbits.clear();
  }
}
