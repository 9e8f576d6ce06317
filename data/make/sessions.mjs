/** Recorded steering, made by script: somebody crossing the strait, and somebody flinging about. */

import { mergeSettings, tilted, tiles } from 'zesty-kite';

const $schema = '../../../packages/zesty-kite/dist/settings.schema.json';
const ground = { lowest: -6, highest: 60 };

const bindings = { drag: ['MouseRight', 'MouseMiddle', 'Touch'] };

export const straightDown = {
  $schema,
  start: { x: 512, y: 384, span: 420 },
  ground,
  pan: { speed: 0.9, fasterFactor: 2, startHalfLife: 0.08, stopHalfLife: 0.08 },
  zoom: { minSpan: 24, maxSpan: 768, notch: 1.12, halfLife: 0.09, anchor: 'cursor' },
  bounds: { left: 0, top: 0, right: 1024, bottom: 768, whenViewIsLarger: 'centre' },
  resize: { keep: 'scale' },
  edge: {},
  bindings,
};

/** Tiles of 64 × 32 pixels, 16 units a side; the focus stays inside the shore, bays and all. */
export function isometric(shore) {
  return mergeSettings({ $schema }, tiles({ width: 64, height: 32, side: 16, scales: [0.5, 1, 2, 3, 4] }), {
    start: { x: 512, y: 384, span: 420 },
    ground,
    zoom: { minSpan: 24, maxSpan: 1600, halfLife: 0.08 },
    bounds: { area: shore.geometry, keep: 'focus' },
    resize: { keep: 'scale' },
    bindings,
  });
}

/** From above when far, facing the barges when near; what shows stays inside the hull of the shore. */
export function overTheHills(hull) {
  return mergeSettings({ $schema }, tilted(40, 420), {
    start: { x: 540, y: 400, span: 330, heading: 0 },
    ground: { ...ground, highest: 66, clearance: 3 },
    pitch: {
      degrees: [
        [40, 38],
        [420, 64],
      ],
    },
    lens: {
      fieldOfView: [
        [40, 46],
        [420, 34],
      ],
    },
    turn: { halfLife: 0.1 },
    pan: { speed: 0.9, fasterFactor: 2 },
    zoom: { minSpan: 24, maxSpan: 520, notch: 1.12, halfLife: 0.1 },
    bounds: { area: hull.geometry, keep: 'view', elastic: 0.12 },
    resize: { keep: 'span' },
    bindings: { drag: ['MouseRight', 'Touch'], orbit: ['MouseMiddle'] },
  });
}

const screen = { width: 1280, height: 800 };
const headerOf = (settings, terrain) => ({
  format: 'zesty-kite session',
  version: 1,
  settings: { ...settings, $schema: undefined },
  screen,
  ...(terrain && { terrain: { id: terrain.id, digest: terrain.digest } }),
});
const header = headerOf(straightDown);

/** Notches from stop to stop, quarter turns, a drag into a bay, and keys along the shore. About 12 seconds. */
export function turned(settings) {
  const signals = [];
  const at = (seconds, signal) => signals.push({ at: Math.round(seconds * 1e6), ...signal });
  const key = (seconds, code, down) => at(seconds, { kind: 'key', code, down });
  for (let i = 0; i < 3; i++) at(0.5 + i * 0.21, { kind: 'wheel', x: 820.5, y: 300.25, notches: 1 });
  at(1.9, { kind: 'turn', degrees: 90 });
  at(2.05, { kind: 'turn', degrees: 90, about: { screenX: 400, screenY: 500 } });
  key(2.6, 'KeyW', true);
  key(3.1, 'KeyD', true);
  key(5.2, 'KeyW', false);
  key(5.9, 'KeyD', false);
  at(6.3, { kind: 'hold', id: 1, x: 900, y: 200 });
  for (let i = 1; i <= 60; i++) at(6.3 + i * 0.0163, { kind: 'hold', id: 1, x: 900 - i * 11.3, y: 200 + i * 8.7 });
  at(7.4, { kind: 'unhold', id: 1 });
  for (let i = 0; i < 4; i++) at(7.8 + i * 0.12, { kind: 'wheel', x: 640, y: 380, notches: -1 });
  at(9, { kind: 'turn', degrees: -135, about: { x: 540, y: 420 } });
  key(9.4, 'ArrowLeft', true);
  key(11.2, 'ArrowLeft', false);
  return [headerOf(settings), ...signals.sort((a, b) => a.at - b.at)];
}

