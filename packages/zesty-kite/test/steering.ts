/** Random settings and random steering, and driving a camera with them. */
import fc from 'fast-check';
import {
  terrainOf,
  tilted,
  type Matrices,
  type Screen,
  type Settings,
  type Signal,
  type StampedSignal,
  type View,
} from '../src/index.ts';
import { Camera } from './shapes.ts';

export interface Steering {
  readonly settings: Settings;
  readonly screen: Screen;
  readonly hilly: boolean;
  readonly signals: readonly StampedSignal[];
}

const KEYS = ['KeyW', 'KeyA', 'KeyS', 'KeyD', 'ArrowUp', 'ArrowLeft', 'ArrowDown', 'ArrowRight', 'ShiftLeft'];

/**
 * Numbers spread evenly over a range, now and then as odd as doubles can be. (Doubles alone are
 * spread over their bits: most would be next to nothing.)
 */
export function between(min: number, max: number): fc.Arbitrary<number> {
  const even = fc.integer({ min: 0, max: 0x7fffffff }).map((part) => min + ((max - min) * part) / 0x7fffffff);
  return fc.oneof({ weight: 7, arbitrary: even }, { weight: 1, arbitrary: fc.double({ min, max, noNaN: true }) });
}
const halfLife = fc.oneof(fc.constant(0), between(0.005, 0.4));
const side = fc.integer({ min: 120, max: 2400 });

export const screens: fc.Arbitrary<Screen> = fc.record({ width: side, height: side });

export const rectangles = fc
  .tuple(between(-3000, 3000), between(-3000, 3000), between(40, 5000), between(40, 5000))
  .map(([left, top, width, height]) => ({ left, top, right: left + width, bottom: top + height }));

/** Corners of a convex polygon of 3 to 32 edges: points of an ellipse, in order. */
export const convexPolygons = fc
  .tuple(
    fc.uniqueArray(fc.integer({ min: 0, max: 359 }), { minLength: 3, maxLength: 32 }),
    between(100, 3000),
    between(0.3, 1),
    between(-1000, 1000),
  )
  .filter(([degrees]) => gaps(degrees).every((gap) => gap < 170))
  .map(([degrees, size, flat, middle]) =>
    degrees
      .toSorted((a, b) => a - b)
      .map((at): [number, number] => [
        middle + size * Math.cos((at * Math.PI) / 180),
        size * flat * Math.sin((at * Math.PI) / 180) - middle,
      ]),
  );

function gaps(degrees: readonly number[]): number[] {
  const sorted = degrees.toSorted((a, b) => a - b);
  return sorted.map((at, i) => ((sorted[(i + 1) % sorted.length] ?? 0) - at + 360) % 360);
}

/** A bay, a hole and an island of its own. */
const SHORE = {
  type: 'MultiPolygon' as const,
  coordinates: [
    [
      [
        [-900, -700],
        [1000, -600],
        [200, 60],
        [900, 800],
        [-800, 700],
        [-900, -700],
      ],
      [
        [-500, -200],
        [-100, -300],
        [-200, 200],
        [-500, -200],
      ],
    ],
    [
      [
        [1500, -200],
        [2000, 0],
        [1500, 300],
        [1500, -200],
      ],
    ],
  ],
};

const shapes = fc.oneof(
  rectangles,
  fc.record({ circle: fc.record({ x: between(-500, 500), y: between(-500, 500), radius: between(60, 2500) }) }),
  convexPolygons.map((polygon) => ({ polygon })),
  fc.constant({ area: SHORE }),
);

export const bounds = fc
  .tuple(
    shapes,
    fc.record({
      keep: fc.constantFrom('view' as const, 'view' as const, 'focus' as const),
      whenViewIsLarger: fc.constantFrom('centre' as const, 'limit-zoom' as const, null),
      margin: fc.oneof(fc.constant(0), between(-10, 50)),
      screenMargin: fc.oneof(fc.constant(0), between(-0.2, 0.2)),
      elastic: fc.oneof(fc.constant(0), between(0.05, 0.5)),
    }),
  )
  .map(([shape, rest]) => ({ ...shape, ...rest }));

const byZoom = (value: fc.Arbitrary<number>): fc.Arbitrary<NonNullable<Settings['pitch']>['degrees']> =>
  fc.oneof(
    value,
    fc.tuple(value, value, value).map(([a, b, c]): [number, number][] => [
      [30, a],
      [200, b],
      [900, c],
    ]),
    fc.record({ near: value, far: value, at: between(60, 900), slack: between(0, 0.5) }),
  );

