/** Recorded steering, made by script: somebody crossing the strait, and somebody flinging about. */

export const straightDown = {
  $schema: '../../../packages/zesty-kite/dist/settings.schema.json',
  start: { x: 512, y: 384, span: 420 },
  ground: { lowest: -6, highest: 60 },
  pan: { speed: 0.9, fast: 2, startHalfLife: 0.08, stopHalfLife: 0.08 },
  zoom: { leastSpan: 24, mostSpan: 768, notch: 1.12, halfLife: 0.09, anchor: 'cursor' },
  bounds: { left: 0, top: 0, right: 1024, bottom: 768, whenSmaller: 'centre' },
  resize: { keep: 'scale' },
};

const settings = { ...straightDown };
delete settings.$schema;
const header = { format: 'zesty-kite session', version: 1, settings, screen: { width: 1280, height: 800 } };

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
  for (let i = 0; i < 9; i++) wheel(2.9011 + i * 0.0713, 905.5, 212.25, -1);
  key(3.1502, 'ArrowLeft', true);
  key(3.1778, 'ShiftLeft', true);
  key(4.0209, 'ShiftLeft', false);
  key(4.3311, 'ArrowLeft', false);
  for (let i = 0; i < 4; i++) wheel(4.9027 + i * 0.0502, 411.75, 640.5, -1);
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
  for (let i = 0; i < 22; i++) wheel(12.3017 + i * 0.0417, 633.5, 341.75, i < 16 ? 1 : -1);
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
      signals.push({ at: micros, kind: 'wheel', x: random.between(-50, 1400), y: random.between(-50, 900), notches });
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
