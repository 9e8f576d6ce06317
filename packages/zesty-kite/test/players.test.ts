/** Players' own settings: offered, between ends, kept as differences, and no harm to the game's. */
import { readFileSync } from 'node:fs';
import { expect, test } from '@jest/globals';
import { Ajv2020 } from 'ajv/dist/2020.js';
import fc from 'fast-check';
import { Camera, type Settings } from '../src/index.ts';
import { PlayerSettings, type JsonSchema, type Offers } from '../src/players/index.ts';
import { forAll } from './law.ts';
import { between } from './steering.ts';

const schema = JSON.parse(readFileSync(new URL('../dist/settings.schema.json', import.meta.url), 'utf8')) as JsonSchema;
const game: Settings = { start: { span: 100 }, pan: { speed: 1.2 }, edge: null };
const offers: Offers = {
  'pan.speed': { min: 0.5, max: 2, step: 0.1 },
  'zoom.anchor': {},
  'drag.glideHalfLife': { max: 0.5 },
  reducedMotion: {},
  edge: { among: [null, {}] },
  'bindings.panUp': {},
  'bindings.panDown': {},
};

function begun(saved?: Settings): { camera: Camera; own: PlayerSettings } {
  const camera = new Camera(game, { screen: { width: 800, height: 600 } });
  return { camera, own: new PlayerSettings(camera, schema, offers, saved) };
}

const choices = fc.oneof(
  fc.tuple(fc.constant('pan.speed'), between(-3, 5)),
  fc.tuple(fc.constant('zoom.anchor'), fc.constantFrom('cursor', 'focus')),
  fc.tuple(fc.constant('drag.glideHalfLife'), between(0, 3)),
  fc.tuple(fc.constant('reducedMotion'), fc.boolean()),
  fc.tuple(fc.constant('edge'), fc.constantFrom(null, {})),
  fc.tuple(fc.constant('bindings.panUp'), fc.subarray(['KeyI', 'ArrowUp', 'KeyW'])),
);

test('whatever is chosen is in force between the ends, saved as differences by its schema, and comes back; a reset leaves the game’s', () => {
  forAll(fc.array(fc.tuple(choices, fc.boolean()), { maxLength: 12 }), (list) => {
    const { camera, own } = begun();
    const before = JSON.stringify(camera.settings);
    for (const [[path, value], resets] of list) {
      own.set(path, value);
      const item = own.offered.find((each) => each.path === path);
      if (typeof value === 'number') {
        const within = Math.min(Math.max(value, item?.min ?? NaN), item?.max ?? NaN);
        expect(item?.value).toBe(within);
      } else if (path !== 'edge') expect(item?.value).toEqual(value);
      if (resets) own.reset(path);
      if (resets) expect(own.offered.find((each) => each.path === path)?.value).toEqual(item?.game);
    }
    const saved = JSON.parse(JSON.stringify(own)) as Settings;
    const isValid = new Ajv2020({ strict: true, allowUnionTypes: true }).compile(own.jsonSchema);
    expect([isValid(saved), isValid.errors]).toEqual([true, null]);
    const again = begun(saved);
    expect(again.camera.settings).toEqual(camera.settings);
    expect(again.own.toJSON()).toEqual(saved);
    own.reset();
    expect([JSON.stringify(camera.settings), own.toJSON()]).toEqual([before, {}]);
  });
});

test('a dialog has all that it needs: texts, kinds, ends, steps, choices', () => {
  const { own } = begun();
  const [speed, anchor, , reduced, edge, up] = own.offered;
  expect(speed).toMatchObject({ kind: 'number', min: 0.5, max: 2, step: 0.1, value: 1.2, game: 1.2 });
  expect(speed?.text).toMatch(/^Screen heights per second/u);
  expect(anchor?.kind).toBe('choice');
  expect(anchor?.among).toContain('cursor');
  expect([reduced?.kind, edge?.among, up?.kind]).toEqual(['switch', [null, {}], 'inputs']);
});

test('what was saved under other offers loses nothing and breaks nothing; what is refused changes nothing', () => {
  const { camera, own } = begun({ pan: { speed: 9 }, turn: { rate: 30 }, zoom: { anchor: 'moon' as 'focus' } });
  expect(camera.settings.pan.speed).toBe(2);
  expect(camera.settings.turn.rate).not.toBe(30);
  expect(own.toJSON()).toEqual({ pan: { speed: 2 }, turn: { rate: 30 }, zoom: { anchor: 'moon' } });
  const before = JSON.stringify(camera.settings);
  expect(() => own.set('pan.startHalfLife', 1)).toThrow('player.pan.startHalfLife: found');
  expect(() => own.set('pan.speed', [[1, 9]])).toThrow('wanted a number');
  expect(() => own.set('zoom.anchor', 'moon')).toThrow('wanted one of');
  expect(() => own.set('bindings.panUp', ['Nonsense Key'])).toThrow('bindings.panUp');
  expect(() => new PlayerSettings(camera, schema, { 'pan.haste': {} })).toThrow('wanted the path of a setting');
  expect(JSON.stringify(camera.settings)).toBe(before);
});

test('inputs that two abilities share are told of before they are chosen, and after', () => {
  const { own } = begun();
  expect([own.conflicts, own.conflictsWith('bindings.panUp', ['KeyI'])]).toEqual([[], []]);
  expect(own.conflictsWith('bindings.panUp', ['KeyS'])).toHaveLength(1);
  own.set('bindings.panUp', ['KeyS']);
  expect(own.conflicts.map(({ message }) => message)).toEqual([expect.stringContaining('"KeyS" is panUp as well')]);
});
