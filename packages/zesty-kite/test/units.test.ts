/** A zoom in the practitioner's unit, wherever a span is asked for; notches that come nearer; speeds in units a second. */
import { test } from '@jest/globals';
import { expect } from './expect.ts';
import fc from 'fast-check';
import { play, travel } from '../src/direct/index.ts';
import { Camera, checkSettings, inSpans, straightDown, tilted, type Settings, type Span } from '../src/index.ts';
import { record, Replay } from '../src/session/index.ts';
import { forRuns } from './law.ts';
import { conforms, read } from './sessions.ts';
import { between } from './steering.ts';

const screen = { width: 1280, height: 800 };
const panels = fc.constantFrom(0, 120, 300);

/** Advances until nothing moves. */
function rest(camera: Camera, time = 0): Camera {
  let now = time;
  do camera.advance((now += 50));
  while (!camera.settled && now < time + 60_000);
  return camera;
}

test('so many pixels per unit show, with and without panels, from the start, at the limits, by place and by travel: 1e-9', () => {
  forRuns(40, between(0.2, 60), panels, (pixelsPerUnit, bottom) => {
    const settings = {
      start: { span: { pixelsPerUnit } },
      zoom: { minSpan: { pixelsPerUnit: 100 }, maxSpan: { pixelsPerUnit: 0.1 } },
      safeFrame: { bottom },
    };
    // The size of the screen may come later.
    const camera = new Camera([straightDown(), settings], pixelsPerUnit < 10 ? { screen } : {});
    camera.signal({ kind: 'screen', ...screen });
    const scale = (): number => rest(camera).view.scale;
    expect(scale() / pixelsPerUnit).toBeCloseTo(1, 9);
    camera.zoom({ factor: 1e6 });
    expect(scale()).toBeCloseTo(100, 9);
    camera.zoom({ factor: 1e-6 });
    expect(scale()).toBeCloseTo(0.1, 9);
    camera.place({ span: { pixelsPerUnit } });
    expect(scale() / pixelsPerUnit).toBeCloseTo(1, 9);
    void travel(camera, { span: { pixelsPerUnit: 2 } });
    expect(scale()).toBeCloseTo(2, 9);
    play(camera, { keyframes: [{ at: 0.2, span: { pixelsPerUnit: 3 } }] });
    expect(scale()).toBeCloseTo(3, 9);
    camera.home();
    expect(scale() / pixelsPerUnit).toBeCloseTo(1, 9);
  });
});

test('a layer or a change in another unit takes the place of the zoom below it', () => {
  const camera = new Camera(
    [
      { lens: { fieldOfView: 40 }, pitch: { degrees: 60 }, zoom: { maxSpan: { pixelsPerUnit: 1 } } },
      { start: { span: { pixelsPerUnit: 4 } } },
      { start: { span: { eyeHeight: 120 } }, zoom: { maxSpan: { eyeHeight: 500 } } },
    ],
    { screen },
  );
  expect(camera.advance(0).eye().height).toBeCloseTo(120, 8);
  camera.change({ zoom: { maxSpan: { pixelsPerUnit: 2 } } });
  expect(camera.settings.zoom.maxSpan).toEqual({ pixelsPerUnit: 2 });
  camera.change({ pitch: { degrees: { near: 40, far: 60, at: { eyeHeight: 90 }, slack: 0.1 } } });
  camera.change({ pitch: { degrees: { near: 40, far: 60, at: { pixelsPerUnit: 3 }, slack: 0.1 } } });
  expect(camera.settings.pitch.degrees).toMatchObject({ at: { pixelsPerUnit: 3 } });
});

test('the goal is right before the first frame, once the size of the screen is named', () => {
  const camera = new Camera([
    straightDown(),
    { start: { span: { pixelsPerUnit: 2 } }, zoom: { maxSpan: { pixelsPerUnit: 1 } } },
  ]);
  camera.signal({ kind: 'screen', ...screen });
  expect(camera.goal.span).toBe(400);
  camera.zoom({ factor: 1e-3 });
  expect(camera.goal.span).toBe(800);
});

