/** Abilities that move the camera by themselves: the one that the page "Add an ability" walks through, and kept state. */
import { readFileSync } from 'node:fs';
import { expect, test } from '@jest/globals';
import fc from 'fast-check';
import { Camera, type Signal } from '../src/index.ts';
import { Motion } from '../src/motion/index.ts';
import { record, SessionReader } from '../src/session/index.ts';
import { drift, driftAlong } from './drift.ts';
import { forAll, forRuns } from './law.ts';
import { playAgain } from './sessions.ts';
import { between, bitsOf } from './steering.ts';

const screen = { width: 800, height: 600 };
const settings = { start: { x: 0, y: 0, span: 100 }, zoom: { minSpan: 1, maxSpan: 1e4 } };

test('the page "Add an ability" shows the very file that these tests run', () => {
  const file = readFileSync(new URL('drift.ts', import.meta.url), 'utf8');
  const page = readFileSync(new URL('../../../docs/add-an-ability.md', import.meta.url), 'utf8');
  expect(page).toContain(`\`\`\`ts\n${file}\`\`\``);
});

test('a drift goes as fast as it says at every frame rate, and whatever steers ends it', () => {
  const steering: Signal[] = [
    { kind: 'wheel', x: 400, y: 300, notches: 1 },
    { kind: 'turn', degrees: 5 },
    { kind: 'home' },
    { kind: 'hold', id: 1, x: 400, y: 300 },
  ];
  forAll(between(0.1, 1), between(-1, 1), fc.constantFrom(...steering), between(5, 200), (east, south, end, frame) => {
    const camera = new Camera(settings, { screen });
    camera.advance(0);
    driftAlong(camera, east, south);
    for (let time = frame; time < 2000; time += frame) camera.advance(time);
    const { x, y } = camera.advance(2000);
    // It begins a step of the grid before the first frame after the call.
    const seconds = 2 - Math.max(0, frame - 16.667) / 1000;
    expect([x, y]).toEqual([expect.closeTo(100 * seconds * east, 3), expect.closeTo(100 * seconds * south, 3)]);
    expect(camera.settled).toBe(false);
    camera.place({ span: 50 });
    camera.advance(2000);
    expect(camera.advance(4000).x - x).toBeCloseTo(100 * east, 6);
    camera.signal(end);
    camera.advance(4000);
    expect([camera.advance(20_000).x < x + 200, camera.settled]).toEqual([true, true]);
  });
});

test('a session names the abilities that it needs, replays them to the bit, and is refused without them', () => {
  forRuns(20, between(-1, 1), between(-1, 1), (east, south) => {
    const camera = new Camera(settings, { screen });
    camera.learn(drift);
    const recording = record(camera);
    for (let time = 0; time < 3000; time += 17) {
      if (time === 510) driftAlong(camera, east, south);
      if (time === 1700) camera.signal({ kind: 'key', code: 'KeyW', down: true, time });
      if (time === 1870) camera.signal({ kind: 'release', time });
      camera.advance(time);
    }
    camera.advance(60_000);
    const reader = new SessionReader([drift]);
    const signals = reader.push(recording.text());
    const { header } = reader.end();
    expect(header.movers).toEqual(['drift']);
    const replay = playAgain({ header, signals }, { movers: [drift], rate: 37 });
    replay.camera.advance(60_000);
    expect(bitsOf(replay.camera)).toBe(bitsOf(camera));
    expect(() => new SessionReader().push(recording.text())).toThrow(
      'line 1: movers: found "drift"; wanted abilities that this reader was given',
    );
  });
});

test('learning twice changes nothing; another ability of the same name, or with a known kind of signal, is refused', () => {
  const camera = new Camera(settings, { screen });
  camera.learn(drift);
  camera.learn(drift);
  expect(() => {
    camera.learn({ ...drift });
  }).toThrow('mover: found another "drift"; wanted a name of its own');
  expect(() => {
    camera.learn({ ...drift, name: 'other', signals: { turn: {} } });
  }).toThrow('mover: found another "turn"; wanted a name of its own');
  expect(() => new Camera().signal({ kind: 'drift' } as unknown as Signal)).toThrow('signal.kind: found "drift"');
});

test('a copy of motion has all that is kept', () => {
  const values = fc.infiniteStream(between(-9, 9));
  forRuns(20, values, (stream) => {
    const motion = new Motion();
    const fields = Object.keys(motion).filter((name) => name !== 'states' && name !== 'offset') as (keyof Motion)[];
    for (const name of fields) {
      const value = typeof motion[name] === 'boolean' ? !motion[name] : Number(stream.next().value);
      Object.assign(motion, { [name]: value });
    }
    const pose = { x: 1, y: 2, focusHeight: 3, span: 4, heading: 5, pitch: 6, fieldOfView: 7 };
    motion.offset.between(pose, { ...pose, x: Number(stream.next().value), span: 9, pitch: 45 });
    const copy = new Motion();
    copy.copyFrom(motion);
    expect(copy).toEqual(motion);
  });
});
