/** The height field as a mesh, coloured by height. */
import { BufferAttribute, BufferGeometry, Color, Mesh, MeshLambertMaterial } from 'three';
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

export function createHills(ground: Ground): Mesh {
  const size = ground.step * SKIP;
  const columns = ground.width / size + 1;
  const rows = ground.height / size + 1;
  const positions = new Float32Array(columns * rows * 3);
  const colours = new Float32Array(columns * rows * 3);
  const bands = BANDS.map(([from, colour]) => ({ from, colour: new Color(colour) }));
  for (let row = 0; row < rows; row++) {
    for (let column = 0; column < columns; column++) {
      const height = ground.sample(column * SKIP, row * SKIP);
      const i = (row * columns + column) * 3;
      positions.set([column * size, height, row * size], i);
      const colour = bands.findLast(({ from }) => height >= from)?.colour;
      colour?.toArray(colours, i);
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
  geometry.setAttribute('color', new BufferAttribute(colours, 3));
  geometry.setIndex(new BufferAttribute(indices, 1));
  geometry.computeVertexNormals();
  return new Mesh(geometry, new MeshLambertMaterial({ vertexColors: true }));
}
