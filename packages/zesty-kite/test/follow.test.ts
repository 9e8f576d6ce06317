/** Following: the lag that the half-life says, the dead zone, zoom and turn about the target, and how it ends. */
import { test } from '@jest/globals';
import { expect } from './expect.ts';
import fc from 'fast-check';
import { mergeSettings, type Settings } from '../src/index.ts';
import { rigOf } from '../src/camera/index.ts';
import { follow, followGroup, type Followed, type FollowOptions } from '../src/direct/index.ts';
import { record } from '../src/session/index.ts';
import { forAll, forRuns } from './law.ts';
import { conforms, playAgain, read } from './sessions.ts';
import { Camera } from './shapes.ts';
import { between, bitsOf, bounds, hills, screens, settingsWith } from './steering.ts';

const screen = { width: 800, height: 600 };
const flat = { start: { x: 0, y: 0, span: 100 }, zoom: { minSpan: 5, maxSpan: 2000 } };
const tilted = {
  ...flat,
  pitch: { degrees: 50, min: 30, max: 80 },
  lens: { fieldOfView: 35 },
  bindings: { orbit: ['MouseRight'], turnLeft: ['KeyQ'], panLeft: ['KeyA'], tiltUp: ['KeyF'] },
} satisfies Settings;

/** A camera that follows something with a velocity, and where that is at a time. */
function pursuit(settings: Settings, east: number, south: number, options = {}): Pursuit {
  const camera = new Camera(settings, { screen });
  const target = { x: 0, y: 0 };
  camera.advance(0);
  const followed = follow(camera, () => target, options);
  const at = (time: number): void => {
    target.x = (east * time) / 1000;
    target.y = (south * time) / 1000;
    camera.advance(time);
  };
  return { camera, target, followed, at };
}
interface Pursuit {
  readonly camera: Camera;
  readonly target: { x: number; y: number };
  readonly followed: Followed;
  readonly at: (time: number) => void;
}

/** Where the target shows now, and how far that is from a place: CSS pixels. */
function offFrom({ camera, target }: Pursuit, x: number, y: number): number {
  const at = camera.view.toScreen(target.x, target.y);
  return Math.hypot(at.x - x, at.y - y);
}

const speeds = between(-80, 80);

test('a target that moves evenly is followed at the distance that the half-life says, to 1e-6; with a lead at none', () => {
  forAll(
    speeds,
    speeds,
    between(0, 0.4),
    fc.boolean(),
    fc.boolean(),
    between(4, 60),
    (east, south, halfLife, leads, steep, frame) => {
      const lag = halfLife / Math.LN2;
      const { camera, target, at } = pursuit(steep ? tilted : flat, east, south, { halfLife, lead: leads ? lag : 0 });
      for (let time = frame; time < 12_000; time += frame) at(time);
      at(12_000);
      const wanted = leads ? 0 : lag;
      const { x, y, span } = camera.shown;
      // What is off by less than 1e-7 of the span has arrived.
      const offBy = (place: number): number => 1.01e-6 * (1 + Math.abs(place)) + 1e-7 * span;
      expect(Math.abs(target.x - x - east * wanted)).toBeLessThan(offBy(target.x));
      expect(Math.abs(target.y - y - south * wanted)).toBeLessThan(offBy(target.y));
    },
  );
});

