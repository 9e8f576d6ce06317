/** Presses, moves and lifts: what drags, pinches, swings and taps make of them. */
import { expect, test } from '@jest/globals';
import fc from 'fast-check';
import type { Settings, Signal, Spot } from '../src/index.ts';
import { forAll, forRuns } from './law.ts';
import { Camera } from './shapes.ts';
import { between, hills, looks, pixelsBetween, settingsWith, turnable } from './steering.ts';

const screen = { width: 800, height: 600 };
const onScreen = fc.record({ x: between(100, 700), y: between(150, 550) });
/** High above the ground, where nothing is out of reach and no hill comes up to the eye. */
const high: Settings = {
  start: { x: 0, y: 0, span: 900 },
  zoom: { minSpan: 20, maxSpan: 9000, halfLife: 0.1 },
  pitch: { degrees: 60 },
};

function spotAt(camera: Camera, { x, y }: { x: number; y: number }): Spot {
  const ground = camera.view.toGround(x, y);
  if (ground === null) throw new Error('sky');
  return ground;
}

function shownAt(camera: Camera, { x, y, height }: Spot): { x: number; y: number } {
  return camera.view.toScreen(x, y, height);
}

/** Sends signals a millisecond apart from `start` on, with a frame after each. */
function play(camera: Camera, start: number, signals: readonly Signal[], each: () => void = () => undefined): number {
  let time = start;
  for (const signal of signals) {
    time += 1;
    camera.signal({ ...signal, time });
    camera.advance(time);
    each();
  }
  return time;
}

test('G2: once a drag has started, what is under the pointer stays under it in every frame, to 1e-3 px', () => {
  const roads = fc.array(onScreen, { minLength: 2, maxLength: 8 });
  const tilted = looks.map((look) => ({ ...look, pitch: { ...look.pitch, min: 45 }, safeFrame: {} }));
  forAll(settingsWith(false, tilted), onScreen, roads, fc.boolean(), (settings, from, road, hilly) => {
    const start = { x: 0, y: 0, span: 1500 };
    const zoom = { minSpan: 1500, maxSpan: 1500 };
    const camera = new Camera({ ...settings, start, zoom, lens: {} }, { screen, terrain: hilly ? hills : null });
    camera.advance(0);
    play(camera, 0, [{ kind: 'press', id: 7, input: 'MouseMiddle', ...from }]);
    const slop = camera.settings.drag.startsAfter;
    const [first = from, ...rest] = road;
    if (pixelsBetween(first, from) <= slop) return;
    const held = spotAt(camera, from);
    play(camera, 5, [{ kind: 'move', id: 7, ...first }]);
    // It took hold where it left the slop: so what was pressed is off by that, and by no more.
    const off = pixelsBetween(shownAt(camera, held), first);
    expect(off).toBeLessThan(slop * 4);
    const gripped = spotAt(camera, first);
    play(
      camera,
      10,
      rest.map((to) => ({ kind: 'move' as const, id: 7, ...to })),
      () => {
        const [grip] = camera.grips;
        if (grip === undefined || grip.limited) return;
        expect(pixelsBetween(shownAt(camera, grip), { x: grip.screenX, y: grip.screenY })).toBeLessThan(1e-3);
      },
    );
    if (!hilly) expect(pixelsBetween(shownAt(camera, gripped), rest.at(-1) ?? first)).toBeLessThan(1e-3);
  });
});

test('a press that stays where it is moves nothing, and nothing jumps when it starts to drag', () => {
  const camera = new Camera(high, { screen });
  camera.advance(0);
  const before = camera.shown;
  const press = { kind: 'press' as const, id: 1, input: 'Touch' as const, x: 300, y: 300 };
  play(camera, 0, [press, { kind: 'move', id: 1, x: 307, y: 307 }]);
  expect(camera.shown).toEqual(before);
  const ground = spotAt(camera, { x: 300, y: 300 });
  play(camera, 2, [{ kind: 'move', id: 1, x: 307.2, y: 307.2 }]);
  expect(pixelsBetween(shownAt(camera, ground), { x: 300, y: 300 })).toBeLessThan(0.3);
  play(camera, 100, [{ kind: 'lift', id: 1 }]);
  expect(camera.binds('MouseLeft')).toBe(false);
  expect(camera.signal({ kind: 'press', id: 2, input: 'MouseLeft', x: 1, y: 1 })).toBe(false);
});

