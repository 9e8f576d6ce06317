/** A small plan of the ground, north up: bounds, the area of the focus, the view, focus and goal. */
import type { Camera } from '../camera/index.ts';
import type { Point } from '../view/index.ts';
import type { Place } from './places.ts';
import { LOOKS, mark, outline, type Context2D } from './strokes.ts';

/** Its longer side, at most and as a share of the shorter side of the screen, and its margin; CSS pixels. */
const SIZE = 200;
const SHARE = 0.36;
export const MARGIN = 12;

/**
 * @param bottomOf the bottom of a free place at the right side, CSS pixels from the top
 * @returns how far up it reaches, CSS pixels from the top
 */
export function drawPlan(
  context: Context2D,
  { view, goal, shown }: Camera,
  bounds: readonly (readonly Point[])[],
  focus: readonly (readonly Point[])[],
  bottomOf: (place: Place) => number,
): number {
  const prints = [view.footprint(), view.frameFootprint()].map((corners) =>
    [0, 2, 4, 6].map((i) => ({ x: corners[i] ?? 0, y: corners[i + 1] ?? 0 })),
  );
  // Without bounds, as much as shows and as much again around it.
  const [print = []] = prints;
  const extent = bounds.length > 0 ? bounds.flat() : print.flatMap(({ x, y }) => [{ x, y }, mirrored({ x, y }, shown)]);
  const xs = extent.map(({ x }) => x);
  const ys = extent.map(({ y }) => y);
  const [left, top, right, bottom] = [Math.min(...xs), Math.min(...ys), Math.max(...xs), Math.max(...ys)];
  const size = Math.min(SIZE, SHARE * Math.min(view.width, view.height));
  const scale = (size - 2 * MARGIN) / Math.max(right - left, bottom - top);
  const wide = (right - left) * scale + 2 * MARGIN;
  const high = (bottom - top) * scale + 2 * MARGIN;
  const x = view.width - wide - MARGIN;
  const y = bottomOf({ left: x, bottom: view.height - MARGIN, width: wide, height: high }) - high;
  const put = (point: Point): Point => ({
    x: x + MARGIN + (point.x - left) * scale,
    y: y + MARGIN + (point.y - top) * scale,
  });
  context.save();
  context.beginPath();
  context.rect(x, y, wide, high);
  context.fillStyle = 'rgb(10 25 30 / 0.75)';
  context.fill();
  context.clip();
  for (const ring of bounds) outline(context, LOOKS.bounds, ring.map(put));
  for (const ring of focus) outline(context, LOOKS.focusRegion, ring.map(put));
  for (const corners of prints) outline(context, LOOKS.footprint, corners.map(put));
  mark(context, LOOKS.goal, put(goal), 5);
  mark(context, LOOKS.focus, put(shown), 2.5);
  context.restore();
  return y;
}

function mirrored({ x, y }: Point, about: Point): Point {
  return { x: 2 * about.x - x, y: 2 * about.y - y };
}
