/** Ways to look, ready to be laid under settings of one's own. */
import { checkList, checkObject, checkOneOf, refuseRange } from '../messages/index.ts';
import { angleDegrees } from '../math/index.ts';
import { mergeSettings } from './merge.ts';
import type { Settings } from './types.ts';
import type { Span } from './zoomUnit.ts';

/** atan(1/√2): a cube shows three equal faces. */
const TRUE_ISOMETRIC = 35.26438968275466;
const SQRT_2 = 1.4142135623730951;
const DENSEST = 4;

/** The direction of the world's x axis on the screen at first; the y axis is a quarter turn clockwise from there. */
export interface Axes {
  /** `upper-right` (y to the lower right) when left out, or `lower-right` (y to the lower left). */
  readonly xToward?: 'upper-right' | 'lower-right';
}

/** Turned by quarters, by keys and by two fingers. @throws TypeError for another way */
function quarters({ xToward = 'upper-right' }: Axes): Settings {
  checkOneOf('xToward', xToward, ['upper-right', 'lower-right']);
  return {
    start: { heading: xToward === 'upper-right' ? 45 : -45 },
    turn: { stops: { step: 90, offset: 45 } },
    twoFingers: { turn: true },
    bindings: { turnStepLeft: ['KeyQ', 'PadLeftShoulder'], turnStepRight: ['KeyE', 'PadRightShoulder'] },
  };
}

/**
 * Returns the preset of a flat map from straight above. Players cannot turn or tilt it.
 *
 * ```ts
 * const camera = new Camera([straightDown(), { bounds }]);
 * ```
 */
export function straightDown(): Settings {
  return { pitch: { degrees: 90 }, lens: { fieldOfView: null } };
}

/**
 * Returns the preset of a true isometric view: three axes of equal length, turned by 45°. Players turn it by 90°.
 *
 * ```ts
 * const camera = new Camera([trueIsometric(), { bounds }]);
 * ```
 *
 * @throws TypeError for an unknown `xToward`
 */
export function trueIsometric(axes: Axes = {}): Settings {
  return mergeSettings(quarters(axes), {
    pitch: { degrees: TRUE_ISOMETRIC },
    lens: { fieldOfView: null },
    bounds: { keep: 'focus' },
  });
}

/** The tiles that a map was drawn for. */
export interface TileArt extends Axes {
  /** The width and the height of the diamond that one tile is, in pixels; a little over twice as wide as high is usual. */
  readonly width: number;
  /** The height of the diamond, in pixels. */
  readonly height: number;
  /** The side of a tile in world units; 1 when left out. */
  readonly side?: number;
  /** How many times larger or smaller than drawn the tiles can be shown; every whole number makes crisp pixels. */
  readonly scales?: readonly number[];
}

/**
 * Returns the preset of diamond tiles. At a scale of 1 a tile is exactly width × height device pixels. Players turn it by 90°.
 *
 * ```ts
 * const camera = new Camera([tiles({ width: 64, height: 32, side: 16 }), { bounds }]);
 * ```
 *
 * @throws RangeError for a height above the width; TypeError for an unknown `xToward`
 */
export function tiles(art: TileArt): Settings {
  checkObject('tiles', art, 'an object {width, height}');
  const { width, height, side = 1, scales = [0.5, 1, 2, 3, 4], ...axes } = art;
  checkList('tiles.scales', scales, 'a list of numbers');
  if (!(height > 0 && height <= width && width < Infinity))
    refuseRange('tiles', `${String(width)} × ${String(height)} pixels`, 'a width above 0 and a height up to the width');
  if (!(side > 0 && side < Infinity)) refuseRange('tiles.side', String(side), 'a number above 0');
  // Turned by 45°, a tile is √2 sides wide, and sin(pitch) times as high.
  const perUnit = width / (side * SQRT_2);
  return mergeSettings(quarters(axes), {
    pitch: { degrees: angleDegrees(height, Math.sqrt(width * width - height * height)) },
    lens: { fieldOfView: null },
    // A view that is kept inside could not reach the corners of a map that is turned by 45°.
    bounds: { keep: 'focus' },
    zoom: {
      stops: scales.map((scale) => scale * perUnit),
      stopUnit: 'device-pixels-per-unit',
      // All stops, on screens of a quarter to four device pixels in a CSS pixel.
      minSpan: { pixelsPerUnit: Math.max(...scales) * perUnit * DENSEST },
      maxSpan: { pixelsPerUnit: (Math.min(...scales) * perUnit) / DENSEST },
    },
  });
}

/**
 * Returns the preset of a perspective that flattens while it zooms in: a pitch of 40° near, 70° far. Keys, two fingers and a dragged
 * button turn and tilt it.
 *
 * ```ts
 * const camera = new Camera([tilted({ eyeHeight: 20 }, { eyeHeight: 200 }), { bounds }]);
 * ```
 */
export function tilted(nearSpan: Span = 60, farSpan: Span = 600): Settings {
  return {
    pitch: {
      degrees: [
        [nearSpan, 40],
        [farSpan, 70],
      ],
      min: 20,
      max: 88,
    },
    lens: { fieldOfView: 40 },
    twoFingers: { turn: true, tilt: true },
    bindings: {
      turnLeft: ['KeyQ', 'PadRightStickLeft'],
      turnRight: ['KeyE', 'PadRightStickRight'],
      tiltUp: ['KeyF', 'PadRightStickUp'],
      tiltDown: ['KeyR', 'PadRightStickDown'],
      orbit: ['Control+MouseMiddle'],
    },
  };
}
