/** Makes `data/lemon-strait/`, the demo world. Running it again gives the same bytes. `npm run data` */
import { mkdirSync, writeFileSync } from 'node:fs';
import { encode } from 'fast-png';
import { makeGround } from './make/ground.mjs';
import { makePlaces, makeRoutes } from './make/places.mjs';
import { createRandom } from './make/random.mjs';
import { terrainOfGrid } from 'zesty-kite';
import {
  crossing,
  directed,
  flung,
  handed,
  hilly,
  isometric,
  overTheHills,
  straightDown,
  turned,
} from './make/sessions.mjs';
import { makeShore } from './make/shore.mjs';
import { makeTiles } from './make/tiles.mjs';

const here = new URL('./lemon-strait/', import.meta.url);
const write = (name, content) => {
  const file = new URL(name, here);
  mkdirSync(new URL('.', file), { recursive: true });
  writeFileSync(file, content);
  console.log(`data/lemon-strait/${name}  ${Buffer.byteLength(content)} bytes`);
};
const json = (value) => `${JSON.stringify(value, null, 2)}\n`;
const rows = (values) => values.map((value) => `${JSON.stringify(value)}\n`).join('');

const random = createRandom(0x1e3045);
const ground = makeGround(random);
const places = makePlaces(random, ground);

write(
  'height.png',
  encode({ width: ground.columns, height: ground.rows, data: ground.samples, channels: 1, depth: 16 }),
);
// The same, every fourth sample: what pages draw until the rest has come.
const COARSE = 4;
const sparse = { columns: (ground.columns - 1) / COARSE + 1, rows: (ground.rows - 1) / COARSE + 1 };
write(
  'height-coarse.png',
  encode({
    width: sparse.columns,
    height: sparse.rows,
    data: Uint16Array.from(
      { length: sparse.columns * sparse.rows },
      (_, i) =>
        ground.samples[Math.floor(i / sparse.columns) * COARSE * ground.columns + (i % sparse.columns) * COARSE],
    ),
    channels: 1,
    depth: 16,
  }),
);
write('ground.json', json(ground.description));
write('tiles.json', json(makeTiles(ground)));
const shore = makeShore(random);
write('shore.geojson', json(shore));
write('places.geojson', json(places));
write('barges.json', json(makeRoutes(random, ground, places)));

const [outline, hull] = shore.features;
const twoToOne = isometric(outline);
const tilted = overTheHills(hull);
write('settings/straight-down.json', json(straightDown));
write('settings/two-to-one.json', json(twoToOne));
write('settings/over-the-hills.json', json(tilted));

const { columns, rows: lines, step, lowest, highest } = ground.description.samples;
const heights = Float64Array.from(ground.samples, (value) => lowest + (value / 65535) * (highest - lowest));
const terrain = terrainOfGrid({ id: ground.description.name, columns, rows: lines, step, heights });
write('sessions/crossing.ndjson', rows(crossing()));
write('sessions/flung.ndjson', rows(flung(createRandom(0xf1e6))));
write('sessions/turned.ndjson', rows(turned(twoToOne)));
write('sessions/hilly.ndjson', rows(hilly(tilted, terrain)));
write('sessions/handed.ndjson', rows(handed(tilted, terrain)));
write('sessions/directed.ndjson', rows(directed(tilted, terrain)));
