/** Bounds and what they do to zoom and focus: flat pitches, how far the zoom goes, corners that jut in. */
import { test } from '@jest/globals';
import { expect } from './expect.ts';
import fc from 'fast-check';
import { mergeSettings, tilted, type Pose, type Settings } from '../src/index.ts';
import { follow, travel } from '../src/direct/index.ts';
import { voidAtFlattest } from '../src/review/index.ts';
import { forAll, forRuns } from './law.ts';
import { Camera } from './shapes.ts';
import { between, bitsOf, bounds, convexPolygons, rectangles, screens, settingsWith } from './steering.ts';

const screen = { width: 1280, height: 800 };

/** A tilted camera on a map, whose players can zoom as far as they like. */
const onMap: Settings[] = [
  tilted(),
  {
    bounds: { left: 0, top: 0, right: 1024, bottom: 768 },
    zoom: { maxSpan: 500 },
    start: { x: 540, y: 400, span: 120 },
  },
];

/** How far a pose is from another, in spans. */
function movedBy(from: Pose, to: Pose): number {
  return Math.hypot(to.x - from.x, to.y - from.y) / to.span;
}

const ways: [string, (camera: Camera, pitch: number) => void][] = [
  ['place', (camera, pitch): void => camera.place({ pitch })],
  ['tilt', (camera, pitch): void => camera.tilt(pitch - camera.goal.pitch)],
];

test.each(ways)(
  'G4: %s to the flattest pitch and back keeps the focus on the map, and comes back to the bit',
  (_, lookAt) => {
    forRuns(
      8,
      between(0, 1024),
      between(0, 768),
      between(20, 200),
      fc.constantFrom(25, 40, 60, null),
      (x, y, span, lens) => {
        const camera = new Camera([...onMap, { lens: { fieldOfView: lens }, start: { x, y, span } }], { screen });
        camera.advance(0);
        camera.place({ pitch: 88 });
        camera.advance(2000);
        const begin = camera.shown;
        let last = begin;
        let way = 0;
        let time = 2000;
        const sweep = Array.from({ length: 363 }, (_row, i) => 88 - (i * 45) / 240);
        for (const pitch of [...sweep, ...sweep.toReversed()]) {
          lookAt(camera, pitch);
          camera.advance((time += 1000 / 240));
          const { shown } = camera;
          const moved = movedBy(last, shown);
          way += moved;
          expect(moved * 800).toBeLessThan(50);
          expect(shown.x >= 0 && shown.x <= 1024 && shown.y >= 0 && shown.y <= 768).toBe(true);
          expect(shown.span).toBe(begin.span);
          last = shown;
        }
        camera.advance(time + 20_000);
        expect(way / 2).toBeLessThan(2.2);
        expect(camera.shown).toEqual(begin);
      },
    );
  },
);

test('G4: the focus that a tilt pushed away comes back to the bit after a change that limits the zoom by the same bounds', () => {
  const shapes = fc.constantFrom<NonNullable<Settings['bounds']>>(
    { left: 0, top: 0, right: 1024, bottom: 768 },
    { circle: { x: 512, y: 384, radius: 480 } },
  );
  forRuns(16, shapes, between(200, 824), between(0, 200), between(20, 90), (bounds, x, y, span) => {
    const camera = new Camera([...onMap, { bounds, start: { x, y, span } }], { screen });
    camera.advance(0);
    let time = 0;
    const lookAt = (pitch: number): Pose => {
      camera.place({ pitch });
      camera.advance((time += 5000));
      return { ...camera.shown };
    };
    const begin = lookAt(88);
    lookAt(25);
    camera.change({ zoom: { maxSpan: null } });
    expect(lookAt(88)).toEqual(begin);
  });
});

test('G4: from anywhere on the map a held key tilts flat without a throw or a slam, and keys pan at every pitch', () => {
  forRuns(6, between(300, 700), between(300, 500), fc.boolean(), (x, y, limited) => {
    const zoom = limited ? { maxSpan: null } : {};
    const camera = new Camera([...onMap, { start: { x, y }, zoom }], { screen });
    camera.advance(0);
    camera.signal({ kind: 'key', code: 'KeyF', down: true });
    let last = camera.shown;
    let way = 0;
    for (let time = 0; time < 3000; time += 1000 / 240) {
      camera.advance(time);
      const moved = movedBy(last, camera.shown);
      expect(moved * 800).toBeLessThan(25);
      expect(Math.abs(Math.log(camera.shown.span / last.span))).toBeLessThan(0.02);
      way += moved;
      last = camera.shown;
    }
    expect([camera.shown.pitch, way < 1.1]).toEqual([20, true]);
    camera.signal({ kind: 'key', code: 'KeyF', down: false });
    camera.signal({ kind: 'key', code: 'KeyD', down: true });
    camera.advance(3100);
    expect(camera.shown.x - last.x).toBeGreaterThan(1);
  });
});

