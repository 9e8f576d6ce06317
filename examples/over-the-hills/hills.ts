/** The height field as a mesh, coloured by height. */
import {
  BufferAttribute,
  BufferGeometry,
  Color,
  DataTexture,
  LinearFilter,
  Mesh,
  MeshLambertMaterial,
  SRGBColorSpace,
} from 'three';
import type { Ground } from '../lemon-strait/ground.ts';

/** Every second sample of the height field. */
const SKIP = 2;
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

/** The bands as a picture, one pixel high: so the colour follows the height between samples too, and shores are smooth. */
function paintBands(lowest: number, highest: number): DataTexture {
  const wide = 2048;
  const data = new Uint8Array(wide * 4).fill(255);
  for (let i = 0; i < wide; i++) {
    const height = lowest + ((i + 0.5) / wide) * (highest - lowest);
    const colour = new Color(BANDS.findLast(([from]) => height >= from)?.[1]).getHex(SRGBColorSpace);
    data.set([colour >> 16, (colour >> 8) & 255, colour & 255], i * 4);
  }
  const texture = new DataTexture(data, wide, 1);
  texture.colorSpace = SRGBColorSpace;
  texture.magFilter = texture.minFilter = LinearFilter;
  texture.needsUpdate = true;
  return texture;
}

export function createHills(ground: Ground): Mesh {
  const size = ground.step * SKIP;
  const columns = ground.width / size + 1;
  const rows = ground.height / size + 1;
  const positions = new Float32Array(columns * rows * 3);
  const places = new Float32Array(columns * rows * 2);
  const { lowest, highest } = ground.terrain;
  for (let row = 0; row < rows; row++) {
    for (let column = 0; column < columns; column++) {
      const height = ground.sample(column * SKIP, row * SKIP);
      const i = (row * columns + column) * 3;
      positions.set([column * size, height, row * size], i);
      places.set([(height - lowest) / (highest - lowest), 0.5], (row * columns + column) * 2);
    }
  }
  const indices = new Uint32Array((columns - 1) * (rows - 1) * 6);
  let at = 0;
  for (let row = 0; row < rows - 1; row++) {
    for (let column = 0; column < columns - 1; column++) {
      const i = row * columns + column;
      indices.set([i, i + columns, i + 1, i + 1, i + columns, i + columns + 1], at);
      at += 6;
    }
  }
  const geometry = new BufferGeometry();
  geometry.setAttribute('position', new BufferAttribute(positions, 3));
  geometry.setAttribute('uv', new BufferAttribute(places, 2));
  geometry.setIndex(new BufferAttribute(indices, 1));
  geometry.computeVertexNormals();
  return new Mesh(geometry, new MeshLambertMaterial({ map: paintBands(lowest, highest) }));
}
