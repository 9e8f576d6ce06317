/** To begin with: what settings come to, schemas for editors, and projects that build. */
import { spawnSync } from 'node:child_process';
import { existsSync, mkdtempSync, readdirSync, readFileSync, rmSync, symlinkSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterAll, beforeAll, expect, test } from '@jest/globals';
import { Tool, type Ended } from './tool.ts';

const ROOT = new URL('../../../', import.meta.url).pathname;
const SETTINGS = join(ROOT, 'data/lemon-strait/settings/');
let folder: string;
let tool: Tool;

beforeAll(() => {
  folder = mkdtempSync(join(tmpdir(), 'zesty-kite-begin-'));
  tool = new Tool(folder);
});
afterAll(async () => {
  await tool.end();
  rmSync(folder, { recursive: true });
});

function zestyKite(...args: readonly string[]): Promise<Ended> {
  return tool.call(args);
}

test('explain says what settings come to, as a table and as JSON that agree with the settings', async () => {
  const file = join(SETTINGS, 'straight-down.json');
  const { code, out, errors } = await zestyKite('explain', file, '--screen', '800x600', '--at', '100');
  expect([code, errors]).toEqual([0, '']);
  expect(out.split('\n')[0]?.trim().split(/\s+/)).toEqual(['nearest', 'start', 'farthest', '100']);
  interface Explained {
    readonly zooms: readonly Record<string, number>[];
    readonly notches: number;
    readonly secondsToRest: number;
  }
  const { zooms, notches, secondsToRest } = JSON.parse(
    (await zestyKite('explain', file, '--screen', '800x600', '--at', '100', '--json')).out,
  ) as Explained;
  expect(zooms.map(({ span }) => span)).toEqual([24, 420, 768, 100]);
  for (const { span = NaN, pixelsPerUnit = NaN, acrossUnits, panUnitsPerSecond = NaN, secondsAcrossMap } of zooms) {
    expect(pixelsPerUnit).toBeCloseTo(600 / span, 9);
    expect(acrossUnits).toBeCloseTo(800 / pixelsPerUnit, 9);
    // 0.9 spans a second, and a map of 1024 units.
    expect(panUnitsPerSecond / span).toBeCloseTo(0.9, 6);
    expect(secondsAcrossMap).toBeCloseTo(1024 / panUnitsPerSecond, 9);
  }
  // Each by 1.12.
  expect(notches).toBe(Math.ceil(Math.log(768 / 24) / Math.log(1.12)));
  expect(secondsToRest).toBeGreaterThan(0.5);
  // However the player's wheel goes round: a notch is a notch.
  const inverted = join(folder, 'inverted.json');
  writeFileSync(inverted, JSON.stringify({ ...JSON.parse(readFileSync(file, 'utf8')), inverted: ['wheel'] }));
  expect(JSON.parse((await zestyKite('explain', inverted, '--json')).out)).toMatchObject({ notches, secondsToRest });
});

test('schema prints the schemas as they lie in the packages', async () => {
  const files = {
    settings: 'packages/zesty-kite/dist/settings.schema.json',
    session: 'packages/zesty-kite/dist/session.schema.json',
    terrain: 'packages/zesty-kite-cli/terrain.schema.json',
  };
  for (const [of, file] of Object.entries(files))
    expect(await zestyKite('schema', of)).toEqual({ code: 0, out: readFileSync(join(ROOT, file), 'utf8'), errors: '' });
});

test.each(['flat', 'tiles', 'hills'])('start --look %s writes a small project that builds', async (look) => {
  const { code, out, errors } = await zestyKite('start', look, '--look', look);
  expect([code, errors]).toEqual([0, '']);
  expect(out).toContain(`cd ${look}\n`);
  const where = join(folder, look);
  expect(readFileSync(join(where, 'main.ts'), 'utf8').split('\n').length).toBeLessThan(60);
  symlinkSync(join(ROOT, 'node_modules'), join(where, 'node_modules'));
  // One of them checks the types of the packages, too.
  const strictly = look === 'flat' ? ['--skipLibCheck', 'false', '--skipDefaultLibCheck'] : [];
  const tsc = spawnSync(process.execPath, [join(ROOT, 'node_modules/typescript/bin/tsc'), ...strictly], {
    cwd: where,
    encoding: 'utf8',
  });
  expect([tsc.stdout, tsc.status]).toEqual(['', 0]);
  const vite = join(ROOT, 'node_modules/vite/bin/vite.js');
  // The tests are no production; a build is.
  const env = { ...process.env, NODE_ENV: 'production' };
  const built = spawnSync(process.execPath, [vite, 'build', '--logLevel', 'error'], {
    cwd: where,
    env,
    encoding: 'utf8',
  });
  expect([built.status, built.stderr]).toEqual([0, '']);
  expect(existsSync(join(where, 'dist/index.html'))).toBe(true);
  // Nothing of the panel is in what players download.
  for (const file of readdirSync(join(where, 'dist/assets')))
    expect([file, /zesty-kite-panel|openPanel/.test(readFileSync(join(where, 'dist/assets', file), 'utf8'))]).toEqual([
      file,
      false,
    ]);
});
