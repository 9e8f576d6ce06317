/** Pads, the way home, two fingers that tilt or fling, and what is locked. */
import { test } from '@jest/globals';
import { expect } from './expect.ts';
import fc from 'fast-check';
import type { Settings, Signal } from '../src/index.ts';
import { reviewSettings } from '../src/review/index.ts';
import { forAll } from './law.ts';
import { Camera } from './shapes.ts';
import { between, settingsWith, turnable } from './steering.ts';

const screen = { width: 800, height: 600 };
const plain: Settings = { start: { x: 0, y: 0, span: 600, pitch: 60 }, ground: { clearance: 0 } };
const still = { axes: [0, 0, 0, 0], buttons: [] };

function cameraWith(settings: Settings = plain): Camera {
  const camera = new Camera(settings, { screen });
  camera.advance(0);
  return camera;
}

/** Sends signals with so many milliseconds between them, with a frame after each; the time after the last. */
function play(camera: Camera, start: number, every: number, signals: readonly Signal[]): number {
  let time = start;
  for (const signal of signals) {
    time += every;
    camera.signal({ ...signal, time });
    camera.advance(time);
  }
  return time;
}

test('a stick pans the way it is pushed, no faster than a key, and from nothing at its dead zone', () =>
  forAll(between(-180, 180), between(0, 1.4), between(0, 0.5), between(0.5, 3), (degrees, push, deadZone, curve) => {
    const camera = cameraWith({
      start: { x: 0, y: 0, span: 600 },
      pitch: { degrees: 90 },
      pad: { deadZone, curve },
    });
    const [x, y] = [Math.cos((degrees * Math.PI) / 180), Math.sin((degrees * Math.PI) / 180)];
    const reach = Math.min(push, 1 / Math.max(Math.abs(x), Math.abs(y)));
    camera.signal({ kind: 'pad', id: 0, axes: [x * reach, y * reach, 0, 0], buttons: [], time: 0 });
    camera.advance(3000);
    const before = camera.shown;
    camera.advance(4000);
    const way = { x: camera.shown.x - before.x, y: camera.shown.y - before.y };
    const share = Math.min(1, Math.max(0, (reach - deadZone) / (1 - deadZone)));
    const speed = share ** curve * 600;
    expect(Math.hypot(way.x, way.y)).toBeCloseTo(speed, 4);
    if (speed > 1) expect(way.x * y - way.y * x).toBeCloseTo(0, 4);
  }));

test('noise below the dead zone keeps no camera awake, and a pad that goes lets go', () => {
  const camera = cameraWith();
  expect(camera.settled).toBe(true);
  expect(camera.signal({ kind: 'pad', id: 0, axes: [0.1, -0.08, 0.02, 0], buttons: [0.05], time: 1 })).toBe(false);
  expect(camera.settled).toBe(true);
  camera.signal({ kind: 'pad', id: 0, axes: [1, 0, 0, 0], buttons: [], time: 2 });
  camera.advance(500);
  expect(camera.settled).toBe(false);
  // What another pad holds still counts.
  camera.signal({ kind: 'pad', id: 1, axes: [0, 1, 0, 0], buttons: [], time: 501 });
  camera.signal({ kind: 'pad', id: 0, axes: [], buttons: [], time: 502 });
  camera.advance(3000);
  const { x, y } = camera.shown;
  camera.advance(3100);
  expect(camera.shown.x).toBeCloseTo(x, 6);
  expect(camera.shown.y).toBeGreaterThan(y + 1);
  camera.signal({ kind: 'pad', id: 1, axes: [], buttons: [], time: 3101 });
  camera.advance(8000);
  expect(camera.settled).toBe(true);
});

