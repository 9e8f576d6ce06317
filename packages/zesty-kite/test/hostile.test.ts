/** Hostile data: nothing of it is written where it does not belong, and no number of it breaks the camera. */
import { readFileSync } from 'node:fs';
import { afterEach, test } from '@jest/globals';
import { expect } from './expect.ts';
import {
  aim,
  mergeSettings,
  SettingsError,
  terrainOf,
  terrainOfGrid,
  View,
  type CameraLike,
  type Settings,
  type Terrain,
} from '../src/index.ts';
import { Effects, follow, followGroup, frame, travel } from '../src/direct/index.ts';
import { Minimap } from '../src/minimap/index.ts';
import { PlayerSettings, type JsonSchema } from '../src/players/index.ts';
import { RemoteCamera, type Port } from '../src/worker/index.ts';
import { Camera } from './shapes.ts';

const screen = { width: 800, height: 600 };
const schema = JSON.parse(readFileSync(new URL('../dist/settings.schema.json', import.meta.url), 'utf8')) as JsonSchema;

function numbersIn(value: unknown): number[] {
  if (typeof value === 'number') return [value];
  return typeof value === 'object' && value !== null ? Object.values(value).flatMap(numbersIn) : [];
}

function expectFinite(value: unknown): void {
  const numbers = numbersIn(value);
  expect(numbers.length).toBeGreaterThan(0);
  for (const number of numbers) expect(number).toBeFinite();
}

expect.extend({
  toBeFinite: (number: unknown) => ({
    pass: Number.isFinite(number),
    message: () => `expected a finite number, got ${String(number)}`,
  }),
});
declare module '@jest/expect' {
  interface Matchers<R> {
    toBeFinite(): R;
  }
}

afterEach(() => {
  // A polluted prototype would break all that follows.
  for (const key of ['polluted', 'speed', 'pan']) Reflect.deleteProperty(Object.prototype, key);
});

test.each([
  '{"__proto__":{"polluted":1}}',
  '{"constructor":{"prototype":{"polluted":1}}}',
  '{"pan":{"__proto__":{"polluted":1},"speed":1.5}}',
  '{"pan":{"constructor":{"prototype":{"polluted":1}}}}',
  '{"__proto__":{"pan":{"polluted":1}}}',
  '{"pan.__proto__.polluted":1, "__proto__.polluted":1}',
  '{"pan":7,"zoom":{"anchor":"focus"}}',
])('saved settings write to no prototype: %s', (text) => {
  const own = new PlayerSettings(
    new Camera(),
    schema,
    { 'pan.speed': {}, 'zoom.anchor': {} },
    JSON.parse(text) as Settings,
  );
  own.set('pan.speed', 2);
  const written = JSON.stringify(own);
  expect(({} as Record<string, unknown>)['polluted']).toBeUndefined();
  expect(written).not.toMatch(/__proto__|constructor/);
  expect((JSON.parse(written) as Settings).pan?.speed).toBe(2);
  expect(new Camera(JSON.parse(written) as Settings).settings.pan.speed).toBe(2);
});

test('saved null is an empty set; what is no object is refused by name', () => {
  const offers = { 'pan.speed': {} };
  expect(new PlayerSettings(new Camera(), schema, offers, null).toJSON()).toEqual({});
  for (const saved of ['text', 5, [1]])
    expect(() => new PlayerSettings(new Camera(), schema, offers, saved as Settings)).toThrow(
      /^PlayerSettings\.saved: /,
    );
});

test('layers with a key __proto__ lend nothing: the camera refuses the key', () => {
  const layer = JSON.parse('{"__proto__":{"zoom":{"minSpan":3}},"pan":{"__proto__":{"speed":9}}}') as Settings;
  const merged = mergeSettings({ pan: { speed: 2 } }, layer);
  expect(merged.zoom).toBeUndefined();
  expect(merged.pan?.speed).toBe(2);
  expect(() => new Camera(merged)).toThrow('__proto__');
});

const BAD: unknown[] = [NaN, Infinity, -Infinity, 'a', {}, undefined, 1e300];

test.each(BAD)('follow: one bad sample, %p, is ignored and reported once; the camera goes on by itself', (bad) => {
  const reports: unknown[] = [];
  const camera = new Camera({ start: { x: 0, y: 0, span: 100 } }, { screen, report: (error) => reports.push(error) });
  let x: unknown = 10;
  camera.advance(0);
  follow(camera, () => ({ x, y: 0 }) as { x: number; y: number }, { lead: 0.2 });
  for (let i = 1; i < 200; i++) {
    x = i % 20 === 7 ? bad : 10;
    camera.advance(i * 16);
    expectFinite([camera.shown, camera.goal]);
  }
  x = 10;
  camera.advance(9000);
  expect(camera.shown.x).toBeCloseTo(10, 6);
  expect(reports).toHaveLength(1);
  expect(String(reports[0])).toContain('follow.target');
});

