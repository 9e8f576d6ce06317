/**
 * Every kind of signal at once, over settings of every kind: G1, G2, G4 to G9 and G11 in every frame
 * and at the end. (G3 needs fingers that are watched one by one, G10 a hand that holds still, G12 a
 * profiler: they have tests of their own.) A thousand signals a case; ZESTY_KITE_RUNS sets twice how many cases.
 */
import { test } from '@jest/globals';
import { expect } from './expect.ts';
import fc from 'fast-check';
import { createMatrices, fillMatrices, type Signal } from '../src/index.ts';
import { record } from '../src/session/index.ts';
import { playAgain, read } from './sessions.ts';
import { Camera } from './shapes.ts';
import {
  awayFromGoal,
  between,
  bitsOf,
  frameShareThere,
  further,
  hands,
  hills,
  layered,
  pixelsBetween,
  rollOf,
  screens,
  settingsWith,
} from './steering.ts';

const SIGNALS = 1000;
const RUNS = fc.readConfigureGlobal().numRuns ?? 32;

const steps = fc.array(fc.tuple(fc.integer({ min: 0, max: 16 }), hands.everything), {
  minLength: SIGNALS,
  maxLength: SIGNALS,
  size: 'max',
});
const settings = fc
  .tuple(
    fc.boolean().chain((bounded) => settingsWith(bounded)),
    further,
  )
  .map(([some, more]) => layered(some, more));

/** Over hills a case takes five times as long. */
const sometimes = fc.constantFrom(true, false, false);

const matrices = createMatrices('y', '-1..1', 'eye');

/** What holds in any one frame; plain comparisons, for there are millions. */
function check(camera: Camera): void {
  const { view, settings: full, spanRange } = camera;
  const says = (holds: boolean, what: string, found: unknown): void => {
    if (!holds) throw new Error(`${what}: got ${JSON.stringify(found)}`);
  };
  const { x, y, focusHeight, span: seen, heading: turned, pitch: down, fieldOfView } = view;
  says(Number.isFinite(x + y + focusHeight + seen + turned + down + fieldOfView), 'G11', bitsOf(camera));
  fillMatrices(view, matrices);
  const roll = rollOf(view, matrices);
  says(roll < 1e-9, 'G1', roll);
  const repeats = full.wrap.x !== null;
  for (const grip of camera.grips) {
    const shown = repeats
      ? view.toScreenFromFocus(grip.x - view.x, grip.y - view.y, grip.height)
      : view.toScreen(grip.x, grip.y, grip.height);
    const off = pixelsBetween(shown, { x: grip.screenX, y: grip.screenY });
    says(grip.limited || off < 1e-3, 'G2', [grip, off]);
  }
  const excess = camera.boundsExcess / view.span;
  says(excess <= (full.bounds?.elastic ?? 0) + 1e-6, 'G4', excess);
  // A panel never changes the scale: limits compare with the span that there would be without one.
  const share = view.projection.frameHeight / view.height;
  const shareThere = frameShareThere(camera);
  for (const which of ['shown', 'goal'] as const) {
    const { span, pitch, heading } = camera[which];
    const isGoal = which === 'goal' && share !== shareThere;
    const widest =
      ((full.zoom.maxSpan as number | null) ?? (isGoal ? Infinity : spanRange.max / share)) *
      (isGoal ? shareThere : share);
    const nearest = isGoal ? (spanRange.min / share) * shareThere * (1 - 1e-12) : spanRange.min;
    says(span >= nearest && span <= Math.max(nearest, widest * (1 + (share === 1 && !isGoal ? 0 : 1e-12))), 'G7', {
      which,
      span,
      ...spanRange,
    });
    says(pitch >= full.pitch.min && pitch <= full.pitch.max, 'G7', { pitch, ...full.pitch });
    const { min, max: greatest } = full.turn;
    says(heading >= (min ?? -Infinity) && heading <= (greatest ?? Infinity), 'G7', { heading, min, greatest });
  }
}

test('G1 to G11: a thousand signals of every kind, over any settings: none is broken, and the session plays again to the same bits', () => {
  fc.assert(
    fc.property(settings, screens, sometimes, steps, between(25, 250), (some, screen, hilly, list, rate) => {
      const terrain = hilly ? hills : null;
      const camera = new Camera(some, { screen, terrain });
      camera.advance(0);
      const recording = record(camera);
      let time = 0;
      let frame = 0;
      for (const [wait, signal] of list) {
        time += wait;
        for (; frame + 16 <= time; frame += 16) {
          camera.advance(frame);
          check(camera);
        }
        camera.signal({ ...signal, time } as Signal);
      }
      camera.advance((time += 16));
      camera.signal({ kind: 'release', time });
      camera.signal({ kind: 'gap', phase: 'end', time });
      camera.advance(time);
      camera.advance(time + 60_000);
      expect(camera.grips).toEqual([]); // G9
      expect(camera.settled).toBe(true); // G8
      expect(awayFromGoal(camera)).toBeLessThan(1e-5);
      const still = bitsOf(camera);
      camera.advance(time + 61_000);
      expect(bitsOf(camera)).toBe(still);
      recording.stop();
      const replay = playAgain(read(recording.text()), { rate, terrain });
      replay.camera.advance(1e7);
      expect(bitsOf(replay.camera)).toBe(still); // G5, G6
    }),
    // A case is a thousand signals and half as many frames, twice: so there are half as many cases.
    { numRuns: Math.ceil(RUNS / 2), interruptAfterTimeLimit: 6000 * RUNS },
  );
});
