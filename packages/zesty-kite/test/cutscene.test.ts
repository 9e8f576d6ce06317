/** Cutscenes, letter-box bars, and effects on what is shown alone. */
import { test } from '@jest/globals';
import { expect } from './expect.ts';
import fc from 'fast-check';
import { Camera, createMatrices, fillMatrices, type FullSettings } from '../src/index.ts';
import {
  DIRECTED,
  Effects,
  letterBox,
  lock,
  play,
  type Cutscene,
  type Passed,
  type Played,
  type PlayOptions,
} from '../src/direct/index.ts';
import { when } from '../src/events/index.ts';
import { record } from '../src/session/index.ts';
import { forAll } from './law.ts';
import { conforms, playAgain, read } from './sessions.ts';
import { between, bitsOf, looks, rollOf } from './steering.ts';

const screen = { width: 800, height: 600 };
const settings = {
  start: { x: 10, y: 20, span: 100, heading: 30 },
  zoom: { minSpan: 5, maxSpan: 2000 },
  pitch: { degrees: 60, min: 30, max: 85 },
  bounds: { left: -2000, top: -2000, right: 2000, bottom: 2000, keep: 'focus' as const },
};

const keyframe = fc.record({
  after: between(0.1, 1),
  x: between(-900, 900),
  y: between(-900, 900),
  span: between(20, 900),
  heading: between(-300, 300),
  pitch: between(30, 85),
  ease: fc.constantFrom('in-out' as const, 'in' as const, 'out' as const, 'none' as const, 'smooth' as const),
});
/** With an event for every keyframe, named after its place. Frames are at whole microseconds, and so are keyframes here. */
const scenes: fc.Arbitrary<Cutscene> = fc
  .tuple(fc.array(keyframe, { minLength: 1, maxLength: 6 }), fc.boolean())
  .map(([list, fromStart]) => {
    let at = fromStart ? -1 : 0;
    return {
      keyframes: list.map(({ after, ...pose }, i) => {
        at = at < 0 ? 0 : Math.round((at + after) * 1e6) / 1e6;
        return { at, ...pose, event: String(i) };
      }),
    };
  });

async function flush(): Promise<void> {
  for (let i = 0; i < 5; i++) await Promise.resolve();
}

test('every keyframe is come to at its time, whole and once, at every frame rate; then the player is free again', async () => {
  const tries: [Cutscene, number][] = fc.sample(fc.tuple(scenes, between(4, 60)), 25);
  for (const [scene, step] of tries) {
    const camera = new Camera(settings, { screen });
    camera.advance(0);
    const passed: Passed[] = [];
    const played = play(camera, scene, { onEvent: (event) => void passed.push(event) });
    expect(camera.settings.locked).toEqual(['pan', 'zoom', 'turn', 'tilt']);
    const length = scene.keyframes.at(-1)?.at ?? 0;
    const times = scene.keyframes.map(({ at }) => at * 1000);
    for (let time = 0; time < length * 1000 + 100; time += step) times.push(time);
    for (const time of times.sort((a, b) => a - b)) {
      camera.advance(time);
      await flush();
      const here = scene.keyframes.find(({ at }) => at * 1000 === time);
      if (here === undefined || here.at === length) continue;
      // A signal without a time takes effect a step of the grid before the frame: at 0.
      const { x, y, span, pitch } = camera.shown;
      const near = 1e-5 * 900;
      expect(Math.abs(x - (here.x ?? NaN))).toBeLessThan(near);
      expect(Math.abs(y - (here.y ?? NaN))).toBeLessThan(near);
      expect(Math.abs(span - Number(here.span))).toBeLessThan(near);
      expect(Math.abs(pitch - (here.pitch ?? NaN))).toBeLessThan(1e-3);
    }
    expect(passed.map(({ event }) => event)).toEqual(scene.keyframes.map((_, i) => String(i)));
    expect(await played.ended).toEqual({ outcome: 'played', by: null });
    camera.advance(length * 1000 + 200);
    expect(camera.settings.locked).toEqual([]);
    const last = scene.keyframes.at(-1);
    expect([camera.shown.x, camera.shown.y]).toEqual([(last?.x ?? NaN) + 0, (last?.y ?? NaN) + 0]);
  }
});