/** Keys and notches over the hills, a pinch that twists, a flick at the tilt limit, a panel, a blur in mid-drag. About 16 seconds. */
export function hilly(settings, terrain) {
  const signals = [];
  const at = (seconds, signal) => signals.push({ at: Math.round(seconds * 1e6), ...signal });
  const key = (seconds, code, down) => at(seconds, { kind: 'key', code, down });
  for (let i = 0; i < 9; i++) at(0.4 + i * 0.081, { kind: 'wheel', x: 870.5, y: 420.75, notches: 1 });
  key(1.2, 'KeyD', true);
  key(2.4, 'KeyW', true);
  key(3.1, 'KeyD', false);
  key(3.9, 'KeyW', false);
  at(4.1, { kind: 'turn', degrees: 60, about: { screenX: 700, screenY: 500 } });
  at(4.4, { kind: 'tilt', degrees: -12, about: { screenX: 700, screenY: 500 } });
  at(5.2, { kind: 'hold', id: 1, x: 400, y: 560 });
  at(5.23, { kind: 'hold', id: 2, x: 820, y: 360 });
  for (let i = 1; i <= 70; i++) {
    at(5.23 + i * 0.0151, { kind: 'hold', id: 1, x: 400 - i * 2.3, y: 560 - i * 1.7 });
    at(5.231 + i * 0.0151, { kind: 'hold', id: 2, x: 820 + i * 3.1, y: 360 + i * 2.2 });
  }
  at(6.5, { kind: 'unhold', id: 1 });
  for (let i = 1; i <= 30; i++) at(6.5 + i * 0.0161, { kind: 'hold', id: 2, x: 1037 - i * 14, y: 514 + i * 2 });
  at(7.3, { kind: 'unhold', id: 2 });
  at(7.6, { kind: 'tilt', degrees: -4000 });
  at(8.3, { kind: 'tilt', degrees: 25 });
  at(8.9, { kind: 'change', settings: { safeFrame: { left: 320, bottom: 90 } } });
  for (let i = 0; i < 14; i++) at(9.4 + i * 0.053, { kind: 'wheel', x: 900, y: 300, notches: -1 });
  at(11.2, { kind: 'hold', id: 7, x: 700, y: 300 });
  for (let i = 1; i <= 40; i++) at(11.2 + i * 0.0157, { kind: 'hold', id: 7, x: 700 + i * 9, y: 300 + i * 6 });
  at(11.9, { kind: 'release' });
  at(12.6, { kind: 'change', settings: { safeFrame: { left: 0, bottom: 0 } } });
  key(13, 'ArrowDown', true);
  at(13.3, { kind: 'screen', width: 900, height: 700 });
  key(14.4, 'ArrowDown', false);
  return [headerOf(settings, terrain), ...signals.sort((a, b) => a.at - b.at)];
}

