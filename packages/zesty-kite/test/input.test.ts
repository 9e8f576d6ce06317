/** G11 and what is heard: input of every wrong kind, callbacks that throw, queues, leaps and what is copied. */
import { test } from '@jest/globals';
import { expect } from './expect.ts';
import fc from 'fast-check';
import { Camera as Bare, SettingsError, terrainOf, type Pose, type Settings, type Signal } from '../src/index.ts';
import { record } from '../src/session/index.ts';
import { forRuns } from './law.ts';
import { playAgain, read } from './sessions.ts';
import { Camera, checkSettings } from './shapes.ts';
import { between, bitsOf, settingsWith } from './steering.ts';

const screen = { width: 800, height: 600 };

/** Values that no settings file could hold. */
const odd: [string, unknown][] = [
  ['NaN', NaN],
  ['Infinity', Infinity],
  ['a symbol', Symbol('x')],
  ['a BigInt', 5n],
  ['a date', new Date(0)],
  ['a boxed number', Object(4) as unknown],
  ['a function', () => 1],
  ['a map', new Map()],
  ['a list with a hole', [1, , 2]], // eslint-disable-line no-sparse-arrays
];

function thrown(call: () => unknown): unknown {
  try {
    call();
  } catch (error) {
    return error;
  }
  return null;
}

test.each(odd)(
  '%s is refused by the constructor and by a live change alike, and nothing has changed',
  (_name, value) => {
    const camera = new Camera({}, { screen });
    camera.advance(0);
    const before = camera.settings;
    for (const wrong of [{ zoom: { notch: value } }, { turn: { max: value } }, { bounds: value }, value]) {
      expect(thrown(() => new Camera(wrong as Settings))).toBeInstanceOf(SettingsError);
      const error = thrown(() => camera.change(wrong as Settings));
      expect(error instanceof SettingsError || error instanceof TypeError).toBe(true);
    }
    camera.advance(10);
    expect(camera.settings).toBe(before);
  },
);

test('what holds itself, what is inherited and `__proto__` are refused or have no effect', () => {
  const circle: Record<string, unknown> = {};
  circle['zoom'] = circle;
  expect(thrown(() => checkSettings(circle))).toMatchObject({
    problems: [{ path: 'zoom', got: 'a circular object' }],
  });
  const camera = new Camera({}, { screen });
  for (const change of [
    JSON.parse('{"__proto__": {"zoom": {"notch": 9}}}') as Settings,
    JSON.parse('{"zoom": {"__proto__": {"notch": 9}}}') as Settings,
    Object.create({ zoom: { notch: 9 } }) as Settings,
  ]) {
    expect(thrown(() => camera.change(change))).toBeInstanceOf(SettingsError);
    expect(thrown(() => new Camera(change))).toBeInstanceOf(SettingsError);
  }
  camera.advance(0);
  expect(camera.settings.zoom.notch).toBe(1.1);
  for (const wrong of [null, 5, 'x', []]) {
    expect(thrown(() => new Bare({}, wrong as never))).toBeInstanceOf(TypeError);
    expect(thrown(() => camera.signal(wrong as never))).toBeInstanceOf(TypeError);
  }
});

test('settings are copied in and frozen when handed out', () =>
  forRuns(30, settingsWith(true), (settings) => {
    const given = JSON.parse(JSON.stringify(settings)) as Settings;
    const camera = new Camera(given, { screen });
    const before = JSON.stringify(camera.settings);
    const spoil = (value: unknown): void => {
      if (typeof value !== 'object' || value === null) return;
      Object.values(value).forEach(spoil);
      for (const key of Object.keys(value)) thrown(() => Reflect.set(value, key, NaN));
    };
    spoil(given);
    spoil(camera.settings);
    const change = { zoom: { notch: 1.5 } };
    camera.change(change);
    change.zoom.notch = NaN;
    camera.advance(0);
    expect(camera.settings.zoom.notch).toBe(1.5);
    expect(JSON.stringify(camera.settings)).toBe(before.replace(/"notch":[^,]+/, '"notch":1.5'));
    const { settings: kept } = JSON.parse(record(camera).text()) as { settings: Settings };
    spoil(kept);
    camera.change({});
    camera.advance(0);
    expect(camera.settings.zoom.notch).toBe(1.5);
  }));

test('a move, a hold or a press to NaN moves nothing', () => {
  const camera = new Camera({}, { screen });
  camera.advance(0);
  camera.hold(1, 400, 300);
  camera.advance(10);
  const before = bitsOf(camera);
  for (const signal of [
    { kind: 'hold', id: 1, x: NaN, y: 300 },
    { kind: 'hold', id: 2, x: 5, y: Infinity },
    { kind: 'move', id: 1, x: 9, y: NaN },
    { kind: 'press', id: 5, input: 'Touch', x: NaN, y: NaN },
    { kind: 'wheel', x: NaN, y: 5, notches: -3 },
  ] as Signal[])
    expect(camera.signal(signal)).toBe(false);
  camera.advance(500);
  expect([bitsOf(camera), camera.grips.length]).toEqual([before, 1]);
});

