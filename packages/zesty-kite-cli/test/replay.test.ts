/** The command line as a process: what it prints, where, and its exit codes. */
import { spawnSync } from 'node:child_process';
import {
  copyFileSync,
  mkdtempSync,
  readdirSync,
  readFileSync,
  rmSync,
  statSync,
  symlinkSync,
  writeFileSync,
} from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterAll, beforeAll, expect, test } from '@jest/globals';
import { Ajv2020 } from 'ajv/dist/2020.js';
import { Tool, type Ended } from './tool.ts';

const CLI = new URL('../bin/zesty-kite.js', import.meta.url).pathname;
const SESSIONS = new URL('../../../data/lemon-strait/sessions/', import.meta.url).pathname;
const CROSSING = join(SESSIONS, 'crossing.ndjson');
const HILLY = join(SESSIONS, 'hilly.ndjson');
const GROUND = new URL('../../../data/lemon-strait/ground.json', import.meta.url).pathname;
let folder: string;
let tool: Tool;

beforeAll(() => {
  folder = mkdtempSync(join(tmpdir(), 'zesty-kite-cli-'));
  tool = new Tool(folder, 200);
});
afterAll(async () => {
  await tool.end();
  rmSync(folder, { recursive: true });
});

function zestyKite(args: readonly string[], input = ''): Promise<Ended> {
  return tool.call(args, input);
}

test.each([
  ['crossing.ndjson'],
  ['flung.ndjson'],
  ['turned.ndjson'],
  ['hilly.ndjson', '--terrain', GROUND],
  ['handed.ndjson', '--terrain', GROUND],
  ['directed.ndjson', '--terrain', GROUND],
])('replay %s prints the table, nothing else, and ends with 0', async (name, ...ground) => {
  const { code, out, errors } = await zestyKite(['replay', join(SESSIONS, name), ...ground]);
  expect([code, errors]).toEqual([0, '']);
  const names = out
    .trim()
    .split('\n')
    .map((line) => line.slice(0, 21).trim());
  expect(names).toEqual([
    'duration',
    'signals',
    'frames',
    'distance panned',
    'span',
    'worst grip error',
    'worst bounds excess',
    'time to rest',
    'digest',
  ]);
  expect((await zestyKite(['replay', join(SESSIONS, name), ...ground, '--rate', '144'])).out.slice(-17)).toBe(
    out.slice(-17),
  );
});

test('--json gives the same figures for machines, and the digest at any rate, from a file or standard input', async () => {
  const digests: string[] = [];
  for (const rate of ['30', '60', '144', '240']) {
    const { code, out } = await zestyKite(['replay', '-', '--json', '--rate', rate], readFileSync(CROSSING, 'utf8'));
    const summary = JSON.parse(out) as { digest: string; rate: number; broken: string[]; unfinishedLine: null };
    expect(summary).toMatchObject({ rate: Number(rate), broken: [], unfinishedLine: null });
    expect(code).toBe(0);
    digests.push(summary.digest);
  }
  expect(new Set(digests).size).toBe(1);
  expect((await zestyKite(['replay', CROSSING])).out).toContain(digests[0]);
});

test('--trace writes a CSV row for every frame, its cells numbers, its lines ended as RFC 4180 says', async () => {
  const file = join(folder, 'trace.csv');
  const { out } = await zestyKite(['replay', CROSSING, '--json', '--rate', '48', '--trace', file]);
  const { frames } = JSON.parse(out) as { frames: number };
  const [header = '', ...rows] = readFileSync(file, 'utf8').split('\r\n');
  expect(rows.pop()).toBe('');
  expect(rows).toHaveLength(frames);
  const columns = header.split(',');
  for (const [i, row] of rows.entries()) {
    const cells = row.split(',');
    expect(cells).toHaveLength(columns.length);
    // Rest is left out: then a later frame follows.
    const frame = Number(cells[0]) * 48;
    expect(Math.abs(frame - Math.round(frame))).toBeLessThan(1e-3);
    expect(Math.round(frame)).toBeGreaterThanOrEqual(i);
    expect(cells.slice(0, -1).every((cell) => Number.isFinite(Number(cell)))).toBe(true);
  }
  const errors = rows.map((row) => row.split(',')[columns.indexOf('grip_error_px')]).filter((cell) => cell !== '');
  expect(errors.length).toBeGreaterThan(30);
  expect(Math.max(...errors.map(Number))).toBeLessThan(1e-3);
});

test('a session that was cut off is played as far as it goes, and a note says where it ends', async () => {
  const text = readFileSync(CROSSING, 'utf8');
  const cut = text.slice(0, text.indexOf('\n') + 800);
  const { code, out, errors } = await zestyKite(['replay', '-'], cut);
  expect(code).toBe(0);
  expect(out).toContain('digest');
  expect(errors).toMatch(/^zesty-kite: standard input: line \d+ is unfinished/);
});

