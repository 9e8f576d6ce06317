/** The guarantees of docs/guarantees.md, each as a property with its number in its name. */
import { test } from '@jest/globals';
import { expect } from './expect.ts';
import fc from 'fast-check';
import { aim, createMatrices, fillMatrices, SettingsError, View, type Settings, type Signal } from '../src/index.ts';
import { LENGTH_TOLERANCE, PIXEL_TOLERANCE, VELOCITY_TOLERANCE, ZOOM_TOLERANCE } from '../src/motion/index.ts';
import { forAll, forRuns } from './law.ts';
import { Camera } from './shapes.ts';
import {
  between,
  bitsOf,
  bounds as anyBounds,
  convexPolygons,
  drive,
  frameShareThere,
  hands,
  hills,
  landmarks,
  looks,
  pixelsBetween,
  play,
  rollOf,
  screens,
  settingsWith,
  steady,
  steeringBy,
  straightDown,
  type Steering,
  wild,
  wildSignals,
} from './steering.ts';

const anySettings = fc.boolean().chain((bounded) => settingsWith(bounded));
const anySteering = steeringBy(hands.everything, anySettings);
const SHORT = steady(60, 2.5);
/** The greatest velocity in these settings, in pan speeds. */
const FASTEST = 5;

/** The corners of the safe frame on the focus plane; at most 2 spans beyond the focus, as bounds guard no more. */
function seen(view: View): [number, number][] {
  const { middleX, middleY, frameWidth, frameHeight } = view.projection;
  const forward = view.forward();
  const flat = Math.hypot(forward.x, forward.y) || 1;
  const beyond = (x: number, y: number): number =>
    ((x - view.x) * forward.x + (y - view.y) * forward.y) / flat / view.span;
  const groundAt = (x: number, y: number): { x: number; y: number } | null => {
    const ground = view.toLevel(x, y, view.focusHeight, { x: 0, y: 0 });
    return ground !== null && beyond(ground.x, ground.y) <= 2 ? ground : null;
  };
  return [
    [-0.5, -0.5],
    [0.5, -0.5],
    [0.5, 0.5],
    [-0.5, 0.5],
  ].map(([u = 0, v = 0]) => {
    const x = middleX + u * frameWidth;
    let low = middleY;
    let high = middleY + v * frameHeight;
    if (groundAt(x, high) === null) {
      for (let i = 0; i < 60; i++) {
        const half = (low + high) / 2;
        if (groundAt(x, half) === null) high = half;
        else low = half;
      }
      high = low;
    }
    const { x: east = NaN, y: south = NaN } = groundAt(x, high) ?? {};
    return [east, south];
  });
}

/** How far corners reach over bounds that are big enough for them, in world units. */
function overrun(corners: readonly [number, number][], span: number, { bounds }: Settings): number {
  const { left, top, right, bottom, circle, polygon, margin = 0, screenMargin = 0 } = bounds ?? {};
  const reach = margin + screenMargin * span;
  const over = ([x, y]: [number, number]): number => {
    if (circle) return Math.hypot(x - circle.x, y - circle.y) - circle.radius;
    if (polygon)
      return Math.max(
        ...polygon.map(([ax, ay], i) => {
          const [bx, by] = polygon[(i + 1) % polygon.length] ?? [0, 0];
          return ((x - ax) * (by - ay) - (y - ay) * (bx - ax)) / Math.hypot(bx - ax, by - ay);
        }),
      );
    if (left === undefined || top === undefined || right === undefined || bottom === undefined) return -Infinity;
    return Math.max(left - x, x - right, top - y, y - bottom);
  };
  return Math.max(...corners.map(over)) - reach;
}

