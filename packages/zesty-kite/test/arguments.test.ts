/** Wrong arguments: each is taken, or refused by the name of the function that was called; none ends in the middle of our code. */
import { readFileSync } from 'node:fs';
import { test } from '@jest/globals';
import { expect } from './expect.ts';
import * as core from '../src/index.ts';
import * as canvas from '../src/canvas/index.ts';
import * as css from '../src/css/index.ts';
import * as direct from '../src/direct/index.ts';
import * as events from '../src/events/index.ts';
import * as minimap from '../src/minimap/index.ts';
import * as others from '../src/others/index.ts';
import * as pixi from '../src/pixi/index.ts';
import * as players from '../src/players/index.ts';
import * as review from '../src/review/index.ts';
import * as session from '../src/session/index.ts';
import * as three from '../src/three/index.ts';
import * as worker from '../src/worker/index.ts';

const schema = JSON.parse(
  readFileSync(new URL('../dist/settings.schema.json', import.meta.url), 'utf8'),
) as players.JsonSchema;
const screen = { width: 800, height: 600 };

type Call = (...args: never[]) => unknown;
/** A function, arguments that are good, and how its messages begin. */
interface Row {
  readonly name: string;
  readonly args: () => readonly unknown[];
  readonly call: Call;
}

function camera(): core.Camera {
  const made = new core.Camera(
    { bounds: { left: 0, top: 0, right: 500, bottom: 500 } },
    { screen, report: () => undefined },
  );
  made.advance(0);
  return made;
}
const row = (name: string, call: Call, ...args: readonly (() => unknown)[]): Row => ({
  name,
  call,
  args: () => args.map((make) => make()),
});
const method = (name: keyof core.Camera, ...args: readonly unknown[]): Row => ({
  name,
  args: () => args,
  call: (...given: unknown[]): unknown => {
    const made = camera();
    return Reflect.apply(Reflect.get(made, name) as Call, made, given) as unknown;
  },
});
const construct =
  (made: unknown): Call =>
  (...args: never[]) =>
    Reflect.construct(made as new () => unknown, args) as unknown;
const port = { postMessage: () => undefined, addEventListener: () => undefined, removeEventListener: () => undefined };
const context = { canvas: { width: 1, height: 1 }, setTransform: () => undefined, clearRect: () => undefined };
const style = { transform: '', transformOrigin: '', position: '', visibility: '', zIndex: '', left: '', top: '' };
const view = (): core.View => camera().view;
const set = () => undefined;
const sprite = () => ({ position: { set }, scale: { set }, skew: { set }, rotation: 0, visible: true, zIndex: 0 });
const threeCamera = () => ({
  isOrthographicCamera: true,
  position: { set },
  quaternion: { set },
  rotation: { set },
  updateProjectionMatrix: set,
  updateMatrixWorld: set,
  clearViewOffset: set,
  setViewOffset: set,
});
const point = () => ({ x: 5, y: 5 });
const header = () => session.headerLine({ settings: {}, screen });