test('G3: two fingers neither zoom nor turn inside their zones, do both outside, and nothing jumps between', () => {
  const camera = new Camera([high, turnable], { screen });
  camera.advance(0);
  play(camera, 0, [
    { kind: 'press', id: 1, input: 'Touch', x: 300, y: 300 },
    { kind: 'press', id: 2, input: 'Touch', x: 500, y: 300 },
  ]);
  const before = camera.shown;
  // Wider by 4 %, twisted by 3°: inside both zones.
  play(camera, 2, [{ kind: 'move', id: 2, x: 507, y: 311 }]);
  expect([camera.shown.span, camera.shown.heading]).toEqual([before.span, before.heading]);
  let last = camera.shown;
  let leaps = 0;
  const steps = Array.from({ length: 200 }, (_, i) => ({
    kind: 'move' as const,
    id: 2,
    x: 507 + i * 0.5,
    y: 311 + i * 0.5,
  }));
  play(camera, 10, steps, () => {
    const { span, heading } = camera.shown;
    if (Math.abs(Math.log2(span / last.span)) > 0.01 || Math.abs(heading - last.heading) > 0.5) leaps += 1;
    last = camera.shown;
  });
  expect(leaps).toBe(0);
  expect(last.span).toBeLessThan(before.span * 0.8);
  expect(last.heading).not.toBe(before.heading);
  for (const grip of camera.grips)
    expect(pixelsBetween(shownAt(camera, grip), { x: grip.screenX, y: grip.screenY })).toBeLessThan(1e-3);
});

test('a flung map goes on as fast as the hand went, at any heading and pitch, and comes to rest; a pause holds it', () => {
  forAll(between(-180, 180), between(30, 90), fc.boolean(), between(-3, 3), (heading, pitch, pauses, way) => {
    const start = { x: 0, y: 0, span: 900, heading };
    const camera = new Camera({ ...high, start, pitch: { degrees: pitch } }, { screen });
    camera.advance(0);
    const at = (i: number): { x: number; y: number } => ({
      x: 400 + i * 3 * Math.cos(way),
      y: 300 + i * 3 * Math.sin(way),
    });
    const moves = Array.from({ length: 60 }, (_, i) => ({ kind: 'move' as const, id: 1, ...at(i) }));
    const end = play(camera, 0, [{ kind: 'press', id: 1, input: 'Touch', ...at(0) }, ...moves]);
    const [grip] = camera.grips;
    camera.signal({ kind: 'lift', id: 1, time: end + (pauses ? 200 : 1) });
    camera.advance(end + 201);
    camera.advance(end + 210);
    const ground = spotAt(camera, { x: 400, y: 300 });
    camera.advance(end + 211);
    const moved = shownAt(camera, ground);
    // 3 pixels a millisecond, of which a little is gone after the first 210 ms.
    const left = pauses ? 0 : 3 * 2 ** (-0.21 / camera.settings.drag.glideHalfLife);
    expect(moved.x - 400).toBeCloseTo(left * Math.cos(way), 0);
    expect(moved.y - 300).toBeCloseTo(left * Math.sin(way), 0);
    expect(grip?.screenX).toBeCloseTo(at(59).x, 9);
    camera.advance(end + 20_000);
    expect(camera.settled).toBe(true);
  });
  const camera = new Camera({ ...high, drag: { glideHalfLife: 0 } }, { screen });
  camera.advance(0);
  const moves = [3, 6, 9, 12, 15, 18].map((i) => ({ kind: 'move' as const, id: 1, x: 400 + i, y: 300 }));
  play(camera, 0, [{ kind: 'press', id: 1, input: 'Touch', x: 400, y: 300 }, ...moves, { kind: 'lift', id: 1 }]);
  const { x } = camera.shown;
  camera.advance(1000);
  expect(camera.shown.x).toBe(x);
});

