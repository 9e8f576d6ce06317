/** The built command line over the demo world: many sessions, parts of them, comparisons, pictures, other programs' formats. */
import { spawnSync } from 'node:child_process';
import { cpSync, mkdirSync, mkdtempSync, readdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { createRequire } from 'node:module';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterAll, beforeAll, expect, test } from '@jest/globals';
import { Ajv2020 } from 'ajv/dist/2020.js';
import { decode } from 'fast-png';
import { Camera, terrainOf, tilted, type Settings } from 'zesty-kite';
import { play, type Cutscene } from 'zesty-kite/direct';
import { record } from 'zesty-kite/session';
import { Tool, type Ended } from './tool.ts';

const ROOT = new URL('../../../', import.meta.url).pathname;
const DATA = join(ROOT, 'data/lemon-strait/');
const HILLS = ['--terrain', join(DATA, 'ground.json')];
const session = (name: string): string => join(DATA, `sessions/${name}.ndjson`);
const settings = (name: string): string => join(DATA, `settings/${name}.json`);
const { validateString } = createRequire(import.meta.url)('gltf-validator') as {
  validateString: (text: string) => Promise<{ issues: { numErrors: number; numWarnings: number } }>;
};
let folder: string;
let tool: Tool;

beforeAll(() => {
  folder = mkdtempSync(join(tmpdir(), 'zesty-kite-tool-'));
  tool = new Tool(folder);
});
afterAll(async () => {
  await tool.end();
  rmSync(folder, { recursive: true });
});

function zestyKite(args: readonly string[], input = ''): Promise<Ended> {
  return tool.call(args, input);
}

async function json<T>(args: readonly string[]): Promise<T> {
  const { code, out, errors } = await zestyKite(args);
  expect([code, errors]).toEqual([0, '']);
  return JSON.parse(out) as T;
}

interface Summary {
  readonly session: string;
  readonly digest: string;
  readonly duration: number;
  readonly frames: number;
  readonly signals: number;
  readonly error?: string;
}

const rowsOf = (out: string): Summary[] =>
  out
    .trim()
    .split('\n')
    .map((line) => JSON.parse(line) as Summary);

test('many sessions have a row each, in their order, with the digests that each has alone; a broken one stops nobody', async () => {
  const many = join(folder, 'many/inside');
  mkdirSync(many, { recursive: true });
  for (const name of ['crossing', 'hilly', 'turned']) cpSync(session(name), join(many, `${name}.ndjson`));
  writeFileSync(join(many, 'broken.ndjson'), '{"format":"something"}\n');
  writeFileSync(join(many, 'notes.txt'), 'no session');
  const { code, out, errors } = await zestyKite(['replay', 'many', ...HILLS, '--json']);
  const rows = rowsOf(out);
  expect(rows.map((row) => row.session.split('/').at(-1))).toEqual(
    readdirSync(many)
      .filter((name) => name.endsWith('.ndjson'))
      .sort(),
  );
  expect([code, errors.split('\n').length]).toEqual([2, 2]);
  expect(errors).toMatch(
    /^zesty-kite: many\/inside\/broken.ndjson: line 1: format: expected "zesty-kite session", got "something"/,
  );
  for (const name of ['crossing', 'hilly', 'turned']) {
    const { rates, ...alone } = await json<Summary & { rates: unknown }>([
      'replay',
      session(name),
      '--json',
      ...(name === 'hilly' ? HILLS : []),
    ]);
    expect(rates).toEqual([60]);
    expect(rows.find((row) => row.session.includes(name))).toMatchObject(alone);
  }
  const table = await zestyKite(['replay', 'many', ...HILLS]);
  expect(table.out.trim().split('\n')).toHaveLength(5);
  expect(table.out).toMatch(/broken.ndjson +not played\n/);
});

test('rates agree, a digest is expected or told, other settings move otherwise', async () => {
  const { digest } = await json<Summary>(['replay', session('crossing'), '--json']);
  expect((await zestyKite(['replay', session('crossing'), '--rates', '24,60,144'])).out).toContain(
    'the same at      60, 144 Hz',
  );
  expect((await zestyKite(['replay', session('crossing'), '--expect', digest])).code).toBe(0);
  const other = await zestyKite([
    'replay',
    session('crossing'),
    '--expect',
    digest,
    '--settings',
    settings('two-to-one'),
  ]);
  expect([other.code, other.errors]).toEqual([
    1,
    expect.stringMatching(/^zesty-kite: digest: expected [0-9a-f]{16}, got [0-9a-f]{16}\n$/),
  ]);
});

