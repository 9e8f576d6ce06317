/** Settings, screen and ground in force: all that limits motion. */
import { soundTerrain } from '../ground/index.ts';
import { boundaryOf, type KnownShape, type ShapeKind } from '../limits/index.ts';
import { createConstraints, Placing, startPlace, Timeline, type Constraints, type Start } from '../motion/index.ts';
import { MOVERS } from '../movers/index.ts';
import type { Checked, FullSettings } from '../settings/index.ts';
import type { TerrainSignal } from '../signals/index.ts';
import { canonical, type Screen } from '../view/index.ts';
import type { Reports } from '../reports.ts';
import type { Changes } from './changes.ts';
import type { Terrains } from './terrains.ts';

/** Spans that differ by a smaller share are the same. */
const SAME = 1e-9;

export class Stage {
  readonly changes: Changes;
  readonly terrains: Terrains;
  readonly timeline: Timeline;
  /** The kinds of shapes that bounds may have besides rectangles and circles. */
  readonly shapes: readonly ShapeKind[];
  screen: Screen = { width: 1, height: 1 };
  /** The size of the screen is known. */
  isSized = false;
  /** The destination of Home; null for the start of the settings. */
  #home: Start | null;
  readonly #reports: Reports;
  readonly #placing: Placing;
  /** The pose that the camera begins with, once more when the size of the screen is known. */
  readonly #start: Start;

  constructor(
    changes: Changes,
    terrains: Terrains,
    shapes: readonly ShapeKind[],
    home: Start | null,
    screen: Screen | null,
    reports: Reports,
  ) {
    this.#reports = reports;
    this.shapes = shapes;
    this.changes = changes;
    this.terrains = terrains;
    this.#home = home;
    if (screen && hasSize(screen)) {
      this.screen = screen;
      this.isSized = true;
    }
    this.timeline = new Timeline(this.#rulesFor(this.settings), MOVERS);
    this.#start = startPlace(this.settings, this.timeline.constraints.boundary);
    this.#placing = new Placing(this.timeline.kept);
    this.#begin();
  }

  /** Begins in its place; once the size of the screen is known, settings that contradict their own zoom range are reported. */
  #begin(): void {
    this.#placing.begin(this.#start);
    if (this.isSized) this.#reportRange();
  }

  /** The names of the abilities that were learned. */
  get learned(): string[] {
    return this.timeline.movers.slice(MOVERS.length).map(({ name }) => name);
  }

  get settings(): FullSettings {
    return this.changes.inForce.settings;
  }

  /** Returns the rules of the settings after a change, on the screen of other rules. */
  rulesAfter({ settings }: Checked, screen: Screen): Constraints {
    return this.#rulesFor(settings, screen);
  }

  /** Returns whether the settings in force bring a screen of another size into play. */
  isNewScreen({ width, height, density }: Screen): boolean {
    const { screen } = this.timeline.constraints;
    return !this.isSized || width !== screen.width || height !== screen.height || density !== screen.density;
  }

  /** Returns whether a screen is the first that has a size: one of a hidden map has none. */
  isFirstSize(screen: Screen): boolean {
    return !this.isSized && hasSize(screen);
  }

  /** Puts a motion in its place once the size of the screen is known. */
  beginOn(screen: Screen, motion: Timeline['kept']): void {
    motion.constraints = this.rulesAfter(this.changes.inForce, screen);
    new Placing(motion).begin(this.#start);
  }

  /** Brings kept motion into the limits of a screen of another size. */
  resize(screen: Screen): void {
    if (!hasSize(screen)) return;
    const { kept } = this.timeline;
    kept.layLook();
    this.screen = screen;
    this.adopt(this.changes.inForce);
    if (this.isSized) this.#placing.resize();
    else {
      this.isSized = true;
      this.#begin();
    }
    kept.endMovers('resize');
    // A held point stays and the focus moves: the hand did not.
    if (kept.hold.fingers > 0) this.timeline.handMoved(true, false);
  }

  /** Reports settings that contradict their own zoom range. */
  #reportRange(): void {
    const { kept, constraints } = this.timeline;
    const { zoom } = constraints.settings;
    const { start } = this.settings;
    const { min, max } = kept.zooming;
    const range = `a span from ${String(min)} to ${String(max)}`;
    const span = start.span === undefined ? min : kept.zooming.spanOf(start.span, start.pitch);
    if (span < min * (1 - SAME) || span > max * (1 + SAME))
      this.#reports.report(
        new RangeError(`start.span: expected ${range}, got ${String(span)}. The camera begins at ${String(kept.span)}`),
      );
    if (constraints.stops?.areInside(kept.projection, min, max) === false)
      this.#reports.report(
        new RangeError(
          `zoom.stops: expected stops that show ${range}, got ${zoom.stopUnit} of ${String(zoom.stops)}. Stops outside are not reached`,
        ),
      );
  }

  /** Brings kept motion into the limits of the next settings. */
  change(checked: Checked): void {
    const { shape } = this.timeline.constraints.boundary;
    const { locked } = this.settings;
    this.adopt(checked);
    const { kept, constraints } = this.timeline;
    kept.layLook();
    kept.endMovers(this.settings.locked === locked ? 'change' : 'lock');
    this.#placing.refit(constraints.boundary.shape !== shape);
  }

  /** Puts the terrain of a signal under the camera. */
  rebuild(signal: TerrainSignal): void {
    this.terrains.take(signal);
    this.adopt(this.changes.inForce);
    this.timeline.kept.level.isStale = true;
  }

  /** Puts settings in force, on the present screen; motion is not yet brought into their limits. */
  adopt(checked: Checked): void {
    const { shape } = this.timeline.constraints.boundary;
    const before = this.settings;
    const { settings } = checked;
    if (settings.start !== before.start || settings.home !== before.home) this.#home = null;
    this.changes.inForce = checked;
    this.timeline.adopt(this.#rulesFor(settings, this.screen, { settings: before, shape }));
  }

  /** Returns a place with its coordinates in the first copy of a world that repeats. */
  inFirstCopy<T extends { x: number; y: number }>(place: T): T {
    const { periodX, periodY } = this.timeline.constraints.ground;
    place.x = canonical(place.x, periodX);
    place.y = canonical(place.y, periodY);
    return place;
  }

  #rulesFor(settings: FullSettings, screen = this.screen, before?: KnownShape): Constraints {
    const { inForce } = this.terrains;
    const terrain = inForce && soundTerrain('terrain', inForce);
    const boundary = boundaryOf(settings, this.shapes, before);
    return createConstraints({ settings, screen, terrain, home: this.#home, boundary });
  }
}

function hasSize({ width, height }: Screen): boolean {
  return width >= 1 && height >= 1;
}
