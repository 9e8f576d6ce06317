/** The minimap: ground and pixels both ways, and what the view sees of it. */
import { test } from '@jest/globals';
import { expect } from './expect.ts';
import fc from 'fast-check';
import { Camera } from '../src/index.ts';
import { Minimap } from '../src/minimap/index.ts';
import { isInside } from '../src/minimap/clip.ts';
import { forAll } from './law.ts';
import { between, looks } from './steering.ts';

const area = { left: -1000, top: -800, right: 1200, bottom: 900 };
const region = fc.record({
  left: between(0, 300),
  top: between(0, 300),
  width: between(40, 400),
  height: between(40, 400),
});
const kinds = fc.record({
  turns: fc.boolean(),
  round: fc.boolean(),
  shows: fc.oneof(fc.constant({ area }), fc.record({ around: between(50, 2000) })),
});
const places = fc.record({
  x: between(-1500, 1500),
  y: between(-1500, 1500),
  span: between(20, 1500),
  heading: between(-180, 180),
});

/** Whether a pixel is in it, but for rounding. */
function hasNearly(minimap: Minimap, x: number, y: number): boolean {
  const { left, top, width, height } = minimap.region;
  const middleX = left + width / 2;
  const middleY = top + height / 2;
  return minimap.has(middleX + (x - middleX) * (1 - 1e-9), middleY + (y - middleY) * (1 - 1e-9));
}

test('a pixel is inside the outline if its ground shows, and outside if not; ground and pixels agree both ways', () => {
  const points = fc.array(fc.tuple(between(1e-3, 0.999), between(1e-3, 0.999)), { minLength: 8, maxLength: 8 });
  forAll(looks, places, kinds, region, points, fc.boolean(), (look, place, kind, where, shares, wraps) => {
    const wrap = wraps ? { x: 2200, y: 1700 } : {};
    const camera = new Camera({ ...look, wrap }, { screen: { width: 900, height: 600 } });
    camera.place(place);
    const view = camera.advance(0);
    const minimap = new Minimap(camera, { turns: kind.turns, round: kind.round, ...kind.shows });
    minimap.region = where;
    const outline = minimap.outline();
    for (const { x, y } of outline) expect(hasNearly(minimap, x, y)).toBe(true);
    for (const [right, down] of shares) {
      const x = where.left + right * where.width;
      const y = where.top + down * where.height;
      const ground = minimap.toGround(x, y);
      const back = minimap.toMinimap(ground.x, ground.y);
      if (!wraps) expect(Math.hypot(back.x - x, back.y - y)).toBeLessThan(1e-6);
      const at = view.toScreen(ground.x, ground.y);
      const inward = Math.min(at.x, view.width - at.x, at.y, view.height - at.y);
      // Next to an edge rounding decides, and the horizon is far beyond what a footprint reaches.
      const far = Math.hypot(ground.x - view.x, ground.y - view.y) / view.span;
      if (!at.inFront || Math.abs(inward) < 1e-3 || far > 40 || wraps || !minimap.has(x, y)) continue;
      // Of a disc the outline has corners.
      const middleX = where.left + where.width / 2;
      const middleY = where.top + where.height / 2;
      const off = Math.hypot(x - middleX, y - middleY) / (Math.min(where.width, where.height) / 2);
      if (kind.round && off > 0.998) continue;
      expect(isInside({ x, y }, outline)).toBe(inward > 0);
    }
  });
});

test('it shows all of its area, whichever way it is turned; the outline comes as SVG and as a path', () => {
  forAll(places, kinds, region, (place, { turns, round }, where) => {
    const bounds = { ...area, keep: 'focus' as const };
    const camera = new Camera({ bounds, turn: { min: -180, max: 180 } }, { screen: { width: 900, height: 600 } });
    camera.place(place);
    camera.advance(0);
    const minimap = new Minimap(camera, { turns, round });
    minimap.region = where;
    const { left, top, right, bottom } = area;
    for (const [x, y] of [
      [left, top],
      [right, bottom],
      [left, bottom],
    ] as const) {
      const at = minimap.toMinimap(x, y);
      expect(hasNearly(minimap, at.x, at.y)).toBe(true);
    }
    const corners: number[][] = [];
    minimap.traceOutline({
      beginPath: () => undefined,
      closePath: () => undefined,
      moveTo: (x, y) => void corners.push([x, y]),
      lineTo: (x, y) => void corners.push([x, y]),
    });
    const path = corners.map(([x = NaN, y = NaN]) => `${x.toFixed(2)} ${y.toFixed(2)}`).join('L');
    expect(minimap.outlinePath()).toBe(path === '' ? '' : `M${path}Z`);
  });
});

test('over a seam the outline has a part on either side: a pixel is in one of them if and only if its ground shows', () => {
  const period = 2200;
  let seams = 0;
  const shares = fc.array(fc.tuple(between(0.001, 0.999), between(0.001, 0.999)), { minLength: 8, maxLength: 8 });
  forAll(places, shares, (place, points) => {
    const camera = new Camera(
      { wrap: { x: period }, bounds: { ...area, right: area.left + period, keep: 'focus' }, pitch: { degrees: 55 } },
      { screen: { width: 900, height: 600 } },
    );
    camera.place({ ...place, span: Math.min(place.span, 900) });
    const view = camera.advance(0);
    const minimap = new Minimap(camera);
    const parts = minimap.outlines();
    if (parts.length > 1) seams += 1;
    for (const [right, down] of points) {
      const { left, top, width, height } = minimap.region;
      const at = { x: left + right * width, y: top + down * height };
      if (!minimap.has(at.x, at.y)) continue;
      const ground = minimap.toGround(at.x, at.y);
      const seen = view.toScreen(ground.x, ground.y);
      const inward = Math.min(seen.x, view.width - seen.x, seen.y, view.height - seen.y);
      if (!seen.inFront || Math.abs(inward) < 1e-3) continue;
      expect(parts.some((part) => isInside(at, part))).toBe(inward > 0);
    }
  });
  expect(seams).toBeGreaterThan(5);
});

test('the outline is of the whole screen, or of the safe frame as a choice', () => {
  const camera = new Camera({ safeFrame: { left: 300 } }, { screen: { width: 900, height: 600 } });
  camera.advance(0);
  const wide = (outlineOf: 'screen' | 'safe-frame'): number => {
    const xs = new Minimap(camera, { around: 1000, outlineOf }).outline().map(({ x }) => x);
    return Math.max(...xs) - Math.min(...xs);
  };
  expect(wide('safe-frame') / wide('screen')).toBeCloseTo(2 / 3, 6);
  expect(() => new Minimap(camera, { around: 9, outlineOf: 'all' as 'screen' })).toThrow('minimap.outlineOf');
});

test('without an area, bounds or a distance it says what would do', () => {
  const camera = new Camera({}, { screen: { width: 900, height: 600 } });
  expect(() => new Minimap(camera)).toThrow('expected an area {left, top, right, bottom}');
  expect(() => new Minimap(camera, { around: 100 })).not.toThrow();
});
