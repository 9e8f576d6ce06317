/** The terrains of a session, found among those that are given. */
import type { SessionStart } from '../camera/index.ts';
import { reshapeGrid, type Terrain } from '../ground/index.ts';
import { refuseRange } from '../messages/index.ts';
import type { TerrainSignal } from '../signals/index.ts';

/** Refuses a terrain other than the one that the session was recorded over. */
export function checkTerrain(wanted: SessionStart['terrain'] | null, given: Terrain | null): void {
  if ((wanted ?? null) === null && given === null) return;
  const name = (terrain: { id: string; digest: string } | null | undefined): string =>
    terrain ? `"${terrain.id}" ${terrain.digest}` : 'flat ground';
  if (wanted?.id !== given?.id || wanted?.digest !== given?.digest)
    refuseRange('terrain', name(given), `${name(wanted)}, as in the session`);
}

/**
 * Returns the terrain that a signal changes to; null for flat ground.
 *
 * @param before the terrain before, of which the signal may change a part
 * @throws RangeError if none of those that are given is it
 */
export function terrainChangedTo(
  { id, digest, part }: TerrainSignal,
  before: Terrain | null,
  given: readonly Terrain[],
): Terrain | null {
  if (id === null) return null;
  const made = part !== undefined && before !== null ? reshapeGrid(before, part) : null;
  const found = [made, before, ...given].find((one) => one?.id === id && one.digest === digest);
  if (found) return found;
  return refuseRange('terrain', 'none', `"${id}" with digest ${String(digest)} among \`terrains\``);
}