test('G1: the horizon is level: what lies to the right of the focus shows level with it, whatever is done, to 1e-9', () => {
  const matrices = [createMatrices('y', '-1..1', 'eye'), createMatrices('z', '0..1', 'eye')];
  let checked = 0;
  forRuns(30, anySteering, (steering) => {
    drive(steering, SHORT, ({ view }) => {
      for (const m of matrices) expect(rollOf(view, fillMatrices(view, m))).toBeLessThan(1e-9);
      // The same for what is placed without matrices.
      const { x: east, y: south } = view.right();
      const { x, y, focusHeight, span, projection: look } = view;
      if ((Math.abs(x) + Math.abs(y)) / span > 1e4) return;
      for (const away of [-span / 4, span / 4]) {
        const at = view.toScreen(x + east * away, y + south * away, focusHeight);
        expect(Math.abs(at.y - look.middleY) / Math.abs(at.x - look.middleX)).toBeLessThan(1e-9);
        checked += 1;
      }
    });
  });
  expect(checked).toBeGreaterThan(1000);
});

test('G2: whatever is gripped by zooms and turns, under any look, on slopes of up to 60°, holds within 1e-3 px', () => {
  const steering = steeringBy(fc.oneof(hands.keys, hands.wheel, hands.turns), settingsWith(false));
  let gripped = 0;
  forRuns(40, steering, (one) => {
    drive(one, SHORT, ({ view, grips }) => {
      for (const grip of grips) {
        if (grip.limited) continue;
        gripped += 1;
        const shown = view.toScreen(grip.x, grip.y, grip.height);
        expect(Math.abs(shown.x - grip.screenX)).toBeLessThan(1e-3);
        expect(Math.abs(shown.y - grip.screenY)).toBeLessThan(1e-3);
      }
    });
  });
  expect(gripped).toBeGreaterThan(500);
});

test('G2: the ground under the cursor at a notch stays within 1e-3 px of it in every frame, pitch 30→75 and lens 30→60 by zoom', () => {
  const notches = fc.array(between(-8, 8), { minLength: 1, maxLength: 6 });
  const look = fc.record({
    pitch: fc.record({
      degrees: fc.constant<[number, number][]>([
        [40, 30],
        [900, 75],
      ]),
      halfLife: fc.constantFrom(0, 0.1, 0.3),
    }),
    lens: fc.record({
      fieldOfView: fc.constant<[number, number][]>([
        [40, 60],
        [900, 30],
      ]),
      halfLife: fc.constantFrom(0, 0.1, 0.3),
    }),
  });
  forAll(
    settingsWith(false, look),
    screens,
    between(0, 1),
    between(0.35, 1),
    notches,
    fc.boolean(),
    (settings, screen, u, v, turns, hilly) => {
      const zoom = { ...settings.zoom, anchor: 'cursor' as const };
      const camera = new Camera({ ...settings, zoom }, { screen, terrain: hilly ? hills : null });
      const x = u * screen.width;
      const y = v * screen.height;
      const held = camera.advance(0).toGround(x, y);
      // An eye that is lifted over a hill holds what it would without.
      const { clearance } = camera.settings.ground;
      if (hilly && camera.view.eye().height < hills.highest + clearance + 0.1 * camera.view.span) return;
      // Over hills, another notch may find a nearer hill under the cursor.
      const few = hilly ? turns.slice(0, 1) : turns;
      few.forEach((turn, i) => camera.signal({ kind: 'wheel', x, y, notches: turn, time: 7 + i * 61 }));
      for (const time of SHORT) {
        camera.advance(time);
        if (camera.grips.length === 0 || camera.grips[0]?.limited === true || held === null) continue;
        expect(pixelsBetween(camera.view.toScreen(held.x, held.y, held.height), { x, y })).toBeLessThan(1e-3);
      }
    },
  );
});

/** Two fingers on a road each, looked at under any look. */
const pinches = fc.record({
  settings: settingsWith(false),
  screen: screens,
  hilly: fc.boolean(),
  roads: fc.array(fc.record({ u: between(0.05, 0.95), v: between(0.4, 0.95) }), { minLength: 4, maxLength: 4 }),
});

