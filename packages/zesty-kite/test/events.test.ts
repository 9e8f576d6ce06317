/** What a camera tells of: who steers, what has ended and why, rest, limits. */
import { test } from '@jest/globals';
import { expect } from './expect.ts';
import './patience.ts';
import { when, type CameraEvents, type EventName } from '../src/events/index.ts';
import type { Pose, Settings, Spot } from '../src/index.ts';
import { forAll, forHalf } from './law.ts';
import { Camera } from './shapes.ts';
import { bitsOf, drive, hands, pixelsBetween, settingsWith, steady, steeringBy, type Steering } from './steering.ts';

const NAMES = ['steer', 'end', 'arrive', 'rest', 'limit'] as const;

function tellAll(camera: Camera): string[] {
  const told: string[] = [];
  const tell =
    (name: EventName) =>
    ({ time, ...rest }: CameraEvents[EventName]): void =>
      void told.push(`${time.toFixed(3)} ${name} ${Object.values(rest).join(' ')}`.trim());
  for (const name of NAMES) when(camera, name, tell(name));
  return told;
}

/** A camera, what it tells without the times, and frames up to a time, milliseconds. */
function watched(settings: Settings): { camera: Camera; told: () => string[]; play: (to: number) => void } {
  const camera = new Camera(settings, { screen: { width: 800, height: 600 } });
  const told = tellAll(camera);
  let now = 0;
  camera.advance(now);
  return {
    camera,
    told: () =>
      told
        .splice(0)
        .map((line) => line.replace(/^\S+ /, ''))
        .filter((line) => line !== 'arrive'),
    play: (to) => {
      for (; now < to; now += 1000 / 60) camera.advance(now);
    },
  };
}

test('frames of every rate tell the same at the same times, and telling changes no bit', () => {
  forHalf(steeringBy(hands.everything, settingsWith(true)), (steering: Steering) => {
    const played = (rate: number, isWatched = true): { told: string[]; bits: string } => {
      let told: string[] = [];
      const camera = drive(steering, steady(rate, 4), (driven, time) => {
        if (time === 0 && isWatched) told = tellAll(driven);
      });
      return { told, bits: bitsOf(camera) };
    };
    const reference = played(60);
    for (const rate of [7, 30, 144]) expect(played(rate).told).toEqual(reference.told);
    expect(played(60, false).bits).toBe(reference.bits);
  });
});

test('a wheel notch: the player steers, its zoom ends by arriving, and the camera rests; in the frame that shows it', () => {
  const { camera, told, play } = watched({ start: { span: 300 } });
  camera.signal({ kind: 'wheel', x: 400, y: 300, notches: 1, time: 100 });
  camera.signal({ kind: 'wheel', x: 400, y: 300, notches: 1, time: 150 });
  play(90);
  expect(told()).toEqual([]);
  play(120);
  expect(told()).toEqual(['steer wheel']);
  play(4000);
  expect(camera.settled).toBe(true);
  expect(told()).toEqual(['end zoom arrival', 'rest']);
});

