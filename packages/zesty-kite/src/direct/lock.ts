/** Locks in scopes: what the player may not do for a while, as in a cutscene. Scopes may end in any order. */
import { rigOf, type Camera } from '../camera/index.ts';
import { refuse } from '../messages/index.ts';
import { cameraHere } from './here.ts';

export const ABILITIES = ['pan', 'zoom', 'turn', 'tilt'] as const;
export type Ability = (typeof ABILITIES)[number];

/** The locks of one camera. */
class Scopes {
  /** How many scopes lock an ability. */
  readonly #counts = new Map<Ability, number>();
  /** The abilities that the settings lock. */
  #own: readonly Ability[];

  constructor(camera: Camera) {
    this.#own = camera.settings.locked;
    rigOf('lock', camera).stage.changes.amend(({ locked }) => {
      if (locked === undefined) return null;
      this.#own = ABILITIES.filter((ability) => locked.includes(ability));
      return {
        locked: ABILITIES.filter((ability) => locked.includes(ability) || (this.#counts.get(ability) ?? 0) > 0),
      };
    });
  }

  count(camera: Camera, abilities: ReadonlySet<Ability>, by: 1 | -1): void {
    for (const ability of abilities) this.#counts.set(ability, (this.#counts.get(ability) ?? 0) + by);
    camera.change({ locked: [...this.#own] });
  }
}

const ofCameras = new WeakMap<Camera, Scopes>();

/**
 * Takes abilities from the player until the lock ends. Locks may overlap, and end in any order. The program keeps all abilities, and
 * locks of the settings stay.
 *
 * ```ts
 * const unlock = lock(camera, ['zoom', 'turn']);
 * unlock();
 * ```
 *
 * @param abilities all of them by default
 * @returns a function that ends the lock
 * @throws TypeError for an unknown ability
 */
export function lock(camera: Camera, abilities: readonly Ability[] = ABILITIES): () => void {
  const here = cameraHere('lock', camera);
  checkAbilities('lock.abilities', abilities);
  const scopes = ofCameras.get(here) ?? new Scopes(here);
  ofCameras.set(here, scopes);
  const locked = new Set(abilities);
  if (locked.size > 0) scopes.count(here, locked, 1);
  return () => {
    if (locked.size > 0) scopes.count(here, locked, -1);
    locked.clear();
  };
}

/** @throws TypeError */
export function checkAbilities(path: string, abilities: readonly Ability[]): void {
  const given: unknown = abilities;
  if (!Array.isArray(given)) refuse(path, given, `a list of ${ABILITIES.join(', ')}`);
  for (const [i, ability] of abilities.entries())
    if (!ABILITIES.includes(ability)) refuse(`${path}[${String(i)}]`, ability, `one of ${ABILITIES.join(', ')}`);
}