test('inside the dead zone nothing moves, and a jitter of half of it changes no bit', () => {
  const zones = fc.oneof(
    fc.record({ width: between(0.05, 0.5), height: between(0.05, 0.5) }),
    fc.record({ diameter: between(0.05, 0.5) }),
  );
  const jitter = fc.array(fc.tuple(between(-1, 1), between(-1, 1)), { minLength: 20, maxLength: 60 });
  forAll(zones, jitter, between(5, 60), (deadZone, steps, frame) => {
    const camera = new Camera(flat, { screen });
    camera.advance(0);
    const followed = follow(camera, { x: 0, y: 0 }, { deadZone });
    for (let time = frame; time < 3000; time += frame) camera.advance(time);
    expect(camera.settled).toBe(true);
    const before = bitsOf(camera);
    const [wide, high] =
      'diameter' in deadZone
        ? [deadZone.diameter / Math.SQRT2, deadZone.diameter / Math.SQRT2]
        : [(deadZone.width * 800) / 600, deadZone.height];
    steps.forEach(([right, down], i) => {
      followed.moveTo({ x: (right * wide * 100) / 4, y: (down * high * 100) / 4 });
      camera.advance(3000 + (i + 1) * frame);
      expect([camera.settled, bitsOf(camera)]).toEqual([true, before]);
    });
  });
});

test('a target that leaves the dead zone is brought back to its edge, and no farther', () => {
  forAll(between(0.1, 0.5), between(0.1, 0.5), between(0, Math.PI * 2), (width, height, way) => {
    const camera = new Camera(flat, { screen });
    camera.advance(0);
    const followed = follow(camera, { x: 0, y: 0 }, { deadZone: { width, height } });
    camera.advance(16);
    const target = { x: 70 * Math.cos(way), y: 70 * Math.sin(way) };
    followed.moveTo(target);
    for (let time = 32; time < 6000; time += 16) camera.advance(time);
    expect(camera.settled).toBe(true);
    const at = camera.view.toScreen(target.x, target.y);
    const [across, down] = [Math.abs(at.x - 400) / (400 * width), Math.abs(at.y - 300) / (300 * height)];
    expect(Math.max(across, down)).toBeCloseTo(1, 4);
  });
});

test('zoom, turn, tilt and orbit go about the target, wherever it shows: it stays there to 1e-3 px', () => {
  const acts = fc.constantFrom('wheel', 'turn', 'key', 'orbit', 'tilt');
  forAll(between(-25, 25), between(-25, 25), acts, between(5, 30), fc.boolean(), (x, y, act, frame, curves) => {
    const look = curves
      ? {
          pitch: {
            degrees: [
              [20, 40],
              [300, 70],
            ] as [number, number][],
            min: 30,
            max: 80,
          },
        }
      : {};
    const camera = new Camera({ ...tilted, ...look }, { screen });
    camera.advance(0);
    follow(camera, { x, y }, { deadZone: { width: 0.9, height: 0.9 } });
    let time = 16;
    camera.advance(time);
    expect(Math.hypot(camera.shown.x, camera.shown.y)).toBeLessThan(1e-9);
    const before = camera.view.toScreen(x, y);
    if (act === 'wheel') camera.signal({ kind: 'wheel', x: 100, y: 500, notches: -3, time });
    if (act === 'turn') camera.turn(50);
    if (act === 'tilt') camera.tilt(15);
    if (act === 'key') camera.signal({ kind: 'key', code: 'KeyQ', down: true, time });
    if (act === 'orbit') camera.signal({ kind: 'press', id: 1, input: 'MouseRight', x: 200, y: 200, time });
    const { span, heading, pitch } = camera.shown;
    for (let i = 0; i < 60; i++) {
      time += frame;
      if (act === 'orbit') camera.signal({ kind: 'move', id: 1, x: 200 + 2 * i, y: 200 + i / 3, time });
      camera.advance(time);
      const at = camera.view.toScreen(x, y);
      expect(Math.hypot(at.x - before.x, at.y - before.y)).toBeLessThan(1e-3);
    }
    const { shown } = camera;
    expect([shown.span, shown.heading, shown.pitch]).not.toEqual([span, heading, pitch]);
  });
});

