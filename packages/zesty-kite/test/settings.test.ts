/** Settings: defaults, refusals, unknown keys, live changes, and the JSON Schema that says the same. */
import { readFileSync } from 'node:fs';
import { test } from '@jest/globals';
import { expect } from './expect.ts';
import { Ajv2020 } from 'ajv/dist/2020.js';
import fc from 'fast-check';
import { mergeSettings, SettingsError, straightDown, tiles, type FullSettings, type Settings } from '../src/index.ts';
import type { settingsSchema } from '../src/settings/index.ts';
import { descriptions } from '../src/settings/index.ts';
import type { InferInput, InferOutput } from 'valibot';
import { forAll, forRuns } from './law.ts';
import { Camera, checkSettings } from './shapes.ts';
import { between, drive, hands, screens, settingsWith, steady, steeringBy } from './steering.ts';

const schema = JSON.parse(readFileSync(new URL('../dist/settings.schema.json', import.meta.url), 'utf8')) as object;
const conforms = new Ajv2020({ strict: true }).compile(schema);

function problemsOf(input: unknown): string[] {
  try {
    checkSettings(input);
  } catch (error) {
    if (error instanceof SettingsError)
      return error.problems.map(({ path, got, expected }) => `${path}: ${got}; ${expected}`);
    throw error;
  }
  return [];
}

/** Intersections written out, at any depth. */
type Flat<T> = T extends readonly string[]
  ? 'names'
  : T extends object
    ? [keyof T] extends ['pixelsPerUnit' | 'eyeHeight' | 'fieldOfView']
      ? 'another unit'
      : { [K in keyof T]: Flat<T[K]> }
    : T;

/** `true` for types that are the same, member by member. */
type Same<A, B> = [A] extends [B] ? ([B] extends [A] ? true : false) : false;

test('the types for editors are those of the schema, and each setting has its comment', () => {
  // The compiler checks these. `edge: true` becomes an object before the schema sees it.
  type Written = Omit<Settings, 'edge'> & { edge?: Exclude<Settings['edge'], true> };
  const written: Same<Flat<Written>, Flat<InferInput<typeof settingsSchema>>> = true;
  const full: Same<Flat<FullSettings>, Flat<InferOutput<typeof settingsSchema>>> = true;
  expect([written, full]).toEqual([true, true]);
  const types = readFileSync(new URL('../src/settings/types.ts', import.meta.url), 'utf8');
  for (const text of Object.values(descriptions)) expect(types.split(text).length).toBeGreaterThanOrEqual(3);
});

test('nothing at all is enough, and every default conforms to the JSON Schema', () => {
  const full = checkSettings({});
  expect(full.pan).toEqual({
    speed: 1,
    speedUnit: 'screen-heights',
    evenSpeedOn: 'screen',
    directions: 'screen',
    fasterFactor: 2,
    startHalfLife: 0.08,
    stopHalfLife: 0.08,
  });
  expect(conforms(full)).toBe(true);
});

test('all problems are listed at once, each with its path, the value found and what would do', () => {
  const found = problemsOf({
    zooom: { notch: 2 },
    zoom: { notch: -3, anchor: 'middle', halflife: 1 },
    pan: { speed: 'fast', startHalfLife: Infinity },
    bindings: { panUp: ['KeyW', 'w'] },
    bounds: { left: 0, top: 'up', right: 10 },
    pitch: { degrees: [[10, 30], [20]] },
  });
  expect(found).toEqual([
    'pitch.degrees: [[10,30],[20]]; a number, a list of [span, value] stops such as [[60, 40], [600, 70]], or a switch such as {"near": 40, "far": 70, "at": 300}',
    'pan.speed: "fast"; a number, a list of [span, value] stops such as [[60, 40], [600, 70]], or a switch such as {"near": 40, "far": 70, "at": 300}',
    'pan.startHalfLife: Infinity; a number from 0 to 60, such as 0.08',
    'zoom.notch: -3; a number from 1.001 to 16, such as 1.1',
    'zoom.anchor: "middle"; one of "cursor", "focus", "below-eye"',
    'bounds.top: "up"; a number from -1000000000000 to 1000000000000, such as 512',
    'bindings.panUp[1]: "w"; an input such as "KeyW"',
    'zooom: "zooom"; a known key such as "zoom"',
    'zoom.halflife: "halflife"; a known key such as "halfLife"',
  ]);
});

