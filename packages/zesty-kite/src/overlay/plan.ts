/** A small plan of the ground, up as it is unturned: bounds, where the focus may be, what shows, focus and goal. */
import type { Camera } from '../camera/index.ts';
import type { Point } from '../view/index.ts';
import { LOOKS, mark, outline, type Context2D } from './strokes.ts';

/** Its longer side, and how far it stays from the bottom right corner; CSS pixels. */
const SIZE = 200;
const MARGIN = 12;

/** @returns how far up it reaches, CSS pixels from the top */
export function drawPlan(
  context: Context2D,
  { view, goal, shown }: Camera,
  bounds: readonly (readonly Point[])[],
  focus: readonly (readonly Point[])[],
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
  const scale = (SIZE - 2 * MARGIN) / Math.max(right - left, bottom - top);
  const wide = (right - left) * scale + 2 * MARGIN;
  const high = (bottom - top) * scale + 2 * MARGIN;
  const x = view.width - wide - MARGIN;
  const y = view.height - high - MARGIN;
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
