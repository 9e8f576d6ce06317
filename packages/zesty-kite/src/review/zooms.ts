/** The zooms of settings: how the camera looks at each, and what fits into the bounds there. */
import { maxSpanInside } from '../limits/index.ts';
import { exp2, log2 } from '../math/index.ts';
import { Motion, type Constraints } from '../motion/index.ts';

/** How many zooms are looked at, evenly spaced by factor. */
const ZOOMS = 240;

/** The look at one zoom, and the greatest span that fits into the bounds with that look. */
export interface Zoom {
  readonly span: number;
  readonly pitch: number;
  readonly fieldOfView: number;
  /** CSS pixels from the top of the screen down to the horizon; below 0 if it does not show. */
  readonly horizon: number;
  readonly fits: number;
  /** Screen heights per second of a held key. */
  readonly panSpeed: number;
  /** As in `Look`. */
  readonly invFocal: number;
}

export function zoomsOf(constraints: Constraints): Zoom[] {
  const motion = new Motion(constraints, []);
  const { zoom, projection, zooming } = motion;
  motion.insets.arriveAt(constraints.settings.safeFrame);
  motion.layFrame();
  const lookFrom = (span: number): void => {
    zoom.hold(span);
    motion.flipSwitches();
    motion.arriveAt(span);
  };
  lookFrom(constraints.farthest);
  const { min, max } = zooming;
  const limited = { ...constraints.boundary, limitsZoom: constraints.settings.bounds?.keep === 'view' };
  return Array.from({ length: ZOOMS + 1 }, (_, i) => {
    const span = min * exp2((log2(max / min) * i) / ZOOMS);
    lookFrom(span);
    const { sinPitch, cosPitch, invFocal, frameHeight, middleY } = projection;
    // The horizon lies where sin(pitch) + q·v·cos(pitch) is 0.
    const rise = invFocal * cosPitch > 0 ? sinPitch / (invFocal * cosPitch) : Infinity;
    return {
      span,
      invFocal,
      pitch: motion.pitch,
      fieldOfView: motion.fieldOfView,
      horizon: middleY - rise * frameHeight,
      fits: maxSpanInside(limited, projection, max),
      panSpeed: motion.panSpeed(span),
    };
  });
}
