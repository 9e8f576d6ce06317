/** The corners of the ground that shows. */
import type { Footprint } from './pose.ts';
import { VIEW_LIMIT_SPANS, type Viewpoint } from './projection.ts';
import { ScratchPoint } from './scratch.ts';

/** Sets a corner of a footprint to the ground below a screen point, no farther than 64 spans from the focus. */
export function setCorner(out: Footprint, at: number, view: Viewpoint, x: number, y: number, height: number): void {
  const { projection, span } = view;
  const { sinPitch, cosPitch, invFocal } = projection;
  // A plane above the eye shows from below: the one just below the eye stands for it.
  const eye = invFocal > 0 ? (span * sinPitch * (1 - 1e-9)) / invFocal : Infinity;
  const rise = Math.min(height - view.focusHeight, eye);
  // The screen line on which this plane lies so far beyond the focus.
  const sight =
    -(VIEW_LIMIT_SPANS * span * sinPitch + rise * cosPitch) /
    (span * (1 + VIEW_LIMIT_SPANS * invFocal * cosPitch) - rise * invFocal * sinPitch);
  // Without an eye, high ground shows from far behind the focus, too.
  const behind = invFocal > 0 ? Infinity : VIEW_LIMIT_SPANS * sinPitch - (rise * cosPitch) / span;
  const v = Math.min(Math.max(projection.v(y), sight), behind);
  projection.cast(projection.u(x), v, span, rise, met);
  out[at] = view.x + met.x;
  out[at + 1] = view.y + met.y;
}

const met = new ScratchPoint();
