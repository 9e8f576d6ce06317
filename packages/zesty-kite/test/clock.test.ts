/** Time: late and early signals, clocks that disagree, stalls, waking and settling. */
import { test } from '@jest/globals';
import { expect } from './expect.ts';
import { Camera, type StampedSignal } from '../src/index.ts';
import { record } from '../src/session/index.ts';
import { forRuns } from './law.ts';
import { between, bitsOf, steady } from './steering.ts';

const screen = { width: 1280, height: 800 };
const KEY = { kind: 'key', code: 'KeyD', down: true } as const;

function recorded(settings = {}): { camera: Camera; heard: StampedSignal[] } {
  const camera = new Camera(settings, { screen });
  const heard: StampedSignal[] = [];
  record(camera, (line) => heard.push(JSON.parse(line) as StampedSignal));
  heard.length = 0;
  return { camera, heard };
}

test('a session counts from its first frame, in whole microseconds; what came before takes effect then', () => {
  const { camera, heard } = recorded();
  camera.signal({ ...KEY, time: 4000 });
  camera.advance(5000.25);
  camera.signal({ ...KEY, down: false, time: 5100.6254 });
  camera.advance(5200);
  expect(heard).toEqual([
    { at: 0, ...KEY },
    { at: 100_375, ...KEY, down: false },
  ]);
});

test('a signal between the kept state and the last frame takes effect at its own time, an older one at once', () => {
  const { camera, heard } = recorded();
  camera.advance(0);
  camera.signal({ ...KEY, time: 1 });
  camera.advance(101); // kept: 24 steps of the grid, 100 ms
  camera.signal({ ...KEY, down: false, time: 100.5 });
  camera.signal({ kind: 'release', time: 20 });
  camera.advance(120);
  expect(heard.map(({ at }) => at)).toEqual([1000, 100_000, 100_500]);
});

test('a signal later than the frame waits for its time; equal times keep their order', () => {
  const { camera, heard } = recorded();
  camera.advance(0);
  camera.signal({ kind: 'wheel', x: 0, y: 0, notches: -1, time: 30 });
  camera.signal({ ...KEY, time: 20 });
  camera.signal({ kind: 'wheel', x: 1, y: 0, notches: -1, time: 30 });
  camera.advance(16);
  expect(heard).toEqual([]);
  expect(camera.settled).toBe(false);
  camera.advance(30);
  expect(heard.map(({ at, kind }) => [at, kind])).toEqual([
    [20_000, 'key'],
    [30_000, 'wheel'],
    [30_000, 'wheel'],
  ]);
  expect(heard[2]).toMatchObject({ x: 1 });
});

test('a signal from a clock that is over an hour ahead is not waited for', () => {
  const { camera, heard } = recorded();
  camera.advance(0);
  camera.signal({ ...KEY, time: 1.7e12 });
  camera.advance(16);
  expect(heard).toEqual([{ at: 16_000, ...KEY }]);
});

test('a frame time that is no number, or goes back, shows the last frame again', () => {
  const camera = new Camera({}, { screen });
  camera.signal({ ...KEY, time: 0 });
  camera.advance(0);
  camera.advance(500);
  const still = bitsOf(camera);
  for (const time of [NaN, 400, -Infinity, 500]) {
    camera.advance(time);
    expect(bitsOf(camera)).toBe(still);
  }
});

test('what is held stands still through a gap, what eases goes on, and the key goes on after it', () => {
  const pan = { startHalfLife: 0, stopHalfLife: 0.1 };
  const camera = new Camera({ pan, zoom: { halfLife: 0.2 } }, { screen });
  camera.signal({ ...KEY, time: 0 });
  camera.signal({ kind: 'wheel', x: 640, y: 400, notches: 3, time: 990 });
  camera.signal({ kind: 'gap', phase: 'begin', time: 1000 });
  camera.signal({ kind: 'gap', phase: 'end', time: 9000 });
  camera.advance(0);
  const before = camera.advance(1000).x;
  const after = camera.advance(9000);
  // It ran out as if the key had gone up: speed · half-life / ln 2.
  expect(after.x).toBeGreaterThan(before);
  expect(after.span).toBeCloseTo(100 / 1.1 ** 3, 6);
  const { x } = after;
  expect(camera.advance(9100).x).toBeCloseTo(x + (100 / 1.1 ** 3) * 0.1, 4);
});

