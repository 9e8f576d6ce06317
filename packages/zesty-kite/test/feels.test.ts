/** Named feels, useful ranges and places that never show: what a panel begins with. */
import { readFileSync } from 'node:fs';
import { test } from '@jest/globals';
import { expect } from './expect.ts';
import fc from 'fast-check';
import { Camera, checkSettings, straightDown, tilted, type Settings } from '../src/index.ts';
import { feels, type FeelName } from '../src/feels/index.ts';
import { PlayerSettings, type JsonSchema } from '../src/players/index.ts';
import { reviewSettings, unseenPlaces } from '../src/review/index.ts';
import { forAll } from './law.ts';
import { between } from './steering.ts';

const schema = JSON.parse(readFileSync(new URL('../dist/settings.schema.json', import.meta.url), 'utf8')) as JsonSchema;
const NAMES = Object.keys(feels) as FeelName[];

const pathsOf = (tree: object, above = ''): string[] =>
  Object.entries(tree).flatMap(([key, value]: [string, unknown]) =>
    typeof value === 'object' && value !== null ? pathsOf(value, `${above}${key}.`) : [above + key],
  );

test('one feel replaces another, whole, over any look; and nothing is warned of because of it', () => {
  for (const one of NAMES) expect(pathsOf(feels[one])).toEqual(pathsOf(feels.crisp));
  for (const look of [straightDown(), tilted()])
    forAll(fc.constantFrom(...NAMES), fc.constantFrom(...NAMES), (first, second) => {
      const layers = [look, { bounds: { left: 0, top: 0, right: 1024, bottom: 768 } }];
      expect(checkSettings([...layers, feels[first], feels[second]])).toEqual(
        checkSettings([...layers, feels[second]]),
      );
      expect(reviewSettings([...layers, feels[second]])).toEqual(reviewSettings(layers));
    });
});

test('the longer the feel, the longer a zoom takes to arrive', () => {
  const framesToRest = NAMES.map((name) => {
    const camera = new Camera([straightDown(), feels[name]], { screen: { width: 800, height: 600 } });
    camera.zoom({ factor: 2 });
    let frames = 0;
    do camera.advance((frames += 1) * 10);
    while (!camera.settled);
    return frames;
  });
  expect(framesToRest).toEqual(framesToRest.toSorted((a, b) => a - b));
  expect(new Set(framesToRest).size).toBe(NAMES.length);
});

/** The useful range of each number, and what is allowed of it. */
function rangesOf(useful: JsonSchema, path = ''): { path: string; least: number; most: number; unit: string }[] {
  const { properties, minimum, maximum, title = '' } = useful;
  if (properties !== undefined)
    return Object.entries(properties).flatMap(([key, one]) => rangesOf(one, path === '' ? key : `${path}.${key}`));
  return minimum === undefined ? [] : [{ path, least: minimum, most: maximum ?? NaN, unit: title }];
}

test('every useful value of a number is allowed, and has a unit', () => {
  const ranges = rangesOf(schema.$defs?.['useful'] ?? {});
  expect(ranges.length).toBeGreaterThan(60);
  // Settings that are allowed only beside others.
  const apart = /^(start|home|turn\.m|turn\.stops\.offset|pitch\.m|edge|lens\.fieldOfView)/;
  const kept = ranges.filter(({ path }) => !apart.test(path));
  expect(kept.length).toBeGreaterThan(35);
  forAll(fc.constantFrom(...kept), between(0, 1), ({ path, least, most, unit }, share) => {
    const value = least + share * (most - least);
    const nested = path.split('.').reduceRight<unknown>((below, key) => ({ [key]: below }), value) as Settings;
    expect(() => checkSettings(nested)).not.toThrow();
    expect(unit).not.toBe('');
  });
});

test('a slider of a player goes over the useful range, and over what the game has', () => {
  const camera = new Camera({ zoom: { halfLife: 0.8 }, sensitivity: { wheel: 1.5 } });
  const own = new PlayerSettings(camera, schema, {
    'zoom.halfLife': {},
    'sensitivity.wheel': {},
    'zoom.rate': { max: 90 },
  });
  expect(own.offered).toMatchObject([
    { min: 0, max: 0.8, unit: 's' },
    { min: 0.25, max: 4, unit: '×' },
    { min: 0, max: 90, unit: 'notches per second' },
  ]);
});

test('places that never show are those that no pose brings into the frame', () => {
  const settings: Settings[] = [
    { pitch: { degrees: 40 }, lens: { fieldOfView: 60 }, zoom: { minSpan: 200, maxSpan: 400 } },
    { bounds: { left: 0, top: 0, right: 1024, bottom: 768 } },
  ];
  const screen = { width: 800, height: 600 };
  const unseen = unseenPlaces(settings, screen);
  expect(unseen.length).toBeGreaterThan(20);
  const camera = new Camera(settings, { screen });
  // Wherever the camera is sent at the nearest zoom, none of them is inside of the screen.
  let looks = 0;
  forAll(between(0, 1024), between(0, 768), (x, y) => {
    camera.place({ x, y, span: 200 });
    const view = camera.advance(looks++);
    for (const place of unseen) {
      const at = view.toScreen(place.x, place.y);
      expect(at.inFront && at.x > 1 && at.x < 799 && at.y > 1 && at.y < 599).toBe(false);
    }
  });
  expect(unseenPlaces([...settings, { bounds: { keep: 'focus' } }], screen)).toEqual([]);
});