test('G3: two fingers hold both their points within 1e-3 px in every frame, while span, heading, pitch and lens change', () => {
  let held = 0;
  let limited = 0;
  forAll(pinches, ({ settings, screen, hilly, roads }) => {
    const zoom = { ...settings.zoom, minSpan: 1e-2, maxSpan: 1e6 };
    const free = { ...settings, zoom, twoFingers: { turn: true }, turn: {} };
    const camera = new Camera(free, { screen, terrain: hilly ? hills : null });
    const [a = { u: 0, v: 0 }, b = a, c = a, d = a] = roads;
    for (let i = 0; i <= 30; i++) {
      const at = (from: typeof a, to: typeof a): [number, number] => [
        (from.u + ((to.u - from.u) * i) / 30) * screen.width,
        (from.v + ((to.v - from.v) * i) / 30) * screen.height,
      ];
      const [x1, y1] = at(a, b);
      const [x2, y2] = at(c, d);
      camera.hold(1, x1, y1);
      camera.hold(2, x2, y2);
      const view = camera.advance(i * 16.7);
      if (Math.hypot(x1 - x2, y1 - y2) < 24) return;
      const [first, second] = camera.grips;
      if (first === undefined || second === undefined) throw new Error('two fingers, but not two grips');
      if (first.limited || second.limited) {
        limited += 1;
        continue;
      }
      held += 1;
      for (const grip of [first, second])
        expect(
          pixelsBetween(view.toScreen(grip.x, grip.y, grip.height), { x: grip.screenX, y: grip.screenY }),
        ).toBeLessThan(1e-3);
    }
  });
  expect(held).toBeGreaterThan(4 * limited);
});

/** The same steering by somebody whose fingers stay on the screen, and who does not look along the ground. */
function onScreen(steering: Steering): Steering {
  const { settings, screen, signals } = steering;
  return {
    ...steering,
    settings: { ...settings, pitch: { ...settings.pitch, min: 15 } },
    signals: signals.map((signal) =>
      signal.kind === 'hold' ? { ...signal, x: signal.x % screen.width, y: signal.y % screen.height } : signal,
    ),
  };
}

test('G3: fingers that come and go make no jump above 1e-3 px, limits bound or not', () => {
  const all = fc.oneof(hands.fingers, hands.fingers, hands.wheel, hands.turns, hands.keys);
  const finger = fc.record({ id: fc.integer({ min: 1, max: 3 }), u: between(0, 1), v: between(0, 1) });
  forAll(
    steeringBy(all, anySettings).map(onScreen),
    fc.array(finger, { minLength: 1, maxLength: 8 }),
    (before, list) => {
      const camera = drive(before, [...steady(60, 1.4), 1501]);
      const jumpBy = (signal: Signal): number => {
        const marks = landmarks(camera.view);
        const were = marks.map(({ x, y, height }) => camera.view.toScreen(x, y, height));
        camera.signal({ ...signal, time: 1501 });
        const view = camera.advance(1501);
        return Math.max(
          ...marks.map(({ x, y, height }, i) =>
            pixelsBetween(view.toScreen(x, y, height), were[i] ?? { x: NaN, y: NaN }),
          ),
        );
      };
      const down = new Set<number>();
      for (const { id, u, v } of list) {
        expect(jumpBy({ kind: 'unhold', id })).toBeLessThan(1e-3);
        if (down.delete(id)) continue;
        const { width, height } = camera.view;
        expect(jumpBy({ kind: 'hold', id, x: u * width, y: v * height })).toBeLessThan(1e-3);
        down.add(id);
      }
    },
  );
});