test('follow: a target function that returns undefined or throws is a bad sample as well', () => {
  const reports: unknown[] = [];
  const camera = new Camera({ start: { x: 0, y: 0, span: 100 } }, { screen, report: (error) => reports.push(error) });
  let find: () => { x: number; y: number } | null = () => ({ x: 5, y: 5 });
  camera.advance(0);
  follow(camera, () => find(), {});
  find = () => undefined as unknown as null;
  camera.advance(100);
  find = () => {
    throw new Error('sunk');
  };
  camera.advance(200);
  find = () => ({ x: 5, y: 5 });
  camera.advance(5000);
  expect(camera.shown.x).toBeCloseTo(5, 6);
  expect(reports).toHaveLength(1);
});

test.each(BAD)('travel: a bad target on the way, %p, counts as where it was', (bad) => {
  const reports: unknown[] = [];
  const camera = new Camera({ start: { x: 0, y: 0, span: 100 } }, { screen, report: (error) => reports.push(error) });
  let x: unknown = 300;
  camera.advance(0);
  void travel(camera, { target: () => ({ x, y: 0 }) as { x: number; y: number } }, { minSeconds: 2, maxSeconds: 2 });
  let last = 0;
  for (let i = 1; i < 200; i++) {
    x = i > 50 && i < 60 ? bad : 300;
    camera.advance(i * 16);
    expectFinite(camera.shown);
    expect(camera.shown.x).toBeGreaterThanOrEqual(last - 1e-9);
    last = camera.shown.x;
  }
  expect(last).toBeCloseTo(300, 6);
  expect(reports).toHaveLength(1);
  expect(() => travel(camera, { target: () => ({ x: bad, y: 0 }) as { x: number; y: number } })).toThrow(
    'travel.to.target',
  );
});

test('followGroup: a group with somebody nowhere is ignored and reported once', () => {
  const reports: unknown[] = [];
  const camera = new Camera({ start: { x: 0, y: 0, span: 100 } }, { screen, report: (error) => reports.push(error) });
  let x = 10;
  camera.advance(0);
  followGroup(camera, () => [
    { x, y: 0 },
    { x: 30, y: 5 },
  ]);
  for (let i = 1; i < 100; i++) {
    x = i % 9 === 4 ? NaN : 10;
    camera.advance(i * 16);
    expectFinite([camera.shown, camera.goal]);
  }
  expect(reports).toHaveLength(1);
});

/** A terrain that a game made by itself. */
function homemade(height: () => number): Terrain {
  return {
    id: 'own',
    digest: '1',
    lowest: 0,
    highest: 10,
    feature: 2,
    heightAt: height,
    sampleEnvelopeInto: (spot) => {
      spot.height = height();
    },
  };
}

test.each([NaN, Infinity, 1.7e308, -1.7e308])(
  'a terrain of the game’s own that says %p puts no NaN anywhere',
  (bad) => {
    let height = 5;
    const camera = new Camera(
      { pitch: { degrees: 50 }, lens: { fieldOfView: 40 }, start: { x: 0, y: 0, span: 40 } },
      { screen, terrain: homemade(() => height) },
    );
    camera.advance(0);
    height = bad;
    camera.pan({ x: 300, y: 100 });
    camera.zoom({ factor: 4 }, { screenX: 200, screenY: 300 });
    for (let time = 16; time < 1000; time += 16) {
      const view = camera.advance(time);
      expectFinite([camera.shown, camera.goal, view.toGround(400, 500), view.depth()]);
    }
    height = 5;
    camera.pan({ x: 10, y: 0 });
    camera.advance(5000);
    expect(camera.shown.focusHeight).toBeCloseTo(5, 6);
  },
);