test('a part begins and ends where it is told, and its parts make the whole', async () => {
  const part = (from: number, until: number): Promise<Summary> =>
    json<Summary>(['replay', session('crossing'), '--json', '--from', String(from), '--until', String(until)]);
  const whole = await json<Summary>(['replay', session('crossing'), '--json']);
  expect((await part(0, 1000)).digest).toBe(whole.digest);
  expect((await part(3, 9)).duration).toBeLessThanOrEqual(9.02);
  expect((await part(0, 5)).frames + (await part(5.001, 1000)).frames).toBe(whole.frames);
  expect((await part(0, 5)).signals).toBeLessThan(whole.signals);
  expect((await part(3, 9)).digest).not.toBe((await part(0, 9)).digest);
});

test('check: places in the file, several files and screens, a map, and strictness', async () => {
  const file = join(folder, 'wrong.json');
  writeFileSync(
    file,
    '{\n  "zoom": {\n    "notch": -3\n  },\n  "bindings": {\n    "panUp": ["KeyW", "KeyZZ", 7]\n  }\n}\n',
  );
  const { code, errors } = await zestyKite(['check', file]);
  expect(code).toBe(2);
  expect(errors).toContain(
    `${file}: line 3, column 5: zoom.notch: expected a number from 1.001 to 16, such as 1.1, got -3`,
  );
  expect(errors).toMatch(/line 6, column 32: bindings\.panUp\[2\]: expected .*, got 7/);
  const screens = ['--screen', '1280x800', '--screen', '1600x800'];
  const two = await zestyKite(['check', settings('straight-down'), settings('over-the-hills'), ...screens]);
  expect(two.out).toMatch(/straight-down.json: line 30, column 5: bounds.whenViewIsLarger: at 1280x800: /);
  expect(two.out).toMatch(/over-the-hills.json: line \d+, column 3: bounds.whenViewIsLarger: at 1600x800: /);
  expect((await zestyKite(['check', settings('straight-down'), '--strict'])).code).toBe(1);
  expect((await zestyKite(['check', settings('over-the-hills'), '--strict', ...HILLS])).code).toBe(0);
  // All of the map shows in its own bounds; of a smaller one some never does.
  const map = ['--map', join(DATA, 'places.geojson')];
  expect((await zestyKite(['check', settings('over-the-hills'), ...map])).out).toMatch(
    /^nothing to warn of\nnote: [^\n]*\n$/,
  );
  const small = JSON.stringify({ bounds: { left: 400, top: 300, right: 600, bottom: 500 }, zoom: { maxSpan: 200 } });
  expect((await zestyKite(['check', '-', ...map], small)).out).toMatch(
    /bounds: \d+ of \d+ points of the map never show; /,
  );
});

test('explain: screens, tiles and float precision agree with arithmetic', async () => {
  interface Explained {
    readonly screen: { readonly width: number };
    readonly zooms: readonly Record<string, number>[];
  }
  const args = [
    'explain',
    settings('straight-down'),
    '--tile',
    '16',
    '--screen',
    '390x844',
    '--screen',
    '3840x2160',
    '--json',
  ];
  const all = await json<Explained[]>(args);
  expect(all.map(({ screen }) => screen.width)).toEqual([390, 3840]);
  for (const { zooms } of all)
    for (const { acrossUnits = NaN, downUnits = NaN, tilesShown = NaN, floatPixels, pixelsPerUnit = NaN } of zooms) {
      expect(tilesShown).toBeGreaterThanOrEqual(Math.floor(acrossUnits / 16) * Math.floor(downUnits / 16));
      expect(tilesShown).toBeLessThanOrEqual((Math.ceil(acrossUnits / 16) + 1) * (Math.ceil(downUnits / 16) + 1));
      // Near 1024, 32-bit floats lie 2^-13 apart, below it; from it on 2^-14 of half a gap.
      const gap = Math.abs(Math.fround(1024 * (1 + 2 ** -23)) - 1024);
      expect(floatPixels).toBeCloseTo((gap / 2) * pixelsPerUnit, 12);
    }
});