test('what ended says why: a signal that came, a limit, or that it has arrived', () => {
  const { camera, told, play } = watched({ start: { x: 500, span: 300 }, bindings: { turnRight: ['KeyE'] } });
  camera.place({ x: 0 });
  camera.home();
  play(50);
  camera.signal({ kind: 'wheel', x: 0, y: 0, notches: -1, time: 60 });
  play(70);
  expect(told()).toEqual(['end tilt arrival', 'steer wheel', 'end home wheel']);
  camera.turn(90);
  camera.pan({ x: 300, y: 0 });
  camera.signal({ kind: 'key', code: 'KeyD', down: true, time: 100 });
  play(200);
  expect(told()).toEqual(['steer key', 'end pan key']);
  camera.place({ heading: 10 });
  camera.signal({ kind: 'key', code: 'KeyD', down: false, time: 300 });
  play(4000);
  expect(told()).toEqual(['end turn place', 'end zoom arrival', 'rest']);
  // A fling that a wall stops, and one that is caught.
  const walled = watched({ start: { x: -99, span: 300 }, bounds: { left: -300, top: -300, right: 300, bottom: 300 } });
  const fling = (at: number): void => {
    walled.camera.signal({ kind: 'press', id: 1, input: 'Touch', x: 600, y: 300, time: at });
    for (let i = 1; i <= 8; i++)
      walled.camera.signal({ kind: 'move', id: 1, x: 600 - 40 * i, y: 300, time: at + 10 * i });
    walled.camera.signal({ kind: 'lift', id: 1, time: at + 85 });
  };
  fling(100);
  walled.play(3000);
  expect(walled.told()).toEqual(['steer move', 'limit bounds true', 'end glide limit', 'rest']);
  walled.camera.place({ x: -99 });
  fling(3100);
  walled.play(3190);
  walled.camera.signal({ kind: 'press', id: 1, input: 'Touch', x: 600, y: 300, time: 3200 });
  walled.camera.signal({ kind: 'move', id: 1, x: 580, y: 300, time: 3210 });
  walled.play(3300);
  expect(walled.told()).toEqual(['limit bounds false', 'steer move', 'end glide press']);
});

test('each limit is met once and left once, however long something pushes against it', () => {
  const settings: Settings = {
    start: { span: 300, heading: 0, pitch: 60 },
    zoom: { minSpan: 100, maxSpan: 400 },
    turn: { min: -90, max: 90 },
    pitch: { degrees: 60, min: 40, max: 80 },
    bounds: { left: -400, top: -400, right: 400, bottom: 400, keep: 'focus' },
    bindings: { turnRight: ['KeyE'], turnLeft: ['KeyQ'], tiltUp: ['KeyF'], tiltDown: ['KeyR'] },
  };
  const { camera, told, play } = watched(settings);
  let now = 0;
  const hold = (code: string, milliseconds: number): string[] => {
    camera.signal({ kind: 'key', code, down: true, time: now + 100 });
    camera.signal({ kind: 'key', code, down: false, time: now + 100 + milliseconds });
    now += milliseconds + 4000;
    play(now);
    return told().filter((line) => line.startsWith('limit'));
  };
  for (const [push, back, limit] of [
    ['KeyD', 'KeyA', 'bounds'],
    ['KeyS', 'KeyW', 'bounds'],
    ['Equal', 'Minus', 'zoom'],
    ['KeyE', 'KeyQ', 'turn'],
    ['KeyR', 'KeyF', 'tilt'],
  ] as const) {
    expect(hold(push, 6000)).toEqual([`limit ${limit} true`]);
    expect(hold(push, 500)).toEqual([]);
    expect(hold(back, 300)).toEqual([`limit ${limit} false`]);
  }
});

test('the player begins to steer once until the camera rests, or the program moves it; the program’s own gestures are not the player’s', () => {
  const { camera, told, play } = watched({ start: { span: 300 } });
  const steers = (): string[] => told().filter((line) => line.startsWith('steer'));
  camera.hold(1, 400, 300);
  play(50);
  camera.unhold();
  play(100);
  expect(steers()).toEqual([]);
  for (const time of [200, 300, 400]) camera.signal({ kind: 'wheel', x: 0, y: 0, notches: -1, time });
  play(450);
  expect(steers()).toEqual(['steer wheel']);
  camera.turn(30);
  play(500);
  camera.signal({ kind: 'wheel', x: 0, y: 0, notches: -1, time: 520 });
  play(550);
  expect(steers()).toEqual(['steer wheel']);
});

/** How far a goal is from what shows, in octaves of the span and degrees. */
function off(goal: Pose | undefined, shown: Pose): number {
  if (goal === undefined) return Infinity;
  const { span, pitch, heading, fieldOfView } = shown;
  const turned = Math.abs(goal.pitch - pitch) + Math.abs(goal.heading - heading);
  return turned + Math.abs(Math.log2(goal.span / span)) + Math.abs(goal.fieldOfView - fieldOfView);
}

