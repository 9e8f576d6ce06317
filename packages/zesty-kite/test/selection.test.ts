/** A box on the screen against samples of what lies in it. */
import { test } from '@jest/globals';
import { expect } from './expect.ts';
import './patience.ts';
import fc from 'fast-check';
import { thingAt } from '../src/dom/index.ts';
import { aim, Camera, ScreenBox, showsBox, View, type Point } from '../src/index.ts';
import { forRuns } from './law.ts';
import { between } from './steering.ts';
import { unit, views } from './views.ts';

const FINE = 24;
const shares = Array.from({ length: FINE + 1 }, (_, i) => i / FINE);
/** How far outside of the box on the screen a point is, CSS pixels. */
function outside({ left, top, right, bottom }: ScreenBox, x: number, y: number): number {
  return Math.hypot(Math.max(left - x, x - right, 0), Math.max(top - y, y - bottom, 0));
}

/** Samples of a four-sided shape, and the farthest that two neighbours are apart; null where one of them is nowhere. */
function sampled(at: (across: number, down: number) => Point | null): { points: Point[]; apart: number } | null {
  const points: Point[] = [];
  let apart = 0;
  for (const across of shares)
    for (const down of shares) {
      const point = at(across, down);
      if (point === null) return null;
      const neighbours = [down > 0 ? points.at(-1) : undefined, points.at(-FINE - 1)];
      for (const other of neighbours)
        if (other !== undefined) apart = Math.max(apart, Math.hypot(point.x - other.x, point.y - other.y));
      points.push(point);
    }
  return { points, apart };
}

const corners = fc.tuple(unit, unit, unit, unit);
const box = new ScreenBox();

function setOn(view: View, [fromX, fromY, toX, toY]: readonly [number, number, number, number]): ScreenBox {
  return box.set(view, fromX * view.width, fromY * view.height, toX * view.width, toY * view.height);
}

test('a point is in it where it shows in it, whichever corners it was drawn between', () =>
  forRuns(400, views, corners, unit, unit, between(-40, 40), (view, drawn, u, v, rise) => {
    const height = view.focusHeight + rise;
    const ground = view.toLevel(u * view.width, v * view.height, height, { x: 0, y: 0 });
    if (ground === null) return;
    const at = view.toScreen(ground.x, ground.y, height);
    const off = outside(setOn(view, drawn), at.x, at.y);
    expect(box.hasPoint(ground.x, ground.y, height)).toBe(off === 0 && at.inFront);
    expect([box.left <= box.right, box.top <= box.bottom]).toEqual([true, true]);
  }));

test('it touches a level circle where some of the ground in it is within the radius, and no other, at any height', () => {
  let touched = 0;
  let missed = 0;
  forRuns(300, views, corners, unit, unit, between(-30, 30), between(0.001, 0.4), (view, drawn, u, v, rise, share) => {
    const height = view.focusHeight + (rise / 100) * view.span;
    const middle = view.toLevel(u * view.width, v * view.height, height, { x: 0, y: 0 });
    if (middle === null || Math.hypot(middle.x - view.x, middle.y - view.y) > 20 * view.span) return;
    setOn(view, drawn);
    const radius = share * view.span;
    // Near the horizon samples are too far apart to say anything.
    const grid = sampled((across, down) => {
      const x = box.left + across * (box.right - box.left);
      const ground = view.toLevel(x, box.top + down * (box.bottom - box.top), height, { x: 0, y: 0 });
      return ground === null || Math.hypot(ground.x - view.x, ground.y - view.y) > 30 * view.span ? null : ground;
    });
    if (grid === null) return;
    const nearest = Math.min(...grid.points.map(({ x, y }) => Math.hypot(x - middle.x, y - middle.y)));
    const touches = box.touchesCircle(middle.x, middle.y, radius, height);
    if (nearest <= radius) expect(touches).toBe(true);
    if (nearest > radius + 2 * grid.apart) {
      missed += 1;
      expect(touches).toBe(false);
    }
    if (touches) touched += 1;
  });
  expect(touched).toBeGreaterThan(30);
  expect(missed).toBeGreaterThan(15);
});

test('a box without a width touches what lies on its line inside of it, and nothing beyond', () =>
  forRuns(300, views, unit, unit, unit, unit, (view, u, from, to, v) => {
    box.set(view, u * view.width, from * view.height, u * view.width, to * view.height);
    const ground = view.toLevel(u * view.width, v * view.height, view.focusHeight, { x: 0, y: 0 });
    if (ground === null || Math.hypot(ground.x - view.x, ground.y - view.y) > 20 * view.span) return;
    const off = outside(box, u * view.width, v * view.height);
    const radius = 1e-6 * view.span;
    if (off === 0) expect(box.touchesCircle(ground.x, ground.y, radius)).toBe(true);
    if (off > 1) expect(box.touchesCircle(ground.x, ground.y, radius)).toBe(false);
  }));