/** Every way to look: straight down, tilted, by zoom, by lens, at a distance, with panels, turned. */
export const looks = fc.record({
  pitch: fc.record({ degrees: fc.oneof(fc.constant(90), byZoom(between(25, 90))), halfLife }),
  lens: fc.oneof(
    fc.constant({}),
    fc.record({ fieldOfView: byZoom(between(10, 60)), halfLife }),
    fc.record({ distance: between(100, 5000) }),
  ),
  safeFrame: fc.oneof(fc.constant({}), fc.record({ left: between(0, 400), bottom: between(0, 300), halfLife })),
});

const heading = between(-360, 360);

/** Opens all that a player can do to heading and pitch. */
export const turnable = { twoFingers: { turn: true }, bindings: { ...tilted().bindings } } satisfies Settings;

/** Settings of every kind; `bounded` says whether there are bounds. */
export function settingsWith(bounded: boolean, look: fc.Arbitrary<Settings> = looks): fc.Arbitrary<Settings> {
  const moving = fc.record({
    start: fc.record({ x: between(-3000, 3000), y: between(-3000, 3000), span: between(10, 3000), heading }),
    pan: fc.record({
      speed: between(0.1, 5),
      fasterFactor: between(0.5, 5),
      startHalfLife: halfLife,
      stopHalfLife: halfLife,
    }),
    zoom: fc.record({
      minSpan: between(5, 60),
      maxSpan: fc.oneof({ weight: 4, arbitrary: between(60, 5000) }, { weight: 1, arbitrary: fc.constant(null) }),
      notch: between(1.01, 2),
      halfLife,
      anchor: fc.constantFrom('cursor' as const, 'focus' as const, 'below-eye' as const),
    }),
    turn: fc.oneof(
      fc.constant({}),
      fc.record({ min: between(-200, 0), max: between(0, 200), halfLife }),
      fc.constant({ anchor: 'focus' as const }),
    ),
    twoFingers: fc.record({ turn: fc.boolean(), tilt: fc.boolean() }),
    drag: fc.record({ keepsGoing: fc.constantFrom('pan' as const, 'all' as const) }),
    bounds: bounded ? bounds : fc.constant(null),
    ground: fc.constantFrom({}, {}, {}, { floor: 7 }),
    bindings: fc.constant<Settings['bindings']>({ ...turnable.bindings, orbit: ['MouseRight'] }),
    edge: fc.constantFrom<Settings['edge']>(
      null,
      { dwell: 0.1, speed: 1.7 },
      { right: 100, unit: 'pixels', dwell: 0, speedByDepth: 'constant' },
    ),
    wheel: fc.record({ action: fc.constantFrom('zoom' as const, 'zoom' as const, 'pan' as const) }),
    resize: fc.record({ keep: fc.constantFrom('span' as const, 'width' as const, 'scale' as const, null) }),
  });
  return fc.tuple(moving, look).map(([one, other]) => ({ ...one, ...other }));
}

/** Straight down and unturned, as a flat map is seen. */
export const straightDown: fc.Arbitrary<Settings> = fc.constant({ start: { span: 300 } });