test('what is smooth goes through a keyframe without a stop or a kink', () => {
  const [one, other] = [0.7, 1.6];
  const scene: Cutscene = {
    keyframes: [
      { at: 0, x: 0, y: 0 },
      { at: one, x: 300, y: 100, ease: 'smooth' },
      { at: other, x: 500, y: -200, span: 200, ease: 'smooth' },
      { at: 2, x: 800, y: 0, ease: 'smooth' },
    ],
  };
  const camera = new Camera(settings, { screen });
  camera.advance(0);
  play(camera, scene);
  const step = 1000 / 240;
  const way: number[] = [];
  for (let time = 0; time < 1900; time += step) {
    const before = camera.shown;
    camera.advance(time);
    way.push(Math.hypot(camera.shown.x - before.x, camera.shown.y - before.y));
  }
  // The first frame cuts to the keyframe at 0.
  const most = Math.max(...way.slice(2));
  way.slice(3).forEach((each, i) => expect(Math.abs(each - (way[i + 2] ?? 0))).toBeLessThan(0.08 * most));
  for (const at of [one, other]) expect(way[Math.round((at * 1000) / step)]).toBeGreaterThan(0.2 * most);
});

test('it pauses, goes backward and on, is skipped, and plays again to the bit from a session', async () => {
  const cues = fc.array(
    fc.tuple(
      fc.constantFrom('pause' as const, 'forward' as const, 'backward' as const, 'skip' as const, 'end' as const),
      between(0.05, 0.8),
    ),
    { maxLength: 6 },
  );
  const tries: [Cutscene, ['pause' | 'forward' | 'backward' | 'skip' | 'end', number][], number][] = fc.sample(
    fc.tuple(scenes, cues, between(5, 30)),
    25,
  );
  for (const [scene, list, step] of tries) {
    const camera = new Camera(settings, { screen });
    camera.advance(0);
    const recording = record(camera);
    camera.advance(0);
    const passed: Passed[] = [];
    const played = play(camera, scene, { onEvent: (event) => void passed.push(event) });
    let time = 0;
    const run = async (seconds: number): Promise<void> => {
      for (const end = time + seconds * 1000; time < end; ) camera.advance((time += step));
      await flush();
    };
    await run(0.2);
    for (const [i, [cue, seconds]] of list.entries()) {
      const before = played.time;
      played[cue]();
      await run(seconds);
      if (cue === 'pause') expect(Math.abs(played.time - before)).toBeLessThan(0.02);
      const hasEnded = list.slice(0, i).some(([each]) => each === 'end');
      if (cue === 'skip' && !hasEnded) expect((await played.ended).outcome).not.toBe('interrupted');
    }
    played.skip();
    await run(1);
    const { outcome } = await played.ended;
    expect(['played', 'skipped', 'rewound', 'interrupted']).toContain(outcome);
    // Whatever happened, each keyframe has been passed as often forward as it takes to be where it is.
    const ways = scene.keyframes.map((_, i) =>
      passed.reduce((sum, { event, backward }) => sum + (event === String(i) ? (backward ? -1 : 1) : 0), 0),
    );
    if (outcome === 'played' || outcome === 'skipped') expect(ways).toEqual(scene.keyframes.map(() => 1));
    recording.stop();
    for (const line of recording.text().trim().split('\n')) expect(conforms(JSON.parse(line))).toBe(true);
    const again = playAgain(read(recording.text()));
    again.camera.advance(time);
    expect(bitsOf(again.camera)).toBe(bitsOf(camera));
  }
});