test('heights beyond what float64 can take a difference of are refused', () => {
  const shape = { id: 'high', columns: 2, rows: 2, step: 1 };
  for (const bad of [1.7e308, -1.7e308, 1e13])
    expect(() => terrainOfGrid({ ...shape, heights: [0, 0, 0, bad] })).toThrow('heights[3]');
  expect(() => terrainOf({ id: 'f', lowest: 1.6e308, highest: 1.7e308, feature: 1, heightAt: () => 1.65e308 })).toThrow(
    'terrain.lowest',
  );
  expect(() => new Camera({}, { terrain: { ...homemade(() => 0), highest: NaN } })).toThrow('options.terrain.highest');
  expect(() => new Camera({}, { terrain: {} as Terrain })).toThrow('options.terrain');
  const camera = new Camera({}, { screen });
  expect(() => frame(camera, [{ x: 0, y: 0, height: 1.7e308 }])).toThrow('frame.things[0]');
});

test('effects: a half-life of 0 is over at once, and a frame at no time shows what the one before showed', () => {
  const camera = new Camera({ start: { x: 0, y: 0, span: 100 } }, { screen });
  const effects = new Effects(camera);
  effects.shake({ pixels: 10, halfLife: 0 });
  effects.nudge({ x: 5, y: 5, halfLife: 0 });
  const view = camera.advance(0);
  expect(effects.apply(view, 0)).toBe(view);
  expect(effects.active).toBe(false);
  effects.shake({ pixels: 10, heading: 1, pitch: 1 });
  for (const time of [NaN, 0, NaN, Infinity, -Infinity, 30, NaN]) {
    const { x, y, span, heading, pitch } = effects.apply(view, time);
    expectFinite([x, y, span, heading, pitch]);
  }
  effects.apply(view, 9000);
  expect(effects.active).toBe(false);
});

test('a minimap of no size and a pick at no place give no NaN', () => {
  const camera = new Camera({ bounds: { left: 0, top: 0, right: 100, bottom: 100 } }, { screen });
  camera.advance(0);
  const minimap = new Minimap(camera);
  minimap.region = { left: 0, top: 0, width: 0, height: 0 };
  expectFinite([
    minimap.transform(),
    minimap.toGround(5, 5),
    minimap.toMinimap(5, 5),
    minimap.toGround(NaN, 5),
    minimap.toMinimap(NaN, NaN),
  ]);
  for (const point of minimap.outline()) expectFinite(point);
  expect(minimap.has(0, 0)).toBe(false);
  minimap.region = { left: 0, top: 0, width: 100, height: 100 };
  expectFinite([minimap.toGround(NaN, Infinity), minimap.toMinimap(NaN, 1e308)]);
  const hills = terrainOf({ id: 'h', lowest: 0, highest: 5, feature: 1, heightAt: () => 2 });
  for (const terrain of [null, hills])
    for (const bad of [NaN, Infinity, -Infinity]) {
      const view = aim(new View(), { x: 0, y: 0, span: 10, pitch: 50, fieldOfView: 30 }, screen, {
        lowest: 0,
        highest: 5,
        terrain,
      });
      expect(view.toGround(bad, 10)).toBeNull();
      expect(view.toGround(10, bad)).toBeNull();
      expect(view.toLevel(bad, bad, 0, { x: 0, y: 0 })).toBeNull();
    }
});

test('a broken message to a camera elsewhere changes nothing', () => {
  let tell: (event: { readonly data: unknown }) => void = () => undefined;
  const port: Port = {
    postMessage: () => undefined,
    addEventListener: (_type, listener) => {
      tell = listener;
    },
    removeEventListener: () => undefined,
  };
  const remote = new RemoteCamera(port);
  const pose = { x: 5, y: 6, focusHeight: 0, span: 50, heading: 0, pitch: 90, fieldOfView: 0 };
  const good = {
    zestyKite: 'frame',
    time: 0,
    pose,
    goal: pose,
    screen: { ...screen, density: 1 },
    insets: { left: 0, top: 0, right: 0, bottom: 0 },
    ground: { lowest: 0, highest: 0, periodX: 0, periodY: 0 },
    settled: true,
    taken: 0,
  };
  tell({ data: good });
  for (const data of [
    { zestyKite: 'frame' },
    { ...good, pose: { ...pose, x: NaN } },
    { ...good, pose: { ...pose, span: 0 } },
    { ...good, pose: null },
    { ...good, screen: { width: 0, height: 0 } },
    { ...good, insets: { left: NaN } },
    { ...good, time: 'now' },
    { zestyKite: '__proto__' },
    null,
  ])
    tell({ data });
  expect(remote.view.x).toBe(5);
  expect(remote.view.scale).toBe(12);
});

const polygonOf = (count: number, corner: (i: number) => unknown): unknown =>
  Array.from({ length: count }, (_, i) => corner(i));
