/** Checks that need two settings at once. */
import { shown, type Problems } from '../messages/index.ts';
import type { ByZoom } from './schema.ts';
import type { KnownShapes } from './shapes.ts';
import type { FullBounds, FullSettings } from './types.ts';

/** The largest |coordinate| that float64 still holds finely, in least spans. */
export const FARTHEST_IN_MIN_SPANS = 1e9;

/** Least and greatest values: neither may be beyond the other. */
const ORDERED = [
  ['zoom.minSpan', 'zoom.maxSpan'],
  ['zoom.minPixelsPerUnit', 'zoom.maxPixelsPerUnit'],
  ['ground.lowest', 'ground.highest'],
  ['pitch.min', 'pitch.max'],
  ['turn.min', 'turn.max'],
] as const;
const CURVES = ['pitch.degrees', 'lens.fieldOfView', 'pan.speed'];
const SIDES = ['left', 'top', 'right', 'bottom'] as const;
const COORDINATES = [
  ...['start', 'home', 'bounds.circle'].flatMap((place) => [`${place}.x`, `${place}.y`]),
  ...SIDES.map((side) => `bounds.${side}`),
];

type Refuse = (path: string, found: unknown, wanted: string) => void;

export function contradictions(settings: FullSettings, shapes: KnownShapes, problems: Problems): void {
  const { lens, zoom, bounds, wrap } = settings;
  const refuse: Refuse = (path, found, wanted) => {
    problems.add(() => ({ path, found: shown(found), wanted }));
  };
  for (const [low, high] of ORDERED) {
    const [least, most] = [valueAt(settings, low), valueAt(settings, high)];
    if (isNumber(least) && isNumber(most) && most < least) refuse(high, most, `at least ${low}, ${String(least)}`);
  }
  if (lens.fieldOfView !== null && lens.distance !== null)
    refuse('lens.distance', lens.distance, 'null, or lens.fieldOfView null: the one says the other');
  for (const path of CURVES) {
    const stops = valueAt(settings, path) as ByZoom | null;
    if (!Array.isArray(stops)) continue;
    const wrong = stops.findIndex(([at], i) => i > 0 && at <= (stops[i - 1]?.[0] ?? 0));
    const before = String(stops[wrong - 1]?.[0]);
    if (wrong > 0)
      refuse(`${path}[${String(wrong)}][0]`, stops[wrong]?.[0], `more than the span of the stop before it, ${before}`);
  }
  if (bounds !== null) oneShape(bounds, refuse);
  if (bounds !== null && (wrap.x !== null || wrap.y !== null) && bounds.left === undefined)
    refuse('wrap', wrap, 'null for x and y, or bounds that are a rectangle');

  const farthest = zoom.minSpan * FARTHEST_IN_MIN_SPANS;
  const wanted = `at most ${String(farthest)} from 0, for a least span of ${String(zoom.minSpan)}`;
  for (const path of COORDINATES) {
    const value = valueAt(settings, path);
    if (isNumber(value) && Math.abs(value) > farthest) refuse(path, value, wanted);
  }
  if (bounds === null || shapes === null) return;
  for (const name of ['polygon', 'area'] as const) {
    if (bounds[name] === undefined) continue;
    const kind = shapes.find(({ names }) => names.includes(name));
    if (kind === undefined)
      problems.add(() => ({
        path: `bounds.${name}`,
        found: 'a shape that needs `zesty-kite/polygons`',
        wanted: 'new Camera(settings, { shapes: [polygons] })',
      }));
    else kind.check(bounds, { most: farthest, wanted }, problems);
  }
}

function valueAt(settings: FullSettings, path: string): unknown {
  return path
    .split('.')
    .reduce<unknown>((value, key) => (value as Partial<Record<string, unknown>> | null | undefined)?.[key], settings);
}

function isNumber(value: unknown): value is number {
  return typeof value === 'number';
}

/** Bounds have one shape, and a rectangle has all its sides. */
function oneShape(bounds: FullBounds, refuse: Refuse): void {
  const shapes = shapesOf(bounds);
  if (shapes.length !== 1)
    refuse(
      'bounds',
      shapes.length === 0 ? undefined : shapes.join(' and '),
      'one shape: left, top, right and bottom, or circle, or polygon, or area',
    );
  if (shapes[0] !== RECTANGLE) return;
  for (const side of SIDES) if (bounds[side] === undefined) refuse(`bounds.${side}`, undefined, 'a number');
  for (const [low, high] of [
    ['left', 'right'],
    ['top', 'bottom'],
  ] as const) {
    const [least, most] = [bounds[low], bounds[high]];
    if (least !== undefined && most !== undefined && !(most > least))
      refuse(`bounds.${high}`, most, `more than bounds.${low}, ${String(least)}`);
  }
}

const RECTANGLE = 'left, top, right, bottom';

/** The shapes that bounds name. */
export function shapesOf(bounds: FullBounds): string[] {
  const isRectangle = SIDES.some((side) => bounds[side] !== undefined);
  const others = (['circle', 'polygon', 'area'] as const).filter((name) => bounds[name] !== undefined);
  return [...(isRectangle ? [RECTANGLE] : []), ...others];
}
