/** Nothing is lost and nothing stays: inputs, parts of files, streams that close, folders in a circle, and what is imported. */
import { spawn, spawnSync } from 'node:child_process';
import {
  chmodSync,
  cpSync,
  existsSync,
  linkSync,
  lstatSync,
  mkdirSync,
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
import { afterEach, beforeEach, expect, test } from '@jest/globals';
import { checkCutscene, type Cutscene } from 'zesty-kite/direct';

const CLI = new URL('../bin/zesty-kite.js', import.meta.url).pathname;
const DATA = new URL('../../../data/lemon-strait/', import.meta.url).pathname;

let folder: string;
beforeEach(() => {
  folder = mkdtempSync(join(tmpdir(), 'zesty-kite-safe-'));
  cpSync(join(DATA, 'ground.json'), join(folder, 'ground.json'));
  cpSync(join(DATA, 'height.png'), join(folder, 'height.png'));
  for (const name of ['crossing', 'hilly'])
    cpSync(join(DATA, `sessions/${name}.ndjson`), join(folder, `${name}.ndjson`));
  for (const name of ['a.json', 'b.json', 'x.csv', 'x.svg'])
    cpSync(join(DATA, 'settings/straight-down.json'), join(folder, name));
  cpSync(join(folder, 'crossing.ndjson'), join(folder, 's.svg'));
});
afterEach(() => rmSync(folder, { recursive: true }));

interface Ended {
  readonly code: number | null;
  readonly out: string;
  readonly errors: string;
}

function run(...args: readonly string[]): Ended {
  const { status, stdout, stderr } = spawnSync(process.execPath, [CLI, ...args], { cwd: folder, encoding: 'utf8' });
  return { code: status, out: stdout, errors: stderr };
}

/** Through a shell, for what only a shell does. */
function shell(line: string): Ended {
  const script = `zesty-kite() { "${process.execPath}" "${CLI}" "$@"; }; ${line}`;
  const { status, stdout, stderr } = spawnSync('bash', ['-c', script], { cwd: folder, encoding: 'utf8' });
  return { code: status, out: stdout, errors: stderr };
}

function parts(): string[] {
  return readdirSync(folder).filter((name) => name.endsWith('.part'));
}

test.each([
  ['height.png', 'chart hilly.ndjson --terrain ground.json --to height.png'],
  ['ground.json', 'replay hilly.ndjson --terrain ground.json --trace ground.json'],
  ['a.json', 'replay crossing.ndjson --settings a.json --trace a.json'],
  ['s.svg', 'compare a.json b.json --on s.svg --picture s.svg'],
  ['x.csv', 'export crossing.ndjson --settings x.csv --to x.csv'],
  ['x.svg', 'chart crossing.ndjson --settings x.svg --to x.svg'],
  ['x.svg', 'chart x.svg --to x.svg'],
  ['a.json', 'replay crossing.ndjson --settings a.json --trace link'],
  ['a.json', 'replay crossing.ndjson --settings link --trace a.json'],
  ['a.json', 'export crossing.ndjson --settings a.json --to other-name.csv'],
  ['crossing.ndjson', 'export - --to crossing.csv < crossing.ndjson'],
])('%s is read, and so not written over, by: %s --force', (file, call) => {
  symlinkSync('a.json', join(folder, 'link'));
  linkSync(join(folder, 'a.json'), join(folder, 'other-name.csv'));
  symlinkSync('crossing.ndjson', join(folder, 'crossing.csv'));
  const before = readFileSync(join(folder, file));
  const { code, out, errors } = shell(`zesty-kite ${call.replace(/( <|$)/, ' --force$1')}`);
  expect([code, out]).toEqual([2, '']);
  expect(errors).toMatch(/expected another file to write to, got one that is read/);
  expect(readFileSync(join(folder, file)).equals(before)).toBe(true);
  expect(parts()).toEqual([]);
});

test('behind a pipe that closes it is silent, and on a full disk it ends with 2: never with a stack, or with 1', () => {
  mkdirSync(join(folder, 'many'));
  for (let i = 0; i < 70; i++) cpSync(join(folder, 'crossing.ndjson'), join(folder, `many/${String(i)}.ndjson`));
  const piped = shell('zesty-kite replay many --json | head -1; exit ${PIPESTATUS[0]}');
  expect([piped.code, piped.errors]).toEqual([0, '']);
  for (const call of [
    'replay many --json',
    'replay many',
    '--help',
    'replay --help',
    '--version',
    'schema settings',
    'export crossing.ndjson',
  ]) {
    const { code, errors } = shell(`zesty-kite ${call} > /dev/full`);
    expect([call, code, errors]).toEqual([
      call,
      2,
      'zesty-kite: standard output: expected space on the disk, got none\n',
    ]);
  }
});

test.each(['SIGINT', 'SIGTERM', 'SIGHUP'] as const)(
  '%s ends a long call at once, and no part of its file stays',
  async (signal) => {
    // Half an hour at 10,000 frames a second takes longer than a test may.
    const header = {
      format: 'zesty-kite session',
      version: 1,
      at: 0,
      settings: {},
      screen: { width: 800, height: 600 },
    };
    const keys = Array.from({ length: 900 }, (_, i) => ({ at: i * 2e6, kind: 'key', code: 'KeyD', down: i % 2 === 0 }));
    writeFileSync(join(folder, 'long.ndjson'), [header, ...keys].map((line) => `${JSON.stringify(line)}\n`).join(''));
    const child = spawn(process.execPath, [CLI, 'export', 'long.ndjson', '--rate', '10000', '--to', 'big.csv'], {
      cwd: folder,
      stdio: 'ignore',
    });
    const ended = new Promise<string | null>((resolve) =>
      child.on('exit', (_code, by) => {
        resolve(by);
      }),
    );
    while (parts().length === 0 && child.exitCode === null) await new Promise((resolve) => setTimeout(resolve, 10));
    child.kill(signal);
    expect(await ended).toBe(signal);
    expect([parts(), existsSync(join(folder, 'big.csv'))]).toEqual([[], false]);
  },
);

test('a disk that is full leaves no part, and a project no folder', () => {
  // A limit for the size of files stands for the end of a disk.
  const { code } = shell('ulimit -f 8; zesty-kite export crossing.ndjson --to big.csv');
  expect(code).not.toBe(0);
  expect([parts(), existsSync(join(folder, 'big.csv'))]).toEqual([[], false]);
  expect(run('start', '/proc/x').errors).toMatch(/\/proc\/x: expected .*, got a place where no folder can be made/);
  expect(run('start', 'a.json/game/deep').code).toBe(2);
  mkdirSync(join(folder, 'shut'));
  expect(run('start', 'shut/../a.json/x').code).toBe(2);
  expect(readdirSync(folder).filter((name) => name.includes('game'))).toEqual([]);
});

test('of runs at one time without --force one wins; --force keeps the mode, and writes through a link', async () => {
  const codes = await Promise.all(
    Array.from(
      { length: 4 },
      () =>
        new Promise<number | null>((resolve) => {
          spawn(process.execPath, [CLI, 'export', 'crossing.ndjson', '--to', 'race.csv'], {
            cwd: folder,
            stdio: 'ignore',
          }).on('exit', resolve);
        }),
    ),
  );
  expect(codes.filter((code) => code === 0)).toHaveLength(1);
  expect(codes.filter((code) => code === 2)).toHaveLength(3);
  chmodSync(join(folder, 'race.csv'), 0o640);
  symlinkSync('race.csv', join(folder, 'via.csv'));
  writeFileSync(join(folder, 'race.csv'), 'before');
  expect(run('export', 'crossing.ndjson', '--to', 'via.csv', '--force').code).toBe(0);
  expect(lstatSync(join(folder, 'via.csv')).isSymbolicLink()).toBe(true);
  expect(statSync(join(folder, 'race.csv')).mode & 0o777).toBe(0o640);
  expect(readFileSync(join(folder, 'race.csv'), 'utf8')).toMatch(/^seconds,x,y/);
});

test('a folder that links to itself is played once', () => {
  mkdirSync(join(folder, 'loop'));
  cpSync(join(folder, 'crossing.ndjson'), join(folder, 'loop/one.ndjson'));
  symlinkSync('.', join(folder, 'loop/again'));
  symlinkSync('..', join(folder, 'loop/above'));
  const { out } = run('replay', 'loop', '--json');
  expect(
    out
      .trim()
      .split('\n')
      .filter((line) => line.includes('one.ndjson')),
  ).toHaveLength(1);
});

test.each([
  ['node_modules', 'game'],
  ['zesty-kite', 'zesty-kite-game'],
  ['vite', 'vite-game'],
  ['A b', 'a-b'],
  ['-x', 'x'],
])('start %s makes a package called %s, and its cd works', (name, called) => {
  const { code, out } = run('start', '--', name);
  expect(code).toBe(0);
  const [, change = ''] = /^ {2}(cd .+)$/m.exec(out) ?? [];
  const found = shell(`${change} && cat package.json`);
  expect((JSON.parse(found.out) as { name: string }).name).toBe(called);
});

test('no name and no key steers a terminal, or begins a line of its own', () => {
  writeFileSync(join(folder, 'forged.json'), '{"a\\nzesty-kite: all is well\\u001b[2J": 1}');
  const { errors } = run('check', 'forged.json');
  expect(errors.match(/\n/g)).toHaveLength(1);
  cpSync(join(folder, 'crossing.ndjson'), join(folder, 'red\u001b[31m\nline.ndjson'));
  const played = run('replay', 'red\u001b[31m\nline.ndjson', 'crossing.ndjson');
  expect(played.out.trim().split('\n')).toHaveLength(3);
  const begun = run('init', '--map', '10x10', '--tile', '1', '--look', 'flat', '--to', 'red\u001b[31m.json');
  // eslint-disable-next-line no-control-regex -- these are what must not be there
  for (const text of [errors, played.out, begun.out]) expect(text).not.toMatch(/[\u0000-\u0009\u000b-\u001f\u007f]/);
});

test('what is nested too deep, and a part that ends before it begins, are one clear line', () => {
  writeFileSync(join(folder, 'deep.json'), `${'{"features":['.repeat(1e5)}${']}'.repeat(1e5)}`);
  for (const call of [
    ['check', 'deep.json'],
    ['check', 'a.json', '--map', 'deep.json'],
    ['replay', 'crossing.ndjson', '--settings', 'deep.json'],
  ])
    expect(run(...call).errors).toMatch(
      /^zesty-kite: deep\.json: line 1, column \d+: expected [^\n]*, got JSON with more than 512 levels\n$/,
    );
  for (const call of [
    ['replay', 'crossing.ndjson'],
    ['export', 'crossing.ndjson'],
    ['feel', 'crossing.ndjson'],
  ])
    expect(run(...call, '--from', '5', '--until', '1')).toEqual({
      code: 2,
      out: '',
      errors: 'zesty-kite: --until: expected more than --from (5 s), got 1\n',
    });
});

test('what is imported is what play takes, in few keyframes; what is not is refused with its line and column', () => {
  const rows = Array.from({ length: 40_000 }, (_, i) => `${String(i / 60)},${String(i / 2)},${String(i / 4)},100`);
  writeFileSync(join(folder, 'straight.csv'), `seconds,x,y,span\n${rows.join('\n')}\n`);
  const { out } = run('import', 'straight.csv');
  const scene = JSON.parse(out) as Cutscene;
  checkCutscene(scene);
  expect(scene.keyframes).toHaveLength(2);
  const broken: [string, RegExp][] = [
    ['seconds,x,y,span\n0,1,2,3\n\n\n1,2,x,4\n', /line 5, column 5: y: expected .*, got "x"/],
    ['seconds,x,y,span,pitch\n0,1,2,3,200\n', /line 2, column 9: pitch: expected .*, got 200/],
    ['seconds,x,y,span\n0,1e13,2,3\n', /line 2, column 3: x: expected .*, got /],
    ['seconds,x,y,span\n0,1,2,1e300\n', /line 2, column 7: span: expected .*, got 1e\+300/],
    ['seconds,x,y,span\r\n0,1,2,3\r\n1,NaN,2,3\r\n', /line 3, column 3: x: expected .*, got "NaN"/],
    ['seconds,x,y,span\n"0","1","2","3"\n"1", "b",2,3\n', /line 3, column 6: x: expected .*, got "b"/],
    ['seconds,x,y,span\n0,1,2,3\n100000,1,2,3\n', /line 3, column 1: seconds: expected .*, got 100000/],
  ];
  for (const [text, says] of broken) {
    writeFileSync(join(folder, 'path.csv'), text);
    const { code, errors } = run('import', 'path.csv');
    expect([code, errors]).toEqual([2, expect.stringMatching(new RegExp(`path\\.csv: ${says.source}`))]);
  }
});

test('a glTF that says it has more numbers than there can be is refused before any is made', () => {
  const data = Buffer.from(Float32Array.from([0, 1, 0, 10, 10, 0, 10, 20]).buffer);
  const gltf = (accessor: object, yfov = 0.8): string =>
    JSON.stringify({
      asset: { version: '2.0' },
      nodes: [{ camera: 0, rotation: [-0.5, 0, 0, 0.866] }],
      cameras: [{ type: 'perspective', perspective: { yfov, znear: 1 } }],
      buffers: [{ uri: `data:application/octet-stream;base64,${data.toString('base64')}`, byteLength: 32 }],
      bufferViews: [
        { buffer: 0, byteLength: 8 },
        { buffer: 0, byteOffset: 8, byteLength: 24 },
      ],
      accessors: [accessor, { bufferView: 1, componentType: 5126, count: 2, type: 'VEC3' }],
      animations: [
        { channels: [{ sampler: 0, target: { node: 0, path: 'translation' } }], samplers: [{ input: 0, output: 1 }] },
      ],
    });
  const good = { bufferView: 0, componentType: 5126, count: 2, type: 'SCALAR' };
  const cases: [string, RegExp][] = [
    [gltf({ ...good, count: 5e8 }), /accessors\[0\]\.count: expected .*, got 500000000/],
    [gltf({ componentType: 5126, count: -1, type: 'SCALAR' }), /accessors\[0\]\.count: expected .*, got -1/],
    [gltf({ ...good, sparse: { count: 2e9 } }), /accessors\[0\]\.sparse\.count: expected .*, got 2000000000/],
    [gltf(good, 0), /span: expected .*, got 0/],
    [gltf(good).slice(0, 200), /line 1, column 201/],
  ];
  writeFileSync(join(folder, 'good.gltf'), gltf(good));
  expect(run('import', 'good.gltf').code).toBe(0);
  for (const [text, says] of cases) {
    writeFileSync(join(folder, 'flight.gltf'), text);
    const { code, errors } = run('import', 'flight.gltf');
    expect([code, errors]).toEqual([2, expect.stringMatching(says)]);
  }
});