test('a call interrupts it; with reduced motion it cuts; what is no scene is refused with where', async () => {
  const scene: Cutscene = { keyframes: [{ at: 1, x: 300, span: 50 }] };
  const camera = new Camera({ ...settings, reducedMotion: true }, { screen });
  camera.advance(0);
  const played = play(camera, scene);
  for (let time = 20; time < 500; time += 20) {
    camera.advance(time);
    expect(camera.shown.x).toBe(300);
  }
  camera.turn(10);
  camera.advance(520);
  expect(await played.ended).toEqual({ outcome: 'interrupted', by: 'turn' });
  expect(() => play(camera, { keyframes: [] })).toThrow(/play\.keyframes: expected .*, got /);
  expect(() => play(camera, { keyframes: [{ at: 1 }, { at: 1 }] })).toThrow(
    'play.keyframes[1].at: expected a later time than the one before, got 1',
  );
  expect(() => play(camera, { keyframes: [{ at: 1, ease: 'fast' as 'in' }] })).toThrow('play.keyframes[0].ease');
  expect(() => play(camera, { keyframes: [{ at: 1, y: NaN }] })).toThrow(
    /play\.keyframes\[0\]\.y: expected .*, got NaN/,
  );
});

test('bars come and go with the safe frame and change no scale; panels that come meanwhile stay', () => {
  const camera = new Camera({ ...settings, safeFrame: { top: 20, halfLife: 0.1 } }, { screen });
  camera.advance(0);
  const { scale } = camera.view;
  const bars = letterBox(camera, 0.1);
  let time = 0;
  let last = 0;
  for (; time < 3000; time += 16) {
    camera.advance(time);
    expect(bars.height).toBeGreaterThanOrEqual(last);
    last = bars.height;
    expect(camera.view.scale).toBeCloseTo(scale, 9);
  }
  expect(bars.height).toBeCloseTo(60, 3);
  expect(camera.settings.safeFrame).toMatchObject({ top: 80, bottom: 60 });
  camera.change({ safeFrame: { top: 50 } });
  expect(camera.settings.safeFrame).toMatchObject({ top: 110, bottom: 60 });
  bars.end();
  bars.end();
  expect(camera.settings.safeFrame).toMatchObject({ top: 50, bottom: 0 });
  expect(() => letterBox(camera, 0.6)).toThrow(/letterBox\.share: expected .*, got 0\.6/);
});

const shakes = fc.record({
  pixels: between(0, 40),
  heading: between(0, 3),
  pitch: between(0, 3),
  halfLife: between(0.05, 0.5),
  rate: between(2, 30),
  seed: fc.integer({ min: 0, max: 1e6 }),
});

