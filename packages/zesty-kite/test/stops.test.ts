/** Where zooms and headings have stops, the camera rests at one, whatever came. */
import { test } from '@jest/globals';
import { expect } from './expect.ts';
import fc from 'fast-check';
import type { Settings, Signal } from '../src/index.ts';
import { reviewSettings } from '../src/review/index.ts';
import { forAll, forRuns } from './law.ts';
import { Camera } from './shapes.ts';
import { awayFromGoal, between, bounds as anyBounds, hands, hills, screens, settingsWith } from './steering.ts';

const units = fc.constantFrom('span' as const, 'pixels-per-unit' as const, 'device-pixels-per-unit' as const);
const stopLists = fc.array(between(0.05, 12), { minLength: 1, maxLength: 7 });
const headingStops = fc.record({
  step: fc.constantFrom(90, 60, 45, 7.5),
  offset: fc.constantFrom(0, 45, -30),
});

const stopped = fc
  .tuple(settingsWith(false), stopLists, units, fc.option(headingStops), fc.option(anyBounds))
  .map(([some, list, stopUnit, stops, bounds]): Settings => {
    const zoom = { ...some.zoom, stopUnit, stops: list.map((stop) => (stopUnit === 'span' ? stop * 150 : stop)) };
    return { ...some, zoom, turn: { ...some.turn, stops }, bounds };
  });

const density = fc.record({
  kind: fc.constant('screen' as const),
  width: fc.integer({ min: 200, max: 1600 }),
  height: fc.integer({ min: 200, max: 1200 }),
  density: fc.constantFrom(1, 1.25, 2),
});
const otherStops = fc.record({
  kind: fc.constant('change' as const),
  settings: fc.record({ zoom: fc.record({ stops: fc.option(stopLists) }) }),
});

/** The spans of the stops on the present screen. */
function spansOf({ settings: { zoom }, view }: Camera, ratio: number): number[] {
  const { frameHeight, height } = view.projection;
  const pixels = zoom.stopUnit === 'device-pixels-per-unit' ? frameHeight * ratio : frameHeight;
  return (zoom.stops ?? []).map((stop) => (zoom.stopUnit === 'span' ? (stop * frameHeight) / height : pixels / stop));
}

/** Whether the view fits at a span as the camera looks from there, having come to it from either end of the range. */
function fitsFrom({ settings, shown, view: { width, height } }: Camera, span: number): boolean {
  const minSpan = Number(settings.zoom.minSpan ?? 12);
  const maxSpan = Number(settings.zoom.maxSpan ?? 4e4);
  // With a hair of room, so that rounding does not decide.
  const wide = { ...settings.zoom, maxSpan: maxSpan * 1.001, stops: null };
  // Without a farthest zoom, bounds are the farthest.
  const zoom = settings.zoom.maxSpan === null ? { ...settings.zoom, stops: null } : wide;
  const wider = span * (1 + 1e-6);
  const screen = { width, height };
  return [minSpan, maxSpan].every((from) => {
    const free = new Camera({ ...settings, zoom: wide, bounds: null, start: { span: from } }, { screen });
    free.place({ span: shown.span });
    const tilt = shown.pitch - free.advance(0).pitch;
    free.place({ span: wider });
    const { pitch, fieldOfView } = free.advance(0);
    const { min, max } = settings.pitch;
    const there = { min, max, degrees: Math.min(Math.max(pitch + tilt, min), max) };
    const look = {
      ...settings,
      zoom,
      pitch: there,
      lens: fieldOfView > 0 ? { fieldOfView } : {},
      start: { span: wider },
    };
    return new Camera(look, { screen }).shown.span > wider * (1 - 1e-9);
  });
}

