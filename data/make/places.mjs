/** Groves, press houses, piers, lighthouses; and the barges that run between the piers. */
import { DEPTH, WIDTH } from './ground.mjs';

const GROVES = [
  'Amber',
  'Bellwether',
  'Cinnabar',
  'Dewfall',
  'Eventide',
  'Fennel',
  'Goldcup',
  'Hearth',
  'Inkberry',
  'Juniper',
  'Kettle',
  'Larkrise',
];
const PRESSES = ['Slow Wheel', 'Three Stones', 'Old Mill Race', 'Sunday Press', 'Copper Spout'];
const PIERS = [
  'Ash',
  'Barnacle',
  'Cutwater',
  'Driftwood',
  'Ebb',
  'Flagstone',
  'Gannet',
  'Heron',
  'Isinglass',
  'Jetsam',
  'Keel',
  'Lantern',
];
const CELL = 8;

export function makePlaces(random, ground) {
  const features = [];
  const add = (name, kind, [x, y]) =>
    features.push({
      type: 'Feature',
      properties: { name, kind, height: round(ground.heightAt(x, y)) },
      geometry: { type: 'Point', coordinates: [round(x), round(y)] },
    });
  const { islands } = ground;
  GROVES.forEach((name, i) => add(`${name} Grove`, 'grove', near(random, islands[i], 0.45)));
  PRESSES.forEach((name, i) => add(`${name} Press`, 'press house', near(random, islands[i], 0.2)));
  PIERS.forEach((name, i) => add(`${name} Pier`, 'pier', waterside(random, ground, islands[i * 2])));
  add('North Light', 'lighthouse', [islands[13].x, islands[13].y]);
  add('South Light', 'lighthouse', [islands[17].x, islands[17].y]);
  return { type: 'FeatureCollection', features };
}

/** Barges with a route each: there along the water, and back. */
export function makeRoutes(random, ground, places) {
  const piers = places.features.filter(({ properties }) => properties.kind === 'pier');
  const barges = [];
  for (let i = 0; i < 16; i++) {
    const from = piers[i % piers.length];
    const to = piers[(i * 5 + 3) % piers.length];
    if (from === to) continue;
    const route = waterway(ground, from.geometry.coordinates, to.geometry.coordinates);
    if (route === null) continue;
    barges.push({
      name: `Barge ${String(i + 1)}`,
      from: from.properties.name,
      to: to.properties.name,
      crates: Math.floor(random.between(4, 40)),
      speed: round(random.between(7, 13)),
      start: round(random.next()),
      route,
    });
  }
  return { barges };
}

function near(random, island, share) {
  const reach = island.size * share;
  return [island.x + random.between(-reach, reach), island.y + random.between(-reach, reach)];
}

/** The distance from the middle of an island straight to the water. */
function waterside(random, ground, island) {
  const [aimX, aimY] = near(random, { ...island, size: 1 }, 1);
  const toX = aimX - island.x;
  const toY = aimY - island.y;
  const length = Math.sqrt(toX * toX + toY * toY);
  let x = island.x;
  let y = island.y;
  while (ground.heightAt(x, y) > -0.6 && x > 8 && y > 8 && x < WIDTH - 8 && y < DEPTH - 8) {
    x += toX / length;
    y += toY / length;
  }
  return [x, y];
}

/** The cheapest way over water on a lattice (E. W. Dijkstra, 1959), with needless bends taken out. */
function waterway(ground, from, to) {
  const columns = WIDTH / CELL;
  const rows = DEPTH / CELL;
  const cellOf = ([x, y]) => Math.floor(y / CELL) * columns + Math.floor(x / CELL);
  const middle = (cell) => [((cell % columns) + 0.5) * CELL, (Math.floor(cell / columns) + 0.5) * CELL];
  const price = (cell) => {
    const height = ground.heightAt(...middle(cell));
    return height < -1.2 ? 1 : height < -0.3 ? 4 : 400;
  };
  const cost = new Float64Array(columns * rows).fill(Infinity);
  const before = new Int32Array(columns * rows).fill(-1);
  const open = [cellOf(from)];
  const goal = cellOf(to);
  cost[open[0]] = 0;
  while (open.length > 0) {
    let best = 0;
    for (let i = 1; i < open.length; i++) if (cost[open[i]] < cost[open[best]]) best = i;
    const [cell] = open.splice(best, 1);
    if (cell === goal) break;
    const column = cell % columns;
    for (const [i, j, length] of [
      [1, 0, 1],
      [-1, 0, 1],
      [0, 1, 1],
      [0, -1, 1],
      [1, 1, 1.5],
      [1, -1, 1.5],
      [-1, 1, 1.5],
      [-1, -1, 1.5],
    ]) {
      const next = cell + i + j * columns;
      if (column + i < 0 || column + i >= columns || next < 0 || next >= columns * rows) continue;
      const total = cost[cell] + length * price(next);
      if (total >= cost[next]) continue;
      if (cost[next] === Infinity) open.push(next);
      cost[next] = total;
      before[next] = cell;
    }
  }
  if (cost[goal] > 1200) return null;
  const route = [to];
  for (let cell = before[goal]; cell > 0 && before[cell] >= 0; cell = before[cell]) route.unshift(middle(cell));
  return straightened(ground, [from, ...route]);
}

function straightened(ground, route) {
  const kept = [route[0]];
  let from = 0;
  while (from < route.length - 1) {
    let reach = from + 1;
    for (let to = from + 2; to < route.length && isOpenWater(ground, route[from], route[to]); to++) reach = to;
    kept.push(route[reach]);
    from = reach;
  }
  return kept.map(([x, y]) => [round(x), round(y)]);
}

function isOpenWater(ground, [fromX, fromY], [toX, toY]) {
  for (let i = 1; i < 32; i++) {
    const share = i / 32;
    if (ground.heightAt(fromX + (toX - fromX) * share, fromY + (toY - fromY) * share) > -0.9) return false;
  }
  return true;
}

function round(value) {
  return Math.round(value * 100) / 100;
}
