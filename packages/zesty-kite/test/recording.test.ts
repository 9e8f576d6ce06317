/** A recording changes nothing in the game, whenever it begins, and plays on from there. */
import { test } from '@jest/globals';
import { expect } from './expect.ts';
import fc from 'fast-check';
import { follow, play as playScene, travel } from '../src/direct/index.ts';
import { record, Replay } from '../src/session/index.ts';
import { forAll } from './law.ts';
import { read } from './sessions.ts';
import { Camera } from './shapes.ts';
import { bitsOf, hands, settingsWith, steeringBy } from './steering.ts';

const screen = { width: 1280, height: 800 };
const FRAMES = 150;

/** What a program does in a frame, besides what hands do. */
const CALLS: readonly ((camera: Camera, frame: number) => void)[] = [
  (camera) => void travel(camera, { x: 400, span: 60, heading: 70 }, { maxSeconds: 1 }),
  (camera) => void travel(camera, { y: -300, pitch: 60 }, { way: 'straight', minSeconds: 0.5 }),
  (camera) => void follow(camera, () => ({ x: 100, y: 50 }), { deadZone: { diameter: 0.1 } }),
  (camera, frame) => {
    let steps = frame;
    void follow(camera, () => ({ x: 3 * steps++, y: 20 }));
  },
  (camera) =>
    void playScene(
      camera,
      {
        keyframes: [
          { at: 0.2, x: 10, span: 90, ease: 'smooth' },
          { at: 0.6, target: 'barge', pitch: 50 },
          { at: 1, y: 9 },
        ],
      },
      { targets: { barge: () => ({ x: 30, y: 40 }) }, interruptedBy: ['pan', 'zoom', 'turn', 'tilt'] },
    ),
  (camera) => camera.turn(90),
  (camera) => camera.zoom({ notches: -3 }),
  (camera) => camera.pan({ x: 300, y: -200 }),
  (camera) => camera.home(),
  (camera) => camera.place({ x: 25, span: 130 }),
];

const anySteering = steeringBy(hands.everything, fc.boolean().chain(settingsWith), 40);
const someCalls = fc.array(fc.tuple(fc.nat(FRAMES - 30), fc.nat(CALLS.length - 1)), { maxLength: 4 });

test('a recording that begins in any frame changes no bit of the game, and its replay shows every frame from there on', () => {
  const counts = { moving: 0, held: 0, called: 0, compared: 0, unsized: 0 };
  // Of some the size of the screen is known later only.
  const sized = fc.oneof(fc.constant(0), fc.nat(FRAMES / 2));
  forAll(anySteering, someCalls, fc.nat(FRAMES), fc.boolean(), sized, (steering, calls, begins, early, sizedAt) => {
    const { settings, signals } = steering;
    const lines: string[] = [];
    /** Bits of each frame, with the count of the lines written until then. */
    const [plain, recorded] = [false, true].map((records) => {
      const camera = new Camera(settings, { ...(sizedAt === 0 && { screen }), report: () => undefined });
      const frames = new Map<number, { readonly bits: string; readonly lines: number }>();
      const begin = (frame: number): void => {
        if (!records || frame !== begins) return;
        counts.moving += camera.settled ? 0 : 1;
        counts.held += camera.grips.length > 0 ? 1 : 0;
        counts.unsized += frame < sizedAt && calls.some(([at]) => at < frame) ? 1 : 0;
        counts.called += calls.some(([at]) => at < frame && at > frame - 20) ? 1 : 0;
        record(camera, (line) => lines.push(line));
      };
      for (let frame = 0, next = 0; frame < 4 * FRAMES; frame++) {
        const micros = Math.round((frame * 1e6) / 60);
        if (early) begin(frame);
        if (frame > 0 && frame === sizedAt) camera.signal({ kind: 'screen', ...screen, time: micros / 1000 });
        for (const [at, which] of calls) if (at === frame) CALLS[which]?.(camera, frame);
        // Some signals come before their time.
        for (let signal = signals[next]; signal && signal.at < micros + 20_000; signal = signals[++next])
          camera.signal({ ...signal, time: signal.at / 1000 });
        if (!early) begin(frame);
        camera.advance(micros / 1000);
        frames.set(micros, { bits: bitsOf(camera), lines: lines.length });
      }
      return frames;
    });
    if (plain === undefined || recorded === undefined) throw new Error('no game was played');
    for (const [micros, { bits }] of plain) expect(recorded.get(micros)?.bits).toBe(bits);
    const { header, signals: written } = read(lines.join(''));
    let heard = 1;
    const replay = new Replay(header, {
      report: () => undefined,
      // A signal may take effect at the time of a frame that was shown before.
      frame: (camera, micros) => {
        const frame = recorded.get(micros);
        if (frame?.lines !== heard) return;
        expect(bitsOf(camera)).toBe(frame.bits);
        counts.compared += 1;
      },
    });
    for (const signal of written) {
      replay.push(signal);
      heard += 1;
    }
    replay.end();
  });
  expect(Math.min(...Object.values(counts))).toBeGreaterThan(2);
  expect(counts.compared).toBeGreaterThan(1000);
});
