/** Two versions of settings: a swap in the middle of a motion moves nothing, and steps go back to the bit. */
import { expect, test } from '@jest/globals';
import fc from 'fast-check';
import { Camera, mergeSettings, tilted, type Settings } from 'zesty-kite';
import { feels } from 'zesty-kite/feels';
import { Tuning } from '../src/tuning/tuning.ts';

const BASE = mergeSettings(tilted(), { bounds: { left: 0, top: 0, right: 1024, bottom: 768 }, start: { span: 300 } });
const versions: fc.Arbitrary<Settings> = fc
  .record({
    feel: fc.constantFrom(...Object.values(feels)),
    near: fc.integer({ min: 25, max: 60 }),
    fieldOfView: fc.constantFrom(30, 40, 55),
    maxSpan: fc.constantFrom(320, 400, 600),
  })
  .map(({ feel, near, fieldOfView, maxSpan }) =>
    mergeSettings(feel, {
      pitch: {
        degrees: [
          [60, near],
          [600, 70],
        ],
      },
      lens: { fieldOfView },
      zoom: { maxSpan },
    }),
  );

test('a swap in the middle of a zoom, a turn and a pan shows the same picture at the same moment', () => {
  let moving = 0;
  fc.assert(
    fc.property(
      versions,
      versions,
      fc.integer({ min: 1, max: 60 }),
      fc.integer({ min: -8, max: 8 }),
      (one, other, frames, notches) => {
        const camera = new Camera([BASE, one], { screen: { width: 800, height: 600 } });
        const tuning = new Tuning(camera, [{}, BASE, one]);
        tuning.swap();
        tuning.replace(other);
        tuning.swap();
        camera.advance(0);
        camera.zoom({ notches });
        camera.turn(90);
        camera.signal({ kind: 'key', code: 'KeyD', down: true, time: 0 });
        for (let frame = 1; frame <= frames; frame += 1) camera.advance(frame * 4);
        const before = camera.shown;
        tuning.swap();
        camera.advance(frames * 4);
        const after = camera.shown;
        if (!camera.settled) moving += 1;
        for (const key of ['x', 'y', 'span', 'heading', 'pitch', 'fieldOfView'] as const)
          expect([key, Math.abs(after[key] - before[key]) / before.span]).toEqual([key, expect.closeTo(0, 6)]);
        expect(camera.settings.zoom.maxSpan).toBe(other.zoom?.maxSpan);
      },
    ),
    { numRuns: 300 },
  );
  expect(moving).toBeGreaterThan(250);
});

test('undo goes back to the bit, a slider on its way is one step, and a value that is refused is none', () => {
  const camera = new Camera([BASE, {}]);
  const tuning = new Tuning(camera, [BASE, {}]);
  const begun = JSON.stringify(camera.settings);
  for (const halfLife of [0.1, 0.2, 0.3]) tuning.set('zoom.halfLife', halfLife, halfLife === 0.3);
  expect(() => {
    tuning.set('zoom.notch', 0);
  }).toThrow('zoom.notch');
  tuning.set('edge', {});
  expect([camera.settings.zoom.halfLife, camera.settings.edge?.unit]).toEqual([0.3, 'share']);
  tuning.go(-1);
  tuning.go(-1);
  tuning.go(-1);
  expect(JSON.stringify(camera.settings)).toBe(begun);
  expect([tuning.canGo(-1), tuning.canGo(1)]).toEqual([false, true]);
});

test('what the camera refuses for reasons of its own changes nothing, not even of a slider on its way', () => {
  let refuses = false;
  const camera = new Camera([BASE, {}]);
  const picky = {
    settings: camera.settings,
    change: (settings: Settings) => {
      if (refuses) throw new Error('not now');
      camera.change(settings);
    },
  };
  const tuning = new Tuning(picky, [BASE, {}]);
  tuning.set('zoom.halfLife', 0.2);
  tuning.go(-1);
  tuning.set('pan.speed', 2, false);
  const before = JSON.stringify([tuning.settings, tuning.canGo(-1), tuning.canGo(1), camera.settings]);
  refuses = true;
  const acts = [
    () => tuning.set('pan.speed', 3, false),
    () => tuning.set('zoom.notch', 1.3),
    () => tuning.cover({ bounds: null }),
    () => tuning.reload({ zoom: { notch: 1.2 } }),
    () => tuning.go(-1),
    () => tuning.swap(),
  ];
  for (const act of acts) {
    expect(act).toThrow('not now');
    expect(JSON.stringify([tuning.settings, tuning.canGo(-1), tuning.canGo(1), camera.settings])).toBe(before);
  }
  expect(tuning.unsaved).toEqual([{ path: 'pan.speed', value: 2 }]);
});
