/** Ground below the eye, ground that changes while it is looked at, and ground that repeats itself. */
import { test } from '@jest/globals';
import { expect } from './expect.ts';
import fc from 'fast-check';
import { Camera, reshapeGrid, terrainOf, terrainOfGrid, type Settings, type Terrain } from '../src/index.ts';
import { record } from '../src/session/index.ts';
import { forAll, forRuns } from './law.ts';
import { playAgain, read } from './sessions.ts';
import { between, bitsOf, hills, pixelsBetween } from './steering.ts';

const screen = { width: 800, height: 600 };
const tilted: Settings = {
  start: { x: 200, y: 200, span: 60 },
  pitch: { degrees: 22, halfLife: 0 },
  lens: { fieldOfView: 40, halfLife: 0 },
  zoom: { minSpan: 10, maxSpan: 900 },
  ground: { followHalfLife: 0.2, clearance: 2 },
};

/** Steep, ragged ground: cliffs of 40 units from one sample to the next. */
const heights = Float64Array.from({ length: 101 * 101 }, (_, i) => ((i * 7919) % 13 === 0 ? 40 : (i % 101) / 10));
const cliffs = terrainOfGrid({ id: 'cliffs', columns: 101, rows: 101, step: 5, heights });

test('the envelope of the ground: nowhere lower, nowhere steeper than 45° along an axis, nowhere a kink', () => {
  for (const [terrain, steepest, step] of [
    [cliffs, 1, 5],
    [hills, Math.max(1, 120 / (24 * hills.feature)), hills.feature],
  ] as const) {
    const over = (x: number, y: number): number => {
      const spot = { x, y, height: NaN };
      terrain.sampleEnvelopeInto(spot);
      return spot.height;
    };
    // Heights are rounded to a share of the step: each by half of it.
    const grain = 2 ** Math.floor(Math.log2(step / 262_144));
    forRuns(500, between(0, 500), between(0, 500), between(0.001, 30), fc.boolean(), (x, y, away, east) => {
      const here = over(x, y);
      expect(here).toBeGreaterThanOrEqual(terrain.heightAt(x, y));
      expect(here).toBeLessThanOrEqual(terrain.highest);
      const before = east ? over(x - away, y) : over(x, y - away);
      const after = east ? over(x + away, y) : over(x, y + away);
      expect(Math.abs(after - here)).toBeLessThanOrEqual(away * steepest * (1 + 1e-9) + grain);
      expect(Math.abs(after - 2 * here + before)).toBeLessThanOrEqual(
        (away * away * steepest) / (2 * step) + 2 * grain,
      );
    });
  }
});

test('the envelope of a function that rises between its samples: never lower, and smooth wherever it is higher', () => {
  let smooth = 0;
  forAll(
    between(3, 20),
    between(2, 24),
    between(0, 7),
    between(0, 400),
    between(0.001, 4),
    (wave, range, phase, x, away) => {
      // Waves on a plateau with cliffs around.
      const heightAt = (east: number, south: number): number =>
        Math.abs(east - 200) > wave
          ? 0
          : range * (0.75 + Math.sin((6.283 * east) / wave + phase) * Math.cos(south) * 0.25);
      const terrain = terrainOf({ id: 'waves', lowest: 0, highest: range, feature: 1, heightAt });
      const over = (at: number): number => {
        const spot = { x: at, y: 7.3, height: NaN };
        terrain.sampleEnvelopeInto(spot);
        return spot.height;
      };
      const places = [x - away, x, x + away];
      const [before = 0, here = 0, after = 0] = places.map(over);
      places.forEach((at, i) => {
        expect([before, here, after][i]).toBeGreaterThanOrEqual(terrain.heightAt(at, 7.3));
      });
      // Between two samples the function itself may be the higher one, with its slope and its kinks.
      const steps = Array.from({ length: 41 }, (_, i) => x + ((i - 20) / 20) * away);
      if (steps.some((at) => terrain.heightAt(at, 7.3) > 0 && over(at) <= terrain.heightAt(at, 7.3) + 1e-9)) return;
      smooth += 1;
      expect(Math.abs(after - here)).toBeLessThanOrEqual(away * (1 + 1e-9));
      expect(Math.abs(after - 2 * here + before)).toBeLessThanOrEqual((away * away) / 2 + 1e-9);
    },
  );
  expect(smooth).toBeGreaterThan(15);
});

