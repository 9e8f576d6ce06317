/** Abilities that move the camera by themselves: the one that the page "Add an ability" walks through, and kept state. */
import { readFileSync } from 'node:fs';
import { test } from '@jest/globals';
import { expect } from './expect.ts';
import fc from 'fast-check';
import { learn } from '../src/abilities/index.ts';
import { rigOf } from '../src/camera/index.ts';
import { Camera } from '../src/index.ts';
import { follows } from '../src/direct/follows.ts';
import { plays } from '../src/direct/plays.ts';
import { travels } from '../src/direct/travels.ts';
import { MOVERS } from '../src/movers/index.ts';
import { record, SessionReader } from '../src/session/index.ts';
import { circle, circling } from './circling.ts';
import { forAll, forRuns } from './law.ts';
import { playAgain } from './sessions.ts';
import { between, bitsOf } from './steering.ts';

const screen = { width: 800, height: 600 };
const settings = { start: { x: 0, y: 0, span: 100 }, zoom: { minSpan: 1, maxSpan: 1e4 } };

test('the page "Add an ability" shows the very file that these tests run', () => {
  const file = readFileSync(new URL('circling.ts', import.meta.url), 'utf8');
  const page = readFileSync(new URL('../../../docs/add-an-ability.md', import.meta.url), 'utf8');
  const published = file
    .replace('../src/index.ts', 'zesty-kite')
    .replace('../src/abilities/index.ts', 'zesty-kite/abilities');
  expect(page).toContain(`\`\`\`ts\n${published}\`\`\``);
});

test('an ability turns at its rate at every frame rate, waits while somebody steers, and goes on', () => {
  forAll(between(-60, 60), between(0, 2), between(5, 200), (rate, pause, frame) => {
    fc.pre(Math.abs(rate) > 1);
    const camera = new Camera(settings, { screen });
    const at = (from: number, to: number): number => {
      for (let time = from; time < to; time += frame) camera.advance(time);
      return camera.advance(to).heading;
    };
    const turned = (degrees: number): number => ((((degrees + 180) % 360) + 360) % 360) - 180;
    at(0, 1000);
    circle(camera, rate, pause);
    // It begins a step of the grid before the first frame after the call.
    const begun = at(1000, 2000);
    const lag = Math.max(0, frame - 16.667) / 1000;
    expect(Math.abs(begun - rate)).toBeLessThan(Math.abs(rate) * (lag + 0.02));
    expect(camera.settled).toBe(false);
    camera.signal({ kind: 'key', code: 'KeyD', down: true, time: 2000 });
    expect(Math.abs(at(2000, 3000) - begun)).toBeLessThan(Math.abs(rate) * 0.02);
    camera.signal({ kind: 'key', code: 'KeyD', down: false, time: 3000 });
    const waited = at(3000, 3000 + 1000 * pause);
    expect(Math.abs(waited - begun)).toBeLessThan(Math.abs(rate) * 0.04);
    expect(turned(at(3000 + 1000 * pause, 4000 + 1000 * pause) - waited - rate)).toBeCloseTo(0, -1);
    camera.home();
    expect(turned(at(4000 + 1000 * pause, 30_000))).toBeCloseTo(0, 9);
    expect(camera.settled).toBe(true);
  });
});

test('a session names the abilities that it needs, replays them to the bit, and is refused without them', () => {
  forRuns(20, between(-30, 30), between(0, 1), (rate, pause) => {
    const camera = new Camera(settings, { screen });
    learn(camera, circling);
    const recording = record(camera);
    for (let time = 0; time < 3000; time += 17) {
      if (time === 510) circle(camera, rate, pause);
      if (time === 1700) camera.signal({ kind: 'key', code: 'KeyW', down: true, time });
      if (time === 1870) camera.signal({ kind: 'release', time });
      if (time === 2890) circle(camera, 0);
      camera.advance(time);
    }
    camera.advance(60_000);
    const reader = new SessionReader([circling]);
    const signals = reader.push(recording.text());
    const { header } = reader.end();
    expect(header.movers).toEqual(['circle']);
    const replay = playAgain({ header, signals }, { movers: [circling], rate: 37 });
    replay.camera.advance(60_000);
    expect(bitsOf(replay.camera)).toBe(bitsOf(camera));
    expect(() => new SessionReader().push(recording.text())).toThrow(
      'line 1: movers: expected abilities that are passed to the reader, got "circle"',
    );
  });
});

test('an ability moves, turns, tilts and zooms inside the limits, and its state can be read', () => {
  const bounds = { left: -200, top: -200, right: 200, bottom: 200 };
  const limits = {
    bounds,
    turn: { min: -30, max: 30 },
    pitch: { min: 40, max: 90 },
    zoom: { minSpan: 10, maxSpan: 100 },
  };
  const camera = new Camera([settings, limits], { screen });
  camera.advance(0);
  const pull: typeof circling = {
    ...circling,
    name: 'pull',
    aim: (state, moved, seconds) => {
      state.idle += seconds;
      moved.turnTo(moved.heading + 100 * seconds);
      moved.tiltTo(moved.pitch - 100 * seconds);
      moved.zoomTo(moved.span * 2 ** seconds);
      moved.putAt(moved.x + 300 * seconds, moved.y);
    },
  };
  const pulling = learn(camera, pull);
  pulling.send({ kind: 'circle', rate: 1, pause: 0 });
  for (let time = 0; time < 5000; time += 16) camera.advance(time);
  expect(pulling.state.idle).toBeGreaterThan(4.9);
  expect(camera.shown).toMatchObject({ heading: 30, pitch: 40, span: 100 });
  expect(camera.shown.x).toBeGreaterThan(50);
  expect(camera.boundsExcess).toBe(0);
});

test('learning twice changes nothing; another ability of the same name, or with a known kind of signal, is refused', () => {
  const camera = new Camera(settings, { screen });
  learn(camera, circling);
  learn(camera, circling);
  expect(() => learn(camera, { ...circling })).toThrow('mover.name: expected an unused name, got "circle"');
  learn(camera, { ...travels, name: 'other' });
  expect(() => learn(camera, travels)).toThrow('mover.name: expected an unused name, got "travel"');
  expect(() => learn(new Camera(), circling).send({ kind: 'circle', rate: 1, pause: '2' as never })).toThrow(
    'signal.pause: expected a number, got "2"',
  );
  expect(() => new Camera().signal({ kind: 'circle' } as never)).toThrow(/signal\.kind: expected .*, got "circle"/);
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
  const movers = [...MOVERS, follows, plays, travels, circling];
  const { timeline } = rigOf('test', new Camera(settings, { screen })).stage;
  const parts: [string, () => Part][] = [
    ['motion', (): Part => timeline.createMotion()],
    ...movers.map((mover): [string, () => Part] => [mover.name, () => mover.createState(timeline.createMotion())]),
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
  const [motion, copy] = [timeline.createMotion(), timeline.createMotion()];
  motion.isMoved = true;
  motion.moving.forEach(({ state }) => Object.assign(state, { x: 7 }));
  copy.copyFrom(motion);
  expect(copy.moving.filter(({ state }) => 'x' in state && state.x === 7)).toHaveLength(2);
});
