/** Abilities that move the camera by themselves: the one that the page "Add an ability" walks through, and kept state. */
import { readFileSync } from 'node:fs';
import { expect, test } from '@jest/globals';
import fc from 'fast-check';
import { Camera, type Signal } from '../src/index.ts';
import { follows } from '../src/direct/follows.ts';
import { plays } from '../src/direct/plays.ts';
import { travels } from '../src/direct/travels.ts';
import { MOVERS } from '../src/movers/index.ts';
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

interface Part {
  copyFrom(other: unknown): void;
}

function isPart(value: unknown): value is Part {
  return typeof value === 'object' && value !== null && 'copyFrom' in value;
}

/** All that a part keeps, parts of parts too: where it is, and a value that it does not have. Callbacks are not copied. */
function fieldsOf(part: Part, path = ''): { path: string; owner: Part; name: string }[] {
  return Object.entries(part).flatMap(([name, value]) => {
    if (isPart(value)) return fieldsOf(value, `${path}${name}.`);
    const isPlain = value === null || typeof value !== 'object' || value instanceof Float64Array;
    return isPlain ? [{ path: `${path}${name}`, owner: part, name }] : [];
  });
}

/** Call counters are of the kept part alone: no frame asks for them. */
const KEPT_ONLY = ['last'];

test('a copy of a part has all that it keeps: of motion, and of every mover', () => {
  const movers = [...MOVERS, follows, plays, travels];
  const parts: [string, () => Part][] = [
    ['motion', (): Part => new Camera(settings, { screen }).timeline.createMotion()],
    ...movers.map((mover): [string, () => Part] => [mover.name, () => mover.keep()]),
  ];
  let copied = 0;
  for (const [name, make] of parts) {
    const part = make();
    const fields = fieldsOf(part).filter((field) => !KEPT_ONLY.includes(field.name));
    // One by one, so that no field hides another.
    fields.forEach(({ path, owner, name: field }, i) => {
      const value: unknown = Reflect.get(owner, field);
      Reflect.set(owner, field, typeof value === 'boolean' ? !value : 1000 + i);
      const copy = make();
      copy.copyFrom(part);
      const there = fieldsOf(copy).find((other) => other.path === path);
      expect([name, path, there && Reflect.get(there.owner, there.name)]).toEqual([
        name,
        path,
        Reflect.get(owner, field),
      ]);
      copied += 1;
    });
  }
  expect(copied).toBeGreaterThan(100);
  const { timeline } = new Camera(settings, { screen });
  const [motion, copy] = [timeline.createMotion(), timeline.createMotion()];
  motion.isMoved = true;
  motion.states.forEach((state) => Object.assign(state, { x: 7 }));
  copy.copyFrom(motion);
  expect(copy.states.filter((state) => 'x' in state && state.x === 7)).toHaveLength(2);
});