test('settings that contradict each other are refused, and coordinates too far for float64', () => {
  const bounds = { left: 5, top: 0, right: 5, bottom: 9 };
  expect(problemsOf({ zoom: { minSpan: 20, maxSpan: 10 }, ground: { lowest: 3, highest: 1 }, bounds })).toEqual([
    'zoom.maxSpan: 10; at least zoom.minSpan, 20',
    'ground.highest: 1; at least ground.lowest, 3',
    'bounds.right: 5; more than bounds.left, 5',
  ]);
  expect(problemsOf({ zoom: { minSpan: 1e-3 }, start: { x: 2e6 } })).toEqual([
    'start.x: 2000000; at most 1000000 from 0, for a least span of 0.001',
  ]);
});

test('bounds have one shape, whole, with an area; GeoJSON is checked to the last corner', () => {
  expect(problemsOf({ bounds: { left: 0, top: 0, right: 10 } })).toEqual(['bounds.bottom: nothing; a number']);
  // A preset says how to keep a map inside that it does not know.
  expect(problemsOf({ bounds: { keep: 'focus' } })).toEqual([]);
  expect(problemsOf({ bounds: { left: 0, circle: { x: 0, y: 0, radius: 9 } } })[0]).toMatch(
    /^bounds: "left, top, right, bottom and circle"; one shape/,
  );
  const area = (coordinates: unknown): object => ({ bounds: { area: { type: 'Polygon', coordinates } } });
  expect(
    problemsOf(
      area([
        [
          [0, 0],
          [9, 'x'],
          [9, 9],
        ],
      ]),
    ),
  ).toEqual(['bounds.area.coordinates[0][1]: [9,"x"]; a corner [x, y] of two finite numbers']);
  expect(
    problemsOf(
      area([
        [
          [0, 0],
          [9, 9],
          [4, 4],
          [0, 0],
        ],
      ]),
    )[0],
  ).toMatch(/; a ring of at least three corners that has an area$/);
  expect(problemsOf({ bounds: { area: { type: 'Feature', geometry: { type: 'Point' } } } })[0]).toMatch(
    /^bounds.area.geometry.type: "Point"; "Polygon" or "MultiPolygon"/,
  );
  expect(
    problemsOf({
      pitch: {
        degrees: [
          [60, 40],
          [60, 70],
        ],
      },
    }),
  ).toEqual(['pitch.degrees[1][0]: 60; more than the span of the stop before it, 60']);
});

test('a change of bounds replaces one shape by another and keeps the rest', () => {
  const camera = new Camera({ bounds: { left: 0, top: 0, right: 900, bottom: 600, elastic: 0.2 } });
  camera.change({ bounds: { circle: { x: 0, y: 0, radius: 500 } } });
  camera.advance(0);
  expect(camera.settings.bounds).toMatchObject({ circle: { radius: 500 }, elastic: 0.2 });
  expect(camera.settings.bounds?.left).toBeUndefined();
});

test.each([[null], [7], ['settings'], [[7]], [undefined]])('%p is refused as a whole', (input) =>
  expect(problemsOf(input)).toHaveLength(1),
);

test('what the JSON Schema lets through has at most contradictions, and what we take conforms', () => {
  const value = fc.oneof(
    fc.constantFrom(
      null,
      'span',
      'cursor',
      [],
      {},
      ['KeyW'],
      true,
      [[60, 40]],
      [
        [9, 9],
        [8, 8],
      ],
      { near: 1, far: 2, at: 3 },
    ),
    fc.double({ noNaN: true }),
    fc.integer({ min: -5, max: 70 }),
  );
  const part = fc.dictionary(
    fc.constantFrom(
      'speed',
      'notch',
      'halfLife',
      'x',
      'span',
      'anchor',
      'keep',
      'up',
      'degrees',
      'fieldOfView',
      'stops',
      'turn',
      'typo',
    ),
    value,
    { maxKeys: 2 },
  );
  const whole = fc.dictionary(
    fc.constantFrom(
      'start',
      'pan',
      'pitch',
      'lens',
      'turn',
      'zoom',
      'twoFingers',
      'wrap',
      'resize',
      'bindings',
      'drag',
      'ground',
      'typo',
    ),
    fc.oneof(part, value),
    { maxKeys: 3 },
  );
  forRuns(2000, whole, (input) => {
    const json = JSON.parse(JSON.stringify(input)) as unknown;
    const contradictions = problemsOf(json).every((problem) => /; (at (least|most)|more than) /.test(problem));
    expect(conforms(json)).toBe(contradictions);
  });
});