test('settled with no finger holding, the span is at a stop that is allowed, or none is; and so is the heading', () => {
  const signals = fc.array(fc.tuple(fc.integer({ min: 0, max: 90 }), fc.oneof(hands.everything, density, otherStops)), {
    maxLength: 40,
  });
  let rested = 0;
  forAll(stopped, screens, fc.boolean(), signals, (settings, screen, hilly, list) => {
    const camera = new Camera(settings, { screen, terrain: hilly ? hills : null });
    camera.advance(0);
    let time = 0;
    let ratio = 1;
    let held = false;
    const check = (): void => {
      if (!camera.settled || held) return;
      rested += 1;
      const { span, heading } = camera.shown;
      const { min, max } = camera.spanRange;
      const allowed = spansOf(camera, ratio).filter((at) => at >= min * (1 - 1e-9) && at <= max * (1 + 1e-9));
      const off = Math.min(...allowed.map((at) => Math.abs(at / span - 1)));
      // A stop at which the view would not fit once it has got there is none.
      if (off > 1e-8 && allowed.some((at) => fitsFrom(camera, at))) expect(off).toBeLessThan(1e-8);
      const { stops, min: low, max: high } = camera.settings.turn;
      if (stops === null) return;
      const steps = (heading - stops.offset) / stops.step;
      const nearest = stops.offset + stops.step * Math.round(steps);
      const isInside = nearest >= (low ?? -Infinity) && nearest <= (high ?? Infinity);
      if (isInside) expect(Math.abs(heading - nearest)).toBeLessThan(1e-6);
    };
    check();
    for (const [wait, signal] of list) {
      time += wait;
      camera.advance(time);
      check();
      camera.signal({ ...signal, time } as Signal);
      // Two fingers may hold nothing, for being too close, and free the span all the same.
      if ('kind' in signal) held = ['press', 'hold'].includes(signal.kind) || (held && signal.kind !== 'release');
      if ('density' in signal && typeof signal.density === 'number') ratio = signal.density;
      else if ('kind' in signal && signal.kind === 'screen' && 'width' in signal && signal.width > 0) ratio = 1;
    }
    camera.signal({ kind: 'release', time });
    held = false;
    camera.signal({ kind: 'gap', phase: 'end', time });
    camera.advance(time);
    camera.advance(time + 60_000);
    expect(camera.settled).toBe(true);
    expect(awayFromGoal(camera)).toBeLessThan(1e-5);
    check();
  });
  expect(rested).toBeGreaterThan(40);
});

const screen = { width: 800, height: 600 };

test('start, place, a resize, a density and a panel are at a stop at once; pixels per unit stay as they are', () =>
  forRuns(
    40,
    between(20, 900),
    between(20, 900),
    fc.integer({ min: 300, max: 1600 }),
    between(0, 200),
    (from, to, height, panel) => {
      const zoom = {
        stops: [0.5, 1, 2, 4, 8],
        stopUnit: 'device-pixels-per-unit' as const,
        minSpan: 10,
        maxSpan: 5000,
      };
      const camera = new Camera({ start: { span: from }, zoom }, { screen });
      const isAtStop = (density: number): boolean => {
        const scale = camera.view.scale * density;
        return zoom.stops.some((stop) => Math.abs(stop / scale - 1) < 1e-9);
      };
      camera.advance(0);
      expect(isAtStop(1)).toBe(true);
      camera.place({ span: to });
      const { scale } = camera.advance(10);
      expect(isAtStop(1)).toBe(true);
      camera.signal({ kind: 'screen', width: 800, height, time: 20 });
      expect(camera.advance(20).scale / scale).toBeCloseTo(1, 9);
      camera.change({ safeFrame: { top: panel } });
      for (let time = 30; time < 2000; time += 10) expect(camera.advance(time).scale / scale).toBeCloseTo(1, 9);
      camera.signal({ kind: 'screen', width: 800, height, density: 1.5, time: 2000 });
      camera.advance(2000);
      expect(isAtStop(1.5)).toBe(true);
    },
  ));

test('a press in a quarter turn lets it go on about the held point; two fingers end it, and their lift goes to a stop', () => {
  const make = (): Camera => {
    const turn = { stops: { step: 90, offset: 45 } };
    const camera = new Camera({ start: { x: 0, y: 0, heading: 45 }, turn, pitch: { degrees: 30 } }, { screen });
    camera.advance(0);
    camera.turn(90);
    for (let time = 0; time < 100; time += 10) camera.advance(time);
    return camera;
  };
  for (const fingers of [1, 2]) {
    const camera = make();
    const { heading } = camera.shown;
    for (let id = 0; id < fingers; id++) camera.hold(id, 200 + id * 300, 250 + id * 60);
    camera.advance(100);
    const [grip] = camera.grips;
    for (let time = 100; time < 3000; time += 10) {
      const view = camera.advance(time);
      const at = view.toScreen(grip?.x ?? NaN, grip?.y ?? NaN, grip?.height);
      expect(Math.hypot(at.x - 200, at.y - 250)).toBeLessThan(1e-3);
    }
    expect(Math.abs(camera.shown.heading - (fingers === 1 ? 135 : heading))).toBeLessThan(8);
    camera.unhold();
    for (let time = 3000; time < 6000; time += 10) camera.advance(time);
    expect([45, 135]).toContain(camera.shown.heading);
  }
  // Without stops, a step goes on all the same; a turn by a held key ends.
  const free = new Camera({ turn: { halfLife: 0.2 } }, { screen });
  free.advance(0);
  free.turn(90);
  free.advance(50);
  free.hold(1, 300, 200);
  for (let time = 50; time < 8000; time += 10) free.advance(time);
  expect(free.shown.heading).toBe(90);
});

