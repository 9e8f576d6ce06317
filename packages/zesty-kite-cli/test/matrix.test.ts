/** Every command and every option with values that are none: each ends with 2 and says where, what was expected and what it got. */
import { cpSync, mkdirSync, mkdtempSync, rmSync, symlinkSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterAll, beforeAll, expect, test } from '@jest/globals';
import { Tool } from './tool.ts';

const DATA = new URL('../../../data/lemon-strait/', import.meta.url).pathname;

let folder: string;
let tool: Tool;
beforeAll(() => {
  folder = mkdtempSync(join(tmpdir(), 'zesty-kite-matrix-'));
  cpSync(join(DATA, 'sessions/crossing.ndjson'), join(folder, 'good.ndjson'));
  cpSync(join(DATA, 'settings/straight-down.json'), join(folder, 'good.json'));
  cpSync(join(DATA, 'ground.json'), join(folder, 'ground.json'));
  cpSync(join(DATA, 'height.png'), join(folder, 'height.png'));
  writeFileSync(
    join(folder, 'hills.mjs'),
    'export default { id: "a", lowest: 0, highest: 1, feature: 4, heightAt: () => 0 };',
  );
  writeFileSync(join(folder, 'path.csv'), 'seconds,x,y,span\n0,1,2,3\n1,2,3,4\n');
  writeFileSync(join(folder, 'offers.json'), '{"pan.speed":{"min":0.5,"max":2}}');
  writeFileSync(join(folder, 'taken.svg'), 'taken');
  writeFileSync(join(folder, 'taken.csv'), 'taken');
  writeFileSync(join(folder, 'empty'), '');
  writeFileSync(join(folder, 'words'), 'words, and no more\n');
  writeFileSync(join(folder, 'bytes'), Buffer.from([0, 1, 2, 27, 255, 254, 0]));
  writeFileSync(join(folder, 'list.json'), '[1, 2]');
  writeFileSync(join(folder, 'deep.json'), `${'['.repeat(1e5)}${']'.repeat(1e5)}`);
  writeFileSync(join(folder, 'forged.json'), '{"a\\nzesty-kite: all is well\\u001b[2J": 1}');
  mkdirSync(join(folder, 'none'));
  symlinkSync('round', join(folder, 'round'));
  tool = new Tool(folder, 200);
});
afterAll(async () => {
  await tool.end();
  rmSync(folder, { recursive: true });
});

const FILES = [
  '',
  'missing',
  'none',
  'empty',
  'words',
  'bytes',
  'list.json',
  'deep.json',
  'forged.json',
  'round',
  'good.json/below',
  'a\u0000b',
];
const NUMBERS = ['', 'x', 'NaN', '-1', '1e400', '0x', ' ', '1,2', '\u001b[31m'];
const OUTPUTS = ['', 'none', 'no/such/folder.svg', 'good.json/x.svg', 'round'];

/** What is wrong for each option, by what it takes. */
const WRONG: Readonly<Record<string, readonly string[]>> = {
  '<hertz>': [...NUMBERS, '0', '10001'],
  '<hertz,…>': [...NUMBERS.filter((text) => text !== '1,2'), '60', '60,', '60,x', '0,60'],
  '<seconds>': NUMBERS,
  '<digest>': ['wrong', ''],
  '<width>x<height>': [...NUMBERS, '10', '0x0', '1x', '99999999x1'],
  '<units>': [...NUMBERS, '0'],
  '<left,top,right,bottom>': [...NUMBERS, '0,0,0,8', '0,0,8', '0,0,8,8,8'],
  '<share>': NUMBERS,
  '<span>': [...NUMBERS, '0'],
  '<look>': ['', 'round'],
  '<path>': [],
};