test('a fling depends smoothly on its last movement: no millisecond and no pixel more or less makes a jump of where it ends', () =>
  forRuns(10, between(2, 30), between(0, 40), between(1, 20), (step, pause, late) => {
    /** How far it glides, CSS pixels, after a steady drag, a last movement some time later, and a pause. */
    const glideOf = (rests: number, after: number, last: number): number => {
      const camera = new Camera({ ...high, zoom: { maxSpan: 900 } }, { screen });
      camera.advance(0);
      camera.signal({ kind: 'press', id: 1, input: 'Touch', x: 100, y: 300, time: 0 });
      for (let i = 1; i <= 12; i++) camera.signal({ kind: 'move', id: 1, x: 100 + i * step, y: 300, time: i * 16 });
      camera.signal({ kind: 'move', id: 1, x: 100 + 12 * step + last, y: 300, time: 192 + after });
      camera.signal({ kind: 'lift', id: 1, time: 192 + after + rests });
      camera.advance(192 + after + rests);
      const { x } = camera.shown;
      for (let time = 500; time < 6000; time += 20) camera.advance(time);
      return (x - camera.shown.x) / 1.5;
    };
    const way = Array.from({ length: 150 }, (_, i) => i);
    for (const glides of [
      way.map((i) => glideOf(i, late, step)),
      way.map((i) => glideOf(pause, i + 1, step)),
      way.map((i) => glideOf(pause, 16, i / 3 - 25)),
    ]) {
      const most = Math.max(...glides.map(Math.abs));
      const jumps = glides.slice(1).map((glide, i) => Math.abs(glide - (glides[i] ?? NaN)));
      // It takes dozens of steps from all to nothing.
      expect(Math.max(...jumps)).toBeLessThan(0.08 * most + 1);
    }
  }));

test('a press that pulls pans at a rate: toward the pointer, the faster the farther, for as long as it is held', () => {
  forAll(between(0.05, 1), between(0, 2 * Math.PI), between(20, 200), (pullDistance, way, far) => {
    const bindings = { pull: ['MouseMiddle'], drag: [] };
    const pan = { startHalfLife: 0, stopHalfLife: 0 };
    const camera = new Camera(
      { start: { x: 0, y: 0, span: 600 }, zoom: { maxSpan: 900 }, pan, drag: { pullDistance }, bindings },
      { screen },
    );
    camera.advance(0);
    const at = { x: 400 + far * Math.cos(way), y: 300 + far * Math.sin(way) };
    camera.signal({ kind: 'press', id: 1, input: 'MouseMiddle', x: 400, y: 300, time: 0 });
    camera.advance(50);
    expect([camera.shown.x, camera.settled]).toEqual([0, true]);
    camera.signal({ kind: 'move', id: 1, ...at, time: 100 });
    camera.advance(150);
    camera.advance(200);
    const { startsAfter } = camera.settings.drag;
    const went = (0.1 * (far - startsAfter)) / pullDistance;
    expect(camera.shown.x).toBeCloseTo(went * Math.cos(way), 6);
    expect(camera.shown.y).toBeCloseTo(went * Math.sin(way), 6);
    camera.signal({ kind: 'lift', id: 1, time: 200 });
    camera.advance(400);
    expect(camera.settled).toBe(true);
    expect(Math.hypot(camera.shown.x, camera.shown.y)).toBeCloseTo(went, 6);
  });
});

