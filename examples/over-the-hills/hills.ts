/** The height field as a mesh, coloured by height. */
import {
  BufferAttribute,
  BufferGeometry,
  Color,
  DataTexture,
  Group,
  NearestFilter,
  LOD,
  Mesh,
  PlaneGeometry,
  SRGBColorSpace,
  Vector3,
} from 'three';
import type { Terrain } from 'zesty-kite';
import type { Ground } from '../lemon-strait/ground.ts';
import { lightOn, litGround } from './light.ts';
import { triangulated } from './triangles.ts';

/** Side of a tile, least side of its cells, and the length of its hem, which covers what neighbours are off; world units. */
const TILE = 128;
const CELL = 4;
const HEM = 8;
/** From each distance on, the most that heights may be off; world units. The distances count for a lens of `FOCAL` pixels. */
const DETAIL = [
  { from: 0, most: 0.1 },
  { from: 640, most: 0.4 },
  { from: 1200, most: 1.5 },
  { from: 3600, most: 5 },
];
/** The focal length of a lens of 40° on a screen of 800 pixels. */
export const FOCAL = 1100;
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
  texture.magFilter = texture.minFilter = NearestFilter;
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
  const plane = new PlaneGeometry(width * 5, depth * 5).rotateX(-Math.PI / 2);
  const light = lightOn(new Vector3(0, 1, 0)).toArray();
  plane.setAttribute('light', new BufferAttribute(Uint8Array.from([light, light, light, light].flat()), 3, true));
  const sea = new Mesh(plane, litGround(paint([waterOver(new Color(sky))])));
  sea.position.set(width / 2, -0.5, depth / 2);
  sea.renderOrder = 1;
  return sea;
}

/** The hills in tiles, each in the detail that its distance needs. */
export function createHills({ width, height, step, terrain }: Ground): Group {
  const hills = new Group();
  const cell = Math.max(CELL, step);
  const material = litGround(paintBands(terrain.lowest, terrain.highest));
  for (let top = 0; top < height; top += TILE)
    for (let left = 0; left < width; left += TILE) {
      const tile = new LOD();
      tileOf(terrain, left, top, cell).forEach((geometry, i) =>
        tile.addLevel(new Mesh(geometry, material), DETAIL[i]?.from),
      );
      // Distances are those to its middle.
      tile.position.set(left + TILE / 2, 0, top + TILE / 2);
      hills.add(tile);
    }
  return hills;
}

/** A tile around its own middle, in each detail; a hem hangs down from its sides where a neighbour may be coarser. */
function tileOf(terrain: Terrain, left: number, top: number, cell: number): readonly BufferGeometry[] {
  const { lowest, highest } = terrain;
  const cells = TILE / cell;
  const side = cells + 1;
  // One cell farther than the tile on each side: slopes look there.
  const wide = side + 2;
  const heights = Float32Array.from({ length: wide * wide }, (_, i) =>
    terrain.heightAt(left + ((i % wide) - 1) * cell, top + (Math.floor(i / wide) - 1) * cell),
  );
  const inTile = (corner: number): number => (Math.floor(corner / side) + 1) * wide + (corner % side) + 1;
  const heightOf = (corner: number): number => heights[inTile(corner)] ?? lowest;
  // Ground below the sea is level, and has the colour of both: the sea is not drawn over it.
  const surface = (i: number): number => Math.max(0, heights[i] ?? lowest);

  const count = side * side;
  const positions = new Float32Array(2 * count * 3);
  const lights = new Uint8Array(2 * count * 3);
  const places = new Float32Array(2 * count * 2);
  const normal = new Vector3();
  for (let corner = 0; corner < count; corner++) {
    const here = inTile(corner);
    positions[3 * corner] = (corner % side) * cell - TILE / 2;
    positions[3 * corner + 1] = surface(here);
    positions[3 * corner + 2] = Math.floor(corner / side) * cell - TILE / 2;
    places[2 * corner] = (heightOf(corner) - lowest) / (highest - lowest);
    const [east, south] = [surface(here - 1) - surface(here + 1), surface(here - wide) - surface(here + wide)];
    lightOn(normal.set(east, 2 * cell, south).normalize()).toArray(lights, 3 * corner);
  }
  // Again, at the foot of the hem.
  positions.copyWithin(3 * count, 0, 3 * count);
  for (let i = count; i < 2 * count; i++) positions[3 * i + 1] = (positions[3 * i + 1] ?? 0) - HEM;
  places.copyWithin(2 * count, 0, 2 * count);
  lights.copyWithin(3 * count, 0, 3 * count);
  const triangles = triangulated(
    cells,
    (middle, one, other) => Math.abs(heightOf(middle) - (heightOf(one) + heightOf(other)) / 2),
    // Along the ridge or the shore, not across it.
    (corner) =>
      Math.abs(heightOf(corner) - heightOf(corner + side + 1)) <
      Math.abs(heightOf(corner + 1) - heightOf(corner + side)),
  );
  const attributes = {
    position: new BufferAttribute(positions, 3),
    light: new BufferAttribute(lights, 3, true),
    uv: new BufferAttribute(places, 2),
  };
  return DETAIL.map(({ most }) => {
    const geometry = new BufferGeometry();
    for (const [name, attribute] of Object.entries(attributes)) geometry.setAttribute(name, attribute);
    const ground = triangles(most);
    const hem: number[] = [];
    ground.forEach((from, i) => {
      const to = ground[i % 3 === 2 ? i - 2 : i + 1] ?? from;
      if (isOnASide(from, to, side)) hem.push(to, from, from + count, to, from + count, to + count);
    });
    geometry.setIndex(new BufferAttribute(Uint16Array.from(ground.concat(hem)), 1));
    return geometry;
  });
}

/** Whether two corners lie on the same side of a tile. @param side corners along a side */
function isOnASide(one: number, other: number, side: number): boolean {
  const column = one % side;
  if (column === other % side) return column === 0 || column === side - 1;
  const row = Math.floor(one / side);
  return row === Math.floor(other / side) && (row === 0 || row === side - 1);
}
