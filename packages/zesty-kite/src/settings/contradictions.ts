/** Checks that need two settings at once. */
import { shown, type Problems } from '../messages/index.ts';
import type { ByZoom } from './schema.ts';
import type { KnownShapes } from './shapes.ts';
import type { FullBounds, FullSettings } from './types.ts';

/** The largest |coordinate| that float64 still holds finely, in least spans. */
export const FARTHEST_IN_MIN_SPANS = 1e9;

export function contradictions(settings: FullSettings, shapes: KnownShapes, problems: Problems): void {
  const { start, home, ground, pitch, lens, turn, pan, zoom, bounds, wrap } = settings;
  const refuse = (path: string, found: unknown, wanted: string): void => {
    problems.add(() => ({ path, found: shown(found), wanted }));
  };
  const inOrder = (low: [string, number | null], high: [string, number | null]): void => {
    if (low[1] !== null && high[1] !== null && high[1] < low[1])
      refuse(high[0], high[1], `at least ${low[0]}, ${String(low[1])}`);
  };
  inOrder(['zoom.minSpan', zoom.minSpan], ['zoom.maxSpan', zoom.maxSpan]);
  inOrder(['zoom.minPixelsPerUnit', zoom.minPixelsPerUnit], ['zoom.maxPixelsPerUnit', zoom.maxPixelsPerUnit]);
  inOrder(['ground.lowest', ground.lowest], ['ground.highest', ground.highest]);
  inOrder(['pitch.min', pitch.min], ['pitch.max', pitch.max]);
  inOrder(['turn.min', turn.min], ['turn.max', turn.max]);
  if (lens.fieldOfView !== null && lens.distance !== null)
    refuse('lens.distance', lens.distance, 'null, or lens.fieldOfView null: the one says the other');
  const curves: [string, ByZoom | null][] = [
    ['pitch.degrees', pitch.degrees],
    ['lens.fieldOfView', lens.fieldOfView],
    ['pan.speed', pan.speed],
  ];
  for (const [path, stops] of curves) {
    if (!Array.isArray(stops)) continue;
    const wrong = stops.findIndex(([at], i) => i > 0 && at <= (stops[i - 1]?.[0] ?? 0));
    if (wrong > 0)
      refuse(
        `${path}[${String(wrong)}][0]`,
        stops[wrong]?.[0],
        `more than the span of the stop before it, ${String(stops[wrong - 1]?.[0])}`,
      );
  }
  if (bounds !== null) oneShape(bounds, refuse);
  if (bounds !== null && (wrap.x !== null || wrap.y !== null) && bounds.left === undefined)
    refuse('wrap', wrap, 'null for x and y, or bounds that are a rectangle');

  const farthest = zoom.minSpan * FARTHEST_IN_MIN_SPANS;
  const wanted = `at most ${String(farthest)} from 0, for a least span of ${String(zoom.minSpan)}`;
  const coordinates: [string, number | undefined][] = [
    ['start.x', start.x],
    ['start.y', start.y],
    ['home.x', home?.x],
    ['home.y', home?.y],
    ['bounds.left', bounds?.left],
    ['bounds.top', bounds?.top],
    ['bounds.right', bounds?.right],
    ['bounds.bottom', bounds?.bottom],
    ['bounds.circle.x', bounds?.circle?.x],
    ['bounds.circle.y', bounds?.circle?.y],
  ];
  for (const [path, value] of coordinates)
    if (value !== undefined && Math.abs(value) > farthest) refuse(path, value, wanted);
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

/** Bounds have one shape, and a rectangle has all its sides. */
function oneShape(bounds: FullBounds, refuse: (path: string, found: unknown, wanted: string) => void): void {
  const { left, top, right, bottom } = bounds;
  const sides = { left, top, right, bottom };
  const shapes = shapesOf(bounds);
  if (shapes.length !== 1)
    refuse(
      'bounds',
      shapes.length === 0 ? undefined : shapes.join(' and '),
      'one shape: left, top, right and bottom, or circle, or polygon, or area',
    );
  if (shapes[0] === 'left, top, right, bottom') {
    for (const [side, value] of Object.entries(sides))
      if (value === undefined) refuse(`bounds.${side}`, value, 'a number');
    if (left !== undefined && right !== undefined && !(right > left))
      refuse('bounds.right', right, `more than bounds.left, ${String(left)}`);
    if (top !== undefined && bottom !== undefined && !(bottom > top))
      refuse('bounds.bottom', bottom, `more than bounds.top, ${String(top)}`);
  }
}

/** The shapes that bounds name. */
export function shapesOf(bounds: FullBounds): string[] {
  const { left, top, right, bottom } = bounds;
  const isRectangle = [left, top, right, bottom].some((side) => side !== undefined);
  const others = (['circle', 'polygon', 'area'] as const).filter((name) => bounds[name] !== undefined);
  return [...(isRectangle ? ['left, top, right, bottom'] : []), ...others];
}