test('G3: as fingers move, limits bind and are freed without a jump above 1e-3 px', () => {
  const bounded = settingsWith(true).map((settings) => ({
    ...settings,
    bounds: settings.bounds && { ...settings.bounds, keep: 'view' as const },
  }));
  forAll(pinches, bounded, fc.boolean(), ({ screen, hilly, roads }, settings, two) => {
    const camera = new Camera(settings, { screen, terrain: hilly ? hills : null });
    const [a = { u: 0, v: 0 }, b = a, c = a] = roads;
    camera.advance(0);
    const point = ({ u, v }: typeof a): [number, number] => [u * screen.width, v * screen.height];
    // Fingers that come close hold still, and take hold anew when they part: that depends on how they came.
    const near = (share: number): boolean =>
      pixelsBetween(
        {
          x: (a.u + (b.u - a.u) * share - c.u) * screen.width,
          y: (a.v + (b.v - a.v) * share - c.v) * screen.height,
        },
        { x: 0, y: 0 },
      ) < 30;
    if (two && Array.from({ length: 201 }, (_, i) => i / 200).some(near)) return;
    camera.hold(1, ...point(a));
    if (two) camera.hold(2, ...point(c));
    camera.advance(0);
    const marks = landmarks(camera.view);
    const at = (share: number): { x: number; y: number; inFront: boolean }[] => {
      camera.hold(1, (a.u + (b.u - a.u) * share) * screen.width, (a.v + (b.v - a.v) * share) * screen.height);
      const view = camera.advance(0);
      return marks.map((mark) => view.toScreen(mark.x, mark.y, mark.height));
    };
    // What has come beside the eye is a million screens away: there the last bit counts in pixels.
    const isNear = ({ x, y, inFront }: { x: number; y: number; inFront: boolean }): boolean =>
      inFront && Math.abs(x) + Math.abs(y) < 1e4;
    const jump = (one: ReturnType<typeof at>, other: ReturnType<typeof at>): number =>
      Math.max(...one.map((p, i) => (isNear(p) && isNear(other[i] ?? p) ? pixelsBetween(p, other[i] ?? p) : 0)));
    // Halve the way to wherever most happens: a jump stays, everything else goes to nothing.
    let low = 0;
    let high = 1;
    for (let i = 0; i < 44; i++) {
      const middle = (low + high) / 2;
      const [from, half, to] = [at(low), at(middle), at(high)];
      if (jump(from, half) > jump(half, to)) high = middle;
      else low = middle;
    }
    expect(jump(at(low), at(high))).toBeLessThan(1e-3);
  });
});

/** How far a focus is outside of bounds that keep it alone, in world units, by arithmetic of the test's own. */
function focusOutside({ x, y }: { x: number; y: number }, { bounds }: Settings): number {
  const { left, top, right, bottom, circle, polygon, area } = bounds ?? {};
  if (circle) return Math.max(0, Math.hypot(x - circle.x, y - circle.y) - circle.radius);
  if (left !== undefined && top !== undefined && right !== undefined && bottom !== undefined)
    return Math.hypot(Math.max(left - x, 0, x - right), Math.max(top - y, 0, y - bottom));
  const coordinates = (area as { coordinates?: [number, number][][][] } | undefined)?.coordinates ?? [];
  const rings = polygon ? [polygon] : coordinates.flat();
  const crossed = { odd: false };
  let nearest = Infinity;
  for (const ring of rings)
    ring.forEach(([ax, ay], i) => {
      const [bx, by] = ring[(i + 1) % ring.length] ?? [ax, ay];
      if (ay > y !== by > y && x < ax + ((bx - ax) * (y - ay)) / (by - ay)) crossed.odd = !crossed.odd;
      const length = (bx - ax) ** 2 + (by - ay) ** 2;
      const share = length > 0 ? Math.min(1, Math.max(0, ((x - ax) * (bx - ax) + (y - ay) * (by - ay)) / length)) : 0;
      nearest = Math.min(nearest, Math.hypot(x - ax - (bx - ax) * share, y - ay - (by - ay) * share));
    });
  return crossed.odd ? 0 : nearest;
}