test('the right stick turns and tilts, triggers zoom at the centre as far as they are pulled, buttons step', () => {
  const camera = cameraWith({
    ...plain,
    bindings: { ...turnable.bindings, turnStepRight: ['PadRightShoulder'], home: ['PadLeftShoulder+PadFaceTop'] },
  });
  const buttons = (...pressed: number[]): number[] =>
    Array.from({ length: 17 }, (_, i) => (pressed.includes(i) ? 1 : 0));
  const half = Array.from({ length: 17 }, (_, i) => (i === 7 ? 0.6 : 0));
  play(camera, 0, 10, [{ kind: 'pad', id: 0, axes: [0, 0, 1, -1], buttons: [] }]);
  camera.advance(500);
  expect(camera.shown.heading).toBeGreaterThan(10);
  expect(camera.shown.pitch).toBeLessThan(58);
  play(camera, 500, 1, [{ kind: 'pad', id: 0, ...still }]);
  camera.advance(3000);
  const { x, y, heading } = camera.shown;
  play(camera, 3000, 1, [{ kind: 'pad', id: 0, axes: [], buttons: half }]);
  camera.advance(3300);
  const slow = Math.log2(600 / camera.shown.span);
  expect(slow).toBeGreaterThan(0.05);
  expect(camera.shown).toMatchObject({ x, y });
  play(camera, 3300, 1, [{ kind: 'pad', id: 0, axes: [], buttons: buttons(5) }]);
  camera.advance(6000);
  expect(camera.shown.heading).toBeCloseTo(heading + 90, 6);
  // A chord of a pad is one like any other.
  play(camera, 6000, 1, [{ kind: 'pad', id: 0, axes: [], buttons: buttons(3) }]);
  expect(camera.goal.span).not.toBeCloseTo(600, 3);
  play(camera, 6100, 1, [
    { kind: 'pad', id: 0, axes: [], buttons: buttons(4) },
    { kind: 'pad', id: 0, axes: [], buttons: buttons(3, 4) },
  ]);
  expect(camera.goal.span).toBeCloseTo(600, 6);
  expect(camera.goal.heading).toBeCloseTo(0, 6);
});

test('home is where the settings begin, from wherever one is, unless something steers on the way', () => {
  // A switch by zoom remembers from where it was come.
  const looks = fc.record({
    pitch: fc.record({ degrees: between(30, 90) }),
    lens: fc.record({ fieldOfView: between(10, 40) }),
  });
  const settings = settingsWith(false, looks);
  const away = fc.record({
    x: between(-5e3, 5e3),
    y: between(-5e3, 5e3),
    span: between(60, 3000),
    heading: between(-900, 900),
  });
  forAll(settings, away, (some, place) => {
    const camera = cameraWith(some);
    const start = { ...camera.shown };
    camera.place(place);
    camera.advance(10);
    camera.signal({ kind: 'key', code: 'Home', down: true, time: 20 });
    camera.advance(20);
    expect(camera.goal.x).toBeCloseTo(start.x, 4);
    camera.advance(60_000);
    for (const name of ['x', 'y', 'span', 'pitch', 'fieldOfView'] as const)
      expect(Math.abs(camera.shown[name] - start[name])).toBeLessThan(1e-5 * start.span);
    expect(Math.abs(Math.sin(((camera.shown.heading - start.heading) * Math.PI) / 360))).toBeLessThan(1e-6);
  });
  const camera = cameraWith(plain);
  camera.place({ x: 5000 });
  camera.home();
  camera.advance(20);
  play(camera, 20, 1, [
    { kind: 'press', id: 1, input: 'MouseMiddle', x: 400, y: 300 },
    { kind: 'lift', id: 1 },
  ]);
  const { x } = camera.shown;
  expect(x).toBeLessThan(4999);
  camera.advance(9000);
  expect(camera.shown.x).toBe(x);
});

const two = (y1: number, y2: number): Signal[] => [
  { kind: 'move', id: 1, x: 300, y: y1 },
  { kind: 'move', id: 2, x: 500, y: y2 },
];
const down: Signal[] = [
  { kind: 'press', id: 1, input: 'Touch', x: 300, y: 300 },
  { kind: 'press', id: 2, input: 'Touch', x: 500, y: 300 },
];