const rows: readonly Row[] = [
  row(
    'Camera',
    construct(core.Camera),
    () => ({}),
    () => ({ screen }),
  ),
  method('signal', { kind: 'turn', degrees: 5 }),
  method('place', { x: 5 }),
  method('hold', 1, 5, 5),
  method('unhold', 1),
  method('zoom', { factor: 2 }, { x: 1, y: 1 }),
  method('pan', { x: 5, y: 5 }),
  method('turn', 90, { screenX: 1, screenY: 1 }),
  method('tilt', 10, { x: 1, y: 1 }),
  method('change', { pan: { speed: 1 } }),
  method('changeTerrain', null, 5),
  method('binds', 'KeyW'),
  method('poll', () => undefined),
  method('advance', 16),
  row(
    'ScreenBox',
    (...args: [core.View, number, number, number, number]) => new core.ScreenBox().set(...args),
    view,
    () => 0,
    () => 0,
    () => 9,
    () => 9,
  ),
  row(
    'aim',
    core.aim,
    () => new core.View(),
    () => ({ x: 0, y: 0, span: 5 }),
    () => screen,
  ),
  row('checkSettings', core.checkSettings, () => ({})),
  row(
    'mergeSettings',
    core.mergeSettings,
    () => ({}),
    () => ({}),
  ),
  row('fillMatrices', core.fillMatrices, view, () => core.createMatrices()),
  row('frustumPlanes', core.frustumPlanes, view),
  row(
    'reshapeGrid',
    core.reshapeGrid,
    () => core.terrainOfGrid({ id: 'a', columns: 2, rows: 2, step: 1, heights: [0, 0, 0, 0] }),
    () => ({ column: 0, row: 0, columns: 1, heights: [1] }),
  ),
  row('terrainOf', core.terrainOf, () => ({ id: 'a', lowest: 0, highest: 1, feature: 1, heightAt: () => 0 })),
  row('terrainOfGrid', core.terrainOfGrid, () => ({
    id: 'a',
    columns: 2,
    rows: 2,
    step: 1,
    heights: [0, 0, 0, 0],
  })),
  row(
    'tilted',
    core.tilted,
    () => 10,
    () => 100,
  ),
  row('tiles', core.tiles, () => ({ width: 64, height: 32 })),
  row('straightDown', core.straightDown),
  row(
    'visibleTiles',
    core.visibleTiles,
    view,
    () => 16,
    () => ({ columns: 9, rows: 9 }),
  ),
  row(
    'createDrawing',
    canvas.createDrawing,
    () => context,
    () => ({ snap: 'never' }),
  ),
  row('densityByZoom', canvas.densityByZoom, () => ({ byZoom: [[60, 1]] })),
  row('layOnGround', css.layOnGround, view, () => ({ style })),
  row('cssTransform', css.cssTransform, view),
  row('svgTransform', css.svgTransform, view),
  row('pinLabel', css.pinLabel, view, () => ({ style }), point),
  row('aimThree', three.aimThree, view, threeCamera),
  row('aimPixi', pixi.aimPixi, view, sprite),
  row(
    'standUpright',
    pixi.standUpright,
    view,
    sprite,
    () => 5,
    () => 5,
    () => 0,
    () => ({ size: 1 }),
  ),
  row('Effects', construct(direct.Effects), camera),
  row(
    'shake',
    (of: direct.Shake) => new direct.Effects(camera()).shake(of),
    () => ({ pixels: 1 }),
  ),
  row(
    'nudge',
    (of: direct.Nudge) => {
      new direct.Effects(camera()).nudge(of);
    },
    point,
  ),
  row('Floors', construct(direct.Floors), camera, () => [0, 10]),
  row(
    'Floors.go',
    (floor: number) => {
      new direct.Floors(camera(), [0, 10]).go(floor);
    },
    () => 1,
  ),
  row('Marks', construct(direct.Marks), camera, () => ({})),
  row(
    'Marks.save',
    (...args: [string]) => new direct.Marks(camera()).save(...args),
    () => 'a',
  ),
  row(
    'Marks.key',
    (key: direct.PressedKey) => new direct.Marks(camera()).key(key),
    () => ({
      code: 'Digit1',
      shiftKey: false,
      ctrlKey: false,
      altKey: false,
      metaKey: false,
      repeat: false,
      timeStamp: 0,
    }),
  ),
  row(
    'Visits',
    construct(direct.Visits),
    camera,
    () => undefined,
    () => ({ stay: 1 }),
  ),
  row('directing', direct.directing, camera),
  row('follow', direct.follow, camera, point, () => ({ lead: 0.1 })),
  row(
    'followGroup',
    direct.followGroup,
    camera,
    () => () => [point()],
    () => ({ padding: 5 }),
  ),
  row(
    'frame',
    direct.frame,
    camera,
    () => [point()],
    () => ({ padding: 5 }),
  ),
  row('letterBox', direct.letterBox, camera, () => 0.1),
  row('lock', direct.lock, camera, () => ['pan']),
  row('markOf', direct.markOf, camera),
  row(
    'play',
    direct.play,
    camera,
    () => ({ keyframes: [{ at: 1, x: 5 }] }),
    () => ({ rate: 1 }),
  ),
  row('travel', direct.travel, camera, point, () => ({ speed: 1 })),
  row(
    'when',
    events.when,
    camera,
    () => 'rest',
    () => () => undefined,
  ),
  row('Minimap', construct(minimap.Minimap), camera, () => ({ around: 50 })),
  row('PoseReceiver', construct(others.PoseReceiver), () => ({ delay: 0.3 })),
  row(
    'PoseReceiver.take',
    (...args: [others.PoseRecord, number]) => {
      new others.PoseReceiver().take(...args);
    },
    () => ({ at: 0, pose: [0, 0, 0, 1, 0, 90, 0] }),
    () => 5,
  ),
  row(
    'PoseSender',
    construct(others.PoseSender),
    camera,
    () => () => undefined,
    () => ({ error: 1 }),
  ),
  row(
    'PlayerSettings',
    construct(players.PlayerSettings),
    camera,
    () => schema,
    () => ({ 'pan.speed': {} }),
    () => ({}),
  ),
  row(
    'PlayerSettings.set',
    (...args: [string, unknown]) => {
      new players.PlayerSettings(camera(), schema, { 'pan.speed': {}, 'bindings.panUp': {} }).set(...args);
    },
    () => 'pan.speed',
    () => 1,
  ),
  row(
    'PlayerSettings.conflictsWith',
    (...args: [string, string[]]) =>
      new players.PlayerSettings(camera(), schema, { 'bindings.panUp': {} }).conflictsWith(...args),
    () => 'bindings.panUp',
    () => ['KeyW'],
  ),
  row('bindingWarnings', review.bindingWarnings, () => camera().settings),
  row(
    'reviewSettings',
    review.reviewSettings,
    () => ({}),
    () => screen,
    () => null,
  ),
  row('record', session.record, camera, () => () => undefined),
  row(
    'Replay',
    construct(session.Replay),
    () => {
      const reader = new session.SessionReader();
      reader.push(header());
      return reader.end().header;
    },
    () => ({ rate: 60 }),
  ),
  row('SessionReader.push', (text: string) => new session.SessionReader().push(text), header),
  row(
    'RemoteCamera',
    construct(worker.RemoteCamera),
    () => port,
    () => ({}),
  ),
  row('receiveSignals', worker.receiveSignals, () => port, camera),
];