test('an orbit about a moving target that is caught up with holds it to 1e-3 px', () => {
  forAll(speeds, speeds, between(0.05, 0.3), between(5, 30), (east, south, halfLife, frame) => {
    const pursued = pursuit(tilted, east, south, { halfLife, lead: halfLife / Math.LN2 });
    const { camera, at } = pursued;
    let time = 0;
    for (; time < 12_000; time += frame) at(time);
    expect(offFrom(pursued, 400, 300)).toBeLessThan(1e-3);
    camera.signal({ kind: 'press', id: 1, input: 'MouseRight', x: 200, y: 200, time });
    for (let i = 0; i < 300; i++, time += frame) {
      camera.signal({ kind: 'move', id: 1, x: 200 + i, y: 200 + i / 5, time });
      at(time);
      expect(offFrom(pursued, 400, 300)).toBeLessThan(1e-3);
    }
    expect(camera.shown.heading).not.toBe(0);
  });
});

test('a player who pans shifts where the target shows, and there it stays; or lets go of it, as set', async () => {
  const run = async (onPan: 'offset' | 'end'): Promise<[number, number, string]> => {
    const pursued = pursuit(tilted, 20, 5, { onPan, lead: 0.15 / Math.LN2 });
    const { camera, followed, at } = pursued;
    let outcome = 'on';
    void followed.ended.then((parting) => (outcome = `${parting.outcome} ${String(parting.by)}`));
    let time = 0;
    for (; time < 4000; time += 16) at(time);
    camera.signal({ kind: 'key', code: 'KeyA', down: true, time });
    for (; time < 4400; time += 16) at(time);
    camera.signal({ kind: 'key', code: 'KeyA', down: false, time });
    for (; time < 9000; time += 16) at(time);
    const first = camera.view.toScreen(pursued.target.x, pursued.target.y).x;
    for (; time < 14_000; time += 16) at(time);
    await Promise.resolve();
    return [first, camera.view.toScreen(pursued.target.x, pursued.target.y).x, outcome];
  };
  const [first, last, outcome] = await run('offset');
  expect([last, outcome]).toEqual([expect.closeTo(first, 3), 'on']);
  expect(first).toBeGreaterThan(500);
  const [, gone, ended] = await run('end');
  expect([gone > 1000, ended]).toEqual([true, 'interrupted panKeys']);
});

test('it ends with the target, with a call, with a journey home, and says how', async () => {
  const over = async (act: (pursued: Pursuit) => void): Promise<string> => {
    const pursued = pursuit(flat, 30, 0);
    for (let time = 16; time < 400; time += 16) pursued.at(time);
    act(pursued);
    pursued.at(420);
    const { outcome, by } = await pursued.followed.ended;
    return `${outcome} ${String(by)}`;
  };
  expect(await over(({ followed }) => followed.end())).toBe('ended null');
  expect(await over(({ camera }) => camera.home())).toBe('replaced mover');
  expect(await over(({ camera }) => camera.place({ x: 0 }))).toBe('interrupted placeFocus');
  expect(await over(({ camera }) => void follow(camera, { x: 5, y: 5 }))).toBe('replaced mover');
  const camera = new Camera(flat, { screen });
  let afloat = true;
  camera.advance(0);
  const { ended } = follow(camera, () => (afloat ? { x: 50, y: 0 } : null));
  camera.advance(2000);
  afloat = false;
  camera.advance(2016);
  expect(await ended).toEqual({ outcome: 'lost', by: null });
});

test('bounds keep the view inside while it follows, and it rests there', () => {
  const bounds = { left: -200, top: -200, right: 200, bottom: 200 };
  forAll(speeds, speeds, (east, south) => {
    const pursued = pursuit({ ...flat, bounds, zoom: { minSpan: 5, maxSpan: 200 } }, east, south);
    for (let time = 16; time < 12_000; time += 16) {
      pursued.at(time);
      expect(pursued.camera.boundsExcess).toBeLessThan(1e-6 * 100);
    }
    const { x, y } = pursued.target;
    for (let time = 12_000; time < 20_000; time += 16) {
      Object.assign(pursued.target, { x, y });
      pursued.camera.advance(time);
    }
    const before = bitsOf(pursued.camera);
    pursued.camera.advance(30_000);
    expect(bitsOf(pursued.camera)).toEqual(before);
  });
});

