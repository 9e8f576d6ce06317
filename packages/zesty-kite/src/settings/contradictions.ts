/** Checks that need two settings at once. */
import { shown, type Problems, type Refuse } from '../messages/index.ts';
import type { KnownShapes } from './shapes.ts';
import { inSpans, NEAREST_SPAN, SPAN } from './spans.ts';
import type { FullBounds, FullSettings } from './types.ts';

/** The largest |coordinate| that float64 still holds finely, in least spans. */
const FARTHEST_IN_MIN_SPANS = 1e9;
/** World units. */
const FARTHEST = 1e12;

/** Least and greatest values: neither may be beyond the other. */
const ORDERED = [
  ['ground.lowest', 'ground.highest'],
  ['pitch.min', 'pitch.max'],
  ['turn.min', 'turn.max'],
] as const;
const SPANS = ['start.span', 'home.span', 'zoom.minSpan', 'zoom.maxSpan'];
const CURVES = ['pitch.degrees', 'lens.fieldOfView', 'pan.speed'];
const SIDES = ['left', 'top', 'right', 'bottom'] as const;
const COORDINATES = [
  ...['start', 'home', 'bounds.circle'].flatMap((place) => [`${place}.x`, `${place}.y`]),
  ...SIDES.map((side) => `bounds.${side}`),
];

export function contradictions(settings: FullSettings, shapes: KnownShapes, problems: Problems): void {
  const { lens, bounds, wrap } = settings;
  const { refuse } = problems;
  spansInOrder(settings, refuse);
  for (const [low, high] of ORDERED) {
    const [least, most] = [valueAt(settings, low), valueAt(settings, high)];
    if (isNumber(least) && isNumber(most) && most < least) refuse(high, most, `at least ${low}, ${String(least)}`);
  }
  if (lens.fieldOfView !== null && lens.distance !== null)
    refuse('lens.distance', lens.distance, 'null if lens.fieldOfView is set');
  if (bounds !== null) oneShape(bounds, refuse);
  if (bounds !== null && (wrap.x !== null || wrap.y !== null) && bounds.left === undefined)
    refuse('wrap', wrap, 'null for x and y, or bounds that are a rectangle');

  const farthest = farthestCoordinate(settings);
  const expected = `at most ${String(farthest)} from 0, for a least span of ${String(leastSpan(settings))}`;
  for (const path of COORDINATES) {
    const value = valueAt(settings, path);
    if (isNumber(value) && Math.abs(value) > farthest) refuse(path, value, expected);
  }
  if (bounds === null || shapes === null) return;
  for (const name of ['polygon', 'area'] as const) {
    if (bounds[name] === undefined) continue;
    const kind = shapes.find(({ names }) => names.includes(name));
    if (kind === undefined)
      problems.add(() => ({
        path: `bounds.${name}`,
        got: 'none',
        expected: 'the option { shapes: [polygons] } of `zesty-kite/polygons`',
      }));
    else kind.check(bounds, { most: farthest, expected }, problems);
  }
}

/** The largest |coordinate| of settings, world units. */
export function farthestCoordinate(settings: FullSettings): number {
  return Math.min(FARTHEST, leastSpan(settings) * FARTHEST_IN_MIN_SPANS);
}

function leastSpan({ zoom, start }: FullSettings): number {
  if (isNumber(zoom.minSpan)) return zoom.minSpan;
  return isNumber(start.span) ? Math.min(NEAREST_SPAN, start.span) : NEAREST_SPAN;
}

function valueAt(settings: unknown, path: string): unknown {
  let keys = keysByPath.get(path);
  if (keys === undefined) keysByPath.set(path, (keys = path.match(/[^.[\]]+/g) ?? []));
  let value = settings;
  for (const key of keys) value = (value as Partial<Record<string, unknown>> | null | undefined)?.[key];
  return value;
}

/** The same few paths are looked up for every camera. */
const keysByPath = new Map<string, readonly string[]>();

function isNumber(value: unknown): value is number {
  return typeof value === 'number';
}

/** The lens has the units of all spans, the nearest zoom is nearer than the farthest, and each stop of a curve than the next. */
function spansInOrder(settings: FullSettings, refuse: Refuse): void {
  // An order on the smallest screen and on the largest is one on any.
  const screens = [1e-9, 1e15].map((height) => inSpans(settings, height));
  const isOn = (low: string, high: string): boolean[] =>
    screens.map((spans) => !(Number(valueAt(spans, high) ?? NaN) <= Number(valueAt(spans, low) ?? NaN)));
  const { minSpan, maxSpan } = settings.zoom;
  if (JSON.stringify(minSpan) !== JSON.stringify(maxSpan) && !isOn('zoom.minSpan', 'zoom.maxSpan').includes(true))
    refuse('zoom.maxSpan', maxSpan, `at least zoom.minSpan, ${shown(minSpan)}`);
  // Every span is a number as it is: in most settings.
  if (screens[0] === settings) return;
  const isNamed = (path: string): void => {
    if (Number.isNaN(valueAt(screens[0], path))) refuse(path, valueAt(settings, path), SPAN);
  };
  [...SPANS, 'zoom.stops[0]'].forEach(isNamed);
  for (const curve of CURVES) {
    const value = valueAt(settings, curve);
    const paths = Array.isArray(value) ? value.map((_, i) => `${curve}[${String(i)}][0]`) : [`${curve}.at`];
    paths.forEach(isNamed);
    for (const [i, path] of paths.entries()) {
      const before = paths[i - 1];
      if (before !== undefined && isOn(before, path).includes(false))
        refuse(
          path,
          valueAt(settings, path),
          `more than the span of the stop before it, ${shown(valueAt(settings, before))}`,
        );
    }
  }
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