test('G8: a key that went up comes to rest at one frame a second too, and one that is held moves the camera', () => {
  forRuns(30, between(0.5, 4), between(0, 0.4), (rate, stopHalfLife) => {
    const camera = new Camera({ pan: { stopHalfLife } }, { screen });
    camera.signal({ ...KEY, time: 0 });
    let last: number | null = null;
    // As `listen` does it.
    camera.poll((time) => {
      if (last !== null && time - last > 250 && !camera.settled) {
        camera.signal({ kind: 'gap', phase: 'begin', time: last + 250 });
        camera.signal({ kind: 'gap', phase: 'end', time });
      }
      last = time;
    });
    for (let i = 0; i < 8; i++) camera.advance((i * 1000) / rate);
    expect(camera.view.x).toBeGreaterThan(100 * 7 * 0.1);
    const up = (8 * 1000) / rate;
    camera.signal({ ...KEY, down: false, time: up });
    for (let i = 8; i < 8 + 20 * rate; i++) camera.advance((i * 1000) / rate);
    expect(camera.settled).toBe(true);
  });
});

test('a leap of more than ten seconds with a key held counts as a gap, and the record says so', () => {
  const { camera, heard } = recorded();
  camera.signal({ ...KEY, time: 0 });
  camera.advance(0);
  camera.advance(2000);
  const before = camera.view.x;
  camera.advance(1e15);
  expect(camera.view.x).toBeGreaterThan(before);
  expect(camera.view.x).toBeLessThan(before + 50);
  expect(heard.map(({ kind }) => kind)).toEqual(['key', 'gap', 'gap']);
});

test('wake is called once for what comes in while settled; settled waits for a frame to be drawn', () => {
  let woken = 0;
  const camera = new Camera({}, { screen, wake: () => void (woken += 1) });
  expect(camera.settled).toBe(false);
  camera.advance(0);
  expect(camera.settled).toBe(true);
  expect(camera.signal({ ...KEY, code: 'KeyX' })).toBe(false);
  expect(woken).toBe(0);
  camera.signal({ ...KEY, time: 10 });
  camera.signal({ ...KEY, down: false, time: 12 });
  expect(woken).toBe(1);
  for (const time of steady(60, 3)) camera.advance(time);
  expect(camera.settled).toBe(true);
  camera.place({ x: 5 });
  expect([woken, camera.settled]).toEqual([2, false]);
  expect(camera.advance(4000).x).toBe(5);
  expect(camera.settled).toBe(true);
});

test('polls are asked at every frame, before its signals, until they are ended', () => {
  const camera = new Camera({}, { screen });
  const end = camera.poll((time) => void camera.signal({ kind: 'place', x: time, time }));
  expect(camera.advance(7).x).toBe(7);
  expect(camera.advance(9).x).toBe(9);
  end();
  expect(camera.advance(11).x).toBe(9);
});

test('a signal of no known form is refused with its path, what was found and what would do', () => {
  const camera = new Camera();
  const refused = (signal: unknown): string => {
    try {
      camera.signal(signal as StampedSignal);
    } catch (error) {
      return (error as Error).message;
    }
    return 'taken';
  };
  expect(refused({ kind: 'whel' })).toMatch(/signal\.kind: expected one of "screen", .*, got "whel"/);
  expect(refused({ kind: 'key', code: 5, down: true })).toContain(
    'signal.code: expected a UI Events code, such as "KeyW", got 5',
  );
  expect(refused({ kind: 'key', code: 'KeyA' })).toContain('signal.down: expected true or false, got nothing');
  expect(refused({ kind: 'wheel', x: 1, y: '2', notches: -1 })).toContain('signal.y: expected a number, got "2"');
  expect(refused({ kind: 'gap', phase: 'middle' })).toMatch(/signal\.phase: expected .*, got "middle"/);
  expect(refused({ kind: 'place', span: 'big' })).toMatch(/signal\.span: expected .*, got "big"/);
  expect(refused({ kind: 'change', settings: 3 })).toMatch(/signal\.settings: expected .*, got 3/);
});