test('a target that crosses from one area to another is in sight again on the other side', () => {
  const near = [
    [0, 0],
    [1000, 0],
    [1000, 1000],
    [0, 1000],
  ];
  forAll(between(5, 300), between(0, 0.4), between(0, 0.4), between(-180, 180), (gap, halfLife, zone, heading) => {
    const beyond = near.map(([x = 0, y = 0]) => [x + 1000 + gap, y]);
    const area = { type: 'MultiPolygon', coordinates: [[near], [beyond]] } as const;
    const settings = { bounds: { area, keep: 'focus' }, start: { x: 900, y: 500, span: 400, heading } } as const;
    const camera = new Camera(settings, { screen });
    const target = { x: 900, y: 500 };
    camera.advance(0);
    follow(camera, () => target, { halfLife, deadZone: { width: zone, height: zone } });
    for (let time = 16; time < 20_000; time += 16) {
      target.x = Math.min(target.x + 2, 1600 + gap);
      camera.advance(time);
    }
    expect(camera.shown.x).toBeGreaterThan(1000 + gap);
    const { x, y } = camera.view.toScreen(target.x, target.y);
    expect(Math.abs(x - screen.width / 2)).toBeLessThan((zone / 2) * screen.width + 1);
    expect(Math.abs(y - screen.height / 2)).toBeLessThan((zone / 2) * screen.height + 1);
  });
});

test('what was followed out of bounds no longer leads the camera once it is let go', () => {
  const edges = { left: 0, top: 0, right: 1000, bottom: 1000 };
  forAll(between(900, 3000), between(0, 0.4), between(1, 4), (x, halfLife, notches) => {
    const settings = { bounds: { ...edges, keep: 'view' }, start: { x: 500, y: 500, span: 300 } } as const;
    const camera = new Camera(settings, { screen });
    camera.advance(0);
    const followed = follow(camera, { x, y: 500 }, { halfLife });
    camera.advance(20_000);
    const shown = camera.shown.x;
    followed.end();
    camera.zoom({ notches });
    camera.advance(30_000);
    expect(camera.shown.x).toBeCloseTo(shown, 6);
  });
});

test('bounds and screens that change on the way are no pan: the target comes to show where it would have', () => {
  let compared = 0;
  // A switch by zoom remembers from where it was come.
  const plainLooks = fc.record({ pitch: fc.record({ degrees: between(30, 90) }) });
  const places = fc.record({ x: between(-3000, 3000), y: between(-3000, 3000) });
  forAll(settingsWith(true, plainLooks), places, bounds, fc.option(screens), (settings, to, others, size) => {
    const followed = (some: Settings): Camera => {
      const camera = new Camera(some, { screen });
      camera.advance(0);
      follow(camera, to, { halfLife: 0.2 });
      for (let time = 16; time < 200; time += 16) camera.advance(time);
      return camera;
    };
    const camera = followed(settings);
    const same = followed(size === null ? mergeSettings(settings, { bounds: others }) : settings);
    if (size === null) camera.change({ bounds: others });
    else {
      camera.signal({ kind: 'screen', ...size, time: 200 });
      for (let time = 200; time < 300; time += 16) camera.advance(time);
      camera.signal({ kind: 'screen', ...screen, time: 300 });
    }
    for (const one of [camera, same]) for (const time of [301, 9000, 180_000]) one.advance(time);
    const off = Math.hypot(camera.shown.x - same.shown.x, camera.shown.y - same.shown.y);
    // A zoom that has eased to what fits in other bounds wants no more than that.
    if (Math.abs(camera.shown.span / same.shown.span - 1) > 1e-9) return;
    expect(off / same.shown.span).toBeLessThan(1e-6);
    compared += 1;
  });
  expect(compared).toBeGreaterThan(15);
});