const key = fc.record({ kind: fc.constant('key' as const), code: fc.constantFrom(...KEYS), down: fc.boolean() });
const pixel = between(0, 2400);
const wheel = fc.record({
  kind: fc.constant('wheel' as const),
  x: pixel,
  y: pixel,
  notches: fc.oneof(between(-6, 6), between(-1e6, 1e6)),
  right: between(-900, 900),
  down: between(-900, 900),
});
const release = fc.constant({ kind: 'release' as const });
const screen = fc.tuple(screens, fc.boolean()).map(([size, none]) => ({
  kind: 'screen' as const,
  ...(none ? { width: 0, height: 0 } : size),
}));
const place = fc.record({
  kind: fc.constant('place' as const),
  x: between(-1e4, 1e4),
  span: between(1, 1e4),
  heading,
  pitch: between(1, 90),
});
const change = fc.oneof(
  fc
    .record({ speed: between(0, 3), halfLife })
    .map(({ speed, halfLife: h }) => ({ pan: { speed }, zoom: { halfLife: h } })),
  fc
    .record({ locked: fc.subarray(['pan', 'zoom', 'turn', 'tilt'] as const) })
    .map(({ locked }) => ({ locked: [...locked] })),
  fc.record({ safeFrame: fc.record({ left: between(0, 300), top: between(0, 300) }) }),
);
const gap = fc.constantFrom('begin' as const, 'end' as const).map((phase) => ({ kind: 'gap' as const, phase }));
const finger = fc.integer({ min: 1, max: 3 });
const press = fc.record({
  kind: fc.constant('press' as const),
  id: finger,
  input: fc.constantFrom('Touch' as const, 'Touch' as const, 'MouseMiddle' as const, 'MouseRight' as const),
  x: pixel,
  y: pixel,
});
const move = fc.record({ kind: fc.constant('move' as const), id: finger, x: pixel, y: pixel });
const hover = fc.record({ kind: fc.constant('hover' as const), x: pixel, y: pixel });
const lift = fc.record(
  { kind: fc.constant('lift' as const), id: finger, cancelled: fc.constant(true) },
  { requiredKeys: ['kind', 'id'] },
);
const hold = fc.record({ kind: fc.constant('hold' as const), id: finger, x: pixel, y: pixel });
const axis = fc.oneof(between(-1, 1), fc.constant(0));
const pad = fc.record({
  kind: fc.constant('pad' as const),
  id: fc.integer({ min: 0, max: 1 }),
  axes: fc.oneof(fc.constant([]), fc.array(axis, { minLength: 4, maxLength: 4 })),
  buttons: fc.array(between(0, 1), { maxLength: 17 }),
});
const home = fc.constant({ kind: 'home' as const });
const unhold = fc.record({ kind: fc.constant('unhold' as const), id: finger });
const about = fc.option(
  fc.oneof(fc.record({ x: between(-900, 900), y: between(-900, 900) }), fc.record({ screenX: pixel, screenY: pixel })),
  { nil: undefined },
);
const turning = (kind: 'turn' | 'tilt'): fc.Arbitrary<object> =>
  fc
    .record({ degrees: fc.oneof(between(-90, 90), between(-1e5, 1e5)), about })
    .map(({ degrees, about: point }) => ({ kind, degrees, ...(point && { about: point }) }));

/** Which devices steer. */
export const hands = {
  keys: key,
  wheel,
  fingers: fc.oneof(hold, hold, hold, unhold),
  pointers: fc.oneof(press, move, move, move, lift),
  pads: pad,
  turns: fc.oneof(turning('turn'), turning('tilt')),
  everything: fc.oneof(
    key,
    key,
    wheel,
    wheel,
    hold,
    hold,
    unhold,
    press,
    move,
    move,
    lift,
    hover,
    pad,
    home,
    turning('turn'),
    turning('tilt'),
    release,
    screen,
    place,
    change.map((settings) => ({ kind: 'change' as const, settings })),
    gap,
  ),
};

/** Numbers that break what was not written for them. */
export const wild = fc.oneof(
  fc.double(),
  fc.constantFrom(NaN, Infinity, -Infinity, 1e308, -0, 5e-324, Number.MAX_SAFE_INTEGER),
);
const kind = <K extends string>(name: K): fc.Arbitrary<K> => fc.constant(name);
const time = wild;
/** Signals of every kind with such numbers. */
export const wildSignals = fc.oneof(
  fc.record({ kind: kind('wheel'), x: wild, y: wild, notches: wild, time }),
  fc.record({ kind: kind('screen'), width: wild, height: wild, density: wild, time }),
  fc.record({ kind: kind('place'), x: wild, y: wild, span: wild, heading: wild, pitch: wild, time }),
  fc.record({ kind: kind('hold'), id: fc.constantFrom(1, 2, NaN), x: wild, y: wild, time }),
  fc.record({ kind: kind('unhold'), id: fc.constantFrom(1, 2, NaN), time }),
  fc.record({ kind: kind('turn'), degrees: wild, about: fc.record({ x: wild, y: wild }), time }),
  fc.record({ kind: kind('tilt'), degrees: wild, about: fc.record({ screenX: wild, screenY: wild }), time }),
  fc.record({ kind: kind('key'), code: fc.constantFrom('KeyA', 'KeyS'), down: fc.boolean(), time }),
  fc.record({ kind: kind('hover'), x: wild, y: wild, time }),
  fc.record({ kind: kind('press'), id: wild, input: fc.constantFrom('Touch', 'MouseRight'), x: wild, y: wild, time }),
  fc.record({ kind: kind('move'), id: fc.constantFrom(1, 2, NaN), x: wild, y: wild, time }),
  fc.record({ kind: kind('lift'), id: fc.constantFrom(1, 2, NaN), cancelled: fc.boolean(), time }),
  fc.record({ kind: kind('pad'), id: wild, axes: fc.array(wild), buttons: fc.array(wild), time }),
  fc.record({ kind: fc.constantFrom('home', 'release'), time }),
  fc.record({ kind: kind('gap'), phase: fc.constantFrom('begin', 'end'), time }),
  fc.record({ kind: kind('terrain'), id: fc.constant(null), digest: fc.constant(null), time }),
  fc.record({
    kind: kind('change'),
    settings: fc.record({ zoom: fc.record({ notch: wild }), pan: fc.record({ speed: wild }) }),
    time,
  }),
) as fc.Arbitrary<Signal>;