test('compare: settings by what changed, the same session by nothing, other easing by how far the pictures part', async () => {
  const instant = join(folder, 'instant.json');
  const changed = JSON.parse(readFileSync(settings('straight-down'), 'utf8')) as Settings & { zoom: object };
  writeFileSync(instant, JSON.stringify({ ...changed, zoom: { ...changed.zoom, halfLife: 0 } }));
  interface Compared {
    readonly changed: readonly { readonly path: string; readonly a: unknown; readonly b: unknown }[];
    readonly parts: number | null;
    readonly most: { readonly pixels: number };
    readonly a: Summary & { readonly secondsToRest: number };
    readonly b: Summary & { readonly secondsToRest: number };
  }
  const both = [settings('straight-down'), instant];
  const numbers = await json<Compared>(['compare', ...both, '--json']);
  expect(numbers.changed).toEqual([{ path: 'zoom.halfLife', a: 0.09, b: 0 }]);
  expect(numbers.b.secondsToRest).toBeLessThan(numbers.a.secondsToRest);
  const motion = await json<Compared>(['compare', ...both, '--on', session('crossing'), '--json']);
  // The first notch of the session is what they do otherwise.
  const lines = readFileSync(session('crossing'), 'utf8').split('\n');
  const { at } = JSON.parse(lines.find((line) => line.includes('"kind":"wheel"')) ?? '{}') as { at: number };
  expect(motion.parts).toBeGreaterThanOrEqual(at / 1e6);
  expect(motion.parts).toBeLessThan(at / 1e6 + 0.1);
  expect(motion.most.pixels).toBeGreaterThan(10);
  const same = await json<Compared>(['compare', session('hilly'), session('hilly'), ...HILLS, '--json']);
  expect([same.parts, same.most.pixels]).toEqual([null, 0]);
  expect((await zestyKite(['compare', settings('two-to-one'), settings('two-to-one')])).out).toMatch(
    /^the same settings\n\nno number that differs\n$/,
  );
});

test('pictures: SVG with axes that name their units, PNG of the same size, and nothing is written over', async () => {
  const svg = (name: string): string => readFileSync(join(folder, name), 'utf8');
  expect(await zestyKite(['chart', settings('over-the-hills'), '--to', 'settings.svg'])).toEqual({
    code: 0,
    out: expect.stringMatching(/^settings\.svg: over-the-hills\.json over the zoom and over time, \d+ × \d+ pixels\n$/),
    errors: '',
  });
  for (const text of ['pitch, degrees', 'pan, units a second', 'span, world units', 'one notch, share of its way'])
    expect(svg('settings.svg')).toContain(text);
  expect((await zestyKite(['chart', session('hilly'), ...HILLS, '--to', 'session.svg'])).code).toBe(0);
  for (const text of ['x, world units', 'what was seen', 'share of the time', 'seconds'])
    expect(svg('session.svg')).toContain(text);
  expect((await zestyKite(['chart', session('hilly'), ...HILLS, '--to', 'session.png'])).code).toBe(0);
  const [, width, height] = /width="(\d+)" height="(\d+)"/.exec(svg('session.svg')) ?? [];
  const png = decode(readFileSync(join(folder, 'session.png')));
  expect([png.width, png.height]).toEqual([2 * Number(width), 2 * Number(height)]);
  const again = await zestyKite(['chart', session('crossing'), '--to', 'session.svg']);
  expect([again.code, again.errors]).toEqual([2, expect.stringContaining('--force')]);
  const both = [settings('straight-down'), settings('two-to-one')];
  expect((await zestyKite(['compare', ...both, '--picture', 'both.svg'])).code).toBe(0);
  expect(svg('both.svg')).toContain('two-to-one.json');
  expect((await zestyKite(['compare', ...both, '--on', session('crossing'), '--picture', 'motion.svg'])).code).toBe(0);
  expect(svg('motion.svg')).toContain('how far the pictures are apart, pixels');
}, 60_000);

interface Pose {
  readonly seconds: number;
  readonly x: number;
  readonly y: number;
  readonly focusHeight: number;
  readonly span: number;
  readonly heading: number;
  readonly pitch: number;
}

test('export: a pose for each frame, the same numbers as CSV and NDJSON, and those of the camera at rest too', async () => {
  const { out } = await zestyKite(['export', session('crossing'), '--rate', '20']);
  const [head = '', ...lines] = out.trim().split('\r\n');
  const names = head.split(',');
  expect((await zestyKite(['export', session('crossing'), '--rate', '20', '--to', 'c.ndjson'])).code).toBe(0);
  const poses = readFileSync(join(folder, 'c.ndjson'), 'utf8')
    .trim()
    .split('\n')
    .map((line) => JSON.parse(line) as Pose);
  expect(lines.map((line) => line.split(',').map(Number))).toEqual(
    poses.map((pose) => names.map((name) => Reflect.get(pose, name) as number)),
  );
  expect(poses.map(({ seconds }) => seconds)).toEqual(poses.map((_, i) => i / 20));
});

