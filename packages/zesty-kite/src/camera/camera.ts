/** The camera, as games use it. */
import { Calls } from '../calls.ts';
import type { Terrain } from '../ground/index.ts';
import { excessOf, focusOutlineOf, outlinesOf } from '../limits/index.ts';
import { checkFunction, refuse } from '../messages/index.ts';
import { reportsOf } from '../reports.ts';
import type { FullSettings, Settings } from '../settings/index.ts';
import type { Signal } from '../signals/index.ts';
import type { CameraLike } from '../cameraLike.ts';
import type { Point, Pose, View } from '../view/index.ts';
import { gripsOf, type Grip } from './grips.ts';
import { checkOptions, type CameraOptions } from './options.ts';
import { Rig } from './rig.ts';
import { keepRig } from './rigs.ts';

/** The corners of an outline, in order. */
type Ring = readonly Point[];

/**
 * A camera above the ground.
 *
 * ```ts
 * const camera = new Camera({ start: { span: 300 }, bounds: { left: 0, top: 0, right: 1024, bottom: 768 } });
 * const view = camera.advance(performance.now());
 * ```
 */
export class Camera extends Calls implements CameraLike {
  /** The view of the last frame, always the same object; `advance` aims it. */
  readonly view: View;
  readonly #rig: Rig;

  /**
   * @param settings or a list of them, each laid over those before it: `[tiles(art), game, player]`; copied, so that
   *   changing them afterwards changes nothing
   * @throws SettingsError that lists everything wrong with `settings`; TypeError for bad options
   */
  constructor(settings: Settings | readonly Settings[] = {}, options: CameraOptions = {}) {
    super();
    this.#rig = new Rig(settings, checkOptions(options), reportsOf(this));
    keepRig(this, this.#rig);
    this.view = this.#rig.view;
  }

  /** The settings in force, with all that has been called up to now; defaults included, frozen. */
  get settings(): Readonly<FullSettings> {
    return this.#rig.stage.changes.called;
  }

  /** The heights in force; null for flat ground. */
  get terrain(): Terrain | null {
    return this.#rig.stage.terrains.inForce;
  }

  /** Nothing moves, nothing waits, nothing held would move, and no target function is followed: frames change nothing. */
  get settled(): boolean {
    return this.#rig.isSettled;
  }

  /** The pose that the camera is heading to, with all that has been called up to now. */
  get goal(): Pose {
    return this.#rig.goal;
  }

  /** The pose of the last frame. */
  get shown(): Pose {
    const { x, y, focusHeight, span, heading, pitch, fieldOfView } = this.#rig.shown;
    return this.#rig.stage.inFirstCopy({ x, y, focusHeight, span, heading, pitch, fieldOfView });
  }

  /** The points of the ground that are held under screen points now: none, one or two. */
  get grips(): readonly Grip[] {
    return gripsOf(this.#rig);
  }

  /**
   * How far the view reaches over its bounds now, in world units; 0 when all is well. The pull of a hand
   * over an elastic edge counts.
   */
  get boundsExcess(): number {
    const { stage, shown, view } = this.#rig;
    return excessOf(stage.timeline.constraints.boundary, view.projection, shown);
  }

  /**
   * For drawing: the bounds, and the area that they leave to the focus as the camera looks now; rings of points in
   * world units, none without bounds.
   */
  get outlines(): { readonly bounds: readonly Ring[]; readonly focus: readonly Ring[] } {
    const { stage, shown, view } = this.#rig;
    const { bounds } = stage.settings;
    if (bounds === null) return { bounds: [], focus: [] };
    const { boundary } = stage.timeline.constraints;
    const rings = outlinesOf(bounds, stage.shapes);
    return { bounds: rings, focus: boundary.shape.slides ? rings : [focusOutlineOf(boundary, view.projection, shown)] };
  }

  /** The nearest and the farthest zoom, world units: `max` is where zooming out leads, stops aside, or what shows while it is on the way. */
  get spanRange(): { min: number; max: number } {
    const { frame, shown } = this.#rig;
    return { min: frame.zooming.min, max: Math.max(shown.span, frame.zooming.farthest) };
  }

  /**
   * Receives what a device or the program did. It takes effect at its own time: at the next frame that
   * is not earlier, or at once when that time has passed. Without a time it is now. Calls of the program
   * (`turn`, `tilt`, `zoom`, `pan`, `home`, `place`, `change`) show in `goal` and `settings` at once, and in
   * `shown` with the next frame.
   *
   * @returns whether the camera has a use for it; if not, it is the page's
   * @throws TypeError for a signal of no known form; SettingsError for a bad `change`
   */
  signal(signal: Signal): boolean {
    return this.#rig.signal(signal);
  }

  /**
   * Whether an input, a key's `code` or a button such as `MouseMiddle`, is bound. A modifier that only
   * comes before other inputs is not.
   */
  binds(input: string): boolean {
    return this.#rig.inbox.filter.binds(input);
  }

  /**
   * Replaces the heights of the ground, for players who dig and build. A held point stays held, the focus eases to its new
   * height, and so does the eye's clearance.
   *
   * @param terrain null for flat ground; for a part of a grid that has changed, `reshapeGrid` makes it
   * @param time DOM milliseconds, as for a signal; now when left out
   */
  changeTerrain(terrain: Terrain | null, time = -Infinity): void {
    if (typeof time !== 'number') refuse('changeTerrain.time', time, 'milliseconds');
    this.signal({ ...this.#rig.stage.terrains.offer(terrain), time });
  }

  /**
   * Calls `poll` at the start of every `advance`, for devices that have to be sampled.
   *
   * @param awake the camera is not settled until the poll ends: frames go on being drawn
   * @returns a function that ends this
   */
  poll(poll: (time: number) => void, awake = false): () => void {
    checkFunction('poll', poll);
    const wasSettled = awake && this.settled;
    const end = this.#rig.polls.add(poll, awake);
    if (wasSettled) this.#rig.wake();
    return end;
  }

  /**
   * Moves on to a frame.
   *
   * @param time real time, milliseconds: what `requestAnimationFrame` hands over. A time that is no
   *   number, or lies before the last frame, counts as the last frame's.
   */
  advance(time: number): View {
    if (typeof time !== 'number') refuse('advance.time', time, 'milliseconds');
    this.#rig.advance(time);
    return this.view;
  }
}