test('help goes to standard output and is no failure', async () => {
  for (const args of [['--help'], ['replay', '--help'], ['help', 'replay']]) {
    const { code, out, errors } = await zestyKite(args);
    expect([code, errors]).toEqual([0, '']);
    expect(out).toContain('Usage: zesty-kite');
  }
});

test('output that cannot be written ends with 2 and one line where one can be written, never with a stack', () => {
  const run = (redirect: string): { status: number | null; stderr: string } => {
    const command = `"${process.execPath}" "${CLI}" replay "${CROSSING}" ${redirect}`;
    const { status, stderr } = spawnSync('sh', ['-c', command], { encoding: 'utf8' });
    return { status, stderr };
  };
  expect(run('> /dev/full')).toEqual({
    status: 2,
    stderr: 'zesty-kite: standard output: expected space on the disk, got none\n',
  });
  expect(run('> /dev/full 2> /dev/full')).toEqual({ status: 2, stderr: '' });
  expect(run('| exec head -c 0; exit 0').stderr).not.toContain('    at ');
  const closed = spawnSync(
    'bash',
    ['-c', `"${process.execPath}" "${CLI}" replay "${CROSSING}" --json | true; exit "\${PIPESTATUS[0]}"`],
    {
      encoding: 'utf8',
    },
  );
  // Whoever reads may be gone before, or after, all is written.
  expect([0, 2]).toContain(closed.status);
  expect(closed.stderr).toBe(
    closed.status === 0 ? '' : 'zesty-kite: standard output: it was closed before all was written\n',
  );
});

test('--trace never writes over what is read, through links and with --force too, nor over what is there unless told to', async () => {
  const session = join(folder, 'kept.ndjson');
  const text = readFileSync(CROSSING, 'utf8');
  writeFileSync(session, text);
  const link = join(folder, 'link.csv');
  symlinkSync(session, link);
  for (const target of [session, link])
    for (const force of [[], ['--force']]) {
      const { code, errors } = await zestyKite(['replay', session, '--trace', target, ...force]);
      expect([code, errors]).toEqual([
        2,
        `zesty-kite: ${target}: expected another file to write to, got one that is read\n`,
      ]);
      expect(readFileSync(session, 'utf8')).toBe(text);
    }
  const picture = join(folder, 'height.png');
  const ground = join(folder, 'ground.json');
  copyFileSync(new URL('../../../data/lemon-strait/height.png', import.meta.url), picture);
  copyFileSync(GROUND, ground);
  for (const target of [picture, ground])
    expect((await zestyKite(['replay', HILLY, '--terrain', ground, '--trace', target, '--force'])).code).toBe(2);
  expect(readFileSync(picture)).toEqual(
    readFileSync(new URL('../../../data/lemon-strait/height.png', import.meta.url)),
  );
  const trace = join(folder, 'old.csv');
  writeFileSync(trace, 'old');
  expect((await zestyKite(['replay', session, '--trace', trace])).errors).toContain(
    'choose another name, or add --force',
  );
  // Nothing is lost of the old one, and nothing stays of the new, where the session turns out to be broken.
  const broken = await zestyKite(['replay', '-', '--trace', trace, '--force'], `${text}{"at":-5}\n`);
  expect([broken.code, readFileSync(trace, 'utf8')]).toEqual([2, 'old']);
  expect(readdirSync(folder).filter((name) => name.endsWith('.part'))).toEqual([]);
  expect((await zestyKite(['replay', session, '--trace', trace, '--force'])).code).toBe(0);
  expect(readFileSync(trace, 'utf8')).toMatch(/^seconds,x,y/);
});

test('streams stay streams: years of rest, long traces and endless lines take the time and the memory of what is in them', async () => {
  const header = JSON.stringify({
    format: 'zesty-kite session',
    version: 1,
    settings: {},
    screen: { width: 800, height: 600 },
  });
  const key = (at: number, down: boolean): string => JSON.stringify({ at, kind: 'key', code: 'KeyD', down });
  const years = [header, key(0, true), key(5e5, false), key(9e14, true), key(9e14 + 5e5, false), ''].join('\n');
  const digests = new Set<string>();
  for (const rate of ['30', '144']) {
    const { code, out } = await zestyKite(['replay', '-', '--json', '--rate', rate], years);
    expect(code).toBe(0);
    digests.add((JSON.parse(out) as { digest: string; frames: number }).digest);
  }
  expect(digests.size).toBe(1);
  const long = [header, key(0, true), key(5e6, false), ''].join('\n');
  const trace = join(folder, 'long.csv');
  const limited = spawnSync(
    process.execPath,
    ['--max-old-space-size=40', CLI, 'replay', '-', '--rate', '10000', '--trace', trace],
    {
      encoding: 'utf8',
      input: long,
    },
  );
  expect([limited.status, limited.stderr]).toEqual([0, '']);
  expect(statSync(trace).size).toBeGreaterThan(3e6);
  rmSync(trace);
  const endless = await zestyKite(['replay', '-'], `${header}\n{"at":1,"kind":"${'x'.repeat(20e6)}`);
  expect([endless.code, endless.errors]).toEqual([
    2,
    'zesty-kite: standard input: line 2: expected a line of at most 1 MB, got a longer one\n',
  ]);
});