test('a terrain that is odd for a while leaves the camera finite, and it recovers', () => {
  let mode = 'good';
  const heights: Record<string, () => number> = {
    good: () => 5,
    nan: () => NaN,
    infinite: () => -Infinity,
    enormous: () => 1e300,
    throws: () => {
      throw new Error('no ground');
    },
    text: () => 'high' as never,
  };
  const terrain = terrainOf({ id: 't', lowest: 0, highest: 40, feature: 2, heightAt: () => heights[mode]?.() ?? 0 });
  const camera = new Camera(
    { pitch: { degrees: 30 }, lens: { fieldOfView: 40 }, start: { span: 60 } },
    { screen, terrain },
  );
  let time = 0;
  for (const [next] of Object.entries(heights)) {
    mode = next;
    camera.signal({ kind: 'wheel', x: 300, y: 400, notches: -1, time });
    camera.signal({ kind: 'key', code: 'KeyD', down: true, time });
    for (let i = 0; i < 30; i++) {
      const { x, y, span, focusHeight } = camera.advance((time += 16));
      expect(Number.isFinite(x + y + span + focusHeight)).toBe(true);
    }
  }
  mode = 'good';
  camera.signal({ kind: 'release', time });
  for (let i = 0; i < 300; i++) camera.advance((time += 16));
  expect([camera.settled, camera.shown.focusHeight]).toEqual([true, 5]);
});

test.each([
  ['RightMouse', 'MouseRight'],
  ['ArrowRihgt', 'ArrowRight'],
  ['Ctrl+KeyA', 'Control+KeyA'],
  ['W', 'KeyW'],
  ['mouseleft', 'MouseLeft'],
  ['7', 'Digit7'],
  ['Space+MouseMidle', 'Space+MouseMiddle'],
])('the input %s is refused, and %s is named', (wrong, right) => {
  const error = thrown(() => new Camera({ bindings: { panUp: [wrong] } }));
  expect(String(error)).toContain(`bindings.panUp[0]: expected an input such as "${right}", got "${wrong}"`);
  expect(thrown(() => new Camera({ bindings: { panUp: [right] } }))).toBeNull();
});

test('callbacks that throw: the camera goes on, each throw is reported once, and no signal is lost', () => {
  const reports: string[] = [];
  const fail = (what: string) => (): never => {
    throw new Error(what);
  };
  const report = (error: unknown): void => void reports.push((error as Error).message);
  const camera = new Camera({}, { screen, wake: fail('wake'), report });
  camera.advance(0);
  let writes = 0;
  const recording = record(camera, () => {
    if (++writes === 3) throw new Error('full');
  });
  const end = camera.poll(fail('poll'));
  camera.signal({ kind: 'key', code: 'KeyD', down: true, time: 10 });
  camera.advance(100);
  end();
  camera.signal({ kind: 'key', code: 'KeyD', down: false, time: 110 });
  camera.signal({ kind: 'wheel', x: 1, y: 1, notches: -1, time: 120 });
  camera.advance(200);
  for (let time = 200; time < 4000; time += 50) camera.advance(time);
  expect(reports).toEqual(['wake', 'poll', 'full']);
  expect([camera.settled, recording.failedAtLine, writes]).toEqual([true, 3, 3]);
  expect(camera.shown.x).toBeLessThan(30);
  expect(camera.shown.span).toBeCloseTo(110, 6);
  expect(() => recording.text()).toThrow('text: expected a recording without `write`, got one with it');
});

test('two hundred thousand signals before one frame take effect in order of time and of arrival, in any order', () => {
  const count = 200_000;
  for (const at of [(i: number) => i, (i: number) => count - i, (i: number) => (i * 7919) % count]) {
    const camera = new Camera({}, { screen });
    const heard: { x: number; at: number }[] = [];
    record(camera, (line) => {
      const signal = JSON.parse(line) as { readonly kind?: string; readonly x?: number; readonly at: number };
      if (signal.kind === 'place') heard.push({ x: signal.x ?? NaN, at: signal.at });
    });
    camera.advance(0);
    for (let i = 0; i < count; i++) camera.signal({ kind: 'place', x: i, time: Math.floor(at(i) / 2) / 1000 });
    camera.advance(count);
    expect(heard).toHaveLength(count);
    const inOrder = heard.every((one, i) => {
      const before = heard[i - 1];
      return before === undefined || one.at > before.at || (one.at === before.at && one.x > before.x);
    });
    expect(inOrder).toBe(true);
  }
});