test.each([
  ['turned', []],
  ['crossing', []],
  ['directed', HILLS],
])('%s as glTF: valid, and what is imported of it plays to the same poses', async (name, terrain) => {
  const part = ['--until', '8', '--rate', '30', '--force'];
  expect(await zestyKite(['export', session(name), ...terrain, ...part, '--to', 'motion.gltf'])).toMatchObject({
    code: 0,
    errors: '',
  });
  const { issues } = await validateString(readFileSync(join(folder, 'motion.gltf'), 'utf8'));
  expect([issues.numErrors, issues.numWarnings]).toEqual([0, 0]);
  expect((await zestyKite(['export', session(name), ...terrain, ...part, '--to', 'motion.ndjson'])).code).toBe(0);
  const poses = readFileSync(join(folder, 'motion.ndjson'), 'utf8')
    .trim()
    .split('\n')
    .map((line) => JSON.parse(line) as Pose);
  const { keyframes } = await json<Cutscene>(['import', 'motion.gltf', '--tolerance', '0.0005']);
  const conforms = new Ajv2020().compile(await json<object>(['schema', 'cutscene']));
  expect([conforms({ keyframes }), conforms.errors]).toEqual([true, null]);
  expect(keyframes.length).toBeLessThan(poses.length);
  const wide: Settings = { zoom: { minSpan: 1, maxSpan: 5000 }, pitch: { min: 1, halfLife: 0 } };
  const camera = new Camera(wide, { screen: { width: 1280, height: 800 } });
  camera.advance(0);
  play(camera, { keyframes });
  for (const pose of poses) {
    const { shown } = (camera.advance(pose.seconds * 1000), camera);
    // On the ground at 0: where it looks there, along the same ray.
    const along = pose.focusHeight / Math.tan((pose.pitch * Math.PI) / 180);
    const heading = (pose.heading * Math.PI) / 180;
    const [x, y] = [pose.x + Math.sin(heading) * along, pose.y - Math.cos(heading) * along];
    const distance = pose.span * (1 + Math.abs(pose.focusHeight) / pose.span);
    expect(Math.hypot(shown.x - x, shown.y - y) / distance).toBeLessThan(0.002);
    expect(Math.abs(shown.pitch - pose.pitch)).toBeLessThan(0.2);
    const turned = (shown.heading - pose.heading) % 360;
    expect(Math.min(Math.abs(turned), 360 - Math.abs(turned))).toBeLessThan(0.2);
    if (pose.focusHeight === 0) expect(shown.span / pose.span).toBeCloseTo(1, 2);
  }
});

test('a long motion is a glTF too: 150,000 frames', async () => {
  const lines = [
    { format: 'zesty-kite session', version: 1, settings: {}, screen: { width: 1000, height: 600 } },
    { at: 0, kind: 'key', code: 'KeyD', down: true },
    { at: 2500e6, kind: 'key', code: 'KeyD', down: false },
  ];
  const text = lines.map((line) => `${JSON.stringify(line)}\n`).join('');
  expect(await zestyKite(['export', '-', '--to', 'long.gltf'], text)).toEqual({
    code: 0,
    out: 'long.gltf: 150098 poses, 2502 s\n',
    errors: '',
  });
  const { issues } = await validateString(readFileSync(join(folder, 'long.gltf'), 'utf8'));
  expect([issues.numErrors, issues.numWarnings]).toEqual([0, 0]);
});