test('effects move what is drawn alone: no further than they say, never rolling, the same for the same seed, and come to an end', () => {
  forAll(looks, shakes, between(-300, 300), between(5, 30), (look, shake, nudge, step) => {
    const camera = new Camera({ ...settings, ...look }, { screen });
    const plain = new Camera({ ...settings, ...look }, { screen });
    const effects = new Effects(camera);
    const others = new Effects(camera);
    const matrices = createMatrices();
    camera.signal({ kind: 'wheel', x: 100, y: 100, notches: -3 });
    plain.signal({ kind: 'wheel', x: 100, y: 100, notches: -3 });
    effects.shake(shake);
    others.shake(shake);
    for (let time = 0; time < 400; time += step) {
      const drawn = effects.apply(camera.advance(time), time);
      const { view } = camera;
      plain.advance(time);
      expect([bitsOf(camera), camera.settled]).toEqual([bitsOf(plain), plain.settled]);
      // The focus shows no farther from the middle than the shake may push it along both axes of the screen.
      const at = drawn.toScreen(view.x, view.y, view.focusHeight);
      const tilted = view.projection.sinPitch / drawn.projection.sinPitch;
      expect(Math.abs(at.x - view.projection.middleX)).toBeLessThan(1.5 * shake.pixels * (1 + tilted) + 1e-6);
      expect(Math.abs(drawn.heading - view.heading)).toBeLessThanOrEqual(shake.heading);
      expect(Math.abs(drawn.pitch - view.pitch)).toBeLessThanOrEqual(shake.pitch + 1e-9);
      fillMatrices(drawn, matrices);
      expect(rollOf(drawn, matrices)).toBeLessThan(1e-6);
      const ground = drawn.toLevel(300, 500, view.focusHeight, { x: 0, y: 0 });
      if (ground !== null) {
        const back = drawn.toScreen(ground.x, ground.y, view.focusHeight);
        expect(Math.hypot(back.x - 300, back.y - 500)).toBeLessThan(1e-6);
      }
      const twin = others.apply(view, time);
      expect([twin.x, twin.y, twin.heading, twin.pitch]).toEqual([drawn.x, drawn.y, drawn.heading, drawn.pitch]);
    }
    // A nudge pushes at once, and comes back.
    for (let time = 6000; effects.active; time += 16) effects.apply(camera.view, time);
    effects.nudge({ x: nudge, y: 0 });
    const drawn = effects.apply(camera.view, 20_000);
    const at = drawn.toScreen(camera.view.x, camera.view.y, camera.view.focusHeight);
    expect(at.x - camera.view.projection.middleX).toBeCloseTo(nudge, 6);
    expect(effects.apply(camera.view, 30_000)).toBe(camera.view);
    expect(effects.active).toBe(false);
    camera.change({ reducedMotion: true });
    camera.advance(500);
    effects.shake(shake);
    expect([effects.apply(camera.view, 0) === camera.view, effects.active]).toEqual([true, false]);
  });
  expect(() => new Effects(new Camera()).shake({ pixels: NaN })).toThrow(/shake\.pixels: expected .*, got NaN/);
});

/** A camera that plays a scene of two seconds, from x = 0 to x = 200, evenly. */
function even(options: PlayOptions = {}): { camera: Camera; played: Played; at: (time: number) => number } {
  const camera = new Camera({ ...settings, start: { x: 0, y: 0, span: 100 } }, { screen });
  camera.advance(0);
  const played = play(camera, { keyframes: [{ at: 2, x: 200, ease: 'none', event: 'end' }] }, options);
  let now = 0;
  const at = (time: number): number => {
    for (; now < time; now += 10) camera.advance(now);
    return camera.advance(time).x;
  };
  return { camera, played, at };
}

test('a scene seeks a time, plays at a rate, and changes its rate as it goes', () => {
  const { played, at } = even({ rate: 2 });
  expect(at(500)).toBeCloseTo(100, 6);
  played.seek(0.25);
  expect(at(500)).toBeCloseTo(25, 6);
  played.rate = 0.5;
  expect(played.rate).toBe(0.5);
  expect(at(1000)).toBeCloseTo(50, 6);
  played.pause();
  played.seek(1.5);
  expect(at(3000)).toBeCloseTo(150, 6);
  played.backward();
  expect(at(4000)).toBeCloseTo(100, 6);
  for (const bad of [0, -1, NaN, 1e9]) {
    expect(() => {
      played.rate = bad;
    }).toThrow('play.rate');
    expect(() => even({ rate: bad })).toThrow('play.options.rate');
  }
  expect(() => {
    played.seek(-1);
  }).toThrow('play.seek');
});

test('a scene that loops begins again, forward and backward, and passes its keyframes each time', async () => {
  const passed: Passed[] = [];
  const { played, at, camera } = even({ loop: true, onEvent: (event) => void passed.push(event) });
  expect(at(2500)).toBeCloseTo(50, 6);
  expect(at(6500)).toBeCloseTo(50, 6);
  await flush();
  expect(passed).toHaveLength(3);
  played.backward();
  expect(at(7500)).toBeCloseTo(150, 6);
  expect(played.finale).toBeNull();
  expect(camera.settled).toBe(false);
  played.end();
  expect(played.finale).toEqual({ outcome: 'interrupted', by: null });
});

