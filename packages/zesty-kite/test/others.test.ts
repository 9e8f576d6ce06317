/** Others' cameras: what is sent is enough, and what is shown is smooth. */
import { expect, test } from '@jest/globals';
import fc from 'fast-check';
import { aim, Camera, View } from '../src/index.ts';
import { PoseReceiver, PoseSender, type PoseRecord } from '../src/others/index.ts';
import { forAll } from './law.ts';
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
    [null, 'record.at: found nothing'],
    [{ at: 5, pose: [1, 2] }, 'record.pose: found'],
    [{ at: 5, pose: [1, 2, 0, -3, 0, 90, 0] }, 'record.pose[3]: found -3; wanted a span above 0'],
    [{ at: 5, pose: [1, 2, 0, 3, 0, 90, 0], rates: [NaN] }, 'record.rates: found'],
  ];
  for (const [record, message] of bad)
    expect(() => {
      receiver.take(record as PoseRecord, 1);
    }).toThrow(message);
  expect(receiver.at(10)?.x).toBe(5);
});
