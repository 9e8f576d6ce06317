/** Abilities that an input starts once, when it comes down. */
import type { FullSettings } from '../settings/index.ts';
import type { Ability } from './bindings.ts';
import type { Intent } from './intent.ts';

/** Returns the intent of an ability that goes by steps; null for any other. */
export function strokeOf(ability: Ability, { turn, zoom }: FullSettings): Intent | null {
  if (ability === 'turnStepRight') return { kind: 'step', turn: turn.step, tilt: 0 };
  if (ability === 'turnStepLeft') return { kind: 'step', turn: -turn.step, tilt: 0 };
  if (ability === 'faceNorth') return { kind: 'step', turn: null, tilt: 0 };
  if (ability === 'home') return { kind: 'home' };
  // Without stops, keys zoom for as long as they are held.
  if (zoom.stops === null || (ability !== 'zoomIn' && ability !== 'zoomOut')) return null;
  return { kind: 'zoom', notches: ability === 'zoomIn' ? 1 : -1, anchor: 'focus', x: 0, y: 0 };
}
