/** The height field as triangles, for shaders written by hand; and the settings to look at it with. */
import type { Settings } from 'zesty-kite';
import type { Ground } from './ground.ts';

export interface Mesh {
  /** x, y and height of each point, world units. */
  readonly points: Float32Array;
  readonly triangles: Uint32Array;
}

/** @param skip every so many samples of the height field make a point */
export function meshOf(ground: Ground, skip = 2): Mesh {
  const size = ground.step * skip;
  const columns = ground.width / size + 1;
  const rows = ground.height / size + 1;
  const points = new Float32Array(columns * rows * 3);
  const triangles = new Uint32Array((columns - 1) * (rows - 1) * 6);
  let at = 0;
  for (let row = 0; row < rows; row++)
    for (let column = 0; column < columns; column++) {
      const i = row * columns + column;
      points.set([column * size, row * size, Math.max(-1.5, ground.sample(column * skip, row * skip))], i * 3);
      if (column === columns - 1 || row === rows - 1) continue;
      // Split along the ridge or the shore, not across it.
      const [next, below, across] = [i + 1, i + columns, i + columns + 1];
      const heightOf = (dx: number, dy: number): number => ground.sample((column + dx) * skip, (row + dy) * skip);
      const isFalling = Math.abs(heightOf(0, 0) - heightOf(1, 1)) < Math.abs(heightOf(1, 0) - heightOf(0, 1));
      triangles.set(isFalling ? [i, below, across, i, across, next] : [i, below, next, next, below, across], at);
      at += 6;
    }
  return { points, triangles };
}

export function settingsOver({ width, height, terrain }: Ground): Settings {
  return {
    bounds: { left: 0, top: 0, right: width, bottom: height, keep: 'focus' },
    start: { span: 260 },
    ground: { lowest: terrain.lowest, highest: terrain.highest },
    zoom: { minSpan: 40, maxSpan: 700 },
    pitch: {
      degrees: [
        [40, 34],
        [700, 68],
      ],
    },
    lens: { fieldOfView: 40 },
    bindings: { turnLeft: ['KeyQ'], turnRight: ['KeyE'], drag: ['MouseLeft', 'Touch'] },
  };
}
