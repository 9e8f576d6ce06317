/** The hit of a line of sight with terrain. */
import { norm } from '../math/index.ts';
import type { Terrain } from '../ground/index.ts';
import { canonical } from './copies.ts';
import { VIEW_LIMIT_SPANS, type Viewpoint } from './projection.ts';
import type { Spot } from './pose.ts';

/** The most steps along one line of sight; where more would be needed, they are longer. */
const MAX_STEPS = 8192;

/**
 * The first point of the terrain on the line of sight through a screen point. It walks in steps of
 * the terrain's feature size from where the line may meet the ground first, and halves the step that
 * went under it.
 *
 * @returns `out`, or null if only sky shows
 */
export function pick(view: Viewpoint, terrain: Terrain, x: number, y: number, out: Spot): Spot | null {
  if (!(Math.abs(x) < Infinity && Math.abs(y) < Infinity)) return null;
  const { projection, span, focusHeight } = view;
  const { sinPitch, cosPitch, invFocal } = projection;
  const right = projection.u(x);
  const down = projection.v(y);
  // Points s spans along the line, counted from the focus' own depth, lie at
  // focus + span · ((u, v) · (1 + q·s) + forward · s).
  const drop = projection.steepness(down); // per s
  const height0 = focusHeight - span * down * cosPitch;
  const eye = invFocal > 0 ? -1 / invFocal : -Infinity;
  let from: number;
  let to: number;
  if (Math.abs(drop) > 1e-12) {
    const atHighest = (height0 - terrain.highest) / (span * drop);
    const atLowest = (height0 - terrain.lowest) / (span * drop);
    from = Math.max(eye, Math.min(atHighest, atLowest));
    to = Math.max(atHighest, atLowest);
  } else {
    if (height0 > terrain.highest) return null;
    from = eye;
    to = VIEW_LIMIT_SPANS;
  }
  if (invFocal > 0) to = Math.min(to, VIEW_LIMIT_SPANS);
  if (!(to >= from)) return null;

  const rightPer = invFocal * right;
  const towardPer = invFocal * down * sinPitch - cosPitch;
  const { sinHeading, cosHeading } = projection;
  const { x: x0, y: y0 } = view;
  const eastPer = rightPer * cosHeading - towardPer * sinHeading;
  const southPer = rightPer * sinHeading + towardPer * cosHeading;
  const eastAt = right * cosHeading - down * sinPitch * sinHeading;
  const southAt = right * sinHeading + down * sinPitch * cosHeading;
  const above = (s: number): number =>
    height0 -
    span * drop * s -
    terrain.heightAt(x0 + span * (eastAt + eastPer * s), y0 + span * (southAt + southPer * s));

  const run = span * norm(eastPer, southPer) * (to - from);
  const steps = Math.min(MAX_STEPS, Math.max(1, Math.ceil(run / terrain.feature)));
  let over = from;
  let under = from;
  let found = above(from) <= 0;
  for (let i = 1; i <= steps && !found; i++) {
    over = under;
    under = i === steps ? to : from + ((to - from) * i) / steps;
    found = above(under) <= 0;
  }
  // Rounding may leave the very end a hair above the lowest ground.
  if (!found && !(drop > 0 && to < VIEW_LIMIT_SPANS)) return null;
  for (let i = 0; i < 60 && over !== under; i++) {
    const middle = (over + under) / 2;
    if (middle === over || middle === under) break;
    if (above(middle) > 0) over = middle;
    else under = middle;
  }
  out.x = canonical(x0 + span * (eastAt + eastPer * under), view.ground.periodX);
  out.y = canonical(y0 + span * (southAt + southPer * under), view.ground.periodY);
  out.height = height0 - span * drop * under;
  return out;
}