test('G4: where the focus is kept, goal and shown are inside to 1e-6 of the span, by the test’s own arithmetic', () =>
  forAll(steeringBy(hands.everything, settingsWith(true)), ({ settings, ...rest }) => {
    const kept: Settings = { ...settings, bounds: settings.bounds && { ...settings.bounds, keep: 'focus' } };
    const elastic = kept.bounds?.elastic ?? 0;
    drive({ settings: kept, ...rest }, SHORT, ({ shown, goal }) => {
      expect(focusOutside(shown, kept) / shown.span).toBeLessThanOrEqual(elastic + 1e-6);
      expect(focusOutside(goal, kept) / goal.span).toBeLessThanOrEqual(1e-6);
    });
  }));

test('G4: goal and shown stay inside the bounds to 1e-6 of the span in every frame, whatever comes in', () =>
  forAll(steeringBy(hands.everything, settingsWith(true)), (steering) => {
    const elastic = steering.settings.bounds?.elastic ?? 0;
    drive(steering, SHORT, (camera) => {
      const { span } = camera.view;
      expect(camera.boundsExcess / span).toBeLessThanOrEqual(elastic + 1e-6);
    });
  }));

test('G4: where the zoom is limited, nothing outside the bounds shows, to 1e-6 of the span, while zooming and turning', () => {
  forAll(
    steeringBy(fc.oneof(hands.keys, hands.wheel, hands.turns, hands.fingers), settingsWith(true)),
    anyBounds,
    ({ settings, ...rest }, shape) => {
      const bounds = { ...shape, keep: 'view' as const, whenViewIsLarger: 'limit-zoom' as const, elastic: 0 };
      const limited: Steering = { settings: { ...settings, bounds }, ...rest };
      drive(limited, SHORT, (camera) => {
        const { span } = camera.view;
        if (span <= camera.spanRange.min) return; // the zoom limit wins over the map
        expect(overrun(seen(camera.view), span, limited.settings) / span).toBeLessThan(1e-6);
      });
    },
  );
});

const there = new View();

test('G4: bounds of 3 to 32 edges: a view that fits inside is inside to 1e-6 of the span, and the goal too', () => {
  const steering = steeringBy(fc.oneof(hands.keys, hands.wheel, hands.turns), settingsWith(false), 12);
  forAll(steering, convexPolygons, ({ settings, ...rest }, polygon) => {
    const zoom = { minSpan: 5, maxSpan: 5000 };
    const bounds = { polygon, whenViewIsLarger: 'limit-zoom' as const };
    const bounded: Steering = { settings: { ...settings, zoom, bounds }, ...rest };
    drive(bounded, steady(30, 2), (camera) => {
      const { span } = camera.view;
      if (span > 5) expect(overrun(seen(camera.view), span, bounded.settings) / span).toBeLessThan(1e-6);
      const { goal } = camera;
      if (goal.span <= 5) return;
      aim(there, goal, rest.screen, { lowest: 0, highest: 0 }, camera.settings.safeFrame);
      expect(overrun(seen(there), goal.span, bounded.settings) / goal.span).toBeLessThan(1e-6);
    });
  });
});

test('G4: at a wall nothing trembles: with keys held, no coordinate moves back and forth by 1e-6 of the span', () => {
  const keys = fc.constantFrom(['KeyW'], ['KeyA'], ['KeyS', 'KeyD'], ['KeyA', 'KeyW']);
  forRuns(
    Math.ceil((fc.readConfigureGlobal().numRuns ?? 40) * 0.5),
    settingsWith(true),
    screens,
    keys,
    (settings, screen, codes) => {
      const camera = new Camera({ ...settings, pan: { speed: 40 } }, { screen });
      for (const code of codes) camera.signal({ kind: 'key', code, down: true, time: 0 });
      camera.advance(0);
      // Fast and long enough to slide along every wall to where it ends.
      play(camera, 0, 120_000);
      const ways = { x: 0, y: 0 };
      let last = camera.shown;
      for (let frame = 1; frame < 60; frame++) {
        camera.advance(120_000 + frame * 16.7);
        for (const axis of ['x', 'y'] as const) {
          const moved = camera.shown[axis] - last[axis];
          const way = Math.abs(moved) > 1e-6 * camera.shown.span ? Math.sign(moved) : 0;
          expect(way * ways[axis]).toBeGreaterThanOrEqual(0);
          if (way !== 0) ways[axis] = way;
        }
        last = camera.shown;
      }
    },
  );
});

