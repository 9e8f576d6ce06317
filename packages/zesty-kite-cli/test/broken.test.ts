/** A table of broken calls and files: each ends with 2 and one line that says where, what was found and what would do. */
import { spawn } from 'node:child_process';
import { mkdirSync, mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { deflateSync } from 'node:zlib';
import { afterAll, beforeAll, expect, test } from '@jest/globals';
import { encode } from 'fast-png';

const CLI = new URL('../bin/zesty-kite.js', import.meta.url).pathname;
const DATA = new URL('../../../data/lemon-strait/', import.meta.url).pathname;
const CROSSING = join(DATA, 'sessions/crossing.ndjson');
const HILLY = join(DATA, 'sessions/hilly.ndjson');

interface Case {
  readonly args: readonly string[];
  readonly input?: string;
  /** What the line has to name. */
  readonly says: string;
}

let folder: string;
beforeAll(() => {
  folder = mkdtempSync(join(tmpdir(), 'zesty-kite-broken-'));
});
afterAll(() => {
  rmSync(folder, { recursive: true });
});

const calls: Case[] = [
  { args: [], says: 'found no command' },
  { args: ['replya'], says: "unknown command 'replya'" },
  { args: ['play', CROSSING], says: "unknown command 'play'" },
  { args: ['--loud'], says: "unknown option '--loud'" },
  { args: ['replay'], says: "missing required argument 'session'" },
  { args: ['check'], says: "missing required argument 'settings'" },
  { args: ['replay', CROSSING, CROSSING], says: 'too many arguments' },
  { args: ['replay', CROSSING, '--rat', '60'], says: "unknown option '--rat'" },
  { args: ['replay', CROSSING, '--trace'], says: "option '--trace <file>' argument missing" },
  { args: ['replay', CROSSING, '--ground'], says: "option '--ground <file>' argument missing" },
  ...['0', '-1', 'NaN', 'Infinity', '1e9', '', 'sixty', '60hz', '0x10z'].map((rate) => ({
    args: ['replay', CROSSING, `--rate=${rate}`],
    says: `found "${rate}"; wanted 1 to 10000 frames a second`,
  })),
  ...['', '0x0', '1280', '1280*800', '-5x9', '1e9x1', '999999x2'].map((size) => ({
    args: ['check', join(DATA, 'settings/two-to-one.json'), `--screen=${size}`],
    says: 'wanted a size such as 1280x800',
  })),
  { args: ['replay', 'nowhere.ndjson'], says: 'nowhere.ndjson: there is no such file' },
  { args: ['check', 'nowhere.json'], says: 'nowhere.json: there is no such file' },
  { args: ['replay', DATA], says: 'found a folder' },
  { args: ['check', DATA], says: 'found a folder' },
  { args: ['replay', `${CROSSING}/inside`], says: 'found a file where a folder should be' },
  { args: ['replay', 'x'.repeat(400)], says: 'a name that is too long' },
  { args: ['replay', CROSSING, '--trace', DATA], says: 'found a folder' },
  { args: ['replay', CROSSING, '--trace', '/nowhere/at/all.csv'], says: '/nowhere/at/all.csv: found no such file' },
  { args: ['replay', CROSSING, '--trace', CROSSING], says: 'found a file that is read' },
  { args: ['replay', CROSSING, '--trace', '/dev/full'], says: 'found no space left' },
  { args: ['replay', HILLY], says: 'terrain: found flat ground; wanted "Lemon Strait"' },
  { args: ['replay', CROSSING, '--ground', join(DATA, 'ground.json')], says: 'wanted flat ground' },
  { args: ['replay', HILLY, '--ground', CROSSING], says: 'wanted a description of the ground' },
  { args: ['replay', HILLY, '--ground', 'nowhere.json'], says: 'there is no such file' },
  { args: ['check', '/dev/zero'], says: 'found more than 64 MB' },
  { args: ['replay', '/dev/zero'], says: 'found a line of more than 16 MB' },
  { args: ['replay', HILLY, '--ground', '/dev/zero'], says: 'found more than 1 MB' },
];

/** Settings files: text, and what is said of it. */
const settings: [string, string][] = [
  ['', 'found nothing; wanted a settings file'],
  ['   \n', 'found nothing'],
  ['{', 'line 1, column 2: found the end'],
  ['{"zoom": {"notch": 1.1,}}', 'which is no JSON there'],
  ["{'zoom': {}}", 'which is no JSON there'],
  ['# zoom', 'line 1, column 1: found "# zoom"'],
  ['{"a":1}\n{"b":2}', 'line 2, column 1'],
  ['{"zoom": NaN}', 'which is no JSON there'],
  ['\u0000\u0001', 'which is no JSON there'],
  ['\u001b[31mred', 'which is no JSON there'],
  ['null', 'found null; wanted an object'],
  ['5', 'found 5'],
  ['"zoom"', 'found "zoom"'],
  ['[]', 'found []'],
  ['[{"zoom":{}}]', 'wanted an object'],
  ['{"zooom":{}}', 'zooom: found an unknown key; wanted perhaps "zoom"'],
  ['{"\\u001b[2J":1}', 'found an unknown key'],
  ['{"__proto__":{}}', '__proto__: found an unknown key'],
  ['{"zoom":{"__proto__":{}}}', 'zoom.__proto__: found an unknown key'],
  ['{"constructor":{}}', 'constructor: found an unknown key'],
  ['{"zoom":[]}', 'zoom: found []'],
  ['{"zoom":"fast"}', 'zoom: found "fast"'],
  ['{"zoom":{"notch":1}}', 'zoom.notch: found 1; wanted a number from 1.001 to 16'],
  ['{"zoom":{"notch":1e999}}', 'zoom.notch: found Infinity'],
  ['{"zoom":{"notch":"1.1"}}', 'zoom.notch: found "1.1"'],
  ['{"zoom":{"notch":null}}', 'zoom.notch: found null'],
  ['{"zoom":{"notch":{}}}', 'zoom.notch: found {}'],
  ['{"zoom":{"stops":[]}}', 'zoom.stops: found []'],
  ['{"zoom":{"stops":[0]}}', 'zoom.stops[0]: found 0'],
  ['{"zoom":{"stops":[1,"2"]}}', 'zoom.stops[1]: found "2"'],
  ['{"zoom":{"stopsIn":"inches"}}', 'zoom.stopsIn: found "inches"'],
  ['{"zoom":{"leastSpan":50,"mostSpan":20}}', 'zoom.mostSpan: found 20; wanted at least zoom.leastSpan, 50'],
  ['{"zoom":{"leastScale":4,"mostScale":2}}', 'zoom.mostScale: found 2'],
  ['{"pitch":{"degrees":[]}}', 'pitch.degrees: found []'],
  ['{"pitch":{"degrees":[[100,40],[50,70]]}}', 'pitch.degrees[1][0]: found 50'],
  ['{"pitch":{"degrees":{"near":40}}}', 'pitch.degrees: found {"near":40}'],
  ['{"pitch":{"least":60,"most":30}}', 'pitch.most: found 30'],
  ['{"turn":{"least":60,"most":30}}', 'turn.most: found 30'],
  ['{"turn":{"stops":{"step":0}}}', 'turn.stops.step: found 0'],
  ['{"turn":{"stops":90}}', 'turn.stops: found 90'],
  ['{"lens":{"fieldOfView":180}}', 'lens.fieldOfView: found 180'],
  ['{"lens":{"fieldOfView":40,"distance":100}}', 'lens.distance: found 100'],
  ['{"ground":{"lowest":9,"highest":1}}', 'ground.highest: found 1'],
  ['{"start":{"x":1e13}}', 'start.x: found 10000000000000'],
  ['{"start":{"x":2e11},"zoom":{"leastSpan":12}}', 'start.x: found 200000000000; wanted at most 12000000000'],
  ['{"bounds":{}}', 'bounds: found nothing; wanted one shape'],
  ['{"bounds":{"left":0,"top":0,"right":10}}', 'bounds.bottom: found nothing'],
  ['{"bounds":{"left":10,"top":0,"right":0,"bottom":9}}', 'bounds.right: found 0'],
  ['{"bounds":{"circle":{"x":0,"y":0,"radius":0}}}', 'bounds.circle.radius: found 0'],
  ['{"bounds":{"circle":{"x":0,"y":0,"radius":5},"polygon":[[0,0],[1,0],[0,1]]}}', 'wanted one shape'],
  ['{"bounds":{"polygon":[[0,0],[1,1]]}}', 'bounds.polygon: found'],
  ['{"bounds":{"polygon":[[0,0],[1,1],[2,2]]}}', 'wanted a ring of at least three corners that has an area'],
  ['{"bounds":{"polygon":[[0,0],[1,1],[2]]}}', 'bounds.polygon[2][1]'],
  ['{"bounds":{"area":{"type":"Point","coordinates":[0,0]}}}', 'bounds.area.type: found "Point"'],
  ['{"bounds":{"area":{"type":"Polygon","coordinates":[]}}}', 'at least one polygon'],
  ['{"bounds":{"area":{"type":"Polygon","coordinates":5}}}', 'bounds.area.coordinates: found 5'],
  ['{"bounds":{"area":{"type":"Polygon","coordinates":[[[0,0],[9,"x"],[0,9]]]}}}', 'coordinates[0][1]: found [9,"x"]'],
  [
    '{"bounds":{"area":{"type":"FeatureCollection","features":[{"type":"Feature","geometry":null}]}}}',
    'geometry.type: found nothing',
  ],
  ['{"wrap":{"x":100}, "bounds":{"circle":{"x":0,"y":0,"radius":5}}}', 'wrap: found {"x":100,"y":null}'],
  ['{"bindings":{"panUp":"KeyW"}}', 'bindings.panUp: found "KeyW"'],
  ['{"bindings":{"panUp":["W"]}}', 'bindings.panUp[0]: found "W"; wanted perhaps "KeyW"'],
  ['{"bindings":{"panUp":["Ctrl+KeyA"]}}', 'wanted perhaps "Control+KeyA"'],
  ['{"bindings":{"panUp":[""]}}', 'bindings.panUp[0]: found ""'],
  ['{"bindings":{"panUp":["KeyW+"]}}', 'bindings.panUp[0]: found "KeyW+"'],
  ['{"bindings":{"jump":["Space"]}}', 'bindings.jump: found an unknown key'],
  ['{"locked":"pan"}', 'locked: found "pan"'],
  ['{"locked":["fly"]}', 'locked[0]: found "fly"'],
  ['{"edge":{"in":"metres"}}', 'edge.in: found "metres"'],
  ['{"edge":5}', 'edge: found 5'],
  ['{"hold":{"turn":1}}', 'hold.turn: found 1'],
  ['{"safeFrame":{"left":-5}}', 'safeFrame.left: found -5'],
  ['{"drag":{"slop":1000}}', 'drag.slop: found 1000'],
  ['{"pad":{"deadZone":1}}', 'pad.deadZone: found 1'],
  ['{"$schema":7}', '$schema: found 7'],
  ['{"resize":{"keep":"all"}}', 'resize.keep: found "all"'],
];

const HEADER = { format: 'zesty-kite session', version: 1, settings: {}, screen: { width: 800, height: 600 } };
const head = (changes: object): string => `${JSON.stringify({ ...HEADER, ...changes })}\n`;
const line = (signal: object): string => `${head({})}${JSON.stringify({ at: 5, ...signal })}\n`;

/** Sessions on standard input. */
const sessions: [string, string][] = [
  ['', 'line 1: found nothing; wanted the header of a session'],
  ['\n\n', 'found nothing'],
  ['a,b\n', 'line 1: found "a,b"; wanted one JSON object'],
  ['[]\n', 'line 1: found []'],
  ['null\n', 'line 1: found null'],
  ['7\n', 'line 1: found 7'],
  ['{}\n', 'format: found nothing'],
  ['\u0000\u0000\n', 'line 1: found'],
  ['\u001b]0;title\u0007\n', 'line 1: found'],
  [head({ format: 'other' }), 'format: found "other"'],
  [head({ version: 2 }), 'version: found 2; this reads version 1; wanted a session of that'],
  [head({ version: '1' }), 'version: found "1"'],
  [head({ settings: undefined }), 'wanted an object'],
  [head({ settings: [] }), 'found []'],
  [head({ settings: { zoom: { notch: 0 } } }), 'zoom.notch: found 0'],
  [head({ screen: 5 }), 'screen: found 5'],
  [head({ screen: { width: 5 } }), 'screen: found {"width":5}'],
  [head({ terrain: 'hills' }), 'terrain: found "hills"'],
  [head({ terrain: { id: 'a', digest: 'b' } }), 'wanted "a" b, over which the session was recorded'],
  [`${head({})}nothing\n{}\n`, 'line 2: found "nothing"'],
  [`${head({})}{}\n`, 'line 2: at: found nothing'],
  [line({ at: -1, kind: 'release' }), 'at: found -1'],
  [line({ at: 0.5, kind: 'release' }), 'at: found 0.5'],
  [line({ at: 1e16, kind: 'release' }), 'at: found 10000000000000000'],
  [line({ at: '5', kind: 'release' }), 'at: found "5"'],
  [
    `${line({ kind: 'release' })}{"at":4,"kind":"release"}\n`,
    'line 3: at: found 4; wanted whole microseconds, not before the 5',
  ],
  [line({}), 'kind: found nothing; wanted one of "screen"'],
  [line({ kind: 'jump' }), 'kind: found "jump"'],
  [line({ kind: 'key', code: 5, down: true }), 'code: found 5'],
  [line({ kind: 'key', code: 'KeyW' }), 'down: found nothing'],
  [line({ kind: 'wheel', x: 1, notches: 1 }), 'y: found nothing'],
  [line({ kind: 'wheel', x: 1, y: 1, notches: '1' }), 'notches: found "1"'],
  [line({ kind: 'press', id: 1, input: 'Mouse', x: 1, y: 1 }), 'input: found "Mouse"'],
  [line({ kind: 'hold', id: 1, x: null, y: 1 }), 'x: found null'],
  [line({ kind: 'pad', id: 0, axes: 5, buttons: [] }), 'axes: found 5'],
  [line({ kind: 'pad', id: 0, axes: ['a'], buttons: [] }), 'axes[0]: found "a"'],
  [line({ kind: 'gap', phase: 'middle' }), 'phase: found "middle"'],
  [line({ kind: 'place', span: 'big' }), 'span: found "big"'],
  [line({ kind: 'turn', degrees: 9, about: 'focus' }), 'about: found "focus"'],
  [line({ kind: 'screen', width: 'wide', height: 5 }), 'width: found "wide"'],
  [line({ kind: 'terrain', id: 5, digest: 'x' }), 'id: found 5'],
  [line({ kind: 'terrain', id: 'x', digest: 'y' }), 'terrain: found none that is "x" y'],
  [line({ kind: 'change' }), 'settings: found nothing'],
  [line({ kind: 'change', settings: { zoom: { notch: -1 } } }), 'zoom.notch: found -1'],
  [line({ kind: 'change', settings: { bounds: { circle: 5 } } }), 'bounds.circle: found 5'],
  [`${head({})}${'x'.repeat(2e6)}\n`, 'line 2: found a line of more than 1 MB'],
];

const GROUND = { name: 'g', samples: { file: 'ok.png', columns: 4, rows: 4, step: 2, lowest: 0, highest: 9 } };
const samples = (changes: object): object => ({ ...GROUND, samples: { ...GROUND.samples, ...changes } });

/** Descriptions of ground, as JSON or as text. */
const grounds: [object | string, string][] = [
  ['', 'found nothing'],
  ['{"name"', 'which is no JSON there'],
  [[], 'the whole: found []'],
  [{}, 'name: found nothing'],
  [{ name: 5 }, 'name: found 5'],
  [{ name: 'g' }, 'samples: found nothing'],
  [{ name: 'g', samples: 'many' }, 'samples: found "many"'],
  [samples({ file: undefined }), 'samples.file: found nothing'],
  [samples({ file: 7 }), 'samples.file: found 7'],
  [samples({ file: 'none.png' }), 'there is no such file; wanted a height image'],
  [samples({ file: '.' }), 'found a folder'],
  [samples({ columns: 1 }), 'samples.columns: found 1'],
  [samples({ columns: 2.5 }), 'samples.columns: found 2.5'],
  [samples({ rows: '4' }), 'samples.rows: found "4"'],
  [samples({ rows: 1e9 }), 'samples.rows: found 1000000000'],
  [samples({ columns: 60_000, rows: 60_000 }), 'samples: found "60000 × 60000"; wanted at most'],
  [samples({ step: 0 }), 'samples.step: found 0'],
  [samples({ step: null }), 'samples.step: found null'],
  [samples({ lowest: 'deep' }), 'samples.lowest: found "deep"'],
  [samples({ lowest: 10 }), 'samples.highest: found 9; wanted at least samples.lowest, 10'],
  [samples({ columns: 5 }), 'ok.png: found 4 × 4 pixels; wanted a 16-bit greyscale PNG of 5 × 4 pixels'],
  [samples({ file: 'text.png' }), 'text.png: found no PNG'],
  [samples({ file: 'eight.png' }), 'eight.png: found colour type 0 of 8 bits'],
  [samples({ file: 'colour.png' }), 'colour.png: found colour type 2'],
  [samples({ file: 'cut.png' }), 'cut.png: found broken pixels'],
  [samples({ file: 'bomb.png' }), 'bomb.png: found'],
  [samples({ file: 'empty.png' }), 'empty.png: found no PNG'],
];

/** A PNG whose pixels are other than it says. */
function bomb(good: Uint8Array, pixels: number): Uint8Array {
  const data = deflateSync(Buffer.alloc(pixels));
  const length = Buffer.alloc(4);
  length.writeUInt32BE(data.length);
  return Buffer.concat([good.subarray(0, 33), length, Buffer.from('IDAT'), data, Buffer.alloc(4)]);
}

function run({ args, input = '' }: Case): Promise<{ code: number | null; out: string; errors: string }> {
  return new Promise((resolve) => {
    const child = spawn(process.execPath, ['--max-old-space-size=200', CLI, ...args], { cwd: folder });
    let out = '';
    let errors = '';
    child.stdout.on('data', (piece: Buffer) => (out += piece.toString()));
    child.stderr.on('data', (piece: Buffer) => (errors += piece.toString()));
    child.stdin.on('error', () => undefined);
    child.stdin.end(input);
    child.on('close', (code) => {
      resolve({ code, out, errors });
    });
  });
}

/** What is wrong with how a case ended; nothing when it is as it should be. */
async function faultOf(one: Case): Promise<string[]> {
  const { code, out, errors } = await run(one);
  const wrong = [
    code === 2 ? '' : `ended with ${String(code)}`,
    out === '' ? '' : `printed ${out.slice(0, 60)}`,
    /^zesty-kite: [^\n]*\n$/.test(errors) ? '' : 'not one line',
    errors.includes('wanted') ? '' : 'does not say what would do',
    errors.includes(one.says) ? '' : `does not say ${JSON.stringify(one.says)}`,
    // eslint-disable-next-line no-control-regex -- these are what must not be there
    /[\u0000-\u0009\u000b-\u001f\u007f-\u009f]/.test(errors) ? 'control bytes' : '',
    errors.includes('    at ') ? 'a stack' : '',
  ].filter((text) => text !== '');
  const name = JSON.stringify([one.args, (one.input ?? '').slice(0, 160)]);
  return wrong.length === 0 ? [] : [`${name}: ${wrong.join(', ')}: ${JSON.stringify(errors.slice(0, 300))}`];
}

async function faultsOf(cases: readonly Case[]): Promise<string[]> {
  const faults: string[] = [];
  const left = [...cases];
  const work = async (): Promise<void> => {
    for (let one = left.shift(); one; one = left.shift()) faults.push(...(await faultOf(one)));
  };
  await Promise.all([work(), work(), work()]);
  return faults;
}

test('at least 150 cases are in the table', () => {
  expect(calls.length + settings.length + sessions.length + grounds.length).toBeGreaterThanOrEqual(150);
});

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
    return { args: ['replay', HILLY, '--ground', file], says };
  });
  expect(await faultsOf(cases)).toEqual([]);
  expect(readFileSync(join(where, 'ok.png')).length).toBe(good.length);
});