/** Every hand over the hills: a pad, fingers that pinch, tilt and fling, an orbit, edges, a chord of the wheel, a lock, the way home. About 20 seconds. */
export function handed(settings, terrain) {
  const signals = [];
  const at = (seconds, signal) => signals.push({ at: Math.round(seconds * 1e6), ...signal });
  const bindings = { ...settings.bindings, turnRight: ['KeyE', 'PadRightStickRight', 'Shift+WheelUp'] };
  const change = { edge: { dwell: 0.1 }, twoFingers: { tilt: true }, drag: { keepsGoing: 'all' }, bindings };
  at(0.1, { kind: 'change', settings: change });
  for (let i = 0; i <= 40; i++) {
    const push = Math.sin((i / 40) * Math.PI);
    at(0.4 + i * 0.0333, { kind: 'pad', id: 0, axes: [push, -0.7 * push, 0.4 * push, -0.3 * push], buttons: [] });
  }
  at(2, { kind: 'pad', id: 0, axes: [], buttons: [0, 0, 0, 0, 0, 0, 0, 0.8] });
  at(2.9, { kind: 'pad', id: 0, axes: [], buttons: [] });
  const fingers = (from, steps, place) => {
    at(from, { kind: 'press', id: 8, input: 'Touch', ...place(0, -1) });
    at(from + 0.02, { kind: 'press', id: 16, input: 'Touch', ...place(0, 1) });
    for (let i = 1; i <= steps; i++) {
      at(from + 0.02 + i * 0.0161, { kind: 'move', id: 8, ...place(i, -1) });
      at(from + 0.0211 + i * 0.0161, { kind: 'move', id: 16, ...place(i, 1) });
    }
    at(from + 0.03 + steps * 0.0161, { kind: 'lift', id: 8 });
    at(from + 0.041 + steps * 0.0161, { kind: 'lift', id: 16 });
  };
  fingers(3.4, 40, (i, side) => ({ x: 640 + side * (180 + 3 * i), y: 400 + side * (20 + 4 * i) }));
  fingers(5.6, 30, (i, side) => ({ x: 640 + side * 150, y: 300 + 5 * i }));
  at(7.2, { kind: 'press', id: 24, input: 'MouseMiddle', x: 700, y: 500 });
  for (let i = 1; i <= 30; i++) at(7.2 + i * 0.0157, { kind: 'move', id: 24, x: 700 + i * 6, y: 500 - i * 2 });
  at(7.8, { kind: 'lift', id: 24 });
  at(8.4, { kind: 'hover', x: 1278, y: 300 });
  at(9.7, { kind: 'hover', x: 900, y: 300 });
  at(10, { kind: 'key', code: 'ShiftLeft', down: true });
  for (let i = 0; i < 3; i++) at(10.1 + i * 0.1, { kind: 'wheel', x: 500, y: 300, notches: 1, right: 0, down: -100 });
  at(10.5, { kind: 'key', code: 'ShiftLeft', down: false });
  at(11, { kind: 'press', id: 40, input: 'MouseRight', x: 300, y: 500 });
  for (let i = 1; i <= 20; i++) at(11 + i * 0.0149, { kind: 'move', id: 40, x: 300 + i * 14, y: 500 - i * 9 });
  at(11.31, { kind: 'lift', id: 40 });
  at(13, { kind: 'change', settings: { locked: ['pan', 'turn'] } });
  at(13.2, { kind: 'key', code: 'KeyD', down: true });
  at(13.4, { kind: 'key', code: 'KeyR', down: true });
  at(14.1, { kind: 'key', code: 'KeyR', down: false });
  at(14.3, { kind: 'change', settings: { locked: [] } });
  at(15, { kind: 'key', code: 'KeyD', down: false });
  at(15.5, { kind: 'key', code: 'Home', down: true });
  at(15.6, { kind: 'key', code: 'Home', down: false });
  return [headerOf(settings, terrain), ...signals.sort((a, b) => a.at - b.at)];
}

/** The program directs: a journey, one that a wheel interrupts, a barge that is followed about, and a cutscene. About 19 seconds. */
export function directed(settings, terrain) {
  const signals = [];
  const at = (seconds, signal) => signals.push({ at: Math.round(seconds * 1e6), ...signal });
  const journey = { way: 'shortest', speed: 1.5, minSeconds: 0.3, maxSeconds: 4, ease: 'in-out' };
  at(0.5, { kind: 'travel', id: 1, x: 820, y: 300, span: 60, heading: 70, ...journey });
  at(2.1, { kind: 'travelTarget', id: 1, x: 826, y: 306 });
  at(5.2, { kind: 'travel', id: 2, x: 300, y: 520, span: 180, ...journey });
  at(6.1, { kind: 'wheel', x: 700.5, y: 300.25, notches: 3 });
  const zone = { zoneWidth: 0.2, zoneHeight: 0.15, zone: 'box' };
  const place = (seconds) => ({ x: 500 + 60 * Math.sin(seconds), y: 400 + 25 * seconds });
  at(7.5, { kind: 'follow', id: 1, ...place(0), halfLife: 0.15, lead: 0.1, onPan: 'offset', ...zone });
  for (let i = 1; i <= 90; i++)
    at(7.5 + i / 30, { kind: 'followed', id: 1, ...place(i / 30), after: 1 / 30, ahead: (i % 3) / 240 });
  at(8.4, { kind: 'turn', degrees: 60 });
  at(9.1, { kind: 'key', code: 'KeyD', down: true });
  at(9.5, { kind: 'key', code: 'KeyD', down: false });
  at(9.9, { kind: 'wheel', x: 200.5, y: 600.75, notches: -5 });
  at(11.2, { kind: 'unfollow', id: 1, lost: true });
  at(11.5, { kind: 'change', settings: { locked: ['pan', 'zoom', 'turn', 'tilt'] } });
  const keyframes = [
    { at: 1.2, x: 420, y: 300, span: 120, ease: 'smooth', event: 'gate' },
    { at: 2.6, x: 560, y: 260, span: 90, heading: 200, pitch: 55, ease: 'smooth' },
    { at: 4, x: 700, y: 420, span: 200, ease: 'out', event: 'quay' },
  ];
  at(11.5, { kind: 'play', id: 1, keyframes });
  at(13.1, { kind: 'cue', id: 1, cue: 'pause' });
  at(13.6, { kind: 'cue', id: 1, cue: 'backward' });
  at(14.2, { kind: 'cue', id: 1, cue: 'forward' });
  at(18.2, { kind: 'change', settings: { locked: [] } });
  const movers = ['travel', 'follow', 'cutscene'];
  return [{ ...headerOf(settings, terrain), movers }, ...signals.sort((a, b) => a.at - b.at)];
}