const BAD: readonly unknown[] = [
  undefined,
  null,
  5,
  -1,
  NaN,
  Infinity,
  '',
  'x',
  true,
  {},
  [],
  [null],
  () => 1,
  Symbol('s'),
  9n,
  { x: 'a' },
  { x: NaN, y: {} },
];

function shown(value: unknown): string {
  return typeof value === 'object' && value !== null ? JSON.stringify(value) : `${typeof value} ${String(value)}`;
}

/** What engines say of a mistake in the middle of code. */
const RAW =
  /^Cannot (read|convert|destructure|mix|set|create)|is not (a function|iterable|an object|defined|a constructor)|^Invalid (array|typed)|undefined \(|Reduce of|intermediate value|object null/;

/** Whether a message begins with what was called, or with the place in the settings that were given. */
function isNamed(name: string, { message }: Error): boolean {
  const [call = ''] = name.split('.').slice(-1);
  const heads = [
    name,
    call,
    // It changes the settings of the camera, and these are what is refused.
    ...(call === 'set' || call === 'reset' ? ['change'] : []),
    'options',
    'terrain',
    'player',
    'record',
    'marks',
    'visits',
    'floors',
    'line',
    'rate',
  ];
  return heads.some((head) => message.toLowerCase().startsWith(head.toLowerCase()));
}

test.each(rows)('$name refuses wrong arguments by its name', ({ name, args, call }) => {
  let tried = 0;
  const good = args();
  const answer = call(...(args() as never[]));
  if (answer instanceof Promise) answer.catch(() => undefined);
  const raw: string[] = [];
  for (let i = 0; i < Math.max(1, good.length); i++)
    for (const bad of BAD) {
      const given = args().map((value, k) => (k === i ? bad : value));
      tried += 1;
      try {
        const result = call(...(given as never[]));
        if (result instanceof Promise) result.catch(() => undefined);
      } catch (error) {
        const message = error instanceof Error ? error.message : String(error);
        if (!(error instanceof Error) || RAW.test(message) || !isNamed(name, error))
          raw.push(`${name}(… ${shown(bad)} as ${String(i)}): ${message}`);
      }
    }
  expect(tried).toBeGreaterThan(10);
  expect(raw).toEqual([]);
});

test.each<[string, () => unknown]>([
  ['when.tell', () => events.when(camera(), 'rest', null as never)],
  ['createDrawing.context', () => canvas.createDrawing(null as never)],
  ['createDrawing.density', () => canvas.createDrawing(context, { density: () => NaN }).begin(view())],
  ['createDrawing.density', () => canvas.createDrawing(context, { density: () => 1e9 }).begin(view())],
  ['densityByZoom', () => canvas.densityByZoom({ byZoom: [[60, 1e9]] })],
  ['densityByZoom', () => canvas.densityByZoom({ byZoom: [[60, NaN]] })],
  [
    'PlayerSettings.offers["pan.speed"].max',
    () => new players.PlayerSettings(camera(), schema, { 'pan.speed': { min: 2, max: 1 } }),
  ],
  [
    'PlayerSettings.offers["pan.speed"].step',
    () => new players.PlayerSettings(camera(), schema, { 'pan.speed': { step: 0 } }),
  ],
  ['visits.at', () => new direct.Visits(camera(), { places: [], at: NaN })],
  ['place', () => camera().place({ zoom: 2 } as never)],
  ['pan', () => camera().pan(...([10, 5] as unknown as [core.Point]))],
  ['zoom', () => camera().zoom({} as never)],
])('%s: expected …', (name, call) => {
  expect(call).toThrow(`${name}: expected `);
});