test('it has arrived when nothing in the safe frame will move by half a pixel any more, and rests later, as its goal says', () => {
  let compared = 0;
  forAll(steeringBy(hands.everything, settingsWith(true)), (steering: Steering) => {
    const letGo = [{ kind: 'release' as const }, { kind: 'gap' as const, phase: 'end' as const }].map((signal) => ({
      ...signal,
      at: 1_500_001,
    }));
    const quiet = { ...steering, signals: [...steering.signals, ...letGo], hilly: false };
    let shown: { readonly time: number; readonly x: number; readonly y: number; readonly ground: Spot }[] = [];
    let [arrived, rested] = [NaN, NaN];
    const goals: Pose[] = [];
    const camera = drive(quiet, steady(60, 12), (driven, time) => {
      if (time === 0) {
        when(driven, 'arrive', ({ time: at }) => (arrived = at));
        when(driven, 'rest', ({ time: at }) => (rested = at));
      }
      const { view } = driven;
      if (time > 1510 && goals.length === 0) goals.push(driven.goal);
      const { middleX, middleY, frameWidth, frameHeight } = view.projection;
      for (const [u, v] of [
        [0, 0],
        [-0.5, 0.5],
        [0.5, 0.5],
        [0, 0.5],
      ] as const) {
        const [x, y] = [middleX + u * frameWidth, middleY + v * frameHeight];
        const ground = view.toGround(x, y);
        if (ground !== null) shown.push({ time, x, y, ground: { ...ground } });
      }
    });
    if (rested > 1510) expect(off(goals[0], camera.shown)).toBeLessThan(1e-5);
    if (!(arrived > 1500)) return;
    // A long turn may not have come to rest by then.
    expect(rested > 1500 && rested < arrived).toBe(false);
    shown = shown.filter(({ time }) => time >= arrived);
    for (const { x, y, ground } of shown)
      expect(pixelsBetween(camera.view.toScreen(ground.x, ground.y, ground.height), { x, y })).toBeLessThan(0.5);
    compared += shown.length;
  });
  expect(compared).toBeGreaterThan(3000);
  const { camera, play } = watched({ start: { span: 300 } });
  const told: string[] = [];
  when(camera, 'arrive', ({ time }) => told.push(`arrive ${time.toFixed()}`));
  when(camera, 'rest', ({ time }) => told.push(`rest ${time.toFixed()}`));
  camera.signal({ kind: 'wheel', x: 400, y: 300, notches: 4, time: 100 });
  play(5000);
  // Half-lives of 90 ms: half a pixel of some 230 after 9 of them, 1e-7 of a span long after that.
  expect(told.map((line) => line.split(' ')[0])).toEqual(['arrive', 'rest']);
  const [arrived, rested] = told.map((line) => Number(line.split(' ')[1]));
  expect(arrived).toBeGreaterThan(600);
  expect(arrived).toBeLessThan(1100);
  expect(rested).toBeGreaterThan(1700);
});

test('whoever has stopped hears no more; what throws is reported, and the others are told', () => {
  const thrown: unknown[] = [];
  const camera = new Camera({ start: { span: 300 } }, { report: (error) => thrown.push(error) });
  const told: string[] = [];
  when(camera, 'steer', () => {
    throw new Error('no');
  });
  const stop = when(camera, 'steer', () => told.push('first'));
  when(camera, 'steer', () => told.push('second'));
  stop();
  stop();
  camera.signal({ kind: 'wheel', x: 0, y: 0, notches: -1 });
  camera.advance(0);
  expect([told, thrown.map(String)]).toEqual([['second'], ['Error: no']]);
  expect(() => when(camera, 'steered' as 'steer', () => undefined)).toThrow(
    'when.event: expected one of steer, end, arrive, rest, edge, limit, got "steered"',
  );
});