test('the review says how much void shows at the flattest pitch', () => {
  const most = voidAtFlattest(onMap, screen);
  const camera = new Camera(onMap, { screen });
  camera.place({ pitch: 20 });
  const view = camera.advance(0);
  const top = (0.5 - (most?.share ?? NaN)) * -800 + 400;
  const ground = view.toLevel(640, top, 0, { x: 0, y: 0 });
  expect([most?.pitch, ((view.y - (ground?.y ?? NaN)) / view.span).toFixed(6)]).toEqual([20, '2.000000']);
  expect(voidAtFlattest([...onMap, { pitch: { min: 40 } }], screen)).toBeNull();
});

const curves = fc.oneof(
  between(25, 85),
  fc.tuple(between(20, 88), between(20, 88), between(20, 88)).map(([a, b, c]): [number, number][] => [
    [30, a],
    [200, b],
    [900, c],
  ]),
  fc.record({ near: between(25, 85), far: between(25, 85), at: between(60, 600), slack: between(0, 0.5) }),
);

const limiting = fc
  .tuple(
    fc.oneof(
      rectangles,
      convexPolygons.map((polygon) => ({ polygon })),
      between(100, 1500).map((radius) => ({ circle: { x: 0, y: 0, radius } })),
    ),
    curves,
    fc.constantFrom(20, 40, 60, null),
    between(0, 360),
    between(-40, 40),
  )
  .map(([shape, degrees, fieldOfView, heading, pitch]) => ({
    tilt: pitch,
    settings: {
      bounds: { ...shape, whenViewIsLarger: 'limit-zoom' },
      pitch: { degrees, min: 15, max: 88, halfLife: 0 },
      lens: { fieldOfView },
      zoom: { minSpan: 5, maxSpan: 4000, halfLife: 0.05 },
      start: { x: 0, y: 0, span: 100, heading },
    } satisfies Settings,
  }));

/** The farthest span from which a placing would not come nearer, by trying many: from far to near, so that a switch stays on its side. */
function farthestByTrial(camera: Camera): number {
  for (let span = 4100; span > 5; span /= 1.004) {
    camera.place({ span });
    if (camera.goal.span >= span * (1 - 1e-9)) return span;
  }
  return 0;
}

test('zooming out from rest leads to the farthest span that fits there, which is `spanRange.max`: no trap', () => {
  let checked = 0;
  forRuns(40, limiting, screens, between(5, 4000), ({ settings, tilt }, size, span) => {
    const camera = new Camera(settings, { screen: size });
    camera.advance(0);
    camera.tilt(tilt);
    camera.place({ span });
    let time = 5000;
    camera.advance(time);
    for (let notch = 0; notch < 90; notch++) {
      camera.zoom({ notches: -1 });
      camera.advance((time += 1500));
    }
    camera.advance(time + 60_000);
    const { shown, goal, spanRange } = camera;
    expect(camera.settled).toBe(true);
    expect(shown.span / spanRange.max).toBeGreaterThan(1 - 1e-7);
    expect(goal.span).toBeLessThanOrEqual(spanRange.max);
    const far = farthestByTrial(camera);
    if (far > 5) checked += 1;
    expect(shown.span).toBeGreaterThan(far * 0.995);
  });
  expect(checked).toBeGreaterThan(25);
});

test('a placing: pitch and heading as asked, then the greatest span that fits, and a second one changes nothing', () => {
  let limited = 0;
  forAll(limiting, screens, between(5, 4000), between(15, 88), ({ settings }, size, span, pitch) => {
    const camera = new Camera(settings, { screen: size });
    camera.advance(0);
    const to = { x: 10, y: -10, span, heading: 70, pitch };
    camera.place(to);
    camera.advance(60_000);
    const { shown } = camera;
    expect([shown.pitch, shown.heading]).toEqual([expect.closeTo(pitch, 12), 70]);
    if (shown.span < span * (1 - 1e-6)) {
      limited += 1;
      // A little more would not have fitted.
      camera.place({ ...to, span: shown.span * 1.01 });
      camera.advance(60_100);
      expect(camera.shown.span).toBeLessThan(shown.span * 1.001);
      camera.place(to);
      camera.advance(60_200);
    }
    const bits = bitsOf(camera);
    camera.place(to);
    camera.advance(120_000);
    expect(bitsOf(camera)).toBe(bits);
  });
  expect(limited).toBeGreaterThan(8);
});

