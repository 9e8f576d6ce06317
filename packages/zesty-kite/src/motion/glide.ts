/** What goes on when a hand lets go in passing: the pan, and, where the settings say so, the zoom and the turn. */
import { clamp, log2 } from '../math/index.ts';
import type { Look } from '../view/index.ts';
import { byZoomNow, foreshortening } from './followers.ts';
import { takeGrip } from './grip.ts';
import { isDriven, type Motion } from './motion.ts';
import type { Rules } from './rules.ts';
import { Trail } from './trail.ts';
import { restHeading, addTurn } from './turn.ts';
import { addNotches } from './zoom.ts';

/** Slower than this is a hand that holds still, in spans per second. */
const SLOWEST = 0.02;
/** Nothing flies faster, in spans per second. */
const FASTEST = 20;
/** The same for a pinch, in octaves per second, and for a twist, in degrees per second. */
const SLOWEST_ZOOM = 0.1;
const FASTEST_ZOOM = 20;
const SLOWEST_TURN = 5;
const FASTEST_TURN = 1440;
/** An ease with half-life h that begins at speed v goes v · h / ln 2 far. */
const LN2 = 0.6931471805599453;

export class Glide {
  /** The focus, while anything is held. */
  readonly #focus = new Trail();
  /** log₂(span) and heading, while two fingers hold. */
  readonly #pinch = new Trail();

  /** A hand has taken hold anew. */
  begin({ fingers }: Motion): void {
    this.#focus.clear();
    // One finger is lifted a moment before the other.
    if (fingers === 2) this.#pinch.clear();
  }

  /** A hand holds, as `motion` is now. */
  follow({ fingers, x, y, excessX, excessY, span, heading }: Motion, micros: number): void {
    if (fingers > 0) this.#focus.add(x - excessX, y - excessY, micros);
    if (fingers === 2) this.#pinch.add(log2(span), heading, micros);
  }

  clear(): void {
    this.#focus.clear();
    this.#pinch.clear();
  }

  /** The hand has let go: all goes on as fast as it went. */
  fling(motion: Motion, rules: Rules, look: Look, micros: number): void {
    const { glideHalfLife, keepsGoing } = rules.settings.drag;
    if (glideHalfLife > 0) this.#pan(motion, rules, look, micros);
    if (keepsGoing === 'all') this.#spin(motion, rules, look, micros);
  }

  /** Along the screen, in pan speeds. */
  #pan(motion: Motion, rules: Rules, look: Look, micros: number): void {
    const went = this.#focus.speed(micros);
    const speed = byZoomNow(motion, rules.speed, motion.speedFar);
    if (went === null || speed === 0 || isDriven(motion)) return;
    const eastward = went.x / motion.span;
    const southward = went.y / motion.span;
    const fast = Math.sqrt(eastward * eastward + southward * southward);
    if (fast < SLOWEST) return;
    const share = Math.min(1, FASTEST / fast) / speed;
    motion.velocityX = (eastward * look.cosHeading + southward * look.sinHeading) * share;
    motion.velocityY =
      ((southward * look.cosHeading - eastward * look.sinHeading) * share) / foreshortening(rules, look);
    motion.gliding = true;
  }

  /** About the last finger; at the pace at which zoom and turn ease. */
  #spin(motion: Motion, rules: Rules, look: Look, micros: number): void {
    const went = this.#pinch.speed(micros);
    if (went === null) return;
    const { zoom, turn } = rules.settings;
    const zooms = zoom.stops === null && Math.abs(went.x) >= SLOWEST_ZOOM;
    const turns = Math.abs(went.y) >= SLOWEST_TURN;
    if (!zooms && !turns) return;
    takeGrip(motion, rules, look, motion.gripX, motion.gripY);
    const octaves = (clamp(went.x, -FASTEST_ZOOM, FASTEST_ZOOM) * zoom.halfLife) / LN2;
    if (zooms) addNotches(motion, rules, look, octaves / log2(zoom.notch));
    if (!turns) return;
    addTurn(motion, rules, (clamp(went.y, -FASTEST_TURN, FASTEST_TURN) * turn.halfLife) / LN2);
    restHeading(motion, rules);
  }
}
