/** How large the view may be around a given focus. */
import type { Look } from '../view/index.ts';
import type { Boundary } from './boundary.ts';
import { roomInConvexAt } from './convex.ts';

/** The greatest span, at most `max`, at which the view around a focus is inside; `max` if the view is not kept inside. World units. */
export function maxSpanAt(boundary: Boundary, look: Look, x: number, y: number, max: number): number {
  const { shape, view, margin, screenMargin } = boundary;
  if (!view) return max;
  const { corners } = look;
  if (shape.kind === 'rectangle') {
    const { left, top, right, bottom } = shape;
    const { extentLeft, extentTop, extentRight, extentBottom } = look;
    const across = Math.min(
      until(right + margin - x, extentRight - screenMargin),
      until(x - left + margin, -extentLeft - screenMargin),
    );
    const down = Math.min(
      until(bottom + margin - y, extentBottom - screenMargin),
      until(y - top + margin, -extentTop - screenMargin),
    );
    return Math.min(across, down, max);
  }
  if (shape.kind === 'convex') return Math.min(roomInConvexAt(shape.convex, corners, x, y, margin, screenMargin), max);
  if (shape.kind === 'coast') return max;
  let span = max;
  for (let k = 0; k < 8; k += 2) {
    // |away + span · corner| = radius + screenMargin · span
    const cornerX = corners[k] ?? 0;
    const cornerY = corners[k + 1] ?? 0;
    const radius = shape.radius + margin;
    const awayX = x - shape.x;
    const awayY = y - shape.y;
    const a = cornerX * cornerX + cornerY * cornerY - screenMargin * screenMargin;
    const half = awayX * cornerX + awayY * cornerY - radius * screenMargin;
    const inside = radius * radius - awayX * awayX - awayY * awayY;
    if (!(inside > 0)) return 0;
    if (a > 0) span = Math.min(span, (Math.sqrt(half * half + a * inside) - half) / a);
  }
  return span;
}

/** How often a reach fits into a distance. */
function until(distance: number, reach: number): number {
  return reach > 0 ? Math.max(0, distance / reach) : Infinity;
}
