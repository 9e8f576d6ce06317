/** The eye's clearance: where it would come too close to the ground below it, the focus is raised. */
import { ScratchPoint, ScratchSpot } from '../view/index.ts';
import type { Kept } from './kept.ts';

/** Half the height over which the eye begins to be raised, in spans. */
const SOFT = 0.1;

const below = new ScratchSpot();
const step = new ScratchPoint();

/**
 * How far the eye has to be raised to be clear of the envelope of the ground below it; world units, ≥ 0. It grows with the
 * missing height: from 0 a tenth of a span above the clearance, along a parabola, to all that is missing as far below.
 */
export function missingClearance({ focus, zoom, level, constraints, projection }: Kept): number {
  const { terrain } = constraints;
  // The eye is above flat ground, on every floor.
  if (terrain === null || terrain.lowest === terrain.highest || projection.invFocal === 0) return 0;
  const { clearance } = constraints.settings.ground;
  const eye = level.height + (zoom.shown * projection.sinPitch) / projection.invFocal;
  // It may be clear even of the highest ground.
  const soft = SOFT * zoom.shown;
  if (eye > terrain.highest + clearance + soft) return 0;
  projection.meetBelowEye(zoom.shown, step);
  below.x = focus.x + step.x;
  below.y = focus.y + step.y;
  terrain.sampleEnvelopeInto(below);
  const lacking = below.height + clearance - eye;
  if (lacking >= soft) return lacking;
  return lacking > -soft ? ((lacking + soft) * (lacking + soft)) / (4 * soft) : 0;
}

/** Sets the focus height of what is shown: where it eases along, or higher. */
export function raiseEye(kept: Kept): void {
  const missing = missingClearance(kept);
  kept.focus.height = kept.level.height;
  if (!(missing > 0)) return;
  kept.focus.height += missing;
  kept.focus.isLimited = true;
}
