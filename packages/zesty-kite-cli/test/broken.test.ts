/** A table of broken calls and files: each ends with 2 and one line that says where, what was found and what would do. */
import { spawnSync } from 'node:child_process';
import { mkdirSync, mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { deflateSync } from 'node:zlib';
import { afterAll, beforeAll, expect, test } from '@jest/globals';
import { encode } from 'fast-png';
import { Tool, type Ended } from './tool.ts';

const CLI = new URL('../bin/zesty-kite.js', import.meta.url).pathname;
const DATA = new URL('../../../data/lemon-strait/', import.meta.url).pathname;
const HILLY = join(DATA, 'sessions/hilly.ndjson');

interface Case {
  readonly args: readonly string[];
  readonly input?: string;
  /** What the line has to name. */
  readonly says: string;
}

let folder: string;
let tool: Tool;
beforeAll(() => {
  folder = mkdtempSync(join(tmpdir(), 'zesty-kite-broken-'));
  tool = new Tool(folder, 200);
});
afterAll(async () => {
  await tool.end();
  rmSync(folder, { recursive: true });
});

/** The table: calls, then what settings, sessions and descriptions of ground hold; each with what the line has to name. */
const { calls, settings, sessions, grounds } = JSON.parse(
  readFileSync(new URL('broken.json', import.meta.url), 'utf8').replaceAll('DATA/', DATA),
) as {
  readonly calls: Case[];
  readonly settings: [string, string][];
  readonly sessions: [string, string][];
  readonly grounds: [object | string, string][];
};
const HEADER = '{"format":"zesty-kite session","version":1,"settings":{},"screen":null}';
sessions.push([`${HEADER}\n${'x'.repeat(2e6)}\n`, 'line 2: expected a line of at most 1 MB']);

/** A PNG whose pixels are other than it says. */
function bomb(good: Uint8Array, pixels: number): Uint8Array {
  const data = deflateSync(Buffer.alloc(pixels));
  const length = Buffer.alloc(4);
  length.writeUInt32BE(data.length);
  return Buffer.concat([good.subarray(0, 33), length, Buffer.from('IDAT'), data, Buffer.alloc(4)]);
}

/** Returns true if the text has the parts of `says` in their order; … stands between parts. */
function saysAll(text: string, says: string): boolean {
  let at = 0;
  for (const part of says.split(' … ')) {
    at = text.indexOf(part, at);
    if (at < 0) return false;
    at += part.length;
  }
  return true;
}

/** The faults of how a case ended; an empty list if it ended as it has to. */
function faultOf(one: Case, { code, out, errors }: Ended): string[] {
  const wrong = [
    code === 2 ? '' : `ended with ${String(code)}`,
    out === '' ? '' : `printed ${out.slice(0, 60)}`,
    /^zesty-kite: [^\n]*\n$/.test(errors) ? '' : 'not one line',
    /expected .+, got .+|; (use|see|choose|set) /.test(errors) ? '' : 'does not say what would do',
    saysAll(errors, one.says) ? '' : `does not say ${JSON.stringify(one.says)}`,
    // eslint-disable-next-line no-control-regex -- these are what must not be there
    /[\u0000-\u0009\u000b-\u001f\u007f-\u009f]/.test(errors) ? 'control bytes' : '',
    errors.includes('    at ') ? 'a stack' : '',
  ].filter((text) => text !== '');
  const name = JSON.stringify([one.args, (one.input ?? '').slice(0, 160)]);
  return wrong.length === 0 ? [] : [`${name}: ${wrong.join(', ')}: ${JSON.stringify(errors.slice(0, 300))}`];
}

/** Every eighth case has a process of its own, which has to end as the call in a process of many. */
async function faultsOf(cases: readonly Case[]): Promise<string[]> {
  const faults: string[] = [];
  for (const [i, one] of cases.entries()) {
    const { args, input = '' } = one;
    const end = await tool.call(args, input);
    faults.push(...faultOf(one, end));
    if (i % 8 > 0) continue;
    const alone = spawnSync(process.execPath, [CLI, ...args], { cwd: folder, input, encoding: 'utf8' });
    if (alone.status !== end.code || alone.stderr !== end.errors)
      faults.push(`${args.join(' ')}: alone ${alone.stderr}`);
  }
  return faults;
}

test('at least 150 cases are in the table', () =>
  expect(calls.length + settings.length + sessions.length + grounds.length).toBeGreaterThanOrEqual(150));

test('broken calls', async () => {
  expect(await faultsOf(calls)).toEqual([]);
});

test('broken settings', async () => {
  const cases = settings.map(([text, says], i): Case => {
    const file = join(folder, `settings${String(i)}.json`);
    writeFileSync(file, text);
    return { args: ['check', file], says };
  });
  expect(await faultsOf(cases)).toEqual([]);
});

test('broken sessions', async () => {
  expect(await faultsOf(sessions.map(([input, says]) => ({ args: ['replay', '-'], input, says })))).toEqual([]);
});

test('broken ground, and pictures that say one thing and are another', async () => {
  const pixels = (channels: number, depth: 8 | 16): Uint8Array =>
    encode({
      width: 4,
      height: 4,
      channels,
      depth,
      data: depth === 16 ? new Uint16Array(16 * channels) : new Uint8Array(16 * channels),
    });
  const good = pixels(1, 16);
  const where = join(folder, 'ground');
  mkdirSync(where);
  writeFileSync(join(where, 'ok.png'), good);
  writeFileSync(join(where, 'text.png'), 'a picture');
  writeFileSync(join(where, 'empty.png'), '');
  writeFileSync(join(where, 'eight.png'), pixels(1, 8));
  writeFileSync(join(where, 'colour.png'), pixels(3, 16));
  writeFileSync(join(where, 'cut.png'), good.subarray(0, 50));
  // 90 kB that would be 90 MB.
  writeFileSync(join(where, 'bomb.png'), bomb(good, 90e6));
  const cases = grounds.map(([value, says], i): Case => {
    const file = join(where, `ground${String(i)}.json`);
    writeFileSync(file, typeof value === 'string' ? value : JSON.stringify(value));
    return { args: ['replay', HILLY, '--terrain', file], says };
  });
  expect(await faultsOf(cases)).toEqual([]);
  expect(readFileSync(join(where, 'ok.png')).length).toBe(good.length);
});
