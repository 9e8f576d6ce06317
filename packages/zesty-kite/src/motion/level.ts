/** The height of the focus, which eases toward that of the ground around it. World units. */
import type { Terrain } from '../ground/index.ts';
import type { Decay } from '../math/index.ts';
import type { Part } from './part.ts';
import { LENGTH_TOLERANCE } from './rest.ts';

export class Level implements Part {
  /** The focus height, without the lift for the eye's clearance. */
  height = -0;
  /** The target. It goes evenly from one sample of the ground to the next. */
  ground = -0;
  /** How fast that goes there, world units per second. */
  groundRate = -0;
  /** Since the last sample there has been motion. */
  isStale = false;
  /** Ground samples taken since zoom, turn and tilt arrived. */
  samplesAtRest = -0;

  copyFrom(other: Level): void {
    this.height = other.height;
    this.ground = other.ground;
    this.groundRate = other.groundRate;
    this.isStale = other.isStale;
    this.samplesAtRest = other.samplesAtRest;
  }

  get isActive(): boolean {
    return this.isStale || this.groundRate !== 0 || this.height !== this.ground;
  }

  /** Eases on by a step. */
  step(seconds: number, decay: Decay, span: number): void {
    const risen = this.groundRate * seconds;
    const ground = this.ground + risen;
    const left = decay.left(this.height - this.ground, risen);
    this.height = Math.abs(left) < LENGTH_TOLERANCE * span ? ground : ground + left;
    this.ground = ground;
  }

  /** The ground around the focus was found to be this high: it goes there until the next sample. */
  take(height: number, secondsToNext: number, span: number): void {
    const off = height - this.ground;
    this.isStale = false;
    if (Math.abs(off) < LENGTH_TOLERANCE * span) {
      this.ground += off;
      this.groundRate = 0;
    } else this.groundRate = off / secondsToNext;
  }

  /** Keeps the last height that was sampled as the target, and samples no more. */
  stop(): void {
    this.isStale = false;
    this.groundRate = 0;
  }

  /** Is at a height at once. */
  stand(height: number): void {
    this.height = this.ground = height;
    this.stop();
  }
}

/** The height of the ground around a place: smoothed over a radius. */
export function groundAround(terrain: Terrain | null, x: number, y: number, radius: number): number {
  if (terrain === null) return 0;
  if (radius === 0) return terrain.heightAt(x, y);
  // Three points around it, 120° apart.
  const side = radius * 0.8660254037844386;
  const south = y + radius * 0.5;
  return (terrain.heightAt(x, y - radius) + terrain.heightAt(x - side, south) + terrain.heightAt(x + side, south)) / 3;
}