test('over steep ground the eye keeps its clearance in every frame; it rises no faster than it goes, and does not jerk', () => {
  forRuns(
    15,
    between(0, 360),
    fc.constantFrom('KeyW' as const, 'KeyA' as const, 'KeyD' as const),
    between(0.3, 2),
    (heading, code, speed) => {
      const camera = new Camera(
        {
          ...tilted,
          start: { ...tilted.start, heading },
          pan: { speed },
          ground: { clearance: 2, followHalfLife: 60 },
        },
        { screen, terrain: cliffs },
      );
      camera.advance(0);
      camera.signal({ kind: 'key', code, down: true, time: 0 });
      let before = camera.advance(10).eye();
      let last = { way: 0, rise: 0 };
      for (let time = 20; time < 2500; time += 10) {
        const eye = camera.advance(time).eye();
        expect(eye.height - cliffs.heightAt(eye.x, eye.y)).toBeGreaterThan(2 - 1e-6);
        const way = Math.abs(eye.x - before.x) + Math.abs(eye.y - before.y);
        const rise = eye.height - before.height;
        // The focus follows hardly at all here: what the eye rises, the envelope does.
        expect(Math.abs(rise)).toBeLessThan(way + 0.05);
        // The envelope's slope changes by 1 in two samples at most, and that of the lift in a fifth of a span.
        const max = Math.max(way, last.way);
        const bend = 1 / (2 * 5) + 1 / (0.2 * camera.view.span);
        expect(Math.abs(rise - last.rise)).toBeLessThan(max * max * bend + Math.abs(way - last.way) + 0.01);
        before = eye;
        last = { way, rise };
      }
    },
  );
});

test('a start stands on the ground where it comes to be, also one that bounds bring inside', () => {
  const bounds = { left: 0, top: 0, right: 300, bottom: 300 };
  forAll(between(-500, 500), between(-500, 500), between(40, 400), (x, y, span) => {
    const camera = new Camera({ ...tilted, bounds, start: { x, y, span } }, { terrain: hills, screen });
    const { x: atX, y: atY, focusHeight } = camera.advance(0);
    camera.place({ x: atX, y: atY });
    expect(camera.advance(1).focusHeight).toBe(focusHeight);
  });
});

test('ground that is dug and built while it is held: grips hold to 1e-3 px, nothing jumps, and a replay knows', () => {
  const part = fc.record({
    column: fc.integer({ min: 0, max: 90 }),
    row: fc.integer({ min: 0, max: 90 }),
    columns: fc.integer({ min: 1, max: 10 }),
    height: fc.oneof(between(-20, 60), fc.constant(-0)),
  });
  const flat = terrainOfGrid({
    id: 'site',
    columns: 101,
    rows: 101,
    step: 5,
    heights: new Float64Array(101 * 101).fill(4),
  });
  forRuns(12, fc.array(part, { minLength: 1, maxLength: 5 }), between(0.2, 0.8), between(0.4, 0.9), (parts, u, v) => {
    const camera = new Camera(tilted, { screen, terrain: flat });
    camera.advance(0);
    const recording = record(camera);
    camera.advance(0);
    let terrain: Terrain = flat;
    let time = 0;
    camera.hold(1, u * 800, v * 600);
    for (const { column, row, columns, height } of parts) {
      for (let i = 0; i < 20; i++) {
        camera.advance((time += 11));
        const [grip] = camera.grips;
        if (grip && !grip.limited) expect(grip.error).toBeLessThan(1e-3);
      }
      const were = [0.2, 0.5, 0.8].map((share) => camera.view.toLevel(share * 800, 450, 4, { x: 0, y: 0 }));
      const side = Math.min(columns, 10);
      const built = Array.from({ length: side * side }, () => height);
      terrain = reshapeGrid(terrain, { column, row, columns: side, heights: built });
      camera.changeTerrain(terrain, time);
      // At the same moment, and a little later, the ground is where it was.
      camera.advance(time);
      [0.2, 0.5, 0.8].forEach((share, i) => {
        const was = were[i];
        if (!was) return;
        expect(pixelsBetween(camera.view.toScreen(was.x, was.y, 4), { x: share * 800, y: 450 })).toBeLessThan(1e-3);
      });
    }
    expect(camera.terrain).toBe(terrain);
    camera.unhold();
    for (let i = 0; i < 600; i++) camera.advance((time += 16));
    expect(camera.settled).toBe(true);
    const eye = camera.view.eye();
    expect(eye.height - terrain.heightAt(eye.x, eye.y)).toBeGreaterThan(2 - 1e-6);
    const session = read(recording.text());
    for (const rate of [60, 144]) {
      const replay = playAgain(session, { terrain: flat, rate });
      replay.camera.advance(60_000);
      expect(bitsOf(replay.camera)).toBe(bitsOf(camera));
      expect(replay.camera.terrain?.digest).toBe(terrain.digest);
    }
  });
});

