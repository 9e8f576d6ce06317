/** Units and useful ranges of numbers, for sliders and for the JSON Schema; kept out of what players download. */

/** The unit of a number, and the part of its allowed range that games use; null if that depends on the size of the world. */
export interface Useful {
  readonly unit: string;
  readonly range: readonly [minimum: number, maximum: number] | null;
}

type Row = readonly [paths: string, minimum: number, maximum: number];

/** By unit. */
const ROWS: Readonly<Record<string, readonly Row[]>> = {
  s: [
    ['pitch.halfLife lens.halfLife turn.halfLife zoom.halfLife safeFrame.halfLife', 0, 0.5],
    ['pan.startHalfLife bounds.returnHalfLife', 0, 0.5],
    ['pan.stopHalfLife drag.glideHalfLife ground.followHalfLife edge.dwell', 0, 1],
  ],
  '°': [
    ['start.heading home.heading turn.min turn.max turn.stops.offset', -180, 180],
    ['start.pitch home.pitch pitch.degrees pitch.min pitch.max', 10, 90],
    ['start.fieldOfView home.fieldOfView lens.fieldOfView', 10, 90],
    ['pitch.perScreen', -360, 360],
    ['turn.perScreen', -720, 720],
    ['turn.step turn.stops.step', 15, 180],
    ['drag.twistZone', 0, 30],
  ],
  '° per second': [
    ['pitch.rate', 0, 180],
    ['turn.rate', 0, 360],
  ],
  '×': [
    ['turn.fasterFactor pan.fasterFactor zoom.fasterFactor', 1, 8],
    ['zoom.notch', 1.02, 1.5],
    ['edge.speed edge.sideSpeeds.left edge.sideSpeeds.top edge.sideSpeeds.right edge.sideSpeeds.bottom', 0, 3],
    ['sensitivity.wheel sensitivity.pinch sensitivity.orbit', 0.25, 4],
  ],
  'screen heights per second': [['pan.speed', 0.1, 4]],
  'screen heights': [
    ['bounds.screenMargin', -0.4, 0.4],
    ['bounds.elastic', 0, 0.5],
    ['drag.pullDistance', 0.05, 1],
  ],
  spans: [['ground.followRadius', 0, 1]],
  notches: [
    ['zoom.perScreen', -60, 60],
    ['drag.doubleTapNotches', 0, 15],
  ],
  'notches per second': [['zoom.rate', 0, 30]],
  px: [
    ['safeFrame.left safeFrame.top safeFrame.right safeFrame.bottom', 0, 600],
    ['edge.maxWidth', 5, 100],
    ['drag.startsAfter', 0, 20],
    ['drag.touchStartsAfter', 0, 30],
  ],
  share: [
    ['edge.width edge.left edge.top edge.right edge.bottom', 0, 0.1],
    ['drag.pinchZone', 0, 0.3],
    ['pad.deadZone', 0, 0.5],
  ],
  power: [['pad.curve', 0.5, 3]],
};

const WORLD_UNITS =
  'start.x start.y start.span start.focusHeight home.x home.y home.span home.focusHeight ground.lowest ground.highest ground.floor ground.clearance lens.distance zoom.minSpan zoom.maxSpan bounds.left bounds.top bounds.right bounds.bottom bounds.circle.x bounds.circle.y bounds.circle.radius bounds.margin wrap.x wrap.y';

/** By the path of each number. */
export const useful: Readonly<Partial<Record<string, Useful>>> = Object.fromEntries([
  ...WORLD_UNITS.split(' ').map((path): [string, Useful] => [path, { unit: 'world units', range: null }]),
  ...Object.entries(ROWS).flatMap(([unit, rows]) =>
    rows.flatMap(([paths, ...range]) => paths.split(' ').map((path): [string, Useful] => [path, { unit, range }])),
  ),
]);
