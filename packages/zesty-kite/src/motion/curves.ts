/** What the zoom asks of pitch and lens at a span. */
import { angleDegrees, log2 } from '../math/index.ts';
import type { Look } from '../view/index.ts';
import { isFar, valueAt, type ZoomRule } from './byZoom.ts';
import type { Rules } from './rules.ts';

/** The widest that a lens zooms at a fixed distance, degrees. */
const WIDEST = 150;

/** The value of a rule at a span of the safe frame of `look`; a switch begins on a side. */
function ruleAt(rule: ZoomRule, look: Look, span: number, wasFar: boolean): number {
  // Curves and switches go by spans without panels.
  const bare = span / (look.frameHeight / look.height);
  return valueAt(rule, rule.curve === null ? 0 : log2(bare), isFar(rule, bare, wasFar));
}

/** Degrees, without what the player tilted and before limits. */
export function pitchBy({ pitch }: Rules, look: Look, span: number, wasFar: boolean): number {
  return ruleAt(pitch, look, span, wasFar);
}

/** Degrees; 0 for an orthographic lens. */
export function fieldOfViewBy({ lens, settings }: Rules, look: Look, span: number, wasFar: boolean): number {
  if (lens !== null) return ruleAt(lens, look, span, wasFar);
  const { distance } = settings.lens;
  return distance === null ? 0 : fieldOfViewFrom(look, span, distance);
}

/** The field of view of the whole screen that shows a span from a distance, degrees. */
export function fieldOfViewFrom({ height, frameHeight }: Look, span: number, distance: number): number {
  // Focal length in safe-frame heights = distance / span.
  return Math.min(WIDEST, 2 * angleDegrees(span * height, 2 * distance * frameHeight));
}
