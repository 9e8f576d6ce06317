/** Locks in scopes: what the player may not do for a while, as in a cutscene. Scopes may end in any order. */
import type { Camera } from '../camera.ts';
import { shown } from '../settings/index.ts';

export const ABILITIES = ['pan', 'zoom', 'turn', 'tilt'] as const;
export type Ability = (typeof ABILITIES)[number];

/** What is locked by scopes. */
class Scopes {
  /** How many scopes lock an ability. */
  readonly counts = new Map<Ability, number>();
  /** Those that were free before. */
  added: readonly Ability[] = [];
  /** The list that was asked for last, and that in force when it was: it may still wait for its turn. */
  asked: readonly Ability[] = [];
  before: readonly Ability[] | null = null;
}

const ofCameras = new WeakMap<Camera, Scopes>();

/**
 * Takes abilities from the player until the scope ends. What several scopes lock is free when the last of them has ended,
 * in whatever order; what the settings lock by themselves stays locked. The program can still do everything.
 *
 * ```ts
 * const unlock = lock(camera, ['zoom', 'turn']);
 * ```
 *
 * @param abilities all of them when left out
 * @returns a function that ends the scope
 * @throws TypeError for what is no ability
 */
export function lock(camera: Camera, abilities: readonly Ability[] = ABILITIES): () => void {
  checkAbilities('lock.abilities', abilities);
  const scopes = ofCameras.get(camera) ?? new Scopes();
  ofCameras.set(camera, scopes);
  const locked = new Set(abilities);
  count(camera, scopes, locked, 1);
  return () => {
    count(camera, scopes, locked, -1);
    locked.clear();
  };
}

function count(camera: Camera, scopes: Scopes, abilities: ReadonlySet<Ability>, by: 1 | -1): void {
  const { counts, added, asked, before } = scopes;
  for (const ability of abilities) counts.set(ability, (counts.get(ability) ?? 0) + by);
  const { locked } = camera.settings;
  const present = locked === before ? asked : locked;
  const own = present.filter((ability) => !added.includes(ability));
  scopes.added = ABILITIES.filter((ability) => (counts.get(ability) ?? 0) > 0 && !own.includes(ability));
  const wanted = [...own, ...scopes.added];
  if (wanted.length === present.length && wanted.every((ability) => present.includes(ability))) return;
  scopes.asked = wanted;
  scopes.before = locked;
  camera.change({ locked: wanted });
}

/** @throws TypeError */
export function checkAbilities(path: string, abilities: readonly Ability[]): void {
  for (const [i, ability] of abilities.entries())
    if (!ABILITIES.includes(ability))
      throw new TypeError(`${path}[${String(i)}]: found ${shown(ability)}; wanted one of ${ABILITIES.join(', ')}`);
}