test('G5: frames at 30, 60, 144, 240 Hz and jittered see equal bits at every common time', () => {
  const jitter = fc.array(between(0, 3000), { maxLength: 200 });
  forAll(anySteering, jitter, (steering, extra) => {
    const common = steady(6, 3);
    const seenAt = (times: readonly number[]): string[] => {
      // One entry for each common time, so that what comes late shows.
      const bits = new Map<number, string>();
      drive(steering, times, (camera, time) => {
        const micros = Math.round(time * 1000);
        if (common.some((moment) => Math.round(moment * 1000) === micros)) bits.set(micros, bitsOf(camera));
      });
      return [...bits.values()];
    };
    const reference = seenAt(common);
    for (const rate of [30, 60, 144, 240]) expect(seenAt(steady(rate, 3))).toEqual(reference);
    expect(seenAt([...common, ...extra].toSorted((a, b) => a - b))).toEqual(reference);
  });
});

test('G7: zoom, pitch and turning limits are never passed, by any delta however large, in any frame: exact', () => {
  forAll(anySteering, between(1, 40), between(50, 90), (steering, flattest, steepest) => {
    const pitch = { ...steering.settings.pitch, min: flattest, max: steepest };
    const settings = { ...steering.settings, pitch };
    const { min: minTurn = null, max: maxTurn = null } = settings.turn ?? {};
    drive({ ...steering, settings }, SHORT, (camera) => {
      const { view, goal, spanRange } = camera;
      const { min, max } = spanRange;
      // What the bounds allow is worked out anew here, and is steep where the lens follows the span.
      expect(view.span).toBeGreaterThanOrEqual(min * (1 - 1e-9));
      expect(view.span).toBeLessThanOrEqual(max * (1 + 1e-9));
      const share = view.projection.frameHeight / view.height;
      for (const pose of [view, goal]) {
        // Without a panel, that is: one never changes the scale.
        const part = pose === view ? share : frameShareThere(camera);
        // Exact; the share of a panel is worked out anew here, and rounded.
        const hair = part === 1 ? 0 : 1e-12;
        expect(pose.span).toBeGreaterThanOrEqual(Number(settings.zoom?.minSpan) * part * (1 - hair));
        expect(pose.span).toBeLessThanOrEqual(
          Number(settings.zoom?.maxSpan ?? Math.max(max / share, 4096)) * part * (1 + hair),
        );
        expect(pose.pitch).toBeGreaterThanOrEqual(flattest);
        expect(pose.pitch).toBeLessThanOrEqual(steepest);
        expect(pose.heading).toBeGreaterThanOrEqual(minTurn ?? -Infinity);
        expect(pose.heading).toBeLessThanOrEqual(maxTurn ?? Infinity);
      }
    });
  });
});

/** Seconds until a distance has shrunk to a tolerance. */
function timeToRest(distance: number, tolerance: number, halfLife: number): number {
  return halfLife * Math.max(0, Math.log2(distance / tolerance));
}

