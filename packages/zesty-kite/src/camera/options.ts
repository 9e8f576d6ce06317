/** All that a camera is made with besides its settings, and all that a session begins with. */
import { checkFunction, checkList, refuse } from '../messages/index.ts';
import { soundTerrain, type Terrain } from '../ground/index.ts';
import type { ShapeKind } from '../limits/index.ts';
import type { Start } from '../motion/index.ts';
import type { Settings } from '../settings/index.ts';
import type { Screen } from '../view/index.ts';

/** Options of a camera that are no settings. */
export interface CameraOptions {
  /** The size of the screen, if it is known before the first `screen` signal. */
  readonly screen?: Screen | null;
  /** The heights of the ground; flat when left out. */
  readonly terrain?: Terrain | null;
  /** The destination of Home; `settings.home` when left out, or `settings.start`. */
  readonly home?: Start | null;
  /**
   * Shapes of bounds besides rectangles and circles: `[polygons]` from `zesty-kite/polygons` for `bounds.polygon` and
   * `bounds.area`.
   */
  readonly shapes?: readonly ShapeKind[];
  /** Called when a signal arrives while the camera is settled: draw frames again. */
  readonly wake?: () => void;
  /**
   * Called with each error that `wake`, a poll or a recording's `write` throws; the camera goes on. Without it, `listen`
   * reports errors to the page, and a camera without `listen` to the console.
   */
  readonly report?: (error: unknown) => void;
}

/** All that moves and all that is held, as plain data. Recordings write it; replays read it. */
export interface SavedState {
  /** Of all the rest: a state is not edited. */
  readonly digest: string;
  readonly [name: string]: unknown;
}

/** The beginning of a session. */
export interface SessionStart {
  /** The time of the camera, microseconds; 0 when left out. */
  readonly at?: number;
  /** All settings in force when the recording begins. */
  readonly settings: Settings;
  /** The size of the element; null before the first `screen` signal. */
  readonly screen: Screen | null;
  /** The pose at the beginning; `settings.start` when left out. With a state, it is for tools that play other settings. */
  readonly pose?: Start;
  /** The destination of Home; `settings.start` when left out. */
  readonly home?: Start;
  /** The terrain below; left out for flat ground. */
  readonly terrain?: Pick<Terrain, 'id' | 'digest'>;
  /** The names of the abilities that the camera had learned; left out for none. */
  readonly movers?: readonly string[];
  /** All that moved and all that was held; left out for a camera that nothing had happened to. */
  readonly state?: SavedState;
}

/** @throws TypeError */
export function checkOptions(options: CameraOptions): CameraOptions {
  const given: unknown = options;
  if (typeof given !== 'object' || given === null || Array.isArray(given))
    refuse('options', given, 'an object such as { screen, terrain, wake }');
  for (const name of ['wake', 'report'] as const)
    if (options[name] !== undefined) checkFunction(`options.${name}`, options[name], 'a function, or nothing');
  for (const name of ['screen', 'terrain'] as const) {
    const value: unknown = options[name];
    if (value !== undefined && typeof value !== 'object')
      refuse(`options.${name}`, value, 'an object, null, or nothing');
  }
  if (options.shapes !== undefined)
    checkList('options.shapes', options.shapes, 'a list such as [polygons], or nothing');
  if (options.terrain) soundTerrain('options.terrain', options.terrain);
  return options;
}
