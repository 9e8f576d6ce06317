/** Locks in scopes, marks, and back and forward through where the camera has been. */
import { test } from '@jest/globals';
import { expect } from './expect.ts';
import fc from 'fast-check';
import { Camera } from '../src/index.ts';
import { lock, Marks, travel, Visits, type Ability, type Mark } from '../src/direct/index.ts';
import { forAll, forRuns } from './law.ts';
import { between } from './steering.ts';

const screen = { width: 800, height: 600 };
const settings = {
  start: { x: 0, y: 0, span: 100 },
  zoom: { minSpan: 5, maxSpan: 2000 },
  pitch: { degrees: 60, min: 30, max: 85 },
  bindings: { panRight: ['KeyD'], turnLeft: ['KeyQ'] },
};
const abilities = ['pan', 'zoom', 'turn', 'tilt'] as const;

function createCamera(locked: Ability[] = []): { camera: Camera; run: (seconds: number, frame?: number) => void } {
  const camera = new Camera({ ...settings, locked }, { screen });
  let time = 0;
  camera.advance(0);
  const run = (seconds: number, frame = 20): void => {
    for (const end = time + seconds * 1000; time < end; ) camera.advance((time += frame));
  };
  return { camera, run };
}

test('scopes of locks may end in any order, twice, and leave alone what the settings lock', () => {
  const some = fc.subarray([...abilities]);
  const scopes = fc.array(fc.tuple(some, fc.nat({ max: 5 })), { maxLength: 12 });
  forAll(some, scopes, fc.boolean(), (own, steps, waiting) => {
    const { camera } = createCamera(own);
    const open: { names: Ability[]; end: () => void }[] = [];
    const wanted = (): string[] =>
      abilities.filter((name) => [own, ...open.map(({ names }) => names)].flat().includes(name));
    for (const [names, ends] of steps) {
      // A signal that waits for its time keeps a change waiting, too.
      if (waiting) camera.signal({ kind: 'key', code: 'KeyD', down: true, time: 1e6 });
      open.push({ names, end: lock(camera, names) });
      const [ended] = ends < open.length ? open.splice(ends, 1) : [];
      ended?.end();
      ended?.end();
      camera.advance(camera.settled ? 0 : 16);
      expect([...camera.settings.locked].sort()).toEqual([...wanted()].sort());
    }
  });
  const { camera } = createCamera();
  expect(() => lock(camera, ['fly' as Ability])).toThrow(
    'lock.abilities[0]: expected one of pan, zoom, turn, tilt, got "fly"',
  );
});

test('a journey is interrupted by what is named alone; the rest is locked until it has ended', async () => {
  for (const [interruptedBy, by] of [
    [['zoom'], 'notch'],
    [[], null],
    [['pan', 'zoom', 'turn', 'tilt'], 'panKeys'],
  ] as const) {
    const { camera, run } = createCamera(['tilt']);
    const arrival = travel(camera, { x: 900, span: 50 }, { interruptedBy });
    run(0.1);
    camera.signal({ kind: 'key', code: 'KeyD', down: true });
    run(0.1);
    camera.signal({ kind: 'wheel', x: 400, y: 300, notches: -1 });
    run(5);
    const { outcome, by: found } = await arrival;
    expect([outcome, found]).toEqual([by === null ? 'arrived' : 'interrupted', by]);
    expect(camera.settings.locked).toEqual(['tilt']);
  }
});

const places = fc.record({
  x: between(-3000, 3000),
  y: between(-3000, 3000),
  span: between(5, 2000),
  heading: between(-180, 180),
  pitch: between(30, 85),
});