test('two fingers side by side tilt where that is set, and then neither turn nor zoom until one is lifted', () => {
  const roads = fc.array(fc.tuple(between(-120, 120), between(-60, 60), between(-60, 60)), {
    minLength: 1,
    maxLength: 6,
  });
  forAll(roads, fc.boolean(), (road, tilts) => {
    const camera = cameraWith({ ...plain, twoFingers: { tilt: tilts } });
    play(camera, 0, 5, [...down, ...[5, 10].flatMap((by) => two(300 + by, 300 + by))]);
    const { heading, span, pitch } = camera.shown;
    const moves = road.flatMap(([by, one, other]) => two(310 + by + one, 310 + by + other));
    play(camera, 50, 5, moves);
    if (!tilts) expect(camera.shown.pitch).toBe(pitch);
    else {
      const [by, one, other] = road.at(-1) ?? [0, 0, 0];
      expect(camera.shown).toMatchObject({ heading, span });
      expect(camera.grips).toHaveLength(1);
      // Fingers that stayed inside the limits of the pitch have tilted by all that they went.
      const ways = road.map(([a, b, c]) => a + (b + c) / 2);
      if (Math.max(...ways.map(Math.abs)) < 100)
        expect(camera.shown.pitch - 60).toBeCloseTo(((by + (one + other) / 2) / 600) * 90, 1);
    }
    // One is lifted, and the other drags.
    play(camera, 200, 5, [{ kind: 'lift', id: 1 }]);
    const before = camera.shown;
    play(camera, 210, 5, [{ kind: 'move', id: 2, x: 560, y: 300 }]);
    expect(camera.shown.pitch).toBe(before.pitch);
    expect(Math.hypot(camera.shown.x - before.x, camera.shown.y - before.y)).toBeGreaterThan(1);
  });
});

test('a pinch and a twist that are let go in passing go on, at the speed that they had, where that is set', () => {
  const fling = (drag: Settings['drag']): Camera => {
    const camera = cameraWith({
      ...plain,
      ...turnable,
      zoom: { halfLife: 0.2 },
      turn: { halfLife: 0.2 },
      ...(drag && { drag }),
    });
    play(camera, 0, 8, down);
    const spread = Array.from({ length: 12 }, (_, i) => i * 8).flatMap((by): Signal[] => [
      { kind: 'move', id: 1, x: 300 - by, y: 300 - by },
      { kind: 'move', id: 2, x: 500 + by, y: 300 + by },
    ]);
    play(camera, 20, 8, spread);
    return camera;
  };
  const lift: Signal[] = [
    { kind: 'lift', id: 2 },
    { kind: 'lift', id: 1 },
  ];
  const stops = fling({});
  const flung = stops.shown.span;
  const { span: stillSpan, heading: stillHeading } = stops.advance(226);
  const still = { span: stillSpan, heading: stillHeading };
  play(stops, 220, 6, lift);
  stops.advance(5000);
  expect(stops.shown.span).toBeCloseTo(still.span, 9);
  const flies = fling({ keepsGoing: 'all' });
  expect(flies.shown.span).toBeCloseTo(flung, 9);
  const before = flies.advance(212).span;
  play(flies, 212, 1, lift);
  const speed = Math.log2(before / flies.advance(234).span);
  expect(speed).toBeGreaterThan(0.02);
  flies.advance(9000);
  expect(flies.settled).toBe(true);
  expect(flies.shown.span).toBeLessThan(still.span * 0.9);
  expect(flies.shown.heading).not.toBeCloseTo(still.heading, 0);
  // After a pause nothing goes on.
  const waits = fling({ keepsGoing: 'all' });
  const { span } = waits.advance(600);
  play(waits, 600, 1, lift);
  waits.advance(5000);
  expect(waits.shown.span).toBeCloseTo(span, 9);
});