test('G8: with a target that stands still the camera comes to rest, whatever the bounds, the ground and the look', () => {
  const targets = fc.record({ x: between(-1500, 1500), y: between(-1500, 1500) });
  const zones = fc.record({ width: between(0, 0.6), height: between(0, 0.6) });
  forRuns(
    30,
    settingsWith(true),
    fc.boolean(),
    targets,
    zones,
    between(0, 0.5),
    (settings, hilly, to, deadZone, halfLife) => {
      const camera = new Camera(settings, { screen, terrain: hilly ? hills : null });
      camera.advance(0);
      follow(camera, to, { deadZone, halfLife });
      camera.zoom({ notches: -3 });
      camera.turn(50);
      let frame = 0;
      while (frame < 7200 && (frame < 2 || !camera.settled)) camera.advance((frame++ * 1000) / 60);
      expect(camera.settled).toBe(true);
    },
  );
});

test('a group is kept in sight as it spreads, between the nearest and the farthest zoom, and the zoom does not pump', async () => {
  const ends: string[] = [];
  const members = fc.array(fc.record({ x: between(-60, 60), y: between(-60, 60) }), { minLength: 1, maxLength: 6 });
  forRuns(8, members, between(1.2, 4), fc.boolean(), between(0.01, 0.06), (list, rate, steep, share) => {
    const sway =
      share *
      Math.min(...[list.map(({ x }) => x), list.map(({ y }) => y)].map((all) => Math.max(...all) - Math.min(...all)));
    const camera = new Camera(steep ? tilted : flat, { screen });
    camera.advance(0);
    let spread = 1;
    let time = 0;
    let alive = true;
    const group = () =>
      alive
        ? list.map(({ x, y }, i) => ({
            x: (x + sway * Math.sin((time / 1000) * rate + i)) * spread,
            y: (y + sway * Math.cos((time / 1000) * rate + 2 * i)) * spread,
          }))
        : null;
    const followed = followGroup(camera, group, { nearest: 40, farthest: 900, padding: 20, halfLife: 0.05 });
    const goals: number[] = [];
    const run = (seconds: number): void => {
      goals.length = 0;
      for (const end = time + seconds * 1000; time < end; ) {
        camera.advance((time += 20));
        if (goals.at(-1) !== rigOf('test', camera).stage.timeline.kept.zoom.goal)
          goals.push(rigOf('test', camera).stage.timeline.kept.zoom.goal);
      }
    };
    for (spread of [1, 3, 0.5]) {
      run(6);
      run(8);
      // It sways by far less than it takes to come nearer: once it has been as wide as it gets, the zoom stands.
      expect(goals.length).toBeLessThan(2);
      const { span } = camera.shown;
      expect(span).toBeGreaterThan(39.99);
      expect(span).toBeLessThan(900.01);
      for (const { x, y } of group() ?? []) {
        const at = camera.view.toScreen(x, y);
        expect(Math.min(at.x, 800 - at.x, at.y, 600 - at.y)).toBeGreaterThan(0);
      }
    }
    alive = false;
    run(0.1);
    void followed.ended.then(({ outcome }) => {
      ends.push(outcome);
    });
  });
  await Promise.resolve();
  expect(new Set(ends)).toEqual(new Set(['lost']));
  expect(() => followGroup(new Camera(), () => [{ x: 0, y: 0 }], { nearest: 9, farthest: 3 })).toThrow(
    /followGroup\.options: expected .*, got /,
  );
});