test('a turn there and back leads to the same bits: span, focus and all, unless it goes through a switch', () => {
  let compared = 0;
  forAll(limiting, screens, fc.integer({ min: -180, max: 180 }), ({ settings: some }, size, degrees) => {
    const settings = { ...some, start: { ...some.start, heading: Math.round(some.start.heading) } };
    const camera = new Camera(settings, { screen: size });
    camera.advance(0);
    camera.place({ span: 800 });
    camera.advance(30_000);
    const { x, y, span, pitch, fieldOfView } = camera.shown;
    camera.turn(degrees);
    camera.advance(60_000);
    camera.turn(-degrees);
    camera.advance(120_000);
    const { shown } = camera;
    // A switch with slack stays on the side to which it went.
    const isSwitched = pitch !== shown.pitch || fieldOfView !== shown.fieldOfView;
    if (isSwitched && hasSwitch(settings)) return;
    compared += 1;
    expect([shown.x, shown.y, shown.span]).toEqual([x, y, span]);
  });
  expect(compared).toBeGreaterThan(20);
});

function hasSwitch({ pitch = {}, lens = {} }: Settings): boolean {
  return [pitch.degrees, lens.fieldOfView].some(
    (rule) => typeof rule === 'object' && rule !== null && 'slack' in rule && (rule.slack ?? 0) > 0,
  );
}

test('`goal` on a journey, and while something is followed that stands, is where the camera comes to rest', () => {
  let arrived = 0;
  forAll(
    settingsWith(true),
    screens,
    fc.record({ x: between(-400, 400), y: between(-400, 400), span: between(20, 900), heading: between(-90, 90) }),
    fc.boolean(),
    (settings, size, to, follows) => {
      const camera = new Camera(settings, { screen: size });
      camera.advance(0);
      if (follows) follow(camera, to);
      else void travel(camera, to, { maxSeconds: 2 });
      for (let time = 0; time < 300; time += 16) camera.advance(time);
      const { goal } = camera;
      camera.advance(5000);
      camera.advance(120_000);
      const { shown } = camera;
      expect(Math.abs(goal.span / shown.span - 1)).toBeLessThan(1e-6);
      expect(Math.abs(goal.pitch - shown.pitch) + Math.abs(goal.heading - shown.heading)).toBeLessThan(1e-5);
      expect(movedBy(goal, shown)).toBeLessThan(1e-6);
      arrived += 1;
    },
  );
  expect(arrived).toBeGreaterThan(10);
});

test('the way home leads to where a camera begins, in all bounds, and `goal` says so', () => {
  // A switch by zoom remembers from where it was come.
  const looks = fc.record({ pitch: fc.record({ degrees: between(30, 90) }) });
  const away = fc.record({ x: between(-3e3, 3e3), y: between(-3e3, 3e3), span: between(20, 3000) });
  const other = fc.option(bounds);
  forAll(settingsWith(true, looks), screens, away, between(-180, 180), other, (some, size, place, heading, then) => {
    const settings = { ...some, zoom: { ...some.zoom, halfLife: 0.2 } };
    const camera = new Camera(settings, { screen: size });
    camera.advance(0);
    const after = then === null ? settings : mergeSettings(settings, { bounds: then });
    const begun = new Camera(after, { screen: size }).advance(0);
    camera.place({ ...place, heading });
    camera.advance(60_000);
    camera.home();
    for (let time = 60_000; time < 60_100; time += 16) camera.advance(time);
    if (then !== null) camera.change({ bounds: then });
    for (let time = 60_100; time < 60_300; time += 16) camera.advance(time);
    expect(movedBy(camera.goal, begun)).toBeLessThan(1e-5);
    camera.advance(65_000);
    camera.advance(180_000);
    expect(movedBy(camera.shown, begun)).toBeLessThan(1e-5);
    expect(Math.abs(camera.shown.span / begun.span - 1)).toBeLessThan(1e-6);
  });
});

test('G4: nobody is stuck at a corner that juts in: what is held goes on along the other side', () => {
  const ring: [number, number][] = [
    [10, 7],
    [-12, 12],
    [-12, -12],
    [-2, -7],
    [0, 0],
  ];
  forRuns(20, fc.constantFrom<[number, number]>([10, 7], [0, 0], [4, 2.8]), between(1, 20), ([x, y], span) => {
    const camera = new Camera(
      { bounds: { polygon: ring, keep: 'focus' }, start: { x, y, span }, zoom: { minSpan: 12 } },
      { screen },
    );
    camera.advance(0);
    camera.signal({ kind: 'key', code: 'KeyW', down: true, time: 0 });
    for (let time = 0; time < 20_000; time += 16) camera.advance(time);
    expect(camera.shown.y).toBeLessThan(-6.5);
  });
});