/** Keys, the wheel, keys during a zoom, and a blur while a key is held. About 16 seconds. */
export function crossing() {
  const signals = [];
  const at = (seconds, signal) => signals.push({ at: Math.round(seconds * 1e6), ...signal });
  const key = (seconds, code, down) => at(seconds, { kind: 'key', code, down });
  const wheel = (seconds, x, y, notches) => at(seconds, { kind: 'wheel', x, y, notches });

  key(0.4113, 'KeyD', true);
  key(1.0871, 'KeyS', true);
  key(1.9904, 'KeyD', false);
  key(2.2017, 'KeyS', false);
  for (let i = 0; i < 9; i++) wheel(2.9011 + i * 0.0713, 905.5, 212.25, 1);
  key(3.1502, 'ArrowLeft', true);
  key(3.1778, 'ShiftLeft', true);
  key(4.0209, 'ShiftLeft', false);
  key(4.3311, 'ArrowLeft', false);
  for (let i = 0; i < 4; i++) wheel(4.9027 + i * 0.0502, 411.75, 640.5, 1);
  key(6.2209, 'KeyA', true);
  key(6.2209, 'KeyW', true);
  key(7.0313, 'KeyD', true); // opposite keys stand still
  key(7.5818, 'KeyA', false);
  key(8.1002, 'KeyW', false);
  at(8.6107, { kind: 'release' }); // the window loses the keyboard while D is held
  key(9.7703, 'ArrowUp', true);
  at(10.1009, { kind: 'gap', phase: 'begin' }); // the page stalls while Up is held
  at(10.9441, { kind: 'gap', phase: 'end' });
  key(11.2306, 'ArrowUp', false);
  at(11.9005, { kind: 'screen', width: 1024, height: 700 });
  for (let i = 0; i < 22; i++) wheel(12.3017 + i * 0.0417, 633.5, 341.75, i < 16 ? -1 : 1);
  key(14.0511, 'KeyD', true);
  key(15.2219, 'KeyD', false);
  return [header, ...signals.sort((a, b) => a.at - b.at)];
}

/** Everything at once and far too much of it: no limit may give way. About 12 seconds. */
export function flung(random) {
  const codes = ['KeyW', 'KeyA', 'KeyS', 'KeyD', 'ArrowUp', 'ArrowLeft', 'ArrowDown', 'ArrowRight', 'ShiftLeft'];
  const signals = [];
  let micros = 200_000;
  while (micros < 11_000_000) {
    const dice = random.next();
    if (dice < 0.45) {
      const size = random.pick([0.01, 1, 3, 40, 900, 1e6]);
      const notches = random.between(-size, size);
      signals.push({
        at: micros,
        kind: 'wheel',
        x: random.between(-50, 1400),
        y: random.between(-50, 900),
        notches: -notches,
      });
    } else if (dice < 0.93) {
      signals.push({ at: micros, kind: 'key', code: random.pick(codes), down: random.next() < 0.55 });
    } else if (dice < 0.96) {
      const width = random.pick([0, 320, 900, 1280, 2560]);
      const height = random.pick([0, 240, 800, 1600]);
      signals.push({ at: micros, kind: 'screen', width, height });
    } else if (dice < 0.98) {
      signals.push({ at: micros, kind: 'place', x: random.between(-1e9, 1e9), y: random.between(-1e9, 1e9) });
    } else signals.push({ at: micros, kind: 'release' });
    micros += random.next() < 0.1 ? 0 : Math.floor(random.between(1, 90_000));
  }
  signals.push({ at: 11_400_000, kind: 'release' });
  return [header, ...signals];
}