test('feel finds what hands did: notches, zooms taken back, edges that were left at once, what was never used', async () => {
  const lines: object[] = [
    {
      format: 'zesty-kite session',
      version: 1,
      settings: { edge: {}, zoom: { minSpan: 10, maxSpan: 1000 } },
      screen: { width: 1000, height: 600 },
    },
  ];
  let at = 0;
  const put = (after: number, signal: object): void => {
    lines.push({ at: (at += after * 1e6), ...signal });
  };
  // Six gestures of six notches in, each taken back by one at once.
  for (let gesture = 0; gesture < 6; gesture++) {
    for (let notch = 0; notch < 6; notch++) put(notch === 0 ? 3 : 0.05, { kind: 'wheel', x: 500, y: 300, notches: 1 });
    put(0.5, { kind: 'wheel', x: 500, y: 300, notches: -1 });
  }
  // Five visits of the left edge, each undone by a key.
  for (let visit = 0; visit < 5; visit++) {
    put(2, { kind: 'hover', x: 2, y: 300 });
    put(0.4, { kind: 'hover', x: 500, y: 300 });
    put(0.1, { kind: 'key', code: 'KeyD', down: true });
    put(0.5, { kind: 'key', code: 'KeyD', down: false });
  }
  const file = join(folder, 'felt.ndjson');
  writeFileSync(file, lines.map((line) => `${JSON.stringify(line)}\n`).join(''));
  interface Felt {
    readonly wheel: {
      readonly gestures: number;
      readonly overshoots: number;
      readonly notchesPerGesture: { readonly most: number };
    };
    readonly zooms: readonly { readonly share: number }[];
    readonly edges: object;
    readonly unused: Readonly<Record<string, readonly string[]>>;
    readonly suggestions: readonly { readonly path: string }[];
  }
  const felt = await json<Felt>(['feel', file, '--json']);
  expect(felt.wheel).toMatchObject({ gestures: 12, overshoots: 6, notchesPerGesture: { most: 6 } });
  expect(felt.edges).toEqual({ visits: 5, reversedAtOnce: 5 });
  expect(felt.zooms.reduce((sum, { share }) => sum + share, 0)).toBeCloseTo(1, 9);
  expect(felt.unused).toMatchObject({ panUp: ['KeyW', 'ArrowUp'], home: ['Home'] });
  expect(Object.keys(felt.unused)).not.toContain('panRight');
  expect(felt.suggestions.map(({ path }) => path)).toEqual(expect.arrayContaining(['zoom.notch', 'edge.dwell']));
  expect((await zestyKite(['feel', '-'], readFileSync(file, 'utf8'))).out).toContain('edge.dwell: 5 of 5 pans');
});

test.each(['flat', 'tiles', 'hills'])(
  'init --look %s writes settings that conform and give nothing to warn of',
  async (look) => {
    const { code } = await zestyKite([
      'init',
      '--map',
      '1024x768',
      '--tile',
      '16',
      '--look',
      look,
      '--to',
      `${look}.json`,
    ]);
    expect(code).toBe(0);
    const written = JSON.parse(readFileSync(join(folder, `${look}.json`), 'utf8')) as Settings;
    const conforms = new Ajv2020().compile(await json<object>(['schema', 'settings']));
    expect([conforms(written), written.$schema]).toEqual([true, './node_modules/zesty-kite/dist/settings.schema.json']);
    expect(await zestyKite(['check', `${look}.json`, '--strict'])).toMatchObject({
      code: 0,
      out: 'nothing to warn of\n',
    });
    const camera = new Camera(written, { screen: { width: 1280, height: 800 } });
    expect([camera.shown.x, camera.shown.y]).toEqual([512, 384]);
  },
);

test('schema players is what the players may change, and no more', async () => {
  writeFileSync(join(folder, 'offers.json'), '{"pan.speed": {"min": 0.5, "max": 2}, "bindings.panUp": {}}');
  const conforms = new Ajv2020().compile(await json<object>(['schema', 'players', '--offers', 'offers.json']));
  expect(
    [{ pan: { speed: 1 } }, { pan: { speed: 3 } }, { zoom: { notch: 1.2 } }, { bindings: { panUp: ['KeyI'] } }].map(
      (one) => conforms(one),
    ),
  ).toEqual([true, false, false, true]);
});

test('completion: each shell has its script, commands and choices are offered, and where nothing is, files are', async () => {
  for (const shell of ['bash', 'zsh', 'fish']) {
    const { code, out } = await zestyKite(['complete', shell]);
    expect([code, out.includes('zesty-kite complete --')]).toEqual([0, true]);
  }
  const { out } = await zestyKite(['complete', 'bash']);
  expect(spawnSync('bash', ['-n'], { input: out }).status).toBe(0);
  const offered = async (...words: readonly string[]): Promise<string[]> =>
    (await zestyKite(['complete', '--', ...words])).out
      .trim()
      .split('\n')
      .map((line) => line.split('\t')[0] ?? '');
  expect(await offered('co')).toEqual(expect.arrayContaining(['compare', ':4']));
  expect(await offered('schema', '')).toEqual(expect.arrayContaining(['cutscene', 'players']));
  expect(await offered('replay', '')).toEqual([':0']);
});

