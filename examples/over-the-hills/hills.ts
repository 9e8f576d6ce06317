/** The height field as a mesh, coloured by height. */
import {
  BufferAttribute,
  BufferGeometry,
  Color,
  DataTexture,
  Group,
  LinearFilter,
  LOD,
  Mesh,
  PlaneGeometry,
  SRGBColorSpace,
  Vector3,
} from 'three';
import type { Terrain } from 'zesty-kite';
import type { Ground } from '../lemon-strait/ground.ts';
import { litGround } from './light.ts';

/** Side of a tile, world units. */
const TILE = 128;
/** From this distance on cells of this size, world units. */
const DETAIL = [
  { from: 0, cell: 4 },
  { from: 640, cell: 8 },
  { from: 1200, cell: 16 },
];
/** From this height upward, this colour; world units. */
const BANDS: readonly (readonly [number, string])[] = [
  [-Infinity, '#0e4a57'],
  [-3, '#2a7f86'],
  [-0.6, '#d9c48f'],
  [1.6, '#ecd9a6'],
  [2.9, '#a9c765'],
  [11, '#8fb656'],
  [23, '#619341'],
  [35, '#3f7037'],
  [44, '#cdb86d'],
];

/** The colour of the sea, and its share in that of water; the rest is that of the ground below. */
const SEA = new Color('#1b6d79');
const SEA_SHARE = 0.82;

/** Returns the colour of water over ground of a colour. */
function waterOver(ground: Color): Color {
  return ground.clone().lerp(SEA, SEA_SHARE);
}

/** Returns a picture of colours, one pixel high. */
function paint(colours: readonly Color[]): DataTexture {
  const data = colours.flatMap((colour) => {
    const hex = colour.getHex(SRGBColorSpace);
    return [hex >> 16, (hex >> 8) & 255, hex & 255, 255];
  });
  const texture = new DataTexture(Uint8Array.from(data), colours.length, 1);
  texture.magFilter = texture.minFilter = LinearFilter;
  texture.needsUpdate = true;
  return texture;
}

/** The bands as a picture, one pixel high: so the colour follows the height between samples too, and shores are smooth. */
function paintBands(lowest: number, highest: number): DataTexture {
  const wide = 2048;
  const colourAt = (height: number): Color => {
    const ground = new Color(BANDS.findLast(([from]) => height >= from)?.[1]);
    return height < 0 ? waterOver(ground) : ground;
  };
  return paint(Array.from({ length: wide }, (_, i) => colourAt(lowest + ((i + 0.5) / wide) * (highest - lowest))));
}

/** The sea around the hills, wide enough that its edge does not show; their own water covers the middle of it, and is drawn first. */
export function createSea(width: number, depth: number, sky: string): Mesh {
  const sea = new Mesh(
    new PlaneGeometry(width * 5, depth * 5).rotateX(-Math.PI / 2),
    litGround(paint([waterOver(new Color(sky))])),
  );
  sea.position.set(width / 2, -0.5, depth / 2);
  sea.renderOrder = 1;
  return sea;
}

/** The hills in tiles, each drawn in the detail that its distance asks for. */
export function createHills({ width, height, terrain }: Ground): Group {
  const hills = new Group();
  const material = litGround(paintBands(terrain.lowest, terrain.highest));
  for (let top = 0; top < height; top += TILE)
    for (let left = 0; left < width; left += TILE) {
      const tile = new LOD();
      for (const { from, cell } of DETAIL) tile.addLevel(new Mesh(tileOf(terrain, left, top, cell), material), from);
      // Distances are those to its middle.
      tile.position.set(left + TILE / 2, 0, top + TILE / 2);
      hills.add(tile);
    }
  return hills;
}

/** A tile around its own middle, with a hem that hangs down if a neighbour may be coarser. */
function tileOf(terrain: Terrain, left: number, top: number, cell: number): BufferGeometry {
  const cells = TILE / cell;
  const side = cells + 3;
  const positions = new Float32Array(side * side * 3);
  const normals = new Float32Array(side * side * 3);
  const places = new Float32Array(side * side * 2);
  const indices = new Uint16Array((side - 1) * (side - 1) * 6);
  const { lowest, highest } = terrain;
  const normal = new Vector3();
  // One cell farther than the tile on each side: slopes look there.
  const wide = cells + 3;
  const heights = Float32Array.from({ length: wide * wide }, (_, i) =>
    terrain.heightAt(left + ((i % wide) - 1) * cell, top + (Math.floor(i / wide) - 1) * cell),
  );
  // Ground below the sea is level, and has the colour of both: the sea is not drawn over it.
  const surface = (i: number): number => Math.max(0, heights[i] ?? lowest);
  const within = (i: number): number => Math.min(cells, Math.max(0, i - 1));
  let at = 0;
  for (let row = 0; row < side; row++)
    for (let column = 0; column < side; column++) {
      const [x, y] = [within(column), within(row)];
      const here = (y + 1) * wide + x + 1;
      const height = heights[here] ?? lowest;
      const isHem = column === 0 || row === 0 || column === side - 1 || row === side - 1;
      const i = row * side + column;
      positions.set([x * cell - TILE / 2, Math.max(0, height) - (isHem ? cell : 0), y * cell - TILE / 2], i * 3);
      const slope = (step: number): number => surface(here - step) - surface(here + step);
      normal
        .set(slope(1), 2 * cell, slope(wide))
        .normalize()
        .toArray(normals, i * 3);
      places.set([(height - lowest) / (highest - lowest), 0.5], i * 2);
      if (column === side - 1 || row === side - 1) continue;
      // Along the ridge or the shore, not across it.
      const [next, below, across] = [i + 1, i + side, i + side + 1];
      const heightOf = (dx: number, dy: number): number => heights[here + dy * wide + dx] ?? lowest;
      const isFalling = Math.abs(heightOf(0, 0) - heightOf(1, 1)) < Math.abs(heightOf(1, 0) - heightOf(0, 1));
      indices.set(isFalling ? [i, below, across, i, across, next] : [i, below, next, next, below, across], at);
      at += 6;
    }
  const geometry = new BufferGeometry();
  geometry.setAttribute('position', new BufferAttribute(positions, 3));
  geometry.setAttribute('normal', new BufferAttribute(normals, 3));
  geometry.setAttribute('uv', new BufferAttribute(places, 2));
  geometry.setIndex(new BufferAttribute(indices, 1));
  return geometry;
}