test('G8: settled comes within the stated time after the last input, and then frames change nothing: exact', () => {
  forAll(anySteering, (steering) => {
    const released = [
      { kind: 'release' as const, at: 1_500_000 },
      { kind: 'gap' as const, phase: 'end' as const, at: 1_500_000 },
    ];
    const camera = drive({ ...steering, signals: [...steering.signals, ...released] }, steady(60, 1.5));
    const { zoom, turn, pan, drag, pitch, lens, ground, safeFrame, bounds } = camera.settings;
    const minSpan = Number(zoom.minSpan ?? 12);
    // Pitch and lens follow the zoom, the focus height follows them all; and what bounds allow
    // may change with the look, so that the zoom starts again.
    const zooming = timeToRest(Math.log2(Number(zoom.maxSpan ?? 4e4) / minSpan), ZOOM_TOLERANCE, zoom.halfLife);
    const stated =
      2 * zooming +
      timeToRest(2e5, 1e-6, turn.halfLife) +
      timeToRest(150, 1e-6, Math.max(pitch.halfLife, lens.halfLife)) +
      Math.max(
        timeToRest(FASTEST, VELOCITY_TOLERANCE, pan.stopHalfLife),
        timeToRest(20 / 0.1, VELOCITY_TOLERANCE, drag.glideHalfLife),
      ) +
      timeToRest(4e4 / minSpan, LENGTH_TOLERANCE, zoom.halfLife) +
      timeToRest(300, LENGTH_TOLERANCE, ground.followHalfLife) +
      timeToRest(500, PIXEL_TOLERANCE, safeFrame.halfLife) +
      timeToRest(1, LENGTH_TOLERANCE, bounds?.returnHalfLife ?? 0) +
      9 / 60;
    camera.advance(1500 + stated * 1000);
    expect(camera.settled).toBe(true);
    const still = bitsOf(camera);
    for (const after of [1, 16.7, 250, 10_000]) {
      camera.advance(1500 + stated * 1000 + after);
      expect(bitsOf(camera)).toBe(still);
    }
  });
});

test('G8: where limit, span, pitch and lens go after each other it comes to rest too', () => {
  const halfLife = fc.constantFrom(0, 0.05, 0.1, 0.3);
  const byZoom = (low: number, high: number) =>
    fc.record({ near: between(low, high), far: between(low, high), halfLife });
  const notches = fc.array(between(-30, 5), { minLength: 1, maxLength: 3 });
  forRuns(
    300,
    byZoom(20, 90),
    byZoom(1, 60),
    between(20, 80),
    halfLife,
    between(100, 900),
    between(0, 80),
    notches,
    (pitch, lens, radius, zoomHalfLife, width, down, turns) => {
      const curve = ({ near, far }: typeof pitch): [number, number][] => [
        [5, near],
        [40, far],
      ];
      const camera = new Camera(
        {
          start: { x: 0, y: 0, span: 10 },
          zoom: { minSpan: 5, maxSpan: 60, halfLife: zoomHalfLife },
          bounds: { circle: { x: 0, y: 0, radius }, keep: 'view', whenViewIsLarger: 'limit-zoom' },
          pitch: { degrees: curve(pitch), halfLife: pitch.halfLife },
          lens: { fieldOfView: curve(lens), halfLife: lens.halfLife },
        },
        { screen: { width, height: 394 } },
      );
      camera.advance(0);
      camera.tilt(-down);
      turns.forEach((count, i) => {
        camera.zoom({ notches: count });
        camera.advance(1000 * (i + 1));
      });
      for (let time = 4000; time <= 40_000; time += 9000) camera.advance(time);
      expect(camera.settled).toBe(true);
      const still = bitsOf(camera);
      camera.advance(50_000);
      expect(bitsOf(camera)).toBe(still);
    },
  );
});

test('G9: after a release nothing that was held moves the camera', () => {
  const steering = steeringBy(fc.oneof(hands.keys, hands.fingers), settingsWith(false));
  forAll(steering, (before) => {
    const released = { ...before, signals: [...before.signals, { kind: 'release' as const, at: 1_500_000 }] };
    const camera = drive(released, steady(60, 1.5));
    camera.advance(60_000);
    expect(camera.settled).toBe(true);
    expect(camera.grips).toEqual([]);
  });
});

