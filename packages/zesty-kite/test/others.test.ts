/** Others' cameras: what is sent is enough, and what is shown is smooth. */
import { test } from '@jest/globals';
import { expect } from './expect.ts';
import fc from 'fast-check';
import { aim, View } from '../src/index.ts';
import { PoseReceiver, PoseSender, type PoseRecord } from '../src/others/index.ts';
import { forAll, forRuns } from './law.ts';
import { Camera } from './shapes.ts';
import { between, drive, hands, pixelsBetween, settingsWith, steady, steeringBy } from './steering.ts';

const STEPS = steady(60, 2.5);
const anySteering = steeringBy(
  hands.everything,
  fc.boolean().chain((bounded) => settingsWith(bounded)),
);

test('with what a sender sends, a receiver shows every frame as it was: off by no more pixels than was stated', () =>
  forAll(anySteering, fc.constantFrom(0.1, 0.5, 4), (steering, error) => {
    const receiver = new PoseReceiver({ delay: 0.5 });
    const seen = new View();
    let sender: PoseSender | null = null;
    let lastAt = -Infinity;
    const frames: { at: number; view: View }[] = [];
    drive(steering, STEPS, (camera, time) => {
      sender ??= new PoseSender(
        camera,
        (record) => {
          receiver.take(JSON.parse(JSON.stringify(record)) as PoseRecord, record.at);
          lastAt = record.at;
        },
        { error },
      );
      sender.sample(time);
      frames.push({ at: time, view: aim(new View(), camera.shown, camera.view, camera.view.ground) });
    });
    for (const { at, view } of frames) {
      if (at > lastAt) break;
      const pose = receiver.at(at + 500);
      if (pose === null) throw new Error('nothing to show');
      aim(seen, pose, view, view.ground);
      for (const u of [0, 0.5, 1])
        for (const v of [0, 0.5, 1]) {
          const place = { x: u * view.width, y: v * view.height };
          const ground = view.toLevel(place.x, place.y, view.focusHeight, { x: 0, y: 0 });
          if (ground === null) continue;
          const shows = seen.toScreen(ground.x, ground.y, view.focusHeight);
          expect(pixelsBetween(shows, place)).toBeLessThan(1.05 * error);
        }
    }
  }));

test('whatever the network does to records, the picture does not jump when one comes', () =>
  forAll(
    anySteering,
    fc.array(between(0, 900), { minLength: 1, maxLength: 20 }),
    between(0.05, 0.5),
    (steering, lags, delay) => {
      const records: PoseRecord[] = [];
      let sender: PoseSender | null = null;
      drive(steering, STEPS, (camera, time) => {
        sender ??= new PoseSender(camera, (record) => records.push(record));
        sender.sample(time);
      });
      const arrivals = records
        .map((record, i) => ({ record, now: record.at + (lags[i % lags.length] ?? 0) }))
        .sort((a, b) => a.now - b.now);
      const receiver = new PoseReceiver({ delay });
      for (const { record, now } of arrivals) {
        const before = receiver.at(now);
        receiver.take(record, now);
        const after = receiver.at(now);
        if (before === null || after === null) continue;
        for (const name of ['x', 'y', 'focusHeight', 'heading', 'pitch', 'fieldOfView'] as const)
          expect(after[name]).toBeCloseTo(before[name], 6);
        expect(after.span / before.span).toBeCloseTo(1, 6);
      }
      const last = records.at(-1);
      const rest = receiver.at((last?.at ?? 0) + 20_000);
      // It goes on for a moment as it went, and stops.
      const [x = NaN, , , span = NaN] = last?.pose ?? [];
      expect(Math.abs((rest?.x ?? NaN) - x)).toBeLessThan(0.08 * Math.abs(last?.rates?.[0] ?? 0) + 1e-6 * span);
    },
  ));

test('a camera at rest sends nothing, and sets out at once however long it has rested', () => {
  const records: PoseRecord[] = [];
  const camera = new Camera({ start: { x: 0, y: 0, span: 100 } }, { screen: { width: 800, height: 600 } });
  const sender = new PoseSender(camera, (record) => records.push(record));
  for (const time of [0, 16, 33]) {
    camera.advance(time);
    sender.sample(time);
  }
  expect(records).toEqual([{ at: 0, pose: [0, 0, 0, 100, 0, 90, 0] }]);
  camera.pan({ x: 100, y: 0 });
  camera.advance(10_000);
  sender.sample(10_000);
  expect(records.length).toBeGreaterThan(1);
  expect(records[1]?.at).toBeGreaterThan(9_900);
  expect(records[1]?.pose).toEqual(records[0]?.pose);
});