test('another terrain is named by id and digest; a replay that lacks it says which, and flat ground is one too', () => {
  const camera = new Camera(tilted, { screen, terrain: cliffs });
  camera.advance(0);
  const recording = record(camera);
  camera.advance(0);
  camera.changeTerrain(hills);
  camera.advance(500);
  camera.changeTerrain(null);
  for (let time = 500; time < 6000; time += 20) camera.advance(time);
  expect([camera.terrain, camera.settled, camera.shown.focusHeight]).toEqual([null, true, 0]);
  const session = read(recording.text());
  expect(session.signals.filter(({ kind }) => kind === 'terrain')).toMatchObject([{ id: 'hills' }, { id: null }]);
  expect(() => playAgain(session, { terrain: cliffs })).toThrow(
    'terrain: expected "hills" with digest 1 among `terrains`, got none',
  );
  const replay = playAgain(session, { terrain: cliffs, terrains: [hills] });
  expect(bitsOf(replay.camera)).toBe(bitsOf(camera));
  expect(() => reshapeGrid(cliffs, { column: 100, row: 0, columns: 2, heights: [1, 2] })).toThrow(
    'terrain.part.column: expected at most 99, got 100',
  );
});

test('in a world that repeats itself a grip names the copy that is held, wherever on a wide screen', () => {
  const wide = { width: 3000, height: 400 };
  forRuns(25, between(0, 400), between(0, 3000), between(-200, 200), (x, press, way) => {
    const settings: Settings = {
      wrap: { x: 400 },
      bounds: { left: 0, top: 0, right: 400, bottom: 300 },
      start: { x, span: 200 },
    };
    const camera = new Camera(settings, { screen: wide });
    camera.advance(0);
    const recording = record(camera);
    camera.advance(0);
    camera.signal({ kind: 'hold', id: 1, x: press, y: 200, time: 1 });
    camera.signal({ kind: 'hold', id: 1, x: press + way, y: 210, time: 9 });
    camera.advance(20);
    const [grip] = camera.grips;
    expect(grip?.error).toBeLessThan(1e-3);
    const { view } = camera;
    expect(((grip?.x ?? NaN) - view.x) * view.scale + 1500).toBeCloseTo(press + way, 6);
    expect(playAgain(read(recording.text())).worstGripError).toBeLessThan(1e-3);
  });
});

test('the grain of heights is never coarser than a thousandth of a unit, however far samples are apart', () => {
  for (const step of [1e-300, 1e-3, 1, 1e6, 1e12]) {
    const grid = { id: 'a', columns: 2, rows: 2, step, heights: [0.3, 1, 2, 3] };
    if (step > 1e-200) expect(Math.abs(terrainOfGrid(grid).heightAt(0, 0) - 0.3)).toBeLessThan(1e-3);
    else expect(() => terrainOfGrid(grid)).not.toThrow();
  }
  // So small a step once made a loop that never ended.
  expect(terrainOfGrid({ id: 'a', columns: 2, rows: 2, step: 5e-324, heights: [0, 0, 0, 0] }).highest).toBe(0);
});

test('a formula of another engine, off in its last bits, makes the same terrain; sampled on a grid it can be dug', () => {
  const counts = { dug: 0 };
  forRuns(20, between(0.5, 40), between(10, 300), between(0.25, 8), fc.nat(), (high, wide, step, seed) => {
    let noise = seed;
    const formula =
      (off: number) =>
      (x: number, y: number): number => {
        noise = (noise * 1103515245 + 12345) % 2147483648;
        const height = high * Math.sin(x / wide) * Math.cos(y / (0.8 * wide)) + high;
        return height * (1 + off * (noise % 3 === 0 ? 1 : 0));
      };
    const made = { id: 'waves', lowest: 0, highest: 2 * high, feature: step };
    const grid = { columns: 33, rows: 25, step, left: -4 * step };
    const [here, there] = [0, Number.EPSILON].map((off) => terrainOf({ ...made, heightAt: formula(off) }, grid));
    const [one, other] = [0, Number.EPSILON].map((off) => terrainOf({ ...made, heightAt: formula(off) }));
    if (here === undefined || there === undefined) throw new Error('no terrain was made');
    expect(there.digest).toBe(here.digest);
    for (let i = 0; i < 50; i++) {
      const [x, y] = [i * 7.13, i * 3.37];
      expect(one?.heightAt(x, y)).toBe(other?.heightAt(x, y));
      expect(Math.abs((one?.heightAt(x, y) ?? NaN) - formula(0)(x, y))).toBeLessThan(step / 500_000);
    }
    const dug = reshapeGrid(here, { column: 3, row: 2, columns: 1, heights: [high / 2] });
    expect(Math.abs(dug.heightAt(-step, 2 * step) - high / 2)).toBeLessThan(step / 500_000);
    counts.dug += 1;
  });
  expect(counts.dug).toBeGreaterThanOrEqual(20);
  const plain = terrainOf({ id: 'flat', lowest: 0, highest: 1, feature: 1, heightAt: () => 0 });
  expect(() => reshapeGrid(plain, { column: 0, row: 0, columns: 1, heights: [1] })).toThrow('terrainOf(formula, grid)');
});
