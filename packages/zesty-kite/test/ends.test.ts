/** What ends what: every cell of the table in the guide, met through signals and calls. */
import { test } from '@jest/globals';
import { expect } from './expect.ts';
import fc from 'fast-check';
import { Camera, type Settings, type Signal } from '../src/index.ts';
import type { Cause } from '../src/motion/index.ts';
import { DIRECTED, follow, play, travel } from '../src/direct/index.ts';
import { TABLE } from '../src/movers/index.ts';
import { forAll, forRuns } from './law.ts';
import { between, hills, pixelsBetween, turnable } from './steering.ts';

const screen = { width: 800, height: 600 };
const settings: Settings = {
  start: { x: 0, y: 0, span: 600, heading: 0 },
  zoom: { minSpan: 10, maxSpan: 90_000, halfLife: 0.2, notch: 1.2 },
  pitch: { degrees: 60, halfLife: 0.2 },
  turn: { halfLife: 0.2, step: 90 },
  bindings: { ...turnable.bindings, orbit: ['MouseRight'], zoomIn: ['Equal'] },
};
const ZOOMED = 600 * 1.2 ** 8;

/** A camera that hears a signal a millisecond, a frame after each. */
class Desk {
  readonly camera = new Camera(settings, { screen });
  #time = 0;

  constructor() {
    this.camera.advance(0);
  }

