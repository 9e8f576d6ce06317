/** Players' own settings: offered, between ends, kept as differences, and no harm to the game's. */
import { readFileSync } from 'node:fs';
import { test } from '@jest/globals';
import { expect } from './expect.ts';
import { Ajv2020 } from 'ajv/dist/2020.js';
import fc from 'fast-check';
import { Camera, type Settings } from '../src/index.ts';
import { PlayerSettings, playerTexts, type JsonSchema, type Offers } from '../src/players/index.ts';
import { descriptions } from '../src/settings/descriptions.ts';
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
  'inverted.wheel': {},
  'inverted.tilt': {},
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
  fc.tuple(fc.constantFrom('inverted.wheel', 'inverted.tilt'), fc.boolean()),
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
      } else expect(item?.value).toEqual(value);
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

test('a choice among groups shows the one in force; inverted axes are switches; names and texts come from a table', () => {
  const camera = new Camera([game, { edge: true, inverted: ['turn'] }], { screen: { width: 800, height: 600 } });
  const bands = {
    edge: { among: [null, {}, { width: 20, unit: 'pixels' }] },
    'inverted.turn': {},
    'inverted.wheel': {},
  };
  const german = { edge: { name: 'Kartenrand', text: 'Die Karte bewegt sich am Rand.' } };
  const own = new PlayerSettings(camera, schema, bands, null, { ...playerTexts, ...german });
  const values = (): unknown[] => own.offered.map(({ value }) => value);
  expect(values()).toEqual([{}, true, false]);
  own.set('edge', { width: 20, unit: 'pixels' });
  own.set('inverted.wheel', true);
  own.set('inverted.turn', false);
  expect(values()).toEqual([{ width: 20, unit: 'pixels' }, false, true]);
  expect(own.toJSON()).toEqual({ edge: { width: 20, unit: 'pixels' }, inverted: ['wheel'] });
  own.set('edge', null);
  expect(values()[0]).toBeNull();
  expect(own.offered.map(({ name }) => name)).toEqual(['Kartenrand', 'Invert rotation', 'Invert wheel']);
  expect(() => own.set('inverted.turn', 1)).toThrow('player.inverted.turn: expected true or false, got 1');
  expect(new PlayerSettings(camera, schema, { 'edge.sideSpeeds.left': {} }).offered[0]?.name).toBe(
    'Edge side speeds left',
  );
});

test('each setting has a short name of its own, and a sentence of at most 20 words', () => {
  const paths = Object.keys(descriptions).filter((path) => path !== '$schema');
  const members = ['pan', 'zoom', 'turn', 'tilt'].map((name) => `locked.${name}`);
  const all = [...paths, ...members, 'inverted.wheel', 'inverted.turn', 'inverted.tilt'];
  expect(Object.keys(playerTexts).sort()).toEqual(all.sort());
  const texts = Object.entries(playerTexts);
  expect(new Set(texts.map(([, entry]) => entry?.name)).size).toBe(texts.length);
  for (const [path, { name, text } = { name: '', text: '' }] of texts) {
    expect([path, name.length > 2 && name.length <= 24]).toEqual([path, true]);
    expect([path, /^[A-Z0-9].*\.$/.test(text) && text.split(' ').length <= 20]).toEqual([path, true]);
  }
});

test('what was saved under other offers loses nothing and breaks nothing; what is refused changes nothing', () => {
  const { camera, own } = begun({ pan: { speed: 9 }, turn: { rate: 30 }, zoom: { anchor: 'moon' as 'focus' } });
  expect(camera.settings.pan.speed).toBe(2);
  expect(camera.settings.turn.rate).not.toBe(30);
  expect(own.toJSON()).toEqual({ pan: { speed: 2 }, turn: { rate: 30 }, zoom: { anchor: 'moon' } });
  const before = JSON.stringify(camera.settings);
  expect(() => own.set('pan.startHalfLife', 1)).toThrow(/player\.pan\.startHalfLife: expected .*, got /);
  expect(() => own.set('pan.speed', [[1, 9]])).toThrow('expected a number');
  expect(() => own.set('zoom.anchor', 'moon')).toThrow('expected one of');
  expect(() => own.set('bindings.panUp', ['Nonsense Key'])).toThrow('bindings.panUp');
  expect(() => new PlayerSettings(camera, schema, { 'pan.haste': {} })).toThrow('expected the path of a setting');
  expect(JSON.stringify(camera.settings)).toBe(before);
});

test('inputs that two abilities share are told of before they are chosen, and after', () => {
  const { own } = begun();
  expect([own.conflicts, own.conflictsWith('bindings.panUp', ['KeyI'])]).toEqual([[], []]);
  expect(own.conflictsWith('bindings.panUp', ['KeyS'])).toHaveLength(1);
  own.set('bindings.panUp', ['KeyS']);
  expect(own.conflicts.map(({ message }) => message)).toEqual([
    expect.stringContaining('"KeyS" is also bound to panUp'),
  ]);
});

test('a nearest zoom is a number to offer, with its ends; one in another unit is left to the game', () => {
  const offer = { 'zoom.minSpan': { min: 20, max: 60 } };
  const made = (zoom: Settings['zoom']): PlayerSettings =>
    new PlayerSettings(new Camera([game, { zoom }], { screen: { width: 800, height: 600 } }), schema, offer);
  const own = made({ minSpan: 30 });
  own.set('zoom.minSpan', 10);
  expect(own.offered[0]).toMatchObject({ kind: 'number', min: 20, max: 60, value: 20, game: 30 });
  expect(made({ minSpan: { pixelsPerUnit: 9 } }).offered[0]).toMatchObject({
    kind: 'other',
    value: { pixelsPerUnit: 9 },
  });
});