/** Up to `max` signals within the first 1.5 seconds, in order. */
export function steeringBy(
  signals: fc.Arbitrary<object>,
  settings: fc.Arbitrary<Settings>,
  max = 24,
  hilly: fc.Arbitrary<boolean> = fc.boolean(),
): fc.Arbitrary<Steering> {
  const stamped = fc
    .array(fc.tuple(fc.integer({ min: 0, max: 1_500_000 }), signals), { maxLength: max, size: 'max' })
    .map((list) => list.toSorted(([a], [b]) => a - b).map(([at, signal]) => ({ ...signal, at }) as StampedSignal));
  return fc.record({ settings, screen: screens, hilly, signals: stamped });
}

/** Hills as steep as 60°, and flat valleys between. */
export const hills = terrainOf({
  id: 'hills',
  lowest: 0,
  highest: 120,
  feature: 4,
  heightAt: (x, y) => Math.max(0, 60 * Math.sin(x / 35) * Math.cos(y / 41) + 30 * Math.sin((x + 2 * y) / 300)),
});

/** How far what is shown is from the goal: degrees, or shares of the span, whichever is most. */
export function awayFromGoal({ shown, goal }: Camera): number {
  const turned = Math.max(
    ...(['heading', 'pitch', 'fieldOfView'] as const).map((key) => Math.abs(shown[key] - goal[key])),
  );
  const moved = Math.max(...(['x', 'y', 'span'] as const).map((key) => Math.abs(shown[key] - goal[key])));
  return Math.max(turned, moved / shown.span);
}

/** The share of the screen's height that panels leave to the safe frame once they have eased in. */
export function frameShareThere({ settings: { safeFrame }, view: { height } }: Camera): number {
  return 1 - Math.min(0.9 * height, safeFrame.top + safeFrame.bottom) / height;
}

/** Frame times in milliseconds, from 0, at a steady rate. */
export function steady(rate: number, seconds: number): number[] {
  return Array.from({ length: Math.ceil(rate * seconds) + 1 }, (_, frame) => (frame * 1000) / rate);
}

/** Frames from one time to another, milliseconds, none of them a gap. */
export function play(camera: Camera, from: number, to: number): View {
  for (let time = from; time < to; time += 5000) camera.advance(time);
  return camera.advance(to);
}

/** Plays steering with frames at the given times (milliseconds); `look` is called after each. */
export function drive(
  { settings, screen: size, hilly, signals }: Steering,
  times: readonly number[],
  look: (camera: Camera, time: number) => void = () => undefined,
): Camera {
  const camera = new Camera(settings, { screen: size, terrain: hilly ? hills : null });
  let next = 0;
  for (const time of times) {
    for (let signal = signals[next]; signal && signal.at <= Math.round(time * 1000); signal = signals[++next])
      camera.signal({ ...signal, time: signal.at / 1000 });
    camera.advance(time);
    look(camera, time);
  }
  return camera;
}

/** The view as text that tells every bit apart. */
export function bitsOf({ view }: Camera): string {
  const { x, y, focusHeight, span, heading: turned, pitch, fieldOfView, width, height, projection: look } = view;
  return [x, y, focusHeight, span, turned, pitch, fieldOfView, width, height, look.middleX, look.frameHeight]
    .map((value) => (Object.is(value, -0) ? '-0' : String(value)))
    .join(' ');
}

/** How far apart two points on the screen are. */
export function pixelsBetween(a: { x: number; y: number }, b: { x: number; y: number }): number {
  return Math.hypot(a.x - b.x, a.y - b.y);
}

