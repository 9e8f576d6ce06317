/** A device is two files: what it is, and how a page listens to it. Each is named in one line of a list. */
import { execFileSync, spawnSync } from 'node:child_process';
import { appendFileSync, cpSync, mkdtempSync, rmSync, symlinkSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { test } from '@jest/globals';
import { expect } from './expect.ts';

const root = new URL('../../../', import.meta.url).pathname;

/** A dial turns the view: to the right above 0, to the left below. */
const DIAL = `
import { device } from './device.ts';
import { number } from './fields.ts';

export const dial = device({
  kind: 'dial',
  fields: { turned: number(-1, 1) },
  inputs: ['DialLeft', 'DialRight'],
  strengths: ({ turned }) => new Map(turned === 0 ? [] : [[turned > 0 ? 'DialRight' : 'DialLeft', Math.abs(turned)]]),
});
`;

const HEAR_DIAL = `
import type { InputTarget } from '../cameraLike.ts';
import type { Send } from './send.ts';

export function listenToDial(window: EventTarget, _: InputTarget, send: Send, __: object, signal: AbortSignal): void {
  window.addEventListener('dial', (event) => send({ kind: 'dial', turned: Number(Reflect.get(event, 'turned')) }), { signal });
}
`;

const PROGRAM = `
import { Camera } from './index.ts';
import * as hear from './dom/devices.ts';
import { SessionReader, record } from './session/index.ts';

const camera = new Camera({ bindings: { turnRight: ['DialRight'], turnLeft: ['DialLeft'] } }, { screen: { width: 400, height: 200 } });
const recording = record(camera);
const page = new EventTarget();
const used: boolean[] = [];
hear.listenToDial(page, camera, (signal) => used.push(camera.signal(signal)) > 0, {}, new AbortController().signal);
const turn = (turned: number): boolean => page.dispatchEvent(Object.assign(new Event('dial'), { turned }));
camera.advance(0);
turn(0);
turn(0.5);
for (let time = 10; time < 1000; time += 10) camera.advance(time);
turn(0);
for (let time = 1000; time < 5000; time += 10) camera.advance(time);
const reader = new SessionReader();
const kinds = reader.push(recording.text()).map(({ kind }) => kind);
let refused = '';
try {
  camera.signal({ kind: 'dial', turned: 'far' } as never);
} catch (error) {
  refused = String(error);
}
console.log(JSON.stringify({ used, heading: Math.round(camera.shown.heading), settled: camera.settled, kinds, refused }));
`;

test('a dial is added with two files and two lines: bindings, news, sessions, messages and types know it', () => {
  const project = mkdtempSync(join(tmpdir(), 'zesty-kite-device-'));
  try {
    cpSync(join(root, 'packages/zesty-kite/src'), join(project, 'src'), { recursive: true });
    symlinkSync(join(root, 'node_modules'), join(project, 'node_modules'));
    writeFileSync(join(project, 'package.json'), '{"type":"module"}');
    writeFileSync(join(project, 'src/devices/dial.ts'), DIAL);
    writeFileSync(join(project, 'src/dom/dial.ts'), HEAR_DIAL);
    appendFileSync(join(project, 'src/devices/all.ts'), "export { dial } from './dial.ts';\n");
    appendFileSync(join(project, 'src/dom/devices.ts'), "export { listenToDial } from './dial.ts';\n");
    writeFileSync(join(project, 'src/program.ts'), PROGRAM);
    const tsc = join(root, 'node_modules/typescript/bin/tsc');
    const options = ['--strict', '--module', 'nodenext', '--target', 'es2022', '--lib', 'es2023,dom,dom.iterable'];
    const files = ['src/program.ts', '--outDir', 'out', '--rewriteRelativeImportExtensions', '--skipLibCheck'];
    const { stdout, status } = spawnSync(process.execPath, [tsc, ...options, ...files], {
      cwd: project,
      encoding: 'utf8',
    });
    expect([stdout, status]).toEqual(['', 0]);
    const printed = execFileSync(process.execPath, ['out/program.js'], { cwd: project, encoding: 'utf8' });
    expect(JSON.parse(printed)).toEqual({
      // A dial that is let go and was is no news.
      used: [false, true, true],
      heading: expect.any(Number),
      settled: true,
      kinds: ['dial', 'dial'],
      refused: 'TypeError: signal.turned: expected a number, got "far"',
    });
    expect((JSON.parse(printed) as { heading: number }).heading).toBeGreaterThan(20);
  } finally {
    rmSync(project, { recursive: true });
  }
});
