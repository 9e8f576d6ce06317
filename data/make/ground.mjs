/** The ground of Lemon Strait: some thirty terraced islands in a tidal delta. */
import { createNoise } from './random.mjs';

export const WIDTH = 1024;
export const DEPTH = 768;
const STEP = 2;
const LOWEST = -6;
const HIGHEST = 60;
const ISLANDS = 31;
const TERRACE = 6;

export function makeGround(random) {
  const islands = placeIslands(random);
  const coast = createNoise(random, 46);
  const detail = createNoise(random, 17);
  const bed = createNoise(random, 90);
  const columns = WIDTH / STEP + 1;
  const rows = DEPTH / STEP + 1;
  const samples = new Uint16Array(columns * rows);
  for (let row = 0; row < rows; row++) {
    for (let column = 0; column < columns; column++) {
      const x = column * STEP;
      const y = row * STEP;
      const rough = 0.2 * coast(x, y) + 0.08 * detail(x, y);
      let land = -1;
      for (const island of islands) land = Math.max(land, island.rise(x, y, rough));
      const water = -3.6 + 1.6 * bed(x, y) + 2.4 * Math.max(-1, land * 0.9);
      const height = land > 0 ? terraced(land * HIGHEST) : Math.min(-0.2, water);
      const share = (Math.min(HIGHEST, Math.max(LOWEST, height)) - LOWEST) / (HIGHEST - LOWEST);
      samples[row * columns + column] = Math.round(share * 65535);
    }
  }
  const heightAt = (x, y) => {
    const column = Math.min(columns - 1, Math.max(0, Math.round(x / STEP)));
    const row = Math.min(rows - 1, Math.max(0, Math.round(y / STEP)));
    return LOWEST + (samples[row * columns + column] / 65535) * (HIGHEST - LOWEST);
  };
  const description = {
    name: 'Lemon Strait',
    width: WIDTH,
    height: DEPTH,
    metresPerUnit: 4,
    seaLevel: 0,
    samples: { file: 'height.png', columns, rows, step: STEP, lowest: LOWEST, highest: HIGHEST },
  };
  return { columns, rows, samples, islands, heightAt, description };
}

/** Islands that keep a channel between each other, the large ones first. */
function placeIslands(random) {
  const islands = [];
  for (let tries = 0; islands.length < ISLANDS && tries < 20000; tries++) {
    const size = islands.length < 7 ? random.between(62, 96) : random.between(22, 50);
    const x = random.between(50 + size * 0.6, WIDTH - 50 - size * 0.6);
    const y = random.between(40 + size * 0.6, DEPTH - 40 - size * 0.6);
    if (islands.some((other) => square(other.x - x) + square(other.y - y) < square((other.size + size) * 0.93 + 9)))
      continue;
    islands.push(createIsland(random, x, y, size));
  }
  return islands;
}

function createIsland(random, x, y, size) {
  // A direction without sines: the rational points of the circle.
  const t = random.between(-1, 1);
  const cosine = (1 - t * t) / (1 + t * t);
  const sine = (2 * t) / (1 + t * t);
  const slender = random.between(0.62, 1);
  const top = Math.min(1, (size / 96) * random.between(0.62, 1));
  const rise = (px, py, rough) => {
    const along = ((px - x) * cosine + (py - y) * sine) / size;
    const across = ((py - y) * cosine - (px - x) * sine) / (size * slender);
    const from = along * along + across * across;
    return from > 4 ? -1 : top * (1 - from) + rough * 0.8;
  };
  return { x, y, size, rise };
}

/** Steps with short slopes between them, as growers cut them; the beach stays a slope. */
function terraced(height) {
  if (height < 2.5) return height;
  const level = Math.floor(height / TERRACE);
  const within = height / TERRACE - level;
  const slope = within < 0.62 ? 0.12 * within : 0.0744 + (within - 0.62) * 2.4358;
  return Math.max(2.5, (level + slope) * TERRACE);
}

function square(value) {
  return value * value;
}
