/** The ground of Lemon Strait as square tiles. */
import tilesUrl from '../../data/lemon-strait/tiles.json?url';

export type TileKind = 'deep' | 'shallow' | 'beach' | 'grove' | 'terrace' | 'ridge';

export interface Tiles {
  /** Side of a tile, world units. */
  readonly size: number;
  readonly columns: number;
  readonly rows: number;
  kindAt(column: number, row: number): TileKind;
}

interface TilesFile {
  readonly size: number;
  readonly columns: number;
  readonly rows: number;
  readonly kinds: Readonly<Record<string, TileKind>>;
  readonly tiles: readonly string[];
}

export async function loadTiles(): Promise<Tiles> {
  const { size, columns, rows, kinds, tiles } = (await (await fetch(tilesUrl)).json()) as TilesFile;
  return { size, columns, rows, kindAt: (column, row) => kinds[tiles[row]?.[column] ?? ''] ?? 'deep' };
}
