/** How far a press has to move, CSS pixels, before it drags: until then it may be a click or a tap. */
import type { FullSettings } from './types.ts';

export function startsAfterOf({ drag }: FullSettings, input: string): number {
  return input === 'Touch' ? drag.touchStartsAfter : drag.startsAfter;
}