test('the key for faster has a factor of its own for panning, zooming, and turning and tilting', () => {
  const bindings = { turnRight: ['KeyE'], tiltUp: ['KeyF'] };
  const at = {
    pan: { speed: 0.5, fasterFactor: 3 },
    zoom: { rate: 4, fasterFactor: 2 },
    turn: { rate: 60, fasterFactor: 1.5 },
  };
  const after = (code: string, faster: boolean): number[] => {
    const camera = new Camera({ ...at, bindings, start: { x: 0, y: 0, span: 600, pitch: 60 } }, { screen });
    camera.advance(0);
    if (faster) camera.signal({ kind: 'key', code: 'ShiftLeft', down: true, time: 0 });
    camera.signal({ kind: 'key', code, down: true, time: 0 });
    camera.signal({ kind: 'key', code, down: false, time: 300 });
    for (let time = 0; time < 5000; time += 20) camera.advance(time);
    const { x, span, heading, pitch } = camera.shown;
    return [x, Math.log(span / 600), heading, pitch - 60];
  };
  for (const [code, index, factor] of [
    ['KeyD', 0, 3],
    ['Equal', 1, 2],
    ['KeyE', 2, 1.5],
    ['KeyF', 3, 1.5],
  ] as const) {
    const slow = after(code, false)[index] ?? 0;
    expect(Math.abs(slow)).toBeGreaterThan(0.05);
    expect((after(code, true)[index] ?? 0) / slow).toBeCloseTo(factor, 3);
  }
});

test('a fling glides however seldom its events come, down to ten a second, and a pause still holds it', () =>
  forRuns(30, between(10, 240), between(40, 200), (rate, step) => {
    const fling = (pause: number): number => {
      const camera = new Camera(high, { screen });
      camera.advance(0);
      const every = 1000 / rate;
      camera.signal({ kind: 'press', id: 1, input: 'Touch', x: 100, y: 300, time: 0 });
      for (let i = 1; i <= 5; i++) camera.signal({ kind: 'move', id: 1, x: 100 + i * step, y: 300, time: i * every });
      camera.signal({ kind: 'lift', id: 1, time: 5 * every + pause });
      camera.advance(5 * every + pause);
      const { x } = camera.shown;
      for (let time = 5 * every + pause; time < 5000; time += 20) camera.advance(time);
      return x - camera.shown.x;
    };
    expect(fling(1000 / rate)).toBeGreaterThan(step / 2);
    expect(fling(400)).toBe(0);
  }));

test('an orbit turns and tilts by what was dragged, about what was pressed, and stops at its limits however it is flicked', () => {
  const turn = { anchor: 'cursor' as const, max: 100, min: -100 };
  const settings = { ...high, ...turnable, turn, pitch: { degrees: 60, min: 20, max: 80 } };
  forAll(onScreen, between(-2000, 2000), between(-2000, 2000), (from, right, down) => {
    const camera = new Camera(settings, { screen });
    camera.advance(0);
    const ground = spotAt(camera, from);
    const moves = [5, 6, 7].map((i) => ({
      kind: 'move' as const,
      id: 3,
      x: from.x + (i === 5 ? 5 : (right * (i - 5)) / 2 + 5),
      y: from.y + (i === 5 ? 0 : (down * (i - 5)) / 2),
    }));
    play(camera, 0, [
      { kind: 'key', code: 'ControlLeft', down: true },
      { kind: 'press', id: 3, input: 'MouseMiddle', ...from },
      ...moves,
    ]);
    const { heading, pitch } = camera.shown;
    // All but the threshold of 4 pixels counts.
    expect(heading).toBeCloseTo(Math.min(100, Math.max(-100, ((right + 1) / 600) * 180)), 6);
    const tilted = (half: number, at: number): number => Math.min(80, Math.max(20, at + (half / 600) * 90));
    expect(pitch).toBeCloseTo(tilted(down / 2, tilted(down / 2, 60)), 6);
    expect(pixelsBetween(shownAt(camera, ground), from)).toBeLessThan(1e-3);
  });
});