test('each command has an example in its help that is a call of itself', async () => {
  const names = [...(await zestyKite(['--help'])).out.matchAll(/^ {2}([a-z]+) .*[<[]/gm)].map(([, name]) => name ?? '');
  expect(names.length).toBeGreaterThan(10);
  for (const name of names.filter((one) => one !== 'help')) {
    const { code, out } = await zestyKite([name, '--help']);
    expect([name, code, out]).toEqual([name, 0, expect.stringContaining(`\nExample: zesty-kite ${name} `)]);
  }
});

test('the page of the command line shows what its commands print', () => {
  const { status, stderr } = spawnSync(process.execPath, [join(ROOT, 'scripts/console.mjs'), '--check'], {
    encoding: 'utf8',
  });
  expect([status, stderr]).toEqual([0, '']);
}, 60_000);

test('a file of another kind is named, and a cutscene is checked', async () => {
  const scene = {
    keyframes: [
      { at: 1, x: 30, span: { pixelsPerUnit: 2 } },
      { at: 2.5, event: 'gate' },
    ],
  };
  writeFileSync(join(folder, 'scene.json'), JSON.stringify(scene));
  expect((await zestyKite(['check', 'scene.json'])).out).toContain(
    'note: a cutscene of 2 keyframes, 2.5 s, events gate',
  );
  writeFileSync(join(folder, 'late.json'), JSON.stringify({ keyframes: [{ at: 1 }, { at: 1 }] }));
  expect(await zestyKite(['check', 'late.json'])).toMatchObject({
    code: 2,
    errors: expect.stringContaining('late.json: keyframes[1].at: expected a later time than the one before, got 1'),
  });
  expect((await zestyKite(['check', session('crossing')])).errors).toContain(
    'expected a settings file (JSON), got a session',
  );
  expect((await zestyKite(['replay', settings('straight-down')])).errors).toContain(
    'expected a session, got settings, which zesty-kite check',
  );
  expect((await zestyKite(['replay', 'scene.json'])).errors).toContain('expected a session, got a cutscene');
});

test("terrain writes the description of a game's hills: a session over them plays with it, and with the game's module", async () => {
  const hills = `export const terrain = { id: 'waves', lowest: 0, highest: 40, feature: 8,
    heightAt: (x, y) => 20 * Math.sin(x / 70) * Math.cos(y / 60) + 20 };`;
  writeFileSync(join(folder, 'hills.mjs'), hills);
  const grid = { columns: 65, rows: 49, step: 8 };
  const waves = terrainOf(
    {
      id: 'waves',
      lowest: 0,
      highest: 40,
      feature: 8,
      heightAt: (x, y) => 20 * Math.sin(x / 70) * Math.cos(y / 60) + 20,
    },
    grid,
  );
  const args = ['terrain', 'hills.mjs', '--area', '0,0,512,384', '--step', '8', '--to', 'waves.json'];
  expect((await zestyKite(args)).out).toMatch(new RegExp(`^waves\\.json: "waves" ${waves.digest}\n`));
  expect(await zestyKite(args)).toMatchObject({ code: 2, errors: expect.stringContaining('--force') });
  const library = new URL('../../zesty-kite/dist/index.js', import.meta.url).href;
  const made = `${hills} export default terrainOf(terrain, ${JSON.stringify(grid)});`.replace('export const', 'const');
  writeFileSync(join(folder, 'made.mjs'), `import { terrainOf } from '${library}'; ${made}`);
  const replays = new Map<string, string>();
  for (const [terrain, file] of [
    [waves, 'waves.json'],
    [waves, 'made.mjs'],
    [
      terrainOf({ id: 'waves', lowest: 0, highest: 40, feature: 8, heightAt: (x, y) => waves.heightAt(x, y) }),
      'hills.mjs',
    ],
  ] as const) {
    const camera = new Camera(tilted(), { screen: { width: 800, height: 600 }, terrain });
    const recording = record(camera);
    camera.advance(0);
    // Off the samples: only the same grid has the same height there.
    camera.place({ x: 201.3, y: 152.7, span: 90 });
    camera.advance(100);
    writeFileSync(join(folder, 'over.ndjson'), recording.text());
    const { code, out, errors } = await zestyKite(['replay', 'over.ndjson', '--terrain', file]);
    expect([code, errors]).toEqual([0, '']);
    replays.set(file, out);
  }
  expect(replays.get('made.mjs')).toBe(replays.get('waves.json'));
  writeFileSync(join(folder, 'waves.f64'), 'short');
  expect((await zestyKite(['replay', 'over.ndjson', '--terrain', 'waves.json'])).errors).toContain(
    'expected 25480 bytes, a 64-bit float for each of columns · rows, got 5 bytes',
  );
});
