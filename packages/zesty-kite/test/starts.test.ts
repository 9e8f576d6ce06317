/** A camera begins where it was asked to begin. */
import { readFileSync } from 'node:fs';
import { test } from '@jest/globals';
import { expect } from './expect.ts';
import fc from 'fast-check';
import { Camera, tiles, type Settings } from '../src/index.ts';
import { reviewSettings } from '../src/review/index.ts';
import { forAll } from './law.ts';
import { between } from './steering.ts';

const screen = { width: 1280, height: 800 };
const bounds = { left: 0, top: 0, right: 1024, bottom: 768 };

/** A camera of settings, with what it reports while it is made. */
function made(settings: Settings | Settings[]): { camera: Camera; reports: string[] } {
  const reports: string[] = [];
  const report = (error: unknown): void => void reports.push((error as Error).message);
  const camera = new Camera(settings, { screen, report });
  camera.advance(0);
  return { camera, reports };
}

test('a start widens a zoom limit that the settings do not set, and the camera begins there', () =>
  forAll(between(0.01, 11), between(200, 5000), (near, far) => {
    const close = made({ start: { span: near } });
    expect([close.camera.shown.span, close.reports]).toEqual([near, []]);
    expect(close.camera.spanRange.min).toBe(near);
    const away = made({ bounds: { ...bounds, keep: 'focus' }, start: { span: far } });
    expect([away.camera.shown.span, away.reports]).toEqual([far, []]);
    close.camera.change({ start: { span: 50 } });
    close.camera.advance(20);
    expect(close.camera.settings.zoom.minSpan).toBe(12);
    expect(reviewSettings({ start: { span: near } }).map(({ path }) => path)).not.toContain('start.span');
  }));

test('against a limit that is set the camera begins at the limit, reports once, and check names both numbers', () =>
  forAll(fc.boolean(), between(0.01, 9), (isNear, part) => {
    const zoom = isNear ? { minSpan: 10, maxSpan: 100 } : { minSpan: 1, maxSpan: 10 };
    const span = isNear ? part : 10 + part;
    const { camera, reports } = made({ zoom, start: { span } });
    expect(camera.shown.span).toBe(10);
    camera.signal({ kind: 'screen', width: 900, height: 500, time: 1 });
    camera.advance(10);
    expect(reports).toHaveLength(1);
    expect(reports[0]).toMatch(/^start\.span: expected a span from .* got .*\. The camera begins at 10$/);
    const warning = reviewSettings({ zoom, start: { span } }).find(({ path }) => path === 'start.span');
    expect(warning?.message).toContain(`starts at 10; set zoom.${isNear ? 'minSpan' : 'maxSpan'}`);
  }));

test('tiles bring a zoom range that holds their stops: the wheel goes to each of them', () =>
  forAll(
    fc.integer({ min: 16, max: 256 }),
    between(0.1, 50),
    fc.uniqueArray(fc.constantFrom(0.5, 1, 2, 3, 4, 6), { minLength: 2, maxLength: 5 }),
    fc.constantFrom(0.5, 1, 2, 3),
    (width, side, scales, density) => {
      const reports: unknown[] = [];
      const camera = new Camera(tiles({ width, height: width / 2, side, scales }), {
        screen: { ...screen, density },
        report: (error) => reports.push(error),
      });
      camera.advance(0);
      const seen = new Set<string>();
      for (let i = -8; i < 8; i++) {
        camera.zoom({ notches: i < 0 ? 1 : -1 });
        camera.advance(4000 * (i + 9));
        camera.advance(4000 * (i + 9) + 3000);
        seen.add((camera.view.scale * density * side * Math.SQRT2).toPrecision(6));
      }
      expect([...seen].toSorted()).toEqual(scales.map((scale) => (scale * width).toPrecision(6)).toSorted());
      expect(reports).toEqual([]);
    },
  ));

test('a camera with stops outside of its zoom range says so once', () => {
  const { reports } = made({ zoom: { stops: [1, 2, 50], stopUnit: 'span' } });
  expect(reports).toEqual([
    'zoom.stops: expected stops that show a span from 12 to 4096, got span of 1,2,50. Stops outside are not reached',
  ]);
});

