/** The endpoint that saves: it writes the named file, keeps its comments, and refuses everything else. */
import { request } from 'node:http';
import { spawnSync } from 'node:child_process';
import { mkdtempSync, readdirSync, readFileSync, rmSync, symlinkSync, unlinkSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterAll, beforeAll, beforeEach, expect, test } from '@jest/globals';
import { Game, SETTINGS } from './game.ts';

const game = new Game({ 'other.json': '{}\n' });
const outside = mkdtempSync(join(tmpdir(), 'zesty-kite-outside-'));
let file: { readonly path: string; readonly digest: string; readonly address: string; readonly token: string };

beforeAll(() => game.serve(), 60_000);
afterAll(() => {
  game.remove();
  rmSync(outside, { recursive: true });
});
beforeEach(async () => {
  game.write('src/camera.json', SETTINGS);
  file = await loaded();
});

/** What the page gets with its settings. */
async function loaded(address = game.address): Promise<typeof file> {
  for (;;) {
    const main = await (await fetch(`${address}src/main.js`)).text();
    const [, module = ''] = /import settings from "([^"]+)"/.exec(main) ?? [];
    const text = await (await fetch(new URL(module, address))).text();
    const [, found] = /const file = \{ \.\.\.(\{.*\}), settings \}/.exec(text) ?? [];
    // Until the server has seen the file that was written.
    const now = JSON.parse(found ?? '{}') as typeof file;
    if (text.includes('"halfLife":0.12')) return now;
    await new Promise((done) => setTimeout(done, 50));
  }
}

interface Answer {
  readonly status: number;
  readonly body: { readonly message?: string; readonly digest?: string };
}

/** Sends what a page would send, with some of it changed. */
function send(
  body: object | string,
  headers: Record<string, string> = {},
  method = 'POST',
  address = game.address,
): Promise<Answer> {
  const { host } = new URL(address);
  const text = typeof body === 'string' ? body : JSON.stringify(body);
  return new Promise((resolve, reject) => {
    const sent = request(
      new URL(file.address, address),
      {
        method,
        headers: {
          'content-type': 'application/json',
          origin: `http://${host}`,
          'x-zesty-kite-token': file.token,
          ...headers,
        },
      },
      (response) => {
        let answer = '';
        response.on('data', (data: Buffer) => (answer += data.toString()));
        response.on('end', () =>
          // Vite itself answers other hosts, with a text.
          resolve({
            status: response.statusCode ?? 0,
            body: (answer.startsWith('{') ? JSON.parse(answer) : {}) as Answer['body'],
          }),
        );
      },
    );
    sent.on('error', reject);
    sent.end(text);
  });
}

const save = (edits: readonly object[], more: object = {}): object => ({
  file: file.path,
  digest: file.digest,
  edits,
  ...more,
});
const EDITS = [
  { path: 'zoom.halfLife', value: 0.2 },
  {
    path: 'pitch.degrees',
    value: [
      [60, 35],
      [700, 75.5],
    ],
  },
  { path: 'pan.speed', value: 1.5 },
  { path: 'start.x' },
];

test('a save changes what differs and keeps comments, order and indents', async () => {
  await expect(send(save(EDITS))).resolves.toMatchObject({ status: 200 });
  expect(game.read('src/camera.json')).toBe(`{
  // How it feels.
  "zoom": { "halfLife": 0.2 }, /* soft */
  "pitch": {
    "degrees": [[60, 35], [700, 75.5]]
  },
  "start": { "y": 384, "span": 400 },
  "pan": { "speed": 1.5 }
}
`);
});

test('a file that has changed meanwhile is not overwritten; with its new digest it is saved', async () => {
  const edited = SETTINGS.replace('0.12', '0.3');
  game.write('src/camera.json', edited);
  const { status, body } = await send(save(EDITS));
  expect([status, body.message]).toEqual([409, expect.stringContaining('src/camera.json has changed')]);
  expect(game.read('src/camera.json')).toBe(edited);
});

test('two saves in a row need no reload', async () => {
  const { body } = await send(save([{ path: 'zoom.halfLife', value: 0.2 }]));
  await expect(send(save([{ path: 'zoom.halfLife', value: 0.3 }], { digest: body.digest }))).resolves.toMatchObject({
    status: 200,
  });
  expect(game.read('src/camera.json')).toContain('"halfLife": 0.3');
});