test('nobody of a group that moves is cut off, in any lens', () => {
  let frames = 0;
  let cut = 0;
  const members = fc.array(
    fc.record({ x: between(-40, 40), y: between(-40, 40), east: between(-33, 33), south: between(-33, 33) }),
    {
      minLength: 2,
      maxLength: 6,
    },
  );
  forRuns(
    24,
    members,
    fc.boolean(),
    between(7, 34),
    between(-33, 33),
    between(-33, 33),
    (list, perspective, step, east, south) => {
      const camera = new Camera(perspective ? tilted : flat, { screen });
      camera.advance(0);
      const now = list.map(({ x, y }) => ({ x, y }));
      followGroup(camera, () => now, { padding: 20 });
      for (let time = step; time < 9000; time += step) {
        list.forEach((one, i) => {
          const member = now[i] ?? one;
          // Together, and apart; every two seconds another way.
          const sense = Math.floor(time / 2000) % 2 === 0 ? 1 : -1;
          member.x += ((east + 0.3 * one.east * sense) * step) / 1000;
          member.y += ((south + 0.3 * one.south * sense) * step) / 1000;
        });
        const view = camera.advance(time);
        if (time < 1500) continue;
        frames += 1;
        const off = now.map(({ x, y }) => {
          const at = view.toScreen(x, y);
          return Math.max(-at.x, at.x - 800, -at.y, at.y - 600);
        });
        if (Math.max(...off) > 0) cut += 1;
      }
    },
  );
  expect(frames).toBeGreaterThan(5000);
  expect(cut).toBe(0);
});

test('a session of it plays again to the bit, whether it was being recorded when it began or not', () => {
  forRuns(20, speeds, speeds, fc.boolean(), between(5, 40), (east, south, before, frame) => {
    const camera = new Camera(tilted, { screen });
    const free = new Camera(tilted, { screen });
    camera.advance(0);
    free.advance(0);
    const recording = record(camera);
    camera.advance(0);
    const target = { x: 0, y: 0 };
    const options = { deadZone: before ? { width: 0.3, height: 0.2 } : { diameter: 0.1 } };
    follow(camera, () => target, options);
    follow(free, () => target, options);
    for (let time = frame; time < 3000; time += frame) {
      target.x = (east * time) / 1000 + 30 * Math.sin(time / 400);
      target.y = (south * time) / 1000;
      for (const one of [camera, free]) {
        if (time > 900 && time < 900 + frame + 1) one.signal({ kind: 'wheel', x: 300, y: 300, notches: -2, time });
        one.advance(time);
      }
      expect(bitsOf(free)).toBe(bitsOf(camera));
    }
    for (let time = 3000; time < 9000; time += 50) camera.advance(time);
    recording.stop();
    for (const line of recording.text().trim().split('\n'))
      expect([conforms(JSON.parse(line)), line]).toEqual([true, line]);
    const replay = playAgain(read(recording.text()), { rate: 37 });
    replay.camera.advance(1e6);
    expect(bitsOf(replay.camera)).toBe(bitsOf(camera));
  });
});

/** How much the picture's motion differs from frame to frame while a target goes evenly in ticks, CSS pixels. */
function unevenness(ticks: number, hertz: number, options: FollowOptions, stamped: boolean, phase: number): number {
  const camera = new Camera(flat, { screen });
  camera.advance(0);
  const perSecond = 317 / 6;
  let tick = { x: 0, y: 0, ...(stamped ? { time: 0 } : {}) };
  follow(camera, () => tick, options);
  const moved: number[] = [];
  let last = 0;
  for (let i = 1; i < 4 * hertz; i++) {
    const time = (i * 1000) / hertz;
    // A tick at the time of a frame is before it, whatever rounding says.
    const count = Math.floor(((time - phase) * ticks) / 1000 + 1e-9);
    const at = phase + (count * 1000) / ticks;
    tick = { x: (perSecond * at) / 1000, y: 0, ...(stamped ? { time: at } : {}) };
    const { x } = camera.advance(time);
    if (time > 2000) moved.push((x - last) * camera.view.scale);
    last = x;
  }
  return Math.max(...moved) - Math.min(...moved);
}

