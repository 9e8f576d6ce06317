/** Where the focus went lately while a hand held the ground: what it has of speed when the hand lets go. */
import type { Look } from '../view/index.ts';
import { byZoomNow } from './follow.ts';
import { isDriven, type Motion } from './motion.ts';
import type { Rules } from './rules.ts';

/** The last so many microseconds say how fast. */
const LOOKS_BACK = 80_000;
/** A hand that has stood still for so long did not fling anything. */
const PAUSE = 60_000;
const LENGTH = 32;
/** Slower than this is a hand that holds still, in spans per second. */
const SLOWEST = 0.02;
/** Nothing flies faster, in spans per second. */
const FASTEST = 20;

export class Trail {
  readonly #x = new Float64Array(LENGTH);
  readonly #y = new Float64Array(LENGTH);
  readonly #micros = new Float64Array(LENGTH);
  #count = 0;

  clear(): void {
    this.#count = 0;
  }

  add({ x, y, excessX, excessY }: Motion, micros: number): void {
    const at = this.#count++ % LENGTH;
    this.#x[at] = x - excessX;
    this.#y[at] = y - excessY;
    this.#micros[at] = micros;
  }

  /** Sends the focus on as fast as it went; along the screen, in pan speeds. */
  fling(motion: Motion, rules: Rules, look: Look, micros: number): void {
    const last = (this.#count - 1) % LENGTH;
    const speed = byZoomNow(motion, rules.speed, motion.speedFar);
    if (this.#count < 2 || speed === 0 || isDriven(motion) || micros - (this.#micros[last] ?? 0) > PAUSE) return;
    let first = last;
    for (let i = 2; i <= Math.min(this.#count, LENGTH); i++) {
      const at = (this.#count - i) % LENGTH;
      if (micros - (this.#micros[at] ?? 0) > LOOKS_BACK) break;
      first = at;
    }
    const seconds = ((this.#micros[last] ?? 0) - (this.#micros[first] ?? 0)) / 1e6;
    if (!(seconds > 0)) return;
    const perSecond = 1 / (seconds * motion.span);
    const eastward = ((this.#x[last] ?? 0) - (this.#x[first] ?? 0)) * perSecond;
    const southward = ((this.#y[last] ?? 0) - (this.#y[first] ?? 0)) * perSecond;
    const fast = Math.sqrt(eastward * eastward + southward * southward);
    if (fast < SLOWEST) return;
    const share = Math.min(1, FASTEST / fast) / speed;
    const steep = rules.settings.pan.even === 'screen' ? look.sinPitch : 1;
    motion.velocityX = (eastward * look.cosHeading + southward * look.sinHeading) * share;
    motion.velocityY = (southward * look.cosHeading - eastward * look.sinHeading) * share * steep;
    motion.gliding = true;
  }
}