test('a live change keeps what it does not name, and a bad one changes nothing', () =>
  forRuns(30, fc.boolean().chain(settingsWith), (settings: Settings) => {
    const camera = new Camera(settings);
    camera.change({ pan: { speed: 3 } });
    expect(() => camera.change({ zoom: { minSpan: 1e13 } })).toThrow(SettingsError);
    camera.advance(0);
    const { pan, ...rest } = checkSettings(JSON.parse(JSON.stringify(settings)));
    expect(camera.settings).toEqual({ ...rest, pan: { ...pan, speed: 3 } });
  }));

test('G9: a key that a live change takes away from the camera is let go, and is the page’s from then on', () => {
  const camera = new Camera({}, { screen: { width: 400, height: 300 } });
  camera.signal({ kind: 'key', code: 'KeyD', down: true, time: 0 });
  camera.advance(0);
  camera.advance(500);
  camera.change({ bindings: { panRight: ['KeyL'] } });
  camera.advance(5000);
  expect(camera.settled).toBe(true);
  expect(camera.signal({ kind: 'key', code: 'KeyD', down: false })).toBe(false);
  camera.change({ bindings: { panRight: ['KeyD'] } });
  camera.advance(6000);
  expect(camera.settled).toBe(true);
});

test('layers: the last one that names a setting has it, a preset keeps its parts, and what is undefined is as left out', () => {
  const layer = fc.boolean().chain((bounded) => settingsWith(bounded, fc.constant({})));
  forRuns(50, fc.array(layer, { minLength: 1, maxLength: 4 }), (layers) => {
    const merged = checkSettings(mergeSettings(...layers));
    expect(new Camera(layers).settings).toEqual(merged);
    expect(checkSettings([...layers, {}, { pan: { speed: undefined }, zoom: undefined }])).toEqual(merged);
    const speed = layers.findLast(({ pan }) => pan?.speed !== undefined)?.pan?.speed;
    expect(merged.pan.speed).toEqual(speed);
  });
  const game: Settings = { start: { x: 5 }, turn: { halfLife: 0.3 }, bindings: { drag: ['MouseRight'] } };
  const { start, turn, bindings } = new Camera([tiles({ width: 64, height: 32 }), game]).settings;
  expect([start.heading, turn.stops?.step, bindings.turnStepRight]).toEqual([45, 90, ['KeyE', 'PadRightShoulder']]);
  expect(() => new Camera([game, 7 as Settings])).toThrow('expected an object, got 7');
});

test('players neither turn nor tilt a camera unless its settings open it, whatever their hands do; the program always can', () => {
  const codes = fc.constantFrom('KeyQ', 'KeyE', 'KeyF', 'KeyR', 'ControlLeft', 'AltLeft', 'ShiftLeft', 'KeyW', 'Equal');
  const pressed = fc.record({ kind: fc.constant('key' as const), code: codes, down: fc.boolean() });
  const signals = fc.oneof(pressed, hands.pointers, hands.wheel, hands.pads);
  const flat = fc.constantFrom<Settings>({}, straightDown(), { bounds: { left: 0, top: 0, right: 900, bottom: 700 } });
  forAll(steeringBy(signals, flat, 60), (steering) => {
    const camera = drive(steering, steady(30, 2));
    expect([camera.goal.heading, camera.goal.pitch, camera.shown.heading, camera.shown.pitch]).toEqual([0, 90, 0, 90]);
    camera.turn(30);
    camera.tilt(-20);
    camera.advance(9000);
    expect(camera.advance(19_000)).toMatchObject({ heading: 30, pitch: 70 });
  });
});

test('without a farthest zoom, bounds that fill the screen are the farthest, on every screen; with one, it holds', () => {
  forAll(screens, between(100, 9000), between(100, 9000), (screen, wide, high) => {
    const bounds = { left: -wide, top: 0, right: wide, bottom: high };
    const fits = Math.min(high, (2 * wide * screen.height) / screen.width);
    const farthest = (settings: Settings): number => {
      const camera = new Camera([{ zoom: { minSpan: 1e-3 }, bounds }, settings], { screen });
      camera.signal({ kind: 'wheel', x: 5, y: 5, notches: -300, time: 0 });
      camera.advance(0);
      return camera.advance(60_000).span;
    };
    expect(farthest({}) / fits).toBeCloseTo(1, 9);
    expect(farthest({ zoom: { maxSpan: 20_000 } })).toBe(20_000);
    expect(farthest({ bounds: { keep: 'focus' } })).toBeCloseTo(Math.max(2 * wide, high), 6);
  });
});

test('an unknown key in a switch by the zoom is told, with the nearest that is known', () => {
  expect(problemsOf({ pitch: { degrees: { near: 40, far: 70, at: 300, slak: 0.2 } } })).toEqual([
    'pitch.degrees.slak: "slak"; a known key such as "slack"',
  ]);
});