test('it touches an upright box where any of it shows in it, and none that only its planes cannot rule out', () => {
  let sharper = 0;
  let missed = 0;
  forRuns(
    600,
    views,
    corners,
    unit,
    unit,
    between(0.01, 0.5),
    between(0.01, 0.5),
    fc.oneof(fc.constant(0), between(0, 0.5)),
    (view, drawn, u, v, wide, deep, tall) => {
      const middle = view.toLevel(u * view.width, v * view.height, view.focusHeight, { x: 0, y: 0 });
      if (middle === null || Math.hypot(middle.x - view.x, middle.y - view.y) > 10 * view.span) return;
      const { span, focusHeight } = view;
      const thing = {
        left: middle.x - wide * span,
        right: middle.x + wide * span,
        top: middle.y - deep * span,
        bottom: middle.y + deep * span,
        low: focusHeight,
        high: focusHeight + tall * span,
      };
      setOn(view, drawn);
      const seen = { inFront: true };
      const [low, high] = [thing.low, thing.high].map((height) =>
        sampled((across, down) => {
          const x = thing.left + across * (thing.right - thing.left);
          const at = view.toScreen(x, thing.top + down * (thing.bottom - thing.top), height);
          seen.inFront &&= at.inFront;
          return { x: at.x, y: at.y };
        }),
      );
      const all = [...(low?.points ?? []), ...(high?.points ?? [])];
      const off = Math.min(...all.map(({ x, y }) => outside(box, x, y)));
      const apart = low?.apart ?? NaN;
      const touches = box.touchesBox(thing);
      if (off === 0 && seen.inFront) expect(touches).toBe(true);
      if (!touches && showsBox(box.planes, thing)) sharper += 1;
      // Flat ones are sampled all over: what is far from the box is none of it.
      if (tall === 0 && seen.inFront && off > 2 * apart) {
        missed += 1;
        expect(touches).toBe(false);
      }
    },
  );
  expect(sharper).toBeGreaterThan(3);
  expect(missed).toBeGreaterThan(30);
});

test('in a world that repeats itself the copy nearest to the focus counts, and nothing is in it before it is set', () => {
  const camera = new Camera(
    { wrap: { x: 1000 }, start: { x: 990, y: 0, span: 200 } },
    { screen: { width: 800, height: 600 } },
  );
  const view = camera.advance(0);
  const fresh = new ScreenBox();
  expect([fresh.hasPoint(990, 0), fresh.touchesCircle(990, 0, 5)]).toEqual([false, false]);
  fresh.set(view, 0, 0, 800, 600);
  const around = { top: -5, bottom: 5, low: 0, high: 5 };
  expect([
    fresh.hasPoint(20, 0),
    fresh.touchesCircle(20, 0, 5),
    fresh.touchesBox({ ...around, left: 15, right: 25 }),
  ]).toEqual([true, true, true]);
  expect([
    fresh.hasPoint(500, 0),
    fresh.touchesCircle(500, 0, 5),
    fresh.touchesBox({ ...around, left: 495, right: 505 }),
  ]).toEqual([false, false, false]);
});

test('above the eye a circle is touched if and only if some of it shows, the copy nearest to the focus too', () => {
  let touched = 0;
  let missed = 0;
  const looks = fc.record({ pitch: between(2, 40), fieldOfView: between(20, 110), heading: between(-180, 180) });
  const places = fc.tuple(between(-3, 3), between(-3, 3), between(0.01, 1));
  type Place = readonly [right: number, down: number];
  const around = (count: number): Place[] =>
    Array.from({ length: count }, (_, k) => [Math.cos((2 * Math.PI * k) / count), Math.sin((2 * Math.PI * k) / count)]);
  const samples = [0, 0.25, 0.5, 0.75, 1].flatMap((share) => around(90).map(([x, y]): Place => [share * x, share * y]));
  const ways = around(8);
  forRuns(
    800,
    looks,
    between(0.01, 1),
    places,
    corners,
    fc.constantFrom(0, 5200),
    (look, above, [east, south, wide], drawn, period) => {
      const ground = { lowest: 0, highest: 500, periodX: period, periodY: period };
      const view = aim(new View(), { x: 100, y: 50, span: 300, ...look }, { width: 800, height: 600 }, ground);
      setOn(view, drawn);
      const height = view.eye().height + above * 300;
      const radius = wide * 300;
      /** How far outside of the box a point of the disc shows. */
      const offAt = ([right, down]: Place): number => {
        const at = view.toScreenFromFocus(east * 300 + right, south * 300 + down, height);
        return at.inFront ? outside(box, at.x, at.y) : Infinity;
      };
      const inDisc = ([right, down]: Place): Place => {
        const share = Math.min(1, radius / Math.hypot(right, down));
        return [right * share, down * share];
      };
      const touches = box.touchesCircle(view.x + east * 300 + period, view.y + south * 300 - period, radius, height);
      const begun = samples.map(([right, down]): Place => [right * radius, down * radius]);
      let nearest = begun.reduce((best, place) => (offAt(place) < offAt(best) ? place : best));
      if (offAt(nearest) === 0) expect(touches).toBe(true);
      if (touches) touched += 1;
      else missed += 1;
      if (!touches) return;
      // A small box may lie on the rim, or between the samples: on from the nearest, in ever smaller steps.
      for (let step = radius / 4; step > 1e-9 * radius; ) {
        const [right, down] = nearest;
        const tried = ways.map(([x, y]) => inDisc([right + x * step, down + y * step]));
        const best = tried.reduce((one, other) => (offAt(other) < offAt(one) ? other : one));
        if (offAt(best) < offAt(nearest)) nearest = best;
        else step /= 2;
      }
      expect(offAt(nearest)).toBeLessThan(0.01);
    },
  );
  expect(touched).toBeGreaterThan(30);
  expect(missed).toBeGreaterThan(100);
});