/** How far the horizon leans, in radians: a point to the right of the focus shows level with it, as matrices have it. */
export function rollOf({ x, y, focusHeight, heading, span, projection: look }: View, m: Matrices): number {
  const at = (away: number): [number, number] => {
    const angle = (heading * Math.PI) / 180;
    const [east, south] = [x + away * Math.cos(angle), y + away * Math.sin(angle)];
    const point = m.up === 'y' ? [east, focusHeight, south] : [east, -south, focusHeight];
    const [a = 0, b = 0, c = 0] = point.map((value, i) => value - (m.origin[i] ?? 0));
    const row = (k: number): number =>
      (m.viewProjection[k] ?? 0) * a +
      (m.viewProjection[4 + k] ?? 0) * b +
      (m.viewProjection[8 + k] ?? 0) * c +
      (m.viewProjection[12 + k] ?? 0);
    return [(row(0) / row(3)) * look.width, (row(1) / row(3)) * look.height];
  };
  const [leftX, leftY] = at(-span / 4);
  const [rightX, rightY] = at(span / 4);
  // From far away rounding alone is more than this.
  const rounding = (Math.abs(x) + Math.abs(y)) / span > 1e4 ? Infinity : 1;
  return Math.abs(Math.atan2(rightY - leftY, rightX - leftX)) / rounding;
}

/** Settings with every further part off its default. */
export const further: fc.Arbitrary<Settings> = fc
  .record({
    pan: fc.record({
      evenSpeedOn: fc.constantFrom('screen' as const, 'ground' as const),
      speed: byZoom(between(0.2, 4)),
    }),
    stops: fc.option(fc.array(between(20, 2000), { minLength: 1, maxLength: 5 })),
    outAnchor: fc.constantFrom('cursor' as const, 'focus' as const, 'below-eye' as const, null),
    turnStops: fc.option(fc.record({ step: fc.constantFrom(90, 60, 45), offset: between(-90, 90) })),
    turn: fc.record({
      rate: between(10, 400),
      fasterFactor: between(0, 5),
      step: between(5, 180),
      perScreen: between(-400, 400),
    }),
    fasterZoom: between(0, 5),
    bindings: fc.constantFrom<Settings['bindings']>({}, {}, { pull: ['MouseMiddle'], drag: ['Touch'] }),
    pitch: fc.record({ rate: between(5, 120), perScreen: between(-300, 300) }),
    ground: fc.record({ followRadius: between(0, 1), followHalfLife: halfLife, clearance: between(0, 20) }),
    drag: fc.record({
      startsAfter: between(0, 20),
      touchStartsAfter: between(0, 30),
      glideHalfLife: halfLife,
      pinchZone: between(0, 0.2),
      twistZone: between(0, 20),
      doubleTapNotches: between(0, 10),
      pullDistance: between(0.05, 2),
    }),
    wheel: fc.record({ partialNotches: fc.constantFrom('apply' as const, 'collect' as const) }),
    pad: fc.record({ deadZone: between(0, 0.5), curve: between(0.5, 3) }),
    wrap: fc.option(between(200, 4000)),
  })
  .map(({ stops, outAnchor, turnStops, turn, fasterZoom, wrap, ...rest }) => ({
    ...rest,
    zoom: { stops, outAnchor, fasterFactor: fasterZoom },
    turn: { ...turn, stops: turnStops },
    wrap: { x: wrap },
  }));

/** The one laid over the other, two levels deep. A world that repeats itself has no bounds but a rectangle. */
export function layered(below: Settings, above: Settings): Settings {
  const merged: Settings = { ...below };
  for (const key of Object.keys(above) as (keyof Settings)[])
    Object.assign(merged, { [key]: { ...(below[key] as object), ...(above[key] as object) } });
  const isPlain = below.bounds?.left !== undefined || !below.bounds;
  return isPlain ? merged : { ...merged, wrap: {} };
}

/** Nine points of the ground that show, for seeing whether a view jumps: far ones would exaggerate. */
export function landmarks({
  projection: look,
  x,
  y,
  span,
  focusHeight,
}: View): { x: number; y: number; height: number }[] {
  return [-0.4, 0, 0.4].flatMap((u) =>
    [-0.3, 0, 0.4].map((v) => {
      const at = { x: 0, y: 0 };
      look.meet(u, v, span, 0, at);
      return { x: x + at.x, y: y + at.y, height: focusHeight };
    }),
  );
}