test('an orbit about the focus leaves it where it is, and one about the cursor what was pressed', () =>
  forAll(between(50, 750), between(200, 550), between(-90, 90), between(-30, 30), (x, y, right, by) => {
    for (const anchor of ['focus', 'cursor'] as const) {
      const camera = cameraWith({ ...plain, turn: { anchor }, bindings: { orbit: ['MouseRight'] } });
      const pressed = camera.view.toGround(x, y);
      play(camera, 0, 5, [
        { kind: 'press', id: 1, input: 'MouseRight', x, y },
        { kind: 'move', id: 1, x: x + 10, y },
        { kind: 'move', id: 1, x: x + 10 + right, y: y + by },
      ]);
      // All but the threshold of 4 pixels counts.
      expect(camera.shown.heading).toBeCloseTo(((right + 6) / 600) * 180, 9);
      const stays = anchor === 'focus' ? { x: 0, y: 0 } : (pressed ?? { x: NaN, y: NaN });
      const at = camera.view.toScreen(stays.x, stays.y);
      expect(Math.hypot(at.x - (anchor === 'focus' ? 400 : x), at.y - (anchor === 'focus' ? 300 : y))).toBeLessThan(
        1e-3,
      );
    }
  }));

test('chords of the wheel turn, tilt, pan, step and zoom by the notch; without one it does what it does', () => {
  const bindings = {
    turnRight: ['Shift+WheelUp'],
    tiltUp: ['Alt+WheelDown'],
    panLeft: ['KeyP+WheelUp'],
    turnStepLeft: ['KeyO+WheelDown'],
    zoomIn: ['KeyI+WheelDown'],
  };
  forAll(between(0.1, 4), (notches) => {
    const turned = (code: string, way: number): Camera => {
      const camera = cameraWith({ ...plain, bindings: { ...bindings, panRight: [] } });
      play(camera, 0, 5, [
        { kind: 'key', code, down: true },
        { kind: 'wheel', x: 200, y: 100, notches: -way * notches },
        { kind: 'key', code, down: false },
      ]);
      camera.advance(9000);
      return camera;
    };
    expect(turned('ShiftLeft', -1).shown.heading).toBeCloseTo(9 * notches, 5);
    expect(turned('AltRight', 1).shown.pitch).toBeCloseTo(60 - 4.5 * notches, 5);
    expect(turned('KeyP', -1).shown.x).toBeCloseTo(-100 * notches, 5);
    expect(turned('KeyO', 1).shown.heading).toBeCloseTo(-90 * Math.floor(notches + 1e-9), 5);
    expect(turned('KeyI', 1).shown.span).toBeCloseTo(600 / 1.1 ** notches, 5);
    expect(turned('KeyZ', 1).shown.span).toBeCloseTo(600 * 1.1 ** notches, 5);
  });
});

test('a wheel of whole steps keeps parts of a notch until they make one', () =>
  forAll(fc.array(between(0.05, 0.6), { minLength: 1, maxLength: 30 }), (parts) => {
    const camera = cameraWith({ ...plain, wheel: { partialNotches: 'collect' } });
    play(
      camera,
      0,
      20,
      parts.map((part) => ({ kind: 'wheel', x: 400, y: 300, notches: -part })),
    );
    camera.advance(9000);
    const whole = Math.floor(parts.reduce((sum, part) => sum + part, 0) + 1e-9);
    expect(camera.shown.span).toBeCloseTo(600 * 1.1 ** whole, 4);
  }));

test('bindings that are in each other’s way are told; the defaults are not', () => {
  expect(reviewSettings({}).filter(({ path }) => path.startsWith('bindings'))).toEqual([]);
  const inputs = fc.constantFrom('KeyH', 'MouseBack', 'ShiftLeft+KeyJ', 'Space+MouseRight', 'PadFaceLeft');
  const abilities = fc.shuffledSubarray(['faceNorth', 'home', 'turnStepLeft', 'tiltUp'] as const, {
    minLength: 2,
    maxLength: 2,
  });
  forAll(inputs, abilities, ([...input], [one = 'faceNorth', other = 'home']) => {
    const name = input.join('');
    const either = name.replace('ShiftLeft', 'Shift');
    const warnings = reviewSettings({ bindings: { [one]: [name], [other]: ['KeyB', either] } });
    expect(warnings.filter(({ path }) => path.startsWith('bindings.'))).toHaveLength(1);
    expect(warnings.some(({ message }) => message.includes(name) || message.includes(either))).toBe(true);
  });
});