test.each([
  '../outside.json',
  'other.json',
  '/etc/passwd',
  'src/../other.json',
  'src/camera.json\0',
  'package.json',
  '',
])('the file %j is not named by the configuration, and is not written', async (path) => {
  await expect(send(save(EDITS, { file: path }))).resolves.toMatchObject({ status: 404 });
  expect([game.read('other.json'), game.read('src/camera.json')]).toEqual(['{}\n', SETTINGS]);
});

test('a link that leads out of the project is not followed', async () => {
  const target = join(outside, 'target.json');
  writeFileSync(target, SETTINGS);
  unlinkSync(game.path('src/camera.json'));
  symlinkSync(target, game.path('src/camera.json'));
  const { status, body } = await send(save(EDITS));
  unlinkSync(game.path('src/camera.json'));
  expect([status, body.message]).toEqual([403, expect.stringContaining('outside of the project')]);
  expect(readFileSync(target, 'utf8')).toBe(SETTINGS);
});

test.each<[string, Record<string, string>, number]>([
  ['another origin', { origin: 'http://example.test' }, 403],
  ['an origin on another port', { origin: 'http://127.0.0.1:9' }, 403],
  ['an opaque origin', { origin: 'null' }, 403],
  ['another site, as browsers say', { 'sec-fetch-site': 'cross-site' }, 403],
  ['no token', { 'x-zesty-kite-token': '' }, 403],
  ['a wrong token', { 'x-zesty-kite-token': 'x'.repeat(32) }, 403],
  ['a form', { 'content-type': 'text/plain' }, 415],
  ['another host, as after rebinding', { host: 'example.test', origin: 'http://example.test' }, 403],
])('%s is refused', async (_, headers, status) => {
  await expect(send(save(EDITS), headers)).resolves.toMatchObject({ status });
  expect(game.read('src/camera.json')).toBe(SETTINGS);
});

test.each<[string, object | string, number]>([
  ['text', 'no JSON', 400],
  ['null', 'null', 400],
  ['edits without paths', { file: 'src/camera.json', digest: '', edits: [1] }, 400],
  ['a path that is none', { edits: [{ path: 'zoom..halfLife', value: 1 }] }, 400],
  ['a key of prototypes', { edits: [{ path: '__proto__.polluted', value: 1 }] }, 400],
])('%s is refused, and the file is as it was', async (_, body, status) => {
  const whole = typeof body === 'string' ? body : { ...save([]), ...body };
  await expect(send(whole)).resolves.toMatchObject({ status });
  expect(game.read('src/camera.json')).toBe(SETTINGS);
});

test('a body of many megabytes is refused before it is read', async () => {
  const answer = await send(save([{ path: 'x', value: 'y'.repeat(9e6) }])).catch(() => ({ status: 413 }));
  expect(answer.status).toBe(413);
  expect(game.read('src/camera.json')).toBe(SETTINGS);
});

test('a build has the settings of a file with comments, and neither token nor panel', () => {
  const vite = new URL('../../../node_modules/vite/bin/vite.js', import.meta.url).pathname;
  const main = game
    .read('src/main.js')
    .replace(/import \{ openPanel \}.*\n/, '')
    .replace(/const panel = .*\n/, '');
  game.write('src/main.js', main.replace('camera, panel, ', 'camera, '));
  const env = { ...process.env, NODE_ENV: 'production' };
  const built = spawnSync(process.execPath, [vite, 'build', '--logLevel', 'error'], {
    cwd: game.folder,
    env,
    encoding: 'utf8',
  });
  expect([built.status, built.stderr]).toEqual([0, '']);
  const [script = ''] = readdirSync(game.path('dist/assets'));
  const code = game.read(`dist/assets/${script}`);
  expect([code.includes('halfLife:.12'), /zesty-kite-panel|token/.test(code)]).toEqual([true, false]);
});

test('below another base it saves as well', async () => {
  const below = new Game({
    'vite.config.js': `import { settingsFile } from 'zesty-kite-panel/vite';
export default { base: '/game/', cacheDir: '.vite', plugins: [settingsFile({ file: ['src/camera.json'] })] };
`,
  });
  try {
    await below.serve();
    file = await loaded(`${below.address}game/`);
    expect(file.address).toBe('/game/@zesty-kite-panel/save');
    const origin = below.address.slice(0, -1);
    await expect(send(save(EDITS), { origin }, 'POST', below.address)).resolves.toMatchObject({ status: 200 });
    expect(below.read('src/camera.json')).toContain('"halfLife": 0.2');
  } finally {
    below.remove();
  }
}, 30_000);

test('it answers POST alone', async () => {
  await expect(send('', {}, 'GET')).resolves.toMatchObject({ status: 405 });
});
