/** The terrain in force, and those that waiting signals name. */
import { partChanged, soundTerrain, type Terrain } from '../ground/index.ts';
import { refuseRange } from '../messages/index.ts';
import type { TerrainSignal } from '../signals/index.ts';

export class Terrains {
  /** Null for flat ground. */
  inForce: Terrain | null;
  /** The one in force after all that waits. */
  #last: Terrain | null;
  readonly #named = new Map<string, Terrain>();

  constructor(terrain: Terrain | null) {
    this.inForce = this.#last = terrain;
  }

  /** Keeps a terrain for the signal that names it, and returns that signal. */
  offer(terrain: Terrain | null): TerrainSignal {
    if (terrain === null) return { kind: 'terrain', id: null, digest: null };
    soundTerrain('changeTerrain.terrain', terrain);
    const { id, digest } = terrain;
    const part = partChanged(this.#last, terrain);
    this.#named.set(nameOf(terrain), terrain);
    return { kind: 'terrain', id, digest, ...(part === null ? {} : { part }) };
  }

  /** @throws RangeError for a terrain that `offer` was not given */
  expect(signal: TerrainSignal): void {
    const terrain = signal.id === null ? null : this.#named.get(nameOf(signal));
    if (terrain === undefined)
      refuseRange('signal.id', `the terrain "${String(signal.id)}" ${String(signal.digest)}`, 'a known terrain');
    this.#last = terrain;
  }

  /** Puts the terrain that a signal names in force. */
  take(signal: TerrainSignal): void {
    this.inForce = this.#named.get(nameOf(signal)) ?? null;
  }

  /** No signal waits that could name one. */
  clear(): void {
    if (this.#named.size > 0) this.#named.clear();
  }
}

function nameOf({ id, digest }: { readonly id: string | null; readonly digest: string | null }): string {
  return `${String(digest)} ${String(id)}`;
}
