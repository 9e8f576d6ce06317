/** Buttons that turn, tilt or zoom with the pointer; and the mouse that turns without a button. */
import { norm } from '../math/index.ts';
import type { FullSettings } from '../settings/index.ts';
import type { Ability } from './bindings.ts';
import type { OrbitIntent, ZoomIntent } from './intent.ts';

/** The effect of a pressed button. */
export const ORBITING = ['orbit', 'dragTurn', 'dragZoom'] as const satisfies readonly Ability[];
type Orbiting = (typeof ORBITING)[number];

interface OrbitPress {
  readonly ability: Orbiting;
  readonly downX: number;
  readonly downY: number;
  readonly startsAfter: number;
  x: number;
  y: number;
  began: boolean;
}

export class Orbits {
  readonly orbits = new Map<number, OrbitPress>();

  /** A button that turns is down. */
  get areHeld(): boolean {
    return [...this.orbits.values()].some(({ ability }) => ability !== 'dragZoom');
  }

  press(id: number, x: number, y: number, startsAfter: number, ability: Orbiting): void {
    this.orbits.set(id, { ability, downX: x, downY: y, startsAfter, x, y, began: false });
  }

  /** @param height of the screen, CSS pixels */
  move(id: number, x: number, y: number, settings: FullSettings, height: number): (OrbitIntent | ZoomIntent)[] {
    const press = this.orbits.get(id);
    if (press === undefined) return [];
    const { ability, downX, downY } = press;
    const wayX = x - downX;
    const wayY = y - downY;
    const way = norm(wayX, wayY);
    if (!press.began && way <= press.startsAfter) return [];
    // All but the threshold counts, in however many events it comes.
    const share = press.began ? 0 : press.startsAfter / way;
    const right = x - press.x - wayX * share;
    const down = y - press.y - wayY * share;
    press.began = true;
    press.x = x;
    press.y = y;
    if (ability !== 'dragZoom') return [orbitBy(right, down, settings, height, downX, downY, ability === 'orbit')];
    const { perScreen, anchor, outAnchor } = settings.zoom;
    const notches = (-down / height) * perScreen + 0;
    return [{ kind: 'zoom', notches, anchor: notches < 0 ? (outAnchor ?? anchor) : anchor, x: downX, y: downY }];
  }

  lift(id: number): void {
    this.orbits.delete(id);
  }

  clear(): void {
    this.orbits.clear();
  }
}

/** @param height of the screen, CSS pixels */
export function orbitBy(
  right: number,
  down: number,
  { turn, pitch, inverted, sensitivity }: FullSettings,
  height: number,
  x: number,
  y: number,
  tilts: boolean,
): OrbitIntent {
  const turned = (right / height) * turn.perScreen * (inverted.includes('turn') ? -1 : 1);
  const tilted = (down / height) * pitch.perScreen * (inverted.includes('tilt') ? -1 : 1);
  const factor = sensitivity.orbit;
  return { kind: 'orbit', turn: turned * factor, tilt: tilts ? tilted * factor : 0, x, y, about: turn.anchor };
}