test('a mark is come back to, from anywhere and after a saved game: by name to 1e-9, by number key pressed twice at once', async () => {
  const tries: [Mark, Mark, boolean][] = fc.sample(fc.tuple(places, places, fc.boolean()), 12);
  for (const [there, elsewhere, twice] of tries) {
    const { camera, run } = createCamera();
    const marks = new Marks(camera);
    camera.place(there);
    camera.advance(0);
    const key = { code: 'Digit3', shiftKey: true, timeStamp: 5000 };
    expect(marks.key({ ...key, shiftKey: false })).toBe(false);
    expect(marks.key(key)).toBe(true);
    marks.save('harbour');
    camera.place(elsewhere);
    run(1);
    const again = new Marks(camera, JSON.parse(JSON.stringify(marks)) as Record<string, Mark>);
    expect(again.names).toEqual(['3', 'harbour']);
    if (twice) {
      expect(again.key({ code: 'Numpad3', shiftKey: false, timeStamp: 6000 })).toBe(true);
      run(0.1);
      expect(again.key({ code: 'Numpad3', shiftKey: false, timeStamp: 6300 })).toBe(true);
      run(0.02);
    } else {
      const arrival = again.goTo('harbour');
      run(5);
      expect((await arrival)?.outcome).toBe('arrived');
    }
    for (const name of ['x', 'y', 'span', 'pitch'] as const)
      expect(Math.abs(camera.shown[name] - there[name])).toBeLessThan(1e-9 * there.span + 1e-9);
    const turned = (camera.shown.heading - there.heading) / 360;
    expect(Math.abs(turned - Math.round(turned))).toBeLessThan(1e-9);
    expect([again.goTo('nowhere'), again.forget('harbour'), again.goTo('harbour')]).toEqual([null, true, null]);
  }
});

test('back and forward go as in a browser, and small steps leave no trace', () => {
  const go = fc.record({ x: fc.integer({ min: -5, max: 5 }), zoom: fc.integer({ min: 0, max: 2 }) });
  const steps = fc.array(fc.oneof(go, fc.constantFrom('back' as const, 'forward' as const)), { maxLength: 20 });
  forRuns(30, steps, between(-10, 10), (list, step) => {
    const { camera, run } = createCamera();
    const visits = new Visits(camera);
    const model = { places: ['0 100'], at: 0 };
    for (const each of list) {
      if (typeof each === 'string') {
        const to = model.at + (each === 'back' ? -1 : 1);
        const may = to >= 0 && to < model.places.length;
        expect(each === 'back' ? visits.canGoBack : visits.canGoForward).toBe(may);
        expect(visits[each]() !== null).toBe(may);
        if (may) model.at = to;
        run(6);
      } else {
        const place = { x: each.x * 500, span: 100 * 2 ** each.zoom };
        camera.place(place);
        run(1);
        // Less than half a span to and fro.
        camera.place({ x: place.x + step });
        run(1);
        camera.place(place);
        run(1);
        const name = `${String(place.x)} ${String(place.span)}`;
        if (model.places[model.at] !== name) model.places.splice(++model.at, Infinity, name);
      }
      const { places: found, at } = visits.toJSON();
      expect([found.map(({ x, span }) => `${x.toFixed(0).replace('-0', '0')} ${span.toFixed(0)}`), at]).toEqual([
        model.places,
        model.at,
      ]);
    }
    const again = new Visits(camera, JSON.parse(JSON.stringify(visits)) as ReturnType<Visits['toJSON']>);
    expect(again.toJSON()).toEqual(visits.toJSON());
    visits.end();
  });
});

test('a visit is where the camera rested, drawn or not: one long frame in mid-journey is none', () => {
  forAll(between(0.1, 3.9), between(0.5, 3), fc.boolean(), (before, long, draws) => {
    const { camera, run } = createCamera();
    const visits = new Visits(camera);
    run(1);
    camera.place({ x: 900 });
    // With frames on demand, the next one is the first of the journey.
    run(draws ? 2 : 0.02);
    void travel(camera, { x: 9000 }, { minSeconds: 4, maxSeconds: 4 });
    if (!draws) run(2, 2000);
    run(before);
    run(long, long * 1000);
    run(6);
    expect(visits.toJSON().places.map(({ x }) => Math.round(x))).toEqual([0, 900, 9000]);
  });
});

test('back and forward lead to and fro, however soon after an arrival they are pressed', () => {
  for (let wait = 0; wait < 1000; wait += 20) {
    const { camera, run } = createCamera();
    const visits = new Visits(camera);
    run(1);
    camera.place({ x: 500 });
    run(wait / 1000);
    void visits.back();
    run(6);
    expect(camera.shown.x).toBeCloseTo(0, 6);
    expect(visits.forward()).not.toBeNull();
    run(6);
    expect(camera.shown.x).toBeCloseTo(500, 6);
  }
});