test('an orbit turns by the same in however many events it comes: all of the way less the threshold', () => {
  forAll(
    between(20, 400),
    between(-200, 200),
    fc.constantFrom(1, 2, 4, 8, 50),
    between(0, 15),
    (right, down, events, threshold) => {
      const camera = new Camera(
        { ...high, bindings: { orbit: ['MouseRight'] }, drag: { startsAfter: threshold } },
        { screen },
      );
      camera.advance(0);
      const way = Math.hypot(right, down);
      play(camera, 0, [
        { kind: 'press', id: 3, input: 'MouseRight', x: 300, y: 300 },
        ...Array.from({ length: events }, (_, i) => ({
          kind: 'move' as const,
          id: 3,
          x: 300 + (right * (i + 1)) / events,
          y: 300 + (down * (i + 1)) / events,
        })),
      ]);
      expect(camera.shown.heading).toBeCloseTo(((right * (1 - threshold / way)) / 600) * 180, 6);
    },
  );
});

test('held keys turn and tilt by degrees a second and zoom by notches a second; steps add up; north is the short way', () => {
  const bindings = {
    ...turnable.bindings,
    turnStepLeft: ['Comma'],
    turnStepRight: ['Shift+KeyE', 'Period'],
    faceNorth: ['KeyN'],
  };
  const make = (): Camera => {
    const camera = new Camera({ ...high, pitch: { degrees: 60, rate: 10 }, bindings }, { screen });
    camera.advance(0);
    return camera;
  };
  const tap = (camera: Camera, code: string, from: number, to: number): void => {
    camera.signal({ kind: 'key', code, down: true, time: from });
    camera.advance(from);
    camera.signal({ kind: 'key', code, down: false, time: to });
    camera.advance(to);
    camera.advance(to + 5000);
  };
  const turned = make();
  tap(turned, 'KeyE', 0, 2000);
  expect(turned.shown.heading).toBeCloseTo(180, 9);
  tap(turned, 'KeyQ', 10_000, 10_500);
  expect(turned.shown.heading).toBeCloseTo(135, 9);
  tap(turned, 'KeyN', 20_000, 20_100);
  expect(turned.shown.heading).toBeCloseTo(0, 9);
  for (const time of [30_000, 30_010, 30_020]) tap(turned, 'Period', time, time + 5);
  tap(turned, 'Comma', 60_000, 60_100);
  expect(turned.shown.heading).toBeCloseTo(180, 9);
  turned.signal({ kind: 'key', code: 'ShiftRight', down: true, time: 70_000 });
  tap(turned, 'KeyE', 70_001, 71_000);
  expect(turned.shown.heading).toBeCloseTo(270, 9);
  const tilted = make();
  tap(tilted, 'KeyR', 0, 1000);
  expect(tilted.shown.pitch).toBeCloseTo(70, 9);
  tap(tilted, 'Equal', 10_000, 11_000);
  expect(tilted.shown.span).toBeCloseTo(900 / 1.1 ** 8, 6);
});

test('a double tap comes nearer at its place and a tap of two fingers goes farther; slow, far or dragged ones do neither', () => {
  const touchAt = (camera: Camera, time: number, points: readonly { x: number; y: number }[], drag = 0): void => {
    points.forEach(({ x, y }, id) => {
      camera.signal({ kind: 'press', id, input: 'Touch', x, y, time });
      camera.signal({ kind: 'move', id, x: x + drag, y, time: time + 20 });
      camera.signal({ kind: 'lift', id, time: time + 50 + id });
    });
    camera.advance(time + 60);
  };
  const spanAfter = (taps: (camera: Camera) => void): number => {
    const camera = new Camera({ ...high, drag: { glideHalfLife: 0 } }, { screen });
    camera.advance(0);
    const ground = spotAt(camera, { x: 300, y: 250 });
    taps(camera);
    camera.advance(5000);
    if (camera.shown.span < 900) expect(pixelsBetween(shownAt(camera, ground), { x: 300, y: 250 })).toBeLessThan(1e-3);
    return camera.shown.span;
  };
  const here = { x: 300, y: 250 };
  const nearer = spanAfter((camera) => {
    touchAt(camera, 100, [here]);
    touchAt(camera, 300, [here]);
  });
  expect(nearer).toBeCloseTo(900 / 1.1 ** 6, 6);
  const farther = spanAfter((camera) => touchAt(camera, 100, [here, { x: 500, y: 250 }]));
  expect(farther).toBeCloseTo(900 * 1.1 ** 6, 6);
  const tooSlow = (camera: Camera): void => {
    touchAt(camera, 100, [here]);
    touchAt(camera, 700, [here]);
  };
  const tooFar = (camera: Camera): void => {
    touchAt(camera, 100, [here]);
    touchAt(camera, 300, [{ x: 400, y: 250 }]);
  };
  const dragged = (camera: Camera): void => {
    touchAt(camera, 100, [here]);
    touchAt(camera, 300, [here], 30);
  };
  for (const taps of [tooSlow, tooFar, dragged]) expect(spanAfter(taps)).toBe(900);
});