test('a target that moves in ticks is followed as evenly as one that does not: within a pixel, by its times or its tick rate', () => {
  const lead = 0.15 / Math.LN2;
  forRuns(
    24,
    fc.constantFrom(20, 30, 60),
    fc.constantFrom(60, 75, 144, 240),
    fc.boolean(),
    between(0, 16),
    (ticks, hertz, stamped, phase) => {
      expect(unevenness(ticks, hertz, stamped ? { lead } : { lead, ticks }, stamped, phase)).toBeLessThan(1);
    },
  );
  // Without either it jerks.
  expect(unevenness(20, 144, { lead }, false, 3)).toBeGreaterThan(10);
});

test('a target in ticks that stops is come to, and one that sets out again is followed', () => {
  const camera = new Camera(flat, { screen });
  camera.advance(0);
  const barge = { x: 0, y: 0 };
  follow(camera, () => barge, { ticks: 20 });
  for (let time = 10; time < 9000; time += 10) {
    if (time % 50 === 0 && (time < 1000 || time > 4000) && time < 5000) barge.x += 3;
    camera.advance(time);
    if (time > 2500 && time < 4000) expect(camera.shown.x).toBeCloseTo(57, 1);
  }
  expect(camera.shown.x).toBeCloseTo(barge.x, 6);
});

test('while a function is followed the camera is not settled: a loop that draws only then goes on seeing the target', () => {
  let woken = 0;
  const camera = new Camera(flat, { screen, wake: () => (woken += 1) });
  camera.advance(0);
  const target = { x: 0, y: 0 };
  const followed = follow(camera, () => target);
  let time = 0;
  const loop = (until: number): void => {
    while (time < until && !camera.settled) camera.advance((time += 16));
  };
  loop(3000);
  expect(time).toBeGreaterThanOrEqual(3000);
  target.x = 40;
  loop(9000);
  expect(camera.shown.x).toBeCloseTo(40, 6);
  followed.end();
  loop(20_000);
  expect(time).toBeLessThan(10_000);
  expect(camera.settled).toBe(true);
  expect(woken).toBeGreaterThan(0);
});

test('moveTo wakes a camera that has settled', () => {
  let woken = 0;
  const camera = new Camera(flat, { screen, wake: () => (woken += 1) });
  camera.advance(0);
  const followed = follow(camera, { x: 5, y: 0 });
  let time = 0;
  while (!camera.settled) camera.advance((time += 16));
  const before = woken;
  followed.moveTo({ x: 60, y: 0 });
  expect(woken).toBe(before + 1);
  for (const end = time + 5000; time < end; time += 16) camera.advance(time);
  expect(camera.shown.x).toBeCloseTo(60, 6);
  expect(camera.settled).toBe(true);
  expect(followed.parting).toBeNull();
});

test('following keeps a heading: a stated one, or that of the target, the short way round', () => {
  const camera = new Camera({ ...tilted, start: { x: 0, y: 0, span: 100, heading: 350 } }, { screen });
  camera.advance(0);
  const target = { x: 0, y: 0, heading: 20 };
  const followed = follow(camera, () => target, { heading: 'target' });
  let time = 0;
  const run = (until: number): void => {
    for (; time < until; time += 16) camera.advance(time);
  };
  run(3000);
  expect(camera.shown.heading).toBeCloseTo(380, 6);
  for (let i = 0; i < 400; i++) {
    target.heading += 1;
    run(time + 16);
  }
  run(time + 3000);
  expect(camera.shown.heading).toBeCloseTo(780, 6);
  // A turn of the player's is undone.
  camera.turn(-50);
  run(time + 3000);
  expect(camera.shown.heading).toBeCloseTo(780, 6);
  followed.end();
  follow(camera, { x: 9, y: 9 }, { heading: 45 });
  run(time + 3000);
  expect(camera.shown.heading).toBeCloseTo(765, 6);
  expect(() => follow(camera, { x: 1, y: 1 }, { heading: NaN })).toThrow('follow.options.heading');
  expect(() => follow(camera, { x: 1, y: 1 }, { ticks: 0 })).toThrow('follow.options.ticks');
});
