/** Games with storeys: the plane that the camera goes by is a floor. */
import { checkList, checkNumber } from '../messages/index.ts';
import type { Camera } from '../camera/index.ts';
import { shown } from '../settings/index.ts';
import { cameraHere } from './here.ts';

/**
 * The storeys of a game. The camera goes to a floor, eased by `ground.followHalfLife`; picks, grips and the picture are on it. The
 * floor is the setting `ground.floor`, so sessions record it.
 *
 * ```ts
 * const floors = new Floors(camera, [-3, 0, 3, 6]);
 * floors.go(floors.floor + 1);
 * ```
 */
export class Floors {
  readonly #camera: Camera;
  readonly #heights: readonly number[];

  /**
   * @param heights of all floors above the ground, world units, the lowest first
   * @throws RangeError for heights that do not rise
   */
  constructor(camera: Camera, heights: readonly number[]) {
    const here = cameraHere('Floors', camera);
    checkList('floors.heights', heights, 'heights that rise, such as [0, 3, 6]');
    const rises = heights.every((height, i) => Number.isFinite(height) && height > (heights[i - 1] ?? -Infinity));
    if (heights.length === 0 || !rises)
      throw new RangeError(`floors.heights: expected heights that rise, such as [0, 3, 6], got ${shown(heights)}`);
    this.#camera = here;
    this.#heights = [...heights];
  }

  /** The floor that the camera goes by, or is on its way to, 0 for the lowest: the nearest to the setting. */
  get floor(): number {
    const { floor } = this.#camera.settings.ground;
    const nearest = (a: number, b: number): number => Math.abs(a - floor) - Math.abs(b - floor);
    return this.#heights.indexOf([...this.#heights].sort(nearest)[0] ?? 0);
  }

  /** Goes to a floor, or to the lowest or highest one. */
  go(floor: number): void {
    checkNumber('Floors.go.floor', floor);
    const to = Math.min(Math.max(Math.round(floor), 0), this.#heights.length - 1);
    this.#camera.change({ ground: { floor: this.#heights[to] ?? 0 } });
  }
}
