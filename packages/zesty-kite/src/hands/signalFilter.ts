/**
 * Filters signals that matter. It compares with earlier signals, not with those that have taken effect, so it does not
 * depend on which frames were drawn in between.
 */
import { MOUSE_MOTION, type FullSettings } from '../settings/index.ts';
import type { Screen } from '../view/index.ts';
import { Bindings } from './bindings.ts';
import { pushAt } from './edge.ts';
import { nameOf, strengthsOf } from './deviceOf.ts';
import type { HoverSignal, SignalBody } from '../signals/index.ts';

export class SignalFilter {
  #settings: FullSettings;
  #bindings: Bindings;
  screen: Screen = { width: 1, height: 1 };
  /** The hovers and pads that were significant at their last signal. */
  readonly significant = new Set<string>();

  constructor(settings: FullSettings) {
    this.#settings = settings;
    this.#bindings = Bindings.of(settings.bindings);
  }

  /** Whether an input is the camera's own: not a modifier that only comes before another input. */
  binds(input: string): boolean {
    return this.#bindings.owns(input);
  }

  /** Takes other settings. */
  adopt(settings: FullSettings): void {
    this.#bindings = Bindings.of(settings.bindings);
    this.#settings = settings;
  }

  /**
   * Whether there is a use for a signal; to be asked once about each, as it comes. Of pointers and pads
   * only what they do at an edge, and beyond their dead zones, matters, and that it ends.
   */
  takes(body: SignalBody): boolean {
    if (body.kind === 'screen' && body.width >= 1 && body.height >= 1) this.screen = body;
    if (body.kind === 'key') return this.#bindings.names(body.code);
    if (body.kind === 'press') return this.#bindings.names(body.input);
    if (body.kind === 'motion') return this.#bindings.names(MOUSE_MOTION);
    if (body.kind === 'hover') return this.#isNews('hover', this.#isAtEdge(body));
    const pressed = strengthsOf(body, this.#settings);
    return pressed === null || this.#isNews(nameOf(body), pressed.size > 0);
  }

  #isNews(what: string, isSignificant: boolean): boolean {
    const significant = this.significant.has(what);
    if (isSignificant) this.significant.add(what);
    else this.significant.delete(what);
    return isSignificant || significant;
  }

  #isAtEdge({ x, y }: HoverSignal): boolean {
    if (x === undefined || y === undefined) return false;
    const { right, down } = pushAt({ x, y }, this.#settings, this.screen);
    return right !== 0 || down !== 0;
  }
}