test('a keyframe at a target that moves: the camera is there when the keyframe is, and stays with it', () => {
  const camera = new Camera({ ...settings, start: { x: 0, y: 0, span: 100 } }, { screen });
  camera.advance(0);
  const barge = { x: 0, y: 50 };
  const recording = record(camera);
  const played = play(
    camera,
    {
      keyframes: [
        { at: 1, target: 'barge', span: 60 },
        { at: 2, span: 90 },
        { at: 3, x: 5, y: 6 },
      ],
    },
    { targets: { barge: () => barge } },
  );
  for (let time = 10; time <= 2990; time += 10) {
    barge.x = time / 10;
    camera.advance(time);
    // Kept motion passes the keyframe between two samples.
    if (time === 1000 || time === 1500) expect(Math.abs(camera.shown.x - barge.x)).toBeLessThan(2);
  }
  for (const time of [3020, 3100]) camera.advance(time);
  expect(camera.shown).toMatchObject({ x: 5, y: 6 });
  expect(played.finale?.outcome).toBe('played');
  for (const line of recording.text().trim().split('\n')) expect(conforms(JSON.parse(line))).toBe(true);
  expect(bitsOf(playAgain(read(recording.text())).camera)).toEqual(bitsOf(camera));
  expect(() => play(camera, { keyframes: [{ at: 1, target: 'ship' }] })).toThrow('play.options.targets.ship');
  expect(() => play(camera, { keyframes: [{ at: 1, target: 'ship', x: 1 }] })).toThrow('play.keyframes[0].target');
});

test('the end event and the table of what ends what call a scene the same', () => {
  const { camera, at } = even();
  const ended: string[] = [];
  when(camera, 'end', ({ what }) => void ended.push(what));
  at(3000);
  expect(ended).toEqual([DIRECTED.find(({ label }) => label === 'cutscene')?.name]);
});

test('letter boxes end in any order, keep what the game changes meanwhile, and follow the height of the screen', () => {
  const camera = new Camera({ ...settings, safeFrame: { top: 30, bottom: 10, halfLife: 0 } }, { screen });
  let time = 0;
  const frame = (): Pick<FullSettings['safeFrame'], 'top' | 'bottom'> => {
    camera.advance((time += 16));
    camera.advance((time += 16));
    const { top, bottom } = camera.settings.safeFrame;
    return { top, bottom };
  };
  const [low, high] = [letterBox(camera, 0.1), letterBox(camera, 0.2)];
  expect(frame()).toEqual({ top: 150, bottom: 130 });
  camera.change({ safeFrame: { top: 0, bottom: 5 } });
  expect(frame()).toEqual({ top: 120, bottom: 125 });
  expect(high.height).toBeCloseTo(120, 6);
  camera.signal({ kind: 'screen', width: 800, height: 400 });
  expect(frame()).toEqual({ top: 80, bottom: 85 });
  expect(() => {
    camera.change({ safeFrame: { top: -1 } });
  }).toThrow('safeFrame.top');
  high.end();
  high.end();
  expect(frame()).toEqual({ top: 40, bottom: 45 });
  camera.change({ pan: { speed: 2 } });
  low.end();
  expect(frame()).toEqual({ top: 0, bottom: 5 });
  expect(low.height).toBe(0);
});

test('a change of what is locked drops no lock, and a lock drops no change', () => {
  const camera = new Camera({ ...settings, locked: ['tilt'] }, { screen });
  camera.advance(0);
  const recording = record(camera);
  const unlock = lock(camera, ['zoom']);
  expect(camera.settings.locked).toEqual(['zoom', 'tilt']);
  camera.change({ locked: ['turn'] });
  expect(camera.settings.locked).toEqual(['zoom', 'turn']);
  const other = lock(camera, ['turn', 'zoom']);
  unlock();
  expect(camera.settings.locked).toEqual(['zoom', 'turn']);
  camera.change({ locked: [] });
  camera.advance(16);
  expect(playAgain(read(recording.text())).camera.settings.locked).toEqual(['zoom', 'turn']);
  other();
  expect(camera.settings.locked).toEqual([]);
});