test('what is locked, no hand of the player moves; the program still does', () => {
  const abilities = ['pan', 'zoom', 'turn', 'tilt'] as const;
  const hand: Signal[] = [
    ...['KeyW', 'KeyE', 'KeyR', 'Minus'].map((code): Signal => ({ kind: 'key', code, down: true })),
    { kind: 'pad', id: 0, axes: [1, 1, 1, 1], buttons: [0, 0, 0, 0, 0, 0, 1] },
    { kind: 'wheel', x: 100, y: 100, notches: -5 },
    ...down,
    ...[60, 120].flatMap((by) => two(300 - by, 300 + by)),
    { kind: 'lift', id: 1 },
    { kind: 'lift', id: 2 },
    { kind: 'press', id: 4, input: 'MouseMiddle', x: 300, y: 300 },
    { kind: 'move', id: 4, x: 400, y: 350 },
    { kind: 'lift', id: 4 },
    { kind: 'press', id: 5, input: 'MouseRight', x: 200, y: 200 },
    { kind: 'move', id: 5, x: 300, y: 250 },
    { kind: 'move', id: 5, x: 340, y: 300 },
    { kind: 'lift', id: 5 },
    { kind: 'hover', x: 799, y: 300 },
  ];
  forAll(fc.subarray([...abilities]), fc.shuffledSubarray(hand, { minLength: 4 }), (locked, signals) => {
    const camera = cameraWith({ ...plain, edge: { dwell: 0 }, bindings: { orbit: ['MouseRight'] } });
    camera.change({ locked: [...locked] });
    camera.advance(0);
    const before = camera.shown;
    play(camera, 0, 10, signals);
    camera.advance(2000);
    const { shown } = camera;
    if (locked.includes('pan')) {
      expect(shown.x).toBeCloseTo(before.x, 6);
      expect(shown.y).toBeCloseTo(before.y, 6);
    }
    if (locked.includes('zoom')) expect(shown.span).toBe(before.span);
    if (locked.includes('turn')) expect(shown.heading).toBe(before.heading);
    if (locked.includes('tilt')) expect(shown.pitch).toBe(before.pitch);
    camera.signal({ kind: 'release' });
    camera.turn(30);
    camera.place({ span: 300 });
    camera.advance(2001);
    expect(camera.goal.span).toBe(300);
  });
});

test('a lock stops nothing that is under way: a camera goes home in a cutscene', () => {
  const camera = cameraWith();
  camera.place({ x: 5000, span: 300, heading: 90 });
  camera.advance(1);
  camera.home();
  camera.change({ locked: ['pan', 'zoom', 'turn', 'tilt'] });
  camera.advance(2);
  camera.advance(9000);
  expect(camera.settled).toBe(true);
  for (const name of ['x', 'y', 'heading'] as const) expect(camera.shown[name]).toBeCloseTo(0, 3);
  expect(camera.shown.span).toBeCloseTo(600, 3);
});

test('a drag that is locked lets go, and takes hold where it is when it may again: nothing jumps', () => {
  const camera = cameraWith();
  const press: Signal = { kind: 'press', id: 1, input: 'MouseMiddle', x: 300, y: 300 };
  play(camera, 0, 5, [
    press,
    { kind: 'move', id: 1, x: 350, y: 300 },
    { kind: 'change', settings: { locked: ['pan'] } },
  ]);
  expect(camera.grips).toEqual([]);
  const { x } = camera.shown;
  play(camera, 20, 5, [
    { kind: 'move', id: 1, x: 500, y: 300 },
    { kind: 'change', settings: { locked: [] } },
  ]);
  expect(camera.shown.x).toBeCloseTo(x, 9);
  play(camera, 40, 5, [{ kind: 'move', id: 1, x: 510, y: 300 }]);
  expect(camera.shown.x).toBeCloseTo(x - 10, 6);
});