test('a change costs what it changes: a coast of many corners is neither checked nor built anew', () => {
  const ring = (count: number): [number, number][] =>
    Array.from({ length: count }, (_, i) => {
      const angle = (i / count) * 2 * Math.PI;
      const radius = 400 + 30 * Math.sin(angle * 40);
      return [radius * Math.cos(angle), radius * Math.sin(angle)];
    });
  const make = (count: number): Camera => {
    const area = { type: 'Polygon' as const, coordinates: [ring(count)] };
    const camera = new Camera({ bounds: { area, keep: 'focus' }, pan: { speed: 1 } }, { screen });
    camera.advance(0);
    return camera;
  };
  /** The least time of many rounds, so that a busy machine tells little. */
  const cost = (camera: Camera): number => {
    let min = Infinity;
    for (let round = 0; round < 60; round++) {
      const begin = process.hrtime.bigint();
      camera.change({ pan: { speed: 1 + round / 100 } });
      camera.change({ bounds: { elastic: round / 100 } });
      camera.advance(round);
      min = Math.min(min, Number(process.hrtime.bigint() - begin));
    }
    return min;
  };
  // A ratio within one run: a hundred and more times the corners.
  const small = cost(make(100));
  expect(cost(make(20_000))).toBeLessThan(20 * small);
  const camera = make(1000);
  const { bounds } = camera.settings;
  camera.change({ pan: { speed: 2 } });
  camera.advance(100);
  expect(camera.settings.bounds).toBe(bounds);
  for (const scale of [1, 2]) {
    camera.change({ bounds: { elastic: scale / 10 } });
    camera.advance(100 + scale);
    expect(camera.settings.bounds?.area).toBe(bounds?.area);
  }
});

test('headings and coordinates that motion can reach can be recorded, and play again to the same bits', () =>
  forRuns(
    10,
    between(1, 12),
    between(-5e11, 5e11),
    fc.boolean(),
    fc.constantFrom(12, 1000),
    (turns, x, held, minSpan) => {
      const camera = new Camera({ zoom: { minSpan, maxSpan: 1e6 }, turn: { rate: 3600 } }, { screen });
      camera.advance(0);
      camera.place({ x, y: -x });
      for (let i = 0; i < turns; i++) camera.turn(9e5);
      if (held) camera.signal({ kind: 'key', code: 'KeyE', down: true, time: 0 });
      for (let time = 0; time < 1_500_000; time += 9000) camera.advance(time);
      const recording = record(camera);
      camera.advance(0);
      camera.signal({ kind: 'key', code: 'KeyD', down: true, time: 10 });
      camera.signal({ kind: 'key', code: 'KeyD', down: false, time: 200 });
      for (let time = 0; time < 5000; time += 16) camera.advance(time);
      const replay = playAgain(read(recording.text()));
      replay.camera.advance(60_000);
      expect(bitsOf(replay.camera)).toBe(bitsOf(camera));
      expect(Math.abs(camera.shown.heading)).toBeLessThan(1e6 + 1);
    },
  ));

test('what is inverted goes the other way round by just as much; keys do not', () => {
  const bindings: Settings['bindings'] = {
    orbit: ['MouseRight'],
    turnRight: ['KeyE', 'PadRightStickRight'],
    tiltDown: ['KeyR', 'PadRightStickDown'],
  };
  const way = (inverted: Settings['inverted'], signals: Signal[]): Pose => {
    const camera = new Camera(
      {
        start: { x: 0, y: 0, span: 100, pitch: 50 },
        pitch: { degrees: 50 },
        turn: { anchor: 'focus' },
        bindings,
        inverted,
      },
      { screen: { width: 800, height: 600 } },
    );
    camera.advance(0);
    signals.forEach((signal) => camera.signal({ ...signal, time: 10 }));
    camera.advance(110);
    return camera.shown;
  };
  const none: Pose = way([], []);
  const off = (pose: Pose): [number, number, number] => [
    Math.log2(pose.span / none.span),
    pose.heading - none.heading,
    pose.pitch - none.pitch,
  ];
  const cases: [Settings['inverted'], Signal[], boolean][] = [
    [['wheel'], [{ kind: 'wheel', x: 400, y: 300, notches: -1 }], true],
    [
      ['turn', 'tilt'],
      [
        { kind: 'press', id: 1, input: 'MouseRight', x: 400, y: 300 },
        { kind: 'move', id: 1, x: 420, y: 310 },
        { kind: 'move', id: 1, x: 460, y: 330 },
      ],
      true,
    ],
    [['turn', 'tilt'], [{ kind: 'pad', id: 0, axes: [0, 0, 0.6, 0.3], buttons: [] }], true],
    [['turn'], [{ kind: 'key', code: 'KeyE', down: true }], false],
    [['tilt'], [{ kind: 'key', code: 'KeyR', down: true }], false],
  ];
  for (const [inverted, signals, turnsRound] of cases) {
    const usual = off(way([], signals));
    const other = off(way(inverted, signals));
    expect(Math.max(...usual.map(Math.abs))).toBeGreaterThan(0.01);
    other.forEach((value, i) => {
      expect(value).toBeCloseTo((turnsRound ? -1 : 1) * (usual[i] ?? NaN), 9);
    });
  }
});