test('what is no record is refused with its place, and nothing is lost', () => {
  const receiver = new PoseReceiver();
  receiver.take({ at: 0, pose: [5, 0, 0, 100, 0, 90, 0] }, 0);
  const bad: [unknown, string][] = [
    [null, 'record.at: expected milliseconds, got nothing'],
    [{ at: 5, pose: [1, 2] }, 'record.pose: expected'],
    [{ at: 5, pose: [1, 2, 0, -3, 0, 90, 0] }, 'record.pose[3]: expected a span above 0, got -3'],
    [{ at: 5, pose: [1, 2, 0, 3, 0, 90, 0], rates: [NaN] }, 'record.rates: expected'],
  ];
  for (const [record, message] of bad)
    expect(() => {
      receiver.take(record as PoseRecord, 1);
    }).toThrow(message);
  expect(receiver.at(10)?.x).toBe(5);
});

const pose = (x: number): PoseRecord['pose'] => [x, 0, 0, 100, 0, 90, 0];

test('one record of another clock is ignored; two in a row are the sender’s new clock', () => {
  for (const leap of [1e12, -1e12, 1e15, 50_000]) {
    const receiver = new PoseReceiver();
    for (let at = 0; at <= 1000; at += 100) receiver.take({ at, pose: pose(at) }, at);
    receiver.take({ at: leap, pose: pose(-5) }, 1001);
    for (let at = 1100; at <= 3000; at += 100) {
      receiver.take({ at, pose: pose(at) }, at);
      expect(receiver.at(at)?.x).toBeGreaterThan(at - 500);
    }
    // The sender begins anew.
    for (let at = 0; at <= 2000; at += 100) receiver.take({ at: at + leap, pose: pose(at) }, 4000 + at);
    expect(receiver.at(7000)?.x).toBeCloseTo(2000, 3);
  }
});

test('whatever a record says, the pose is finite, and a flood of records of any order is bounded', () => {
  const numbers = fc.tuple(...Array.from({ length: 7 }, () => fc.double({ noNaN: true, min: -1e300, max: 1e300 })));
  forAll(fc.array(fc.tuple(numbers, numbers, fc.double({ noNaN: true })), { minLength: 1, maxLength: 10 }), (list) => {
    const receiver = new PoseReceiver();
    list.forEach(([values, rates, at], i) => {
      try {
        receiver.take(
          { at, pose: values as unknown as PoseRecord['pose'], rates: rates as unknown as PoseRecord['pose'] },
          i * 50,
        );
      } catch (error) {
        expect((error as Error).message).toMatch(/^record\./);
      }
      const shown = receiver.at(i * 50 + 20);
      for (const value of Object.values(shown ?? {})) expect(Number.isFinite(value)).toBe(true);
    });
  });
  const flooded = new PoseReceiver();
  for (let at = 40_000; at > 30_000; at--) flooded.take({ at, pose: pose(at) }, 40_000);
  for (let at = 40_001; at < 50_000; at++) flooded.take({ at, pose: pose(at) }, at);
  expect(flooded.at(60_000)?.x).toBeCloseTo(49_999, 6);
});

test('with a tenth of the records lost the picture is off by no more than without loss, but for two in a row', () => {
  forRuns(8, fc.integer({ min: 1, max: 1e6 }), (seed) => {
    let state = seed;
    const chance = (): number => (state = (state * 1103515245 + 12345) % 2147483648) / 2147483648;
    const camera = new Camera({ start: { x: 0, y: 0, span: 300 } }, { screen: { width: 1280, height: 800 } });
    const receiver = new PoseReceiver({ delay: 0.5 });
    let lostBefore = false;
    const sender = new PoseSender(camera, (record) => {
      const lost = !lostBefore && chance() < 0.1;
      lostBefore = lost;
      if (!lost) receiver.take(JSON.parse(JSON.stringify(record)) as PoseRecord, record.at);
    });
    const truth: number[] = [];
    for (let i = 0; i < 600; i++) {
      const time = (i * 1000) / 60;
      if (i < 540 && chance() < 0.06) camera.pan({ x: 900 * (chance() - 0.5), y: 0 });
      camera.advance(time);
      sender.sample(time);
      truth.push(camera.shown.x);
      const then = truth[i - 30];
      const at = receiver.at(time);
      if (then === undefined || at === null || i < 60) continue;
      expect((Math.abs(at.x - then) / at.span) * 800).toBeLessThan(2);
    }
  });
});

test('at rest the last record is repeated each second that is sampled; one who joins late is sent the present one', () => {
  const records: PoseRecord[] = [];
  const camera = new Camera({ start: { x: 7, y: 0, span: 100 } }, { screen: { width: 800, height: 600 } });
  const sender = new PoseSender(camera, (record) => records.push(record));
  expect(sender.record).toBeNull();
  for (let time = 0; time <= 5000; time += 50) {
    camera.advance(time);
    sender.sample(time);
  }
  expect(records.map(({ at }) => at)).toEqual([0, 1000, 2000, 3000, 4000, 5000]);
  expect(new Set(records.map((record) => record.pose[0]))).toEqual(new Set([7]));
  expect(sender.record).toEqual({ at: 5000, pose: [7, 0, 0, 100, 0, 90, 0] });
});
