/** The playable area: a ring inside the map's edge with bays, and its convex hull. GeoJSON. */
import { DEPTH, WIDTH } from './ground.mjs';

export function makeShore(random) {
  const ring = [];
  const inward = (deep) => random.between(6, 22) + deep;
  for (let x = 40; x < WIDTH - 40; x += 72) ring.push([x, inward(x > 380 && x < 560 ? 60 : 0)]);
  for (let y = 40; y < DEPTH - 40; y += 72) ring.push([WIDTH - inward(0), y]);
  for (let x = WIDTH - 40; x > 40; x -= 72) ring.push([x, DEPTH - inward(x > 600 && x < 800 ? 90 : 0)]);
  for (let y = DEPTH - 40; y > 40; y -= 72) ring.push([inward(0), y]);
  const outline = ring.map(([x, y]) => [Math.round(x * 10) / 10, Math.round(y * 10) / 10]);
  return {
    type: 'FeatureCollection',
    features: [
      feature('shore', 'The playable area. Coordinates are world units: x to the right, y downward.', outline),
      feature('hull', 'The convex hull of the shore.', convexHull(outline)),
    ],
  };
}

function feature(name, description, outline) {
  // RFC 7946 has the outer ring counterclockwise for y upward, that is clockwise as y points here.
  const ring = area(outline) > 0 ? outline : [...outline].reverse();
  return {
    type: 'Feature',
    properties: { name, description },
    geometry: { type: 'Polygon', coordinates: [[...ring, ring[0]]] },
  };
}

function area(ring) {
  return ring.reduce((sum, [x, y], i) => {
    const [nextX, nextY] = ring[(i + 1) % ring.length];
    return sum + x * nextY - nextX * y;
  }, 0);
}

/** A. M. Andrew, Information Processing Letters 9 (1979). */
function convexHull(points) {
  const sorted = [...points].sort((a, b) => a[0] - b[0] || a[1] - b[1]);
  const half = (list) => {
    const chain = [];
    for (const point of list) {
      while (chain.length > 1 && turn(chain.at(-2), chain.at(-1), point) <= 0) chain.pop();
      chain.push(point);
    }
    return chain.slice(0, -1);
  };
  return [...half(sorted), ...half([...sorted].reverse())];
}

function turn(a, b, c) {
  return (b[0] - a[0]) * (c[1] - a[1]) - (b[1] - a[1]) * (c[0] - a[0]);
}