test('G10: settled, a pan covers the same share of the screen a second at every zoom, pitch and heading; diagonals are not faster: 1e-6', () => {
  const directions = fc.constantFrom<string[]>(
    ['KeyD'],
    ['KeyW'],
    ['KeyD', 'KeyS'],
    ['KeyA', 'ArrowUp'],
    ['KeyD', 'ShiftLeft'],
    ['KeyD', 'KeyS', 'ArrowUp'],
  );
  forAll(settingsWith(false), screens, directions, (settings, screen, codes) => {
    const camera = new Camera(settings, { screen });
    codes.forEach((code) => camera.signal({ kind: 'key', code, down: true, time: 0 }));
    camera.advance(0);
    const { pan } = camera.settings;
    const view = play(camera, 0, 15_000);
    const { projection: look, span } = view;
    const { x, y } = camera.shown;
    camera.advance(16_000);
    // What a second moved, as it looks at the middle of the screen.
    const east = camera.shown.x - x;
    const south = camera.shown.y - y;
    const right = east * look.cosHeading + south * look.sinHeading;
    const down = (south * look.cosHeading - east * look.sinHeading) * look.sinPitch;
    const speed = Number(pan.speed) * (codes.includes('ShiftLeft') ? pan.fasterFactor : 1);
    expect(Math.abs(Math.hypot(right, down) / span / speed - 1)).toBeLessThan(1e-6);
    if (codes.length === 1) expect(Math.min(Math.abs(right), Math.abs(down)) / span).toBeLessThan(1e-6);
  });
});

test('G11: no number is ever NaN or infinite, whatever comes in', () => {
  const matrices = createMatrices();
  forAll(
    anySettings,
    fc.boolean(),
    wild,
    wild,
    fc.array(fc.tuple(wildSignals, wild), { maxLength: 30 }),
    (settings, hilly, width, height, list) => {
      const camera = new Camera(settings, { screen: { width, height }, terrain: hilly ? hills : null });
      camera.advance(0);
      for (const [one, at] of [[{ kind: 'release' as const }, 0] as const, ...list]) {
        try {
          camera.signal(one);
        } catch (error) {
          // A change is taken as it is or not at all.
          if (!(error instanceof SettingsError)) throw error;
        }
        const view = camera.advance(at);
        const corner = view.toGround(view.width, view.height) ?? { x: 0, y: 0, height: 0 };
        fillMatrices(view, matrices);
        const { near, far } = view.depth();
        const numbers = [
          ...[camera.shown, camera.goal, corner].flatMap((values) => Object.values<number>({ ...values })),
          ...[view.scale, near, far, ...view.footprint(), ...view.frameFootprint(), ...matrices.inverse],
        ];
        expect(numbers.filter((value) => !Number.isFinite(value))).toEqual([]);
        expect(view.scale).toBeGreaterThan(0);
        expect(far).toBeGreaterThan(near);
        expect(near).toBeGreaterThan(0);
      }
    },
  );
});

test('the eye never comes closer to the terrain than the clearance, in any frame', () => {
  const perspective = fc
    .tuple(looks, between(15, 60))
    .map(([look, fieldOfView]) => ({ ...look, lens: { fieldOfView } }));
  forAll(steeringBy(hands.everything, settingsWith(false, perspective), 24, fc.constant(true)), (steering) => {
    drive(steering, SHORT, ({ view, settings: { ground } }) => {
      const eye = view.eye();
      const clear = eye.height - hills.heightAt(eye.x, eye.y);
      expect(clear).toBeGreaterThan(ground.clearance - 1e-6 * view.span);
    });
  });
});

test('a flat map seen straight down stays a flat map: heading, pitch and focus height never move', () =>
  forRuns(20, steeringBy(fc.oneof(hands.keys, hands.wheel), settingsWith(true, straightDown)), (steering) => {
    drive({ ...steering, hilly: false }, SHORT, ({ view, settings: { ground } }) => {
      const heading = steering.settings.start?.heading ?? 0;
      expect([view.heading, view.pitch, view.focusHeight, view.fieldOfView]).toEqual([heading, 90, ground.floor, 0]);
    });
  }));