test('1 is for a broken promise: the grip error of a session that asks for too much precision', async () => {
  // 1e9 least spans from the origin, float64 cannot place a pixel any more.
  const settings = { start: { x: 9e11, y: 0, span: 1000 }, zoom: { minSpan: 1000, maxSpan: 1e6, halfLife: 0.5 } };
  const lines = [
    { format: 'zesty-kite session', version: 1, settings, screen: { width: 1e6, height: 1e6 } },
    { at: 0, kind: 'wheel', x: 9e5, y: 9e5, notches: -30 },
  ];
  const file = join(folder, 'far.ndjson');
  writeFileSync(file, lines.map((line) => `${JSON.stringify(line)}\n`).join(''));
  const { code, errors } = await zestyKite(['replay', file]);
  expect(code).toBe(1);
  expect(errors).toMatch(/^zesty-kite: broken: G2: a held point was .* px away; at most 1.0e-3 is promised\n/);
  // And the first frame that shows it.
  expect(errors).toMatch(/broken: first in frame \d+, at [\d.]+ s: G2: a held point is .* px away\n$/);
});

test('check says what will feel wrong with settings that are allowed, on the screen that it is told', async () => {
  const settings = (name: string): string =>
    new URL(`../../../data/lemon-strait/settings/${name}.json`, import.meta.url).pathname;
  const note = 'note: at the flattest pitch, 20°, the top 23.65 % of the view may show void beyond the bounds\n';
  for (const [name, notes] of [
    ['two-to-one', ''],
    ['over-the-hills', note],
  ] as const)
    expect(await zestyKite(['check', settings(name)])).toEqual({
      code: 0,
      out: `nothing to warn of\n${notes}`,
      errors: '',
    });
  // All that is wrong at once, a line each.
  const { code, out, errors } = await zestyKite(['check', GROUND]);
  expect([code, out]).toEqual([2, '']);
  expect(errors).toMatch(/height: expected one of .*, got "height"\n(.*\n)*$/);
  const wide = await zestyKite(['check', settings('straight-down'), '--screen', '1600x800']);
  expect(wide.out).toMatch(
    /^line 30, column 5: bounds.whenViewIsLarger: at spans from 5\d\d.* the view is up to 1.5 times larger than the bounds/,
  );
  const { warnings } = JSON.parse((await zestyKite(['check', settings('straight-down'), '--json'])).out) as {
    warnings: [];
  };
  expect(warnings).toEqual([
    {
      path: 'bounds.whenViewIsLarger',
      message: expect.stringContaining('set zoom.maxSpan to 640'),
      line: 30,
      column: 5,
    },
  ]);
});

test('the schema of a terrain says yes to what the command reads, and no to what it refuses', async () => {
  const schema = JSON.parse(readFileSync(new URL('../terrain.schema.json', import.meta.url), 'utf8')) as object;
  const conforms = new Ajv2020({ strict: true }).compile(schema);
  copyFileSync(join(GROUND, '../height.png'), join(folder, 'height.png'));
  const ground = JSON.parse(readFileSync(GROUND, 'utf8')) as { samples: Record<string, unknown> };
  const samples = (change: Record<string, unknown>): unknown => ({
    ...ground,
    samples: { ...ground.samples, ...change },
  });
  const described: readonly [unknown, boolean][] = [
    [ground, true],
    [{ ...ground, name: 4 }, false],
    [{ samples: ground.samples }, false],
    [{ name: 'none' }, false],
    [{ ...ground, samples: [] }, false],
    [[], false],
    [samples({ file: '' }), false],
    [samples({ columns: 1 }), false],
    [samples({ rows: 2.5 }), false],
    [samples({ step: 0 }), false],
    [samples({ lowest: '-6' }), false],
    [samples({ highest: undefined }), false],
  ];
  const calls = described.map(([description], i) => {
    const file = join(folder, `described${String(i)}.json`);
    writeFileSync(file, JSON.stringify(description));
    return ['replay', HILLY, '--terrain', file];
  });
  const codes: Ended['code'][] = [];
  for (const args of calls) codes.push((await zestyKite(args)).code);
  described.forEach(([description, isSound], i) => {
    const yes = conforms(JSON.parse(JSON.stringify(description)));
    expect([description, yes, codes[i]]).toEqual([description, isSound, isSound ? 0 : 2]);
  });
});