test('a circle above the eye over the seam of a world that wraps', () => {
  const view = aim(
    new View(),
    { x: 0, y: 0, span: 650, pitch: 8, fieldOfView: 72 },
    { width: 800, height: 600 },
    { lowest: 0, highest: 100, periodX: 5200, periodY: 0 },
  );
  const whole = new ScreenBox().set(view, 0, 0, 800, 600);
  expect(whole.hasPoint(5200, -100, 70)).toBe(true);
  expect(whole.touchesCircle(5200, -100, 50, 70)).toBe(true);
});

test('the thing at a screen point is the first that the line of sight enters, whatever ground shows behind it', () => {
  let checked = 0;
  const places = fc.array(fc.tuple(unit, unit, unit, unit), { minLength: 2, maxLength: 6 });
  const within = between(0.01, 0.99);
  forRuns(400, views, places, within, within, within, (view, drawn, east, south, up) => {
    const { span, focusHeight: low } = view;
    const boxes = drawn.map(([x, y, size, tall]) => {
      const left = view.x + (x - 0.5) * span;
      const top = view.y + (y - 0.5) * span;
      const side = (0.05 + 0.2 * size) * span;
      return { left, top, right: left + side, bottom: top + side, low, high: low + (0.02 + 0.4 * tall) * span };
    });
    // A point of the first box, and all that stands before it.
    const [first] = boxes;
    if (first === undefined) return;
    const inside = {
      x: first.left + east * (first.right - first.left),
      y: first.top + south * (first.bottom - first.top),
      height: low + up * (first.high - low),
    };
    const at = view.toScreen(inside.x, inside.y, inside.height);
    const { start, along } = view.ray(at.x, at.y);
    const reach = Math.hypot(inside.x - start.x, inside.y - start.y, inside.height - start.height);
    if (!at.inFront || at.x < 0 || at.y < 0 || at.x > view.width || at.y > view.height) return;
    const found = thingAt(view, at.x, at.y, boxes);
    const STEPS = 3000;
    const enters = boxes.map((box) => {
      for (let i = 0; i <= STEPS; i++) {
        const far = (1.001 * reach * i) / STEPS;
        const [x, y, z] = [start.x + far * along.x, start.y + far * along.y, start.height + far * along.height];
        if (x >= box.left && x <= box.right && y >= box.top && y <= box.bottom && z >= box.low && z <= box.high)
          return i;
      }
      return Infinity;
    });
    expect(found).not.toBeNull();
    const mine = enters[boxes.findIndex((box) => box === found)] ?? NaN;
    if (mine === Infinity) return;
    expect(mine).toBeLessThanOrEqual(Math.min(...enters) + 1);
    checked += enters.filter((one) => one < Infinity).length > 1 ? 1 : 0;
    expect(thingAt(view, at.x, at.y, [])).toBeNull();
  });
  expect(checked).toBeGreaterThan(15);
});

test('with slop, what is near is found; in a world that repeats itself, each copy', () => {
  const camera = new Camera({ start: { x: 0, y: 0, span: 600 }, wrap: { x: 1000, y: null } });
  camera.signal({ kind: 'screen', width: 800, height: 600 });
  const view = camera.advance(0);
  const towers = [
    { name: 'Amber', x: 100, y: 0 },
    { name: 'Brine', x: 970, y: 0 },
  ];
  const boxOf = ({ x, y }: { x: number; y: number }) => {
    return { left: x - 4, right: x + 4, top: y - 4, bottom: y + 4, low: 0, high: 10 };
  };
  const name = (x: number, y: number, slop?: number) =>
    thingAt(view, x, y, towers, { boxOf, ...(slop === undefined ? {} : { slop }) })?.name;
  expect([name(500, 300), name(500, 320), name(500, 320, 20)]).toEqual(['Amber', undefined, 'Amber']);
  expect(name(370, 302)).toBe('Brine');
  expect(() => thingAt(view, NaN, 0, towers, { boxOf })).toThrow('thingAt.x: expected a finite number, got NaN');
});