test('a wheel that pans moves the ground by its pixels at any heading and pitch; by device, wheels zoom and trackpads pan', () =>
  forAll(between(-180, 180), between(20, 90), between(-200, 200), between(-150, 150), (heading, pitch, right, down) => {
    const start = { x: 0, y: 0, span: 600, heading };
    const camera = new Camera({ start, pitch: { degrees: pitch }, wheel: { action: 'by-device' } }, { screen });
    camera.advance(0);
    const ground = spotAt(camera, { x: 400, y: 300 });
    const wheel = { kind: 'wheel' as const, x: 100, y: 100, notches: down / 100, right, down };
    camera.signal({ ...wheel, trackpad: 'scroll', time: 10 });
    camera.advance(10);
    const at = shownAt(camera, ground);
    expect([at.x, at.y]).toEqual([expect.closeTo(400 - right, 6), expect.closeTo(300 - down, 6)]);
    expect(camera.settled).toBe(true);
    camera.signal({ ...wheel, notches: -1, trackpad: 'pinch', time: 20 });
    camera.signal({ ...wheel, notches: -1, time: 20 });
    camera.advance(5000);
    expect(camera.shown.span).toBeCloseTo(600 / 1.21, 6);
  }));

test('G8: a hand that holds still over hills is at rest, and the focus follows the ground when it lets go', () => {
  const camera = new Camera({ ...high, start: { x: 0, y: 0, span: 300 } }, { screen, terrain: hills });
  camera.advance(0);
  play(camera, 0, [
    { kind: 'press', id: 1, input: 'Touch', x: 300, y: 300 },
    { kind: 'move', id: 1, x: 380, y: 390 },
  ]);
  const { focusHeight } = camera.shown;
  camera.advance(3000);
  expect(camera.settled).toBe(true);
  expect(camera.shown.focusHeight).toBe(focusHeight);
  camera.signal({ kind: 'lift', id: 1, time: 3000 });
  camera.advance(9000);
  expect(camera.settled).toBe(true);
  expect(camera.shown.focusHeight).not.toBe(focusHeight);
});

test('two fingers that may not turn: a twist alone does not zoom, at any pitch', () => {
  let twisted = 0;
  forAll(between(35, 90), between(60, 200), between(0, 360), between(-90, 90), (pitch, apart, from, turned) => {
    const camera = new Camera(
      { start: { x: 0, y: 0, span: 200 }, pitch: { degrees: pitch }, twoFingers: { turn: false } },
      { screen: { width: 800, height: 600 } },
    );
    camera.advance(0);
    const fingers = (degrees: number): void => {
      const angle = (degrees * Math.PI) / 180;
      const [x, y] = [Math.cos(angle) * apart, Math.sin(angle) * apart];
      camera.hold(1, 400 - x, 300 - y);
      camera.hold(2, 400 + x, 300 + y);
    };
    fingers(from);
    camera.advance(16);
    const { span } = camera.shown;
    for (let step = 1; step <= 8; step++) {
      fingers(from + (turned * step) / 8);
      camera.advance(16 + 16 * step);
      expect(Math.abs(camera.shown.span / span - 1)).toBeLessThan(1e-6);
    }
    if (Math.abs(turned) > 30 && pitch < 70) twisted += 1;
  });
  expect(twisted).toBeGreaterThan(10);
});