/** Commands with arguments that are good, and what their files are. */
const COMMANDS: readonly { readonly name: string; readonly args: readonly string[]; readonly files: number }[] = [
  { name: 'replay', args: ['good.ndjson'], files: 1 },
  { name: 'check', args: ['good.json'], files: 1 },
  { name: 'explain', args: ['good.json'], files: 1 },
  { name: 'compare', args: ['good.json', 'good.json'], files: 2 },
  { name: 'chart', args: ['good.json', '--to', 'out.svg'], files: 1 },
  { name: 'feel', args: ['good.ndjson'], files: 1 },
  { name: 'export', args: ['good.ndjson'], files: 1 },
  { name: 'import', args: ['path.csv'], files: 1 },
  { name: 'init', args: ['--map', '10x10', '--tile', '1', '--look', 'flat', '--to', '-'], files: 0 },
  {
    name: 'terrain',
    args: ['hills.mjs', '--area', '0,0,8,8', '--step', '4', '--to', 'waves.json', '--force'],
    files: 1,
  },
  { name: 'schema', args: ['players', '--offers', 'offers.json'], files: 0 },
  { name: 'start', args: ['new-game'], files: 0 },
];

/** The options of a command and what each takes, from its help. */
async function optionsOf(name: string): Promise<[string, string][]> {
  const { out } = await tool.call([name, '--help']);
  return [...out.matchAll(/^ {2}(--[a-z-]+)(?: (<[^>]+>(?:x<[^>]+>)?))?/gm)].map(([, option = '', takes = '']) => [
    option,
    takes,
  ]);
}

/** A file that an option reads, or writes. */
function wrongFor(option: string, takes: string): readonly string[] {
  // The ground may lie below the sea.
  if (option === '--height') return NUMBERS.filter((text) => text !== '-1');
  if (['--to', '--trace', '--picture'].includes(option)) return OUTPUTS;
  return takes === '<file>' || takes === '<session>' ? FILES : (WRONG[takes] ?? []);
}

test('whatever a command or an option is given that is none, it says so', async () => {
  const calls: (readonly string[])[] = [];
  const untried: string[] = [];
  for (const { name, args, files } of COMMANDS) {
    for (let i = 0; i < files; i++)
      for (const file of FILES) calls.push([name, ...args.map((arg, k) => (k === i ? file : arg))]);
    for (const [option, takes] of await optionsOf(name)) {
      if (takes === '') continue;
      const wrong = wrongFor(option, takes);
      if (wrong.length === 0 && option !== '--schema') untried.push(`${name} ${option} ${takes}`);
      const others = args.filter((arg, k) => arg !== option && args[k - 1] !== option);
      for (const value of wrong) calls.push([name, ...others, option, value]);
      calls.push([name, ...others, option]);
    }
    calls.push([name, ...args, '--no-such']);
  }
  for (const name of ['', ' ', 'none', 'good.json', '/proc/x', 'good.json/game', 'a\u0000b'])
    calls.push(['start', name]);
  expect(untried).toEqual([]);
  const faults: string[] = [];
  for (const args of calls) {
    const { code, out, errors } = await tool.call(args);
    // A fingerprint that is not the session's is no bad call.
    const isDigest = args.includes('--expect') && args.at(-1) !== '--expect';
    const wrong = [
      code === (isDigest ? 1 : 2) ? '' : `ended with ${String(code)}`,
      out === '' || isDigest ? '' : `printed ${out.slice(0, 80)}`,
      /^(zesty-kite: [^\n]*(expected .+, got |; (use|see|choose) )[^\n]*\n)+$/.test(errors)
        ? ''
        : `said ${errors.slice(0, 200)}`,
      errors.length < 9000 ? '' : `said ${String(errors.length)} letters`,
      // eslint-disable-next-line no-control-regex -- these are what must not be there
      /[\u0000-\u0009\u000b-\u001f\u007f-\u009f]/.test(errors) ? 'control bytes' : '',
      /\n {4}at |not a function|undefined|Cannot read/.test(errors) ? 'a stack' : '',
    ].filter((text) => text !== '');
    if (wrong.length > 0) faults.push(`${JSON.stringify(args)}: ${wrong.join('; ')}`);
  }
  expect(calls.length).toBeGreaterThan(500);
  expect(faults).toEqual([]);
});