const deep = (levels: number): unknown => JSON.parse(`${'{"a":'.repeat(levels)}1${'}'.repeat(levels)}`);
const LARGE: readonly (readonly [string, unknown, number])[] = [
  [
    '10,000 unknown keys',
    Object.fromEntries(Array.from({ length: 10_000 }, (_, i) => [`zoomm${String(i)}`, i])),
    10_000,
  ],
  [
    '10,000 unknown keys in a section',
    { zoom: Object.fromEntries(Array.from({ length: 10_000 }, (_, i) => [`maxSpn${String(i)}`, i])) },
    10_000,
  ],
  ['100,000 bad corners', { bounds: { polygon: polygonOf(100_000, (i) => [i, 'x']) } }, 100_000],
  ['100,000 corners that are none', { bounds: { polygon: polygonOf(100_000, () => ({})) } }, 100_000],
  ['a key of a million letters', { ['k'.repeat(1e6)]: 1, zoom: { ['m'.repeat(1e6)]: 1 } }, 2],
  ['a text of a million letters', { zoom: { anchor: 'c'.repeat(1e6) } }, 1],
  ['16,000 bindings', { bindings: { panUp: polygonOf(16_000, () => 'KeyW') } }, 1],
  ['16,000 unknown bindings', { bindings: { panUp: polygonOf(16_000, (i) => `Kye${String(i)}`) } }, 1],
  [
    '1,800 unknown bindings',
    {
      bindings: Object.fromEntries(
        ['panUp', 'panDown', 'drag', 'orbit', 'pull', 'home'].map((name) => [
          name,
          polygonOf(100, (i) => `Kye${String(i)}`),
        ]),
      ),
    },
    600,
  ],
  ['100,000 bad stops', { zoom: { stops: polygonOf(100_000, (i) => -i) } }, 100_000],
  ['100,000 stops of a curve', { pitch: { degrees: polygonOf(100_000, (i) => [i, 500]) } }, 1],
  ['100,000 locks', { locked: polygonOf(100_000, () => 'fly') }, 1],
  ['100,000 levels', deep(100_000), 1],
  ['100,000 levels of bounds', { bounds: { area: deep(100_000) } }, 1],
  [
    '100,000 polygons that are none',
    { bounds: { area: { type: 'MultiPolygon', coordinates: polygonOf(100_000, () => 5) } } },
    100_000,
  ],
];

test.each(LARGE)('%s are refused with at most 50 problems and the number of the rest', (_name, settings, count) => {
  let problems = 0;
  for (const use of [
    () => new Camera(settings as Settings),
    () => {
      new Camera().change(settings as Settings);
    },
  ]) {
    try {
      use();
    } catch (error) {
      if (!(error instanceof SettingsError)) throw error;
      problems += 1;
      expect(error.problems.length).toBe(Math.min(count, 50));
      expect(error.problems.length + error.more).toBe(count);
      expect(error.message.length).toBeLessThan(20_000);
      if (error.more > 0) expect(error.message).toContain(`and ${String(error.more)} more`);
    }
  }
  expect(problems).toBe(2);
});

test('a minimap of bounds with 150,000 corners', () => {
  const polygon = Array.from({ length: 150_000 }, (_, i) => [Math.cos(i / 23_873) * 500, Math.sin(i / 23_873) * 500]);
  // The camera itself takes longer over so many.
  const { view, settings } = new Camera({ bounds: { left: 0, top: 0, right: 9, bottom: 9 } }, { screen });
  const stand = { view, settings: { ...settings, bounds: { polygon } } } as unknown as CameraLike;
  expect(new Minimap(stand).transform().a).toBeCloseTo(0.2, 3);
});

test('a poll that ends itself lets the next be called, and one that has ended is called no more', () => {
  const camera = new Camera({}, { screen });
  const called: string[] = [];
  const end = camera.poll(() => {
    called.push('once');
    end();
    endLast();
  });
  camera.poll(() => called.push('each'));
  const endLast = camera.poll(() => called.push('never'));
  camera.advance(0);
  camera.advance(16);
  expect(called).toEqual(['once', 'each', 'each']);
});

test('advance inside of a poll is refused, reported, and harms nothing', () => {
  const reports: unknown[] = [];
  const camera = new Camera({}, { screen, report: (error) => reports.push(error) });
  camera.poll((time) => void camera.advance(time + 1));
  camera.advance(0);
  camera.pan({ x: 50, y: 0 });
  for (let time = 16; time < 3000; time += 16) camera.advance(time);
  expect(camera.shown.x).toBeGreaterThan(0);
  expect(String(reports[0])).toMatch(/advance: expected one call a frame, got a call inside a poll/);
});