test('every tile of a map of tiles can be seen, and check says what share never can be if the view is kept inside', () => {
  const seenShare = (settings: Settings[]): number => {
    const { camera } = made(settings);
    const seen = new Set<number>();
    for (let focus = 0; focus <= 32 * 24; focus++) {
      camera.place({ x: (focus % 32) * 33, y: Math.floor(focus / 32) * 33 });
      const view = camera.advance(0);
      for (let tile = 0; tile < 64 * 48; tile++) {
        if (seen.has(tile)) continue;
        const at = view.toScreen((tile % 64) * 16 + 8, Math.floor(tile / 64) * 16 + 8);
        if (at.x >= 0 && at.x <= 1280 && at.y >= 0 && at.y <= 800) seen.add(tile);
      }
    }
    return seen.size / (64 * 48);
  };
  const art = tiles({ width: 64, height: 32, side: 16, scales: [1.43] });
  expect(seenShare([art, { bounds }])).toBe(1);
  const kept = [art, { bounds: { ...bounds, keep: 'view' as const } }];
  const share = 1 - seenShare(kept);
  expect(share).toBeGreaterThan(0.1);
  const warning = reviewSettings(kept, screen).find(({ message }) => message.includes('can never be seen'));
  expect(warning?.path).toBe('bounds.keep');
  expect(Math.abs(Number(/^[\d.]+/.exec(warning?.message ?? '')?.[0]) / 100 - share)).toBeLessThan(0.02);
  expect(reviewSettings([art, { bounds }], screen).map(({ path }) => path)).not.toContain('bounds.keep');
});

test('a preset without bounds of the game keeps nothing inside, and check says so of a file', () => {
  expect(made(tiles({ width: 64, height: 32 })).camera.settings.bounds).toBeNull();
  expect(reviewSettings({ bounds: { keep: 'focus' } }).find(({ path }) => path === 'bounds')?.message).toContain(
    'bounds without a shape',
  );
});

test('the first program of the README opens where every key and both ways of the wheel move it', () => {
  const readme = readFileSync(new URL('../README.md', import.meta.url), 'utf8');
  const written = /new Camera\((\{.*\})\);/.exec(readme)?.[1]?.replace(/(\w+):/g, '"$1":') ?? '';
  const { camera } = made(JSON.parse(written) as Settings);
  const moved = (act: () => void): number => {
    const { x, y, span } = camera.shown;
    act();
    camera.advance((time += 3000));
    camera.advance((time += 3000));
    const now = camera.shown;
    return Math.abs(now.x - x) + Math.abs(now.y - y) + Math.abs(now.span - span);
  };
  let time = 0;
  for (const code of ['KeyD', 'KeyA', 'KeyW', 'KeyS'] as const) {
    expect(moved(() => camera.signal({ kind: 'key', code, down: true, time: time + 10 }))).toBeGreaterThan(20);
    moved(() => camera.signal({ kind: 'key', code, down: false, time: time + 10 }));
    camera.place({ x: 512, y: 384 });
  }
  for (const notches of [2, -2])
    expect(moved(() => camera.signal({ kind: 'wheel', x: 640, y: 400, notches, time: time + 10 }))).toBeGreaterThan(20);
});

test('Home is a place of its own: a saved game that begins elsewhere goes back to it', () =>
  forAll(between(-400, 400), between(20, 300), between(-90, 90), (x, span, heading) => {
    const game: Settings = { start: { x: 0, y: 0, span: 100 } };
    const played = made(game).camera;
    played.place({ x, span, heading });
    played.advance(20);
    const { camera } = made([game, { start: played.shown, home: game.start ?? null }]);
    expect(camera.shown).toMatchObject({ x: x + 0, span, heading: heading + 0 }); // no -0
    camera.home();
    for (let time = 20; time < 8000; time += 20) camera.advance(time);
    expect(camera.shown.x).toBeCloseTo(0, 6);
    expect(camera.shown.span).toBeCloseTo(100, 6);
    // Without one, the start is home.
    camera.change({ home: null });
    camera.home();
    for (let time = 8000; time < 16_000; time += 20) camera.advance(time);
    expect(camera.shown.x).toBeCloseTo(x, 6);
  }));
