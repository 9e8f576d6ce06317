/** The rates at which held inputs, edges and pulls steer. */
import { norm } from '../math/index.ts';
import type { FullSettings } from '../settings/index.ts';
import type { Ability } from './bindings.ts';
import { NO_PUSH, type Push } from './edge.ts';
import type { SteerIntent } from './intent.ts';

type Rates = Omit<SteerIntent, 'kind' | 'orbits' | 'sides'>;

/**
 * Opposites cancel, diagonals are not faster.
 *
 * @param asked how strongly each ability is asked for, 0 … 1
 * @param edge the push of the edges, in edge speeds
 * @param pull the push of presses that pull, in pan speeds
 */
export function ratesOf(
  requested: ReadonlyMap<Ability, number>,
  edge: Push,
  pull: Push,
  settings: FullSettings,
): Rates {
  const { pan, turn, pitch, zoom, locked } = settings;
  const between = (one: Ability, other: Ability): number => (requested.get(one) ?? 0) - (requested.get(other) ?? 0);
  const fast = isFaster(requested);
  const inWorld = pan.directions === 'world';
  const keys = evenly(between('panRight', 'panLeft'), between('panDown', 'panUp'));
  const push = together(inWorld ? NO_PUSH : keys, edge, settings.edge?.speed ?? 0);
  const pans = locked.includes('pan') ? 0 : 1;
  const speed = pans * (fast ? pan.fasterFactor : 1);
  const turns = locked.includes('turn') ? 0 : turn.rate * (fast ? turn.fasterFactor : 1);
  const tilts = locked.includes('tilt') ? 0 : pitch.rate * (fast ? turn.fasterFactor : 1);
  const zooms = zoom.stops !== null || locked.includes('zoom') ? 0 : zoom.rate * (fast ? zoom.fasterFactor : 1);
  return {
    right: push.right * speed + pull.right * pans + 0,
    down: push.down * speed + pull.down * pans + 0,
    east: inWorld ? keys.right * speed + 0 : 0,
    south: inWorld ? keys.down * speed + 0 : 0,
    turn: between('turnRight', 'turnLeft') * turns + 0,
    tilt: between('tiltDown', 'tiltUp') * tilts + 0,
    zoom: between('zoomIn', 'zoomOut') * zooms + 0,
  };
}

/** Whether the abilities that are asked for, 0 … 1, go faster. */
export function isFaster(requested: ReadonlyMap<Ability, number>): boolean {
  return (requested.get('faster') ?? 0) >= 0.5;
}

/** A push that is no faster along a diagonal. */
function evenly(right: number, down: number): Push {
  const length = Math.max(1, norm(right, down));
  return { right: right / length, down: down / length };
}

/** Keys and edges together, in pan speeds: they are no faster than the faster one. */
function together({ right, down }: Push, { right: edgeRight, down: edgeDown }: Push, edgeSpeed: number): Push {
  if (edgeRight === 0 && edgeDown === 0) return { right, down };
  // No faster than the faster of its sides.
  const fastest = Math.max(1, Math.abs(edgeRight), Math.abs(edgeDown));
  const most = edgeSpeed * fastest;
  const edges = most / Math.max(fastest, norm(edgeRight, edgeDown));
  if (right === 0 && down === 0) return { right: edgeRight * edges, down: edgeDown * edges };
  const both = { right: right + edgeRight * edges, down: down + edgeDown * edges };
  const length = norm(both.right, both.down);
  const kept = Math.max(1, most) / Math.max(1, most, length);
  return { right: both.right * kept, down: both.down * kept };
}

/** The ability that an input means: a stick whose axis is inverted means the opposite. */
export function meantBy(input: string, ability: Ability, inverted: FullSettings['inverted']): Ability {
  const opposite = input.includes('Stick') ? OPPOSITES[ability] : undefined;
  return opposite !== undefined && inverted.includes(opposite.axis) ? opposite.other : ability;
}

const OPPOSITES: Partial<Record<Ability, { readonly axis: 'turn' | 'tilt'; readonly other: Ability }>> = {
  turnLeft: { axis: 'turn', other: 'turnRight' },
  turnRight: { axis: 'turn', other: 'turnLeft' },
  tiltUp: { axis: 'tilt', other: 'tiltDown' },
  tiltDown: { axis: 'tilt', other: 'tiltUp' },
};