test('an eye height is that of the eye, from any pitch that follows the zoom, and curves by it have their values there: 1e-9', () => {
  const pitches = fc.oneof(
    between(20, 89),
    fc.constantFrom<NonNullable<Settings['pitch']>['degrees']>(
      [
        [30, 35],
        [900, 80],
      ],
      [
        [{ eyeHeight: 20 }, 35],
        [{ eyeHeight: 900 }, 80],
      ],
      { near: 40, far: 60, at: { eyeHeight: 100 } },
    ),
  );
  forRuns(60, between(5, 3000), pitches, between(20, 100), panels, (eyeHeight, degrees, fieldOfView, bottom) => {
    const camera = new Camera(
      {
        pitch: { degrees, halfLife: 0 },
        lens: { fieldOfView },
        start: { span: { eyeHeight } },
        zoom: { minSpan: { eyeHeight: 4 }, maxSpan: { eyeHeight: 4000 } },
        safeFrame: { bottom },
      },
      { screen },
    );
    const high = (): number => rest(camera).view.eye().height;
    // A switch has no pitch for some heights: the farther side is taken up to where it begins.
    const jumps = typeof degrees === 'object' && !Array.isArray(degrees);
    if (!jumps) expect(high() / eyeHeight).toBeCloseTo(1, 9);
    camera.zoom({ factor: 1e9 });
    expect(high()).toBeCloseTo(4, 8);
    camera.zoom({ factor: 1e-9 });
    expect(high()).toBeCloseTo(4000, 5);
    camera.place({ span: { eyeHeight: 77 }, pitch: 50 });
    expect([high(), camera.view.pitch].map((value) => Number(value.toFixed(8)))).toEqual([77, 50]);
    if (!Array.isArray(degrees) || typeof degrees[0]?.[0] === 'number') return;
    camera.place({ span: { eyeHeight: 20 } });
    expect(rest(camera).view.eye().height).toBeGreaterThan(4);
  });
});

test('a stop of the pitch by eye height is reached at that height', () => {
  const degrees: [Span, number][] = [
    [{ eyeHeight: 15 }, 35],
    [{ eyeHeight: 90 }, 60],
    [{ eyeHeight: 700 }, 85],
  ];
  const camera = new Camera({ pitch: { degrees }, lens: { fieldOfView: 50 }, zoom: { maxSpan: 4000 } }, { screen });
  for (const [span, pitch] of degrees) {
    camera.place({ span });
    expect(camera.advance(0).pitch).toBeCloseTo(pitch, 6);
  }
});

test('a field of view is that of the lens, where it zooms at a distance', () => {
  forRuns(40, between(2, 120), panels, (fieldOfView, bottom) => {
    const camera = new Camera(
      {
        lens: { distance: 300 },
        pitch: { degrees: 60 },
        start: { span: { fieldOfView } },
        zoom: { minSpan: { fieldOfView: 1.5 }, maxSpan: { fieldOfView: 130 } },
        safeFrame: { bottom },
      },
      { screen },
    );
    expect(rest(camera).view.fieldOfView).toBeCloseTo(fieldOfView, 8);
    camera.zoom({ factor: 1e-6 });
    expect(rest(camera).view.fieldOfView).toBeCloseTo(130, 8);
    camera.change({ zoom: { stops: [10, 20, 40], stopUnit: 'field-of-view' } });
    camera.zoom({ notches: 99 });
    expect(rest(camera).view.fieldOfView).toBeCloseTo(10, 8);
  });
});

test('a unit that the lens does not have is refused by name, in settings, calls and cutscenes', () => {
  const flat = new Camera(straightDown(), { screen });
  const asked = { eyeHeight: 5 };
  expect(() => checkSettings([straightDown(), { start: { span: asked } }])).toThrow(
    /^checkSettings: settings rejected:\n {2}start\.span: /,
  );
  expect(() => checkSettings({ pan: { speed: [[asked, 1]] } })).toThrow(
    /pan\.speed\[0\]\[0\]: expected .*, got {"eyeHeight":5}/,
  );
  expect(() => {
    flat.place({ span: asked });
  }).toThrow(/^place\.span: expected .*, got {"eyeHeight":5}/);
  expect(() => travel(flat, { span: { fieldOfView: 5 } })).toThrow(
    /travel\.to\.span: expected .*, got {"fieldOfView":5}/,
  );
  expect(() => play(flat, { keyframes: [{ at: 1, span: asked }] })).toThrow(/^play\.keyframes\[0]\.span: expected/);
  const both = { pixelsPerUnit: 1, eyeHeight: 2 } as unknown as Span;
  expect(() => checkSettings({ start: { span: both } })).toThrow(/start\.span: expected a span .*, got /);
  expect(() =>
    checkSettings({
      pitch: {
        degrees: [
          [{ pixelsPerUnit: 2 }, 40],
          [{ pixelsPerUnit: 3 }, 50],
        ],
      },
    }),
  ).toThrow(
    /pitch\.degrees\[1]\[0]: expected more than the span of the stop before it, {"pixelsPerUnit":2}, got {"pixelsPerUnit":3}/,
  );
  expect(inSpans(checkSettings({ zoom: { minSpan: { pixelsPerUnit: 4 } } }), 800).zoom.minSpan).toBe(200);
});