test('a hundred thousand stops cost no more than a few, and stops that the range leaves out are warned of', () => {
  const stops = Array.from({ length: 100_000 }, (_, i) => 10 + i / 100);
  const camera = new Camera({ zoom: { stops, minSpan: 5, maxSpan: 2000 } }, { screen });
  camera.signal({ kind: 'wheel', x: 1, y: 1, notches: -250, time: 0 });
  camera.advance(0);
  camera.advance(9000);
  expect(camera.shown.span).toBe(stops[9000 + 250]);
  const lines = reviewSettings({ zoom: { stops: [1, 50, 60, 70, 9000], minSpan: 10, maxSpan: 500 } }, screen);
  expect(lines.map(({ path }) => path)).toEqual(['zoom.stops[0]', 'zoom.stops[4]']);
  const none = reviewSettings({ zoom: { stops: [9000], minSpan: 10, maxSpan: 500 } }, screen);
  expect(none.map(({ message }) => message).join()).toContain('none of the stops is allowed');
});

test('a tilt arrives, however fast it goes, also where what fits depends on the look', () =>
  forRuns(
    60,
    fc.constantFrom(0, 0.0005, 0.1),
    fc.constantFrom(0, 0.0005, 0.1),
    between(30, 80),
    (halfLife, lens, to) => {
      const camera = new Camera(
        {
          start: { x: 0, y: 0, span: 60 },
          bounds: { left: -500, top: -500, right: 500, bottom: 500, whenViewIsLarger: 'limit-zoom' },
          pitch: { degrees: 60, halfLife },
          lens: {
            fieldOfView: [
              [20, 10],
              [200, 25],
            ],
            halfLife: lens,
          },
        },
        { screen },
      );
      camera.advance(0);
      camera.tilt(to - 60);
      camera.signal({ kind: 'wheel', x: 100, y: 100, notches: -1 });
      camera.advance(5000);
      camera.advance(10_000);
      expect([camera.settled, camera.shown.pitch]).toEqual([true, expect.closeTo(to, 5)]);
      expect(awayFromGoal(camera)).toBeLessThan(1e-5);
    },
  ));

test('two fingers, however close, that were held over a resize lift to a stop', () =>
  forRuns(40, between(0.5, 2), between(0, 200), fc.constantFrom(0, 0.005, 0.1), (grows, apart, halfLife) => {
    const zoom = { stops: [50, 100, 200, 400, 800], halfLife };
    const camera = new Camera({ start: { x: 0, y: 0, span: 200 }, zoom }, { screen });
    camera.advance(0);
    camera.hold(1, 300, 300);
    camera.hold(2, 300 + apart, 300);
    camera.signal({ kind: 'screen', width: 800 * grows, height: 600 * grows, time: 10 });
    camera.advance(20);
    camera.signal({ kind: 'unhold', time: 30 });
    camera.advance(5000);
    expect(Math.min(...zoom.stops.map((stop) => Math.abs(stop / camera.shown.span - 1)))).toBeLessThan(1e-8);
  }));

test('stops where the view would not fit once it is there: it comes to rest all the same, whatever was asked for', () =>
  forRuns(60, between(50, 400), between(-8, 8), fc.constantFrom(0, 0.1), (distance, notches, halfLife) => {
    const camera = new Camera(
      {
        start: { x: 0, y: 0, span: 60 },
        bounds: { left: -300, top: -200, right: 300, bottom: 200, whenViewIsLarger: 'limit-zoom' },
        zoom: { stops: [20, 40, 60, 90, 130, 200, 300], halfLife },
        pitch: { degrees: 30 },
        lens: { distance },
      },
      { screen },
    );
    camera.advance(0);
    for (let i = 1; i <= 6; i++) {
      camera.signal({ kind: 'wheel', x: 400, y: 300, notches, time: i * 100 });
      camera.place({ span: 300 });
      camera.advance(i * 100);
    }
    camera.change({ zoom: { stops: [30, 55, 85, 150, 250] } });
    camera.advance(20_000);
    camera.advance(40_000);
    expect(camera.settled).toBe(true);
  }));
