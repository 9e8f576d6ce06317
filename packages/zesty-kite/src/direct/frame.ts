/** Framing: the nearest zoom at which everything shows. */
import { checkNumber, checkObject, refuse } from '../messages/index.ts';
import type { Camera } from '../camera/index.ts';
import { cameraHere, timelineOf } from './here.ts';
import type { FrameOptions, Framing } from './framing.ts';
import { SAME, Solver } from './solver.ts';
import { Outline, type Thing } from './things.ts';

/**
 * Returns the nearest pose with every thing in the safe frame: points, circles, boxes with heights, GeoJSON.
 *
 * ```ts
 * await travel(camera, frame(camera, barges, { padding: 40 }).to);
 * ```
 *
 * @throws TypeError for a thing without a place
 */
export function frame(camera: Camera, things: readonly Thing[], options: FrameOptions = {}): Framing {
  const here = cameraHere('frame', camera);
  checkObject('frame.options', options, 'an object such as { padding: 40 }');
  const { padding = 0 } = options;
  if (typeof padding === 'number') checkNumber('frame.options.padding', padding);
  else
    for (const side of ['left', 'top', 'right', 'bottom'] as const) {
      checkObject('frame.options.padding', padding, 'pixels, or {left, top, right, bottom}');
      checkNumber(`frame.options.padding.${side}`, padding[side]);
    }
  return frameOutline(here, outlineOf(here, things), options, 0);
}

/** The outline of things on the camera's ground. */
export function outlineOf(camera: Camera, things: readonly Thing[]): Outline {
  return new Outline(things, timelineOf('frame', camera).constraints.ground);
}

/** @param grown world units that are added around each thing, ≥ 0 */
export function frameOutline(camera: Camera, outline: Outline, options: FrameOptions, grown: number): Framing {
  const timeline = timelineOf('frame', camera);
  const { kept, constraints } = timeline;
  for (const name of ['heading', 'pitch'] as const)
    if (options[name] !== undefined && !Number.isFinite(options[name]))
      refuse(`frame.options.${name}`, options[name], 'a finite number');
  const solver = new Solver(outline, kept, timeline.spare(), options, grown);
  const limitedBy: Framing['limitedBy'][number][] = [];
  const { min, max } = solver;
  const tight = solver.tight;
  if (tight === max || solver.needs(min) < min) limitedBy.push('zoom');
  const stop = constraints.stops === null ? tight : solver.stopFrom(tight);
  if (Math.abs(stop / tight - 1) > SAME) limitedBy.push('stops');
  let fits = solver.goTo(stop);
  if (solver.isKeptAway) limitedBy.push('bounds');
  // Kept away, or over steep ground, a larger view may show it all; without room for the padding, the padding is dropped.
  for (const padding of [options.padding ?? 0, 0]) {
    if (fits || solver.shows()) break;
    solver.pad(padding);
    const larger = solver.nearest((span) => solver.goTo(span), stop);
    fits = solver.goTo(larger ?? stop) && padding === (options.padding ?? 0);
    if (larger !== null) break;
  }
  return { to: solver.destination, fits, limitedBy, corners: outline.corners };
}