  hear(...signals: Signal[]): void {
    for (const signal of signals) {
      this.#time += 1;
      this.camera.signal({ ...signal, time: this.#time });
      this.camera.advance(this.#time);
    }
  }

  wait(milliseconds: number): this {
    for (const end = this.#time + milliseconds; this.#time < end; ) this.camera.advance((this.#time += 10));
    return this;
  }
}

const ABILITIES = ['pan', 'zoom', 'turn', 'tilt'] as const;

/** Gets each of the columns under way. */
const under: Record<string, (desk: Desk) => void> = {
  glide: (desk) => {
    desk.hear({ kind: 'press', id: 1, input: 'MouseMiddle', x: 400, y: 300 });
    desk.hear(...[6, 12, 18, 24, 30].map((way) => ({ kind: 'move' as const, id: 1, x: 400 - way, y: 300 })));
    desk.hear({ kind: 'lift', id: 1 });
  },
  home: (desk) => {
    desk.camera.place({ x: 4000 });
    desk.camera.home();
  },
  pan: (desk) => desk.camera.pan({ x: 4000, y: 0 }),
  travel: (desk) => void travel(desk.camera, { x: 4000 }),
  follow: (desk) => void follow(desk.camera, { x: 4000, y: 0 }, { halfLife: 0.3 }),
  cutscene: (desk) => void play(desk.camera, { keyframes: [{ at: 3, x: 4000 }] }, { interruptedBy: [...ABILITIES] }),
  zoom: (desk) => desk.hear({ kind: 'wheel', x: 400, y: 300, notches: -8 }),
  turn: (desk) => desk.camera.turn(90),
  tilt: (desk) => desk.camera.tilt(20),
  keys: (desk) => desk.hear({ kind: 'key', code: 'KeyD', down: true }),
  fingers: (desk) => desk.camera.hold(7, 500, 400),
};

/** Whether a column is still under way: at the end it is where it was going, or it moves, or holds. */
const goesOn: Record<string, (desk: Desk) => boolean> = {
  glide: (desk) => {
    const { x } = desk.wait(20).camera.shown;
    return desk.wait(60).camera.shown.x > x + 5;
  },
  home: (desk) => Math.abs(desk.wait(6000).camera.shown.x) < 1e-3,
  pan: (desk) => {
    const { x } = desk.wait(20).camera.shown;
    return desk.wait(60).camera.shown.x > x + 5;
  },
  travel: (desk) => Math.abs(desk.wait(9000).camera.shown.x - 4000) < 1e-3,
  follow: (desk) => Math.abs(desk.wait(9000).camera.shown.x - 4000) < 1e-2,
  cutscene: (desk) => Math.abs(desk.wait(9000).camera.shown.x - 4000) < 1e-3,
  zoom: (desk) => Math.abs(desk.wait(6000).camera.shown.span / ZOOMED - 1) < 1e-6,
  turn: (desk) => Math.abs(desk.wait(6000).camera.shown.heading - 90) < 1e-6,
  tilt: (desk) => Math.abs(desk.wait(6000).camera.shown.pitch - 80) < 1e-6,
  keys: (desk) => {
    const { x } = desk.wait(3000).camera.shown;
    return desk.wait(200).camera.shown.x > x + 50;
  },
  fingers: ({ camera }) => camera.grips.some(({ screenX }) => screenX === 500),
};

const causes: Record<Cause, (desk: Desk) => void> = {
  drag: (desk) => desk.hear({ kind: 'press', id: 9, input: 'MouseMiddle', x: 300, y: 300 }),
  pinch: ({ camera }) => {
    camera.hold(8, 300, 300);
    camera.hold(9, 600, 400);
  },
  lift: (desk) => desk.camera.unhold(),
  orbit: (desk) =>
    desk.hear(
      { kind: 'press', id: 9, input: 'MouseRight', x: 300, y: 300 },
      { kind: 'move', id: 9, x: 310, y: 310 },
      { kind: 'move', id: 9, x: 311, y: 311 },
    ),
  panKeys: (desk) => desk.hear({ kind: 'key', code: 'KeyW', down: true }),
  wheelPan: (desk) => {
    desk.camera.change({ wheel: { action: 'pan' } });
    desk.hear({ kind: 'wheel', x: 9, y: 9, notches: -0.1, right: 0, down: 5 });
  },
  notch: (desk) => desk.hear({ kind: 'wheel', x: 200, y: 200, notches: 1e-9 }),
  zoomKeys: (desk) =>
    desk.hear({ kind: 'key', code: 'Equal', down: true }, { kind: 'key', code: 'Equal', down: false }),
  turnKeys: (desk) => desk.hear({ kind: 'key', code: 'KeyQ', down: true }, { kind: 'key', code: 'KeyQ', down: false }),
  tiltKeys: (desk) => desk.hear({ kind: 'key', code: 'KeyF', down: true }, { kind: 'key', code: 'KeyF', down: false }),
  turn: ({ camera }) => camera.turn(1e-9),
  tilt: ({ camera }) => camera.tilt(1e-9),
  zoom: ({ camera }) => camera.zoom({ notches: 1e-9 }),
  pan: ({ camera }) => camera.pan({ x: 1e-9, y: 0 }),
  mover: ({ camera }) => camera.home(),
  placeFocus: ({ camera }) => camera.place({ x: 77, y: 55 }),
  placeSpan: ({ camera }) => camera.place({ span: 500 }),
  placeHeading: ({ camera }) => camera.place({ heading: 33 }),
  placePitch: ({ camera }) => camera.place({ pitch: 44 }),
  release: (desk) => desk.hear({ kind: 'release' }),
  lock: ({ camera }) => camera.change({ locked: ['pan', 'zoom', 'turn', 'tilt'] }),
  change: ({ camera }) => camera.change({ pan: { speed: 1.1 } }),
  resize: (desk) => desk.hear({ kind: 'screen', width: 900, height: 600 }),
};

/** What each effect comes to: whether it still goes on; null where it is another that goes on. */
const effects: Record<string, boolean | null> = {
  ends: false,
  goesOn: true,
  named: true,
  snapsToStop: false,
  rests: true,
  stepContinues: true,
  aboutFocus: true,
  regrips: true,
  gripMoves: true,
  addsUp: true,
  replaced: null,
  waits: false,
  takesOver: null,
  offsets: null,
  blocksIt: true,
  endsIfUnbound: true,
  locked: null,
};

const cells = [...TABLE, ...DIRECTED].flatMap(({ name: column, interruptions }) =>
  Object.entries(interruptions).flatMap(([cause, effect]) => {
    const wanted = effects[effect];
    // A zoom key comes to a little of a zoom of its own; a placing names what steers x by naming x.
    const named = effect === 'named' && (column === 'glide' || cause === 'placeFocus');
    const other =
      wanted === null || (cause === 'zoomKeys' && column === 'zoom') || (cause === 'lift' && column === 'fingers');
    return other ? [] : [{ cause: cause as Cause, column, effect, wanted: named ? false : wanted }];
  }),
);

test.each(cells)('$cause, $column under way: $effect', ({ cause, column, wanted }) => {
  const desk = new Desk();
  under[column]?.(desk);
  desk.wait(30);
  causes[cause](desk);
  desk.wait(10);
  expect(goesOn[column]?.(desk)).toBe(wanted);
});

test('what ends, ends where it is; and the rest of the table, where a cell says more than that', () => {
  for (const column of ['zoom', 'tilt']) {
    const desk = new Desk();
    under[column]?.(desk);
    desk.wait(100).hear({ kind: 'press', id: 9, input: 'MouseMiddle', x: 300, y: 300 });
    const { span, pitch } = desk.camera.shown;
    const { shown } = desk.wait(3000).camera;
    expect([shown.span / span - 1, shown.pitch - pitch].every((off) => Math.abs(off) < 0.01)).toBe(true);
  }
  // Keys wait until a hand lifts, and then go on.
  const keys = new Desk();
  keys.hear({ kind: 'key', code: 'KeyD', down: true }, { kind: 'hold', id: 1, x: 300, y: 300 });
  const { x } = keys.wait(500).camera.shown;
  keys.hear({ kind: 'unhold' });
  expect(keys.wait(500).camera.shown.x).toBeGreaterThan(x + 100);
  // A lock ends what the player does, and nothing else.
  const locked = new Desk();
  under['keys']?.(locked);
  under['zoom']?.(locked);
  causes.lock(locked);
  locked.wait(8000);
  expect([locked.camera.settled, locked.camera.shown.span]).toEqual([true, expect.closeTo(ZOOMED, 3)]);
});

test('place: what is named is there at once, what is not goes on to where it would have come, by any names', () => {
  const names = fc.subarray(['x', 'y', 'span', 'heading', 'pitch'] as const, { minLength: 1 });
  forAll(names, between(50, 800), between(1, 400), (named, span, wait) => {
    const to = { x: 321, y: -123, span, heading: -40, pitch: 50 };
    const placing = Object.fromEntries(named.map((name) => [name, to[name]]));
    const desk = new Desk();
    for (const column of ['zoom', 'turn', 'tilt']) under[column]?.(desk);
    desk.wait(wait);
    const before = desk.camera.shown;
    desk.camera.place(placing);
    desk.wait(0);
    desk.camera.advance(0);
    for (const name of named) expect(desk.camera.shown[name]).toBeCloseTo(to[name], 9);
    if (!named.includes('x') && !named.includes('y') && named.includes('heading'))
      expect(desk.camera.shown.x).toBeCloseTo(before.x, 9);
    const end = desk.wait(8000).camera.shown;
    const goal = { span: ZOOMED, heading: 90, pitch: 80 };
    for (const name of ['span', 'heading', 'pitch'] as const)
      expect(end[name] / (named.includes(name) ? to[name] : goal[name])).toBeCloseTo(1, 6);
  });
});

test('place: nothing carries the camera away from where it was put, after a fling of any speed', () => {
  forRuns(30, between(-60, 60), between(-60, 60), between(0, 300), (right, down, wait) => {
    const desk = new Desk();
    desk.hear({ kind: 'press', id: 1, input: 'Touch', x: 400, y: 300 });
    desk.hear(...[1, 2, 3, 4].map((i) => ({ kind: 'move' as const, id: 1, x: 400 + i * right, y: 300 + i * down })));
    desk.hear({ kind: 'lift', id: 1 });
    desk.wait(wait);
    desk.camera.place({ x: 10, y: 20 });
    const { x, y } = desk.wait(6000).camera.shown;
    expect([x, y]).toEqual([10, 20]);
    // One axis alone: the other goes on.
    desk.camera.place({ x: 0, y: 0 });
    desk.hear({ kind: 'press', id: 1, input: 'Touch', x: 400, y: 300 });
    desk.hear(...[1, 2, 3, 4].map((i) => ({ kind: 'move' as const, id: 1, x: 400, y: 300 + i * 30 })));
    desk.hear({ kind: 'lift', id: 1 });
    const before = desk.camera.shown.y;
    desk.camera.place({ x: 5 });
    const end = desk.wait(6000).camera.shown;
    expect([end.x, end.y < before - 10]).toEqual([5, true]);
  });
});

test('place({ x, y }) in every frame leaves wheel, turn and keys alive; place({ span }) leaves the pitch to its curve', () => {
  const curve: Settings = {
    ...settings,
    pitch: {
      degrees: [
        [60, 40],
        [600, 70],
      ],
      halfLife: 0.1,
    },
  };
  const camera = new Camera(curve, { screen });
  camera.signal({ kind: 'wheel', x: 100, y: 100, notches: 8, time: 0 });
  camera.turn(90);
  for (let time = 0; time < 7000; time += 16) {
    camera.place({ x: time / 100, y: 7 });
    camera.advance(time);
    expect(camera.shown).toMatchObject({ x: time / 100, y: 7 });
  }
  expect([camera.shown.span, camera.shown.heading]).toEqual([expect.closeTo(600 / 1.2 ** 8, 6), 90]);
  camera.place({ span: 60 });
  expect(camera.advance(7000).pitch).toBeCloseTo(40, 9);
  camera.signal({ kind: 'wheel', x: 100, y: 100, notches: -99, time: 7000 });
  for (let time = 7000; time < 12_000; time += 16) camera.advance(time);
  expect(camera.view.pitch).toBeCloseTo(70, 9);
});

test('a push that has room moves within one half-life more than in open ground, whatever a zoom at a wall pulls', () => {
  const bounds = { left: -1000, top: -1000, right: 1000, bottom: 1000, keep: 'focus' as const };
  const walls = { KeyA: [990, 0], KeyD: [-990, 0], KeyW: [0, 990], KeyS: [0, -990] } as const;
  let checked = 0;
  forRuns(
    60,
    fc.constantFrom(...(Object.keys(walls) as (keyof typeof walls)[])),
    between(0.05, 0.5),
    between(-0.5, 0.5),
    between(1, 8),
    fc.boolean(),
    between(0, 250),
    fc.constantFrom(0, 0.08, 0.3),
    (code, deep, across, notches, zoomsIn, wait, startHalfLife) => {
      const pan = { startHalfLife, speed: 1 };
      const [x, y] = walls[code];
      // The zoom pulls the focus toward the wall, away from which the key pushes.
      const toWall = zoomsIn ? deep : -deep;
      const cursor =
        x === 0
          ? { x: (0.5 + across) * screen.width, y: (0.5 + Math.sign(y) * toWall) * screen.height }
          : { x: (0.5 + Math.sign(x) * toWall) * screen.width, y: (0.5 + across) * screen.height };
      const play = (where: Settings, push: boolean, time: number): Camera => {
        const camera = new Camera({ ...settings, pitch: { degrees: 90 }, pan, ...where }, { screen });
        camera.advance(0);
        camera.signal({ kind: 'wheel', ...cursor, notches: zoomsIn ? notches : -notches, time: 0 });
        if (push) camera.signal({ kind: 'key', code, down: true, time: wait });
        for (let at = 0; at <= time; at += 10) camera.advance(at);
        return camera;
      };
      const axis = x === 0 ? 'y' : 'x';
      const way = -Math.sign(x + y);
      /** How far the push has come, in world units. */
      const come = (where: Settings, time: number): number => {
        const [pushed, left] = [play(where, true, time).shown, play(where, false, time).shown];
        return (pushed[axis] - left[axis]) * way;
      };
      const start = { ...settings.start, x, y };
      const until = wait + 60;
      const free = { start, bounds: null };
      // A zoom that pulls as fast as the push goes wins over it in open ground, too.
      const moved = (play(free, true, until).shown[axis] - play(free, true, wait).shown[axis]) * way;
      const open = Math.min(moved, come(free, until));
      const walled = { start, bounds };
      const isAtWall = (time: number): boolean => play(walled, false, time).shown[axis] * way < -999.999;
      if (!isAtWall(wait) || !isAtWall(until)) return;
      checked += 1;
      expect(come(walled, until + 1000 * startHalfLife + 20)).toBeGreaterThan(open * 0.9);
    },
  );
  expect(checked).toBeGreaterThan(20);
});

test('over hills the ground under the cursor stays there after a wheel zoom until all has come to rest: 1e-3 px', () => {
  let seen = 0;
  forAll(
    between(-900, 900),
    between(60, 800),
    between(30, 90),
    between(0.2, 0.8),
    between(0.4, 0.9),
    between(-3, 3),
    fc.constantFrom(0, 0.09),
    fc.constantFrom(0, 0.15, 0.5),
    (x, span, degrees, u, v, notches, halfLife, followHalfLife) => {
      const some: Settings = {
        start: { x, y: 2 * x, span },
        zoom: { halfLife, minSpan: 20, maxSpan: 2000 },
        pitch: { degrees, halfLife: 0 },
        ground: { followHalfLife },
      };
      const camera = new Camera(some, { screen, terrain: hills });
      const at = { x: u * 800, y: v * 600 };
      camera.advance(0);
      const held = camera.advance(3000).toGround(at.x, at.y);
      if (held === null) return;
      camera.signal({ kind: 'wheel', ...at, notches: -notches, time: 3000 });
      for (let time = 3000; time < 40_000; time += 16) {
        camera.advance(time);
        seen += 1;
        expect(pixelsBetween(camera.view.toScreen(held.x, held.y, held.height), at)).toBeLessThan(1e-3);
        if (camera.settled) return;
      }
      throw new Error('it never came to rest');
    },
  );
  expect(seen).toBeGreaterThan(300);
});