test('a session of zooms in other units conforms to its schema and plays again, bit for bit', () => {
  const lines: string[] = [];
  const tall = [tilted({ eyeHeight: 30 }, { eyeHeight: 300 }), { start: { span: { eyeHeight: 200 } } }];
  const camera = new Camera(tall, { screen });
  record(camera, (line) => lines.push(line));
  for (let frame = 0; frame < 200; frame++) {
    if (frame === 3) camera.place({ span: { pixelsPerUnit: 3 } });
    if (frame === 20) void travel(camera, { x: 90, span: { eyeHeight: 55 } });
    if (frame === 120) play(camera, { keyframes: [{ at: 0.5, span: { eyeHeight: 99 } }] });
    camera.advance(frame * 16);
  }
  expect(lines.length).toBeGreaterThan(3);
  for (const line of lines) expect([line, conforms(JSON.parse(line))]).toEqual([line, true]);
  const { header, signals } = read(lines.join(''));
  const again = new Replay(header);
  for (const signal of signals) again.push(signal);
  again.end();
  const { span, x, pitch } = rest(camera, 199 * 16).view;
  expect([again.camera.view.span, again.camera.view.x, again.camera.view.pitch]).toEqual([span, x, pitch]);
});

test('above zero comes nearer: notches and factors of calls, notches of the wheel, of taps and of drags', () => {
  const settings: Settings = { bindings: { dragZoom: ['MouseRight'] }, start: { span: 300 } };
  const after = (steer: (camera: Camera) => void): number => {
    const camera = new Camera([straightDown(), settings], { screen });
    camera.advance(0);
    steer(camera);
    return rest(camera, 10).view.span;
  };
  const tap = (camera: Camera, time: number): void => {
    camera.signal({ kind: 'press', id: 1, input: 'Touch', x: 600, y: 300, time });
    camera.signal({ kind: 'lift', id: 1, time: time + 30 });
  };
  const nearer = [
    after((camera) => {
      camera.zoom({ notches: 2 });
    }),
    after((camera) => {
      camera.zoom({ factor: 2 });
    }),
    after((camera) => camera.signal({ kind: 'wheel', x: 9, y: 9, notches: 2 })),
    after((camera) => {
      tap(camera, 10);
      tap(camera, 150);
    }),
    after((camera) => {
      camera.signal({ kind: 'press', id: 2, input: 'MouseRight', x: 600, y: 500, time: 10 });
      camera.signal({ kind: 'move', id: 2, x: 600, y: 300, time: 40 });
      camera.signal({ kind: 'lift', id: 2, time: 60 });
    }),
  ];
  for (const span of nearer) expect(span).toBeLessThan(290);
});

test('a pan speed in world units is the same at every zoom and along every direction of the ground: 1e-6', () => {
  forRuns(40, between(20, 4000), between(25, 90), fc.constantFrom('KeyW', 'KeyD', 'KeyA'), (span, degrees, code) => {
    const camera = new Camera(
      {
        start: { span },
        pitch: { degrees },
        lens: { fieldOfView: 40 },
        pan: { speed: 250, speedUnit: 'world-units', startHalfLife: 0 },
        zoom: { maxSpan: 5000 },
      },
      { screen },
    );
    camera.advance(0);
    camera.signal({ kind: 'key', code, down: true, time: 0 });
    for (let i = 1; i <= 100; i++) camera.advance(i * 10);
    expect(Math.hypot(camera.view.x, camera.view.y)).toBeCloseTo(250, 4);
  });
});

test('the table of quantities holds: what was had comes of what is written', () => {
  forRuns(30, between(1, 20), between(0.02, 0.4), between(20, 90), between(50, 900), (rate, share, fov, distance) => {
    const tan = Math.tan((fov / 2) * (Math.PI / 180));
    const settings = { pitch: { degrees: 50 }, lens: { fieldOfView: fov }, zoom: { maxSpan: 1e5 } };
    // The distance from the eye to the focus.
    const camera = new Camera([settings, { start: { span: 2 * distance * tan } }], { screen });
    const { eye } = { eye: camera.advance(0).eye() };
    expect(Math.hypot(eye.x, eye.y, eye.height)).toBeCloseTo(distance, 6);
    // A smoothing rate, a share of the rest in each of 60 frames, and the time until a tenth is left.
    const left = (halfLife: number, seconds: number): number => {
      const eased = new Camera({ start: { span: 100 }, zoom: { halfLife, maxSpan: 4000 } }, { screen });
      eased.advance(0);
      eased.zoom({ factor: 0.5 });
      eased.advance(1000 / 60);
      const from = Math.log2(200 / eased.shown.span);
      eased.advance(1000 / 60 + seconds * 1000);
      return Math.log2(200 / eased.shown.span) / from;
    };
    expect(left(0.693147 / rate, 0.2)).toBeCloseTo(Math.exp(-rate * 0.2), 4);
    expect(left(-1 / (60 * Math.log2(1 - share)), 1 / 60)).toBeCloseTo(1 - share, 4);
    expect(left(0.30103 * share, share)).toBeCloseTo(0.1, 3);
  });
});
