/** Views of every kind. */
import fc from 'fast-check';
import { aim, View, type Spot } from '../src/index.ts';
import { between, screens } from './steering.ts';

export const unit = between(0, 1);

/** Any pose at all: every lens, pitch 1 to 90. */
export const poses = fc.record({
  x: between(-1e4, 1e4),
  y: between(-1e4, 1e4),
  focusHeight: fc.oneof(fc.constant(0), between(-50, 50)),
  span: between(1, 5000),
  heading: between(-720, 720),
  pitch: fc.oneof(fc.constant(90), between(1, 90)),
  fieldOfView: fc.oneof(fc.constant(0), between(1, 120)),
});

const grounds = fc
  .tuple(between(-50, 50), between(0, 200))
  .map(([lowest, tall]) => ({ lowest, highest: lowest + tall }));

const insets = fc.record({
  left: between(0, 900),
  top: between(0, 300),
  right: between(0, 500),
  bottom: between(0, 900),
});

/** With panels, and ground of any height. */
export const views = fc
  .tuple(poses, screens, grounds, insets)
  .map(([pose, screen, ground, panels]) => aim(new View(), pose, screen, ground, panels));

/** What of a level shows at a point of the screen, as shares of its sides; null where it is sky or over 60 spans away. */
export function under(view: View, u: number, v: number, height: number): Spot | null {
  const at = view.toLevel(u * view.width, v * view.height, height, { x: 0, y: 0 });
  return at === null || Math.hypot(at.x - view.x, at.y - view.y) > 60 * view.span ? null : { ...at, height };
}

/** A height of the ground of a view, as a share of its range. */
export function heightOf({ ground: { lowest, highest } }: View, share: number): number {
  return lowest + share * (highest - lowest);
}
