/** Edits of settings files: the values are as wanted, and every comment is still there. */
import { expect, test } from '@jest/globals';
import fc from 'fast-check';
import { parse, visit } from 'jsonc-parser';
import { edited } from '../src/vite/edited.ts';
import { asSettings, editsBetween, isSame } from '../src/tuning/paths.ts';

const values = fc.oneof(
  fc.double({ noNaN: true, noDefaultInfinity: true, min: -1e6, max: 1e6 }).map((value) => value + 0),
  fc.constantFrom('focus', 'a "quoted" text', true, null),
  fc.array(fc.tuple(fc.integer(), fc.integer()), { maxLength: 30 }),
);
const keys = fc.constantFrom('zoom', 'pan', 'pitch', 'edge', 'start', 'home');
const trees = fc.dictionary(
  keys,
  fc.oneof(
    values,
    fc.dictionary(
      fc.constantFrom('x', 'y', 'span', 'speed', 'at'),
      fc.oneof(values, fc.dictionary(keys, values, { maxKeys: 2 })),
      { maxKeys: 4 },
    ),
  ),
  { maxKeys: 5 },
);
const comments = fc.array(fc.constantFrom('', '', '/* soft */', '// as in the brief\n', ' ', '\n'), {
  minLength: 40,
  maxLength: 40,
});

/** A text of a tree with comments and blanks between its tokens. */
function textOf(tree: unknown, between: readonly string[], indent: string): string {
  let at = 0;
  const json = JSON.stringify(tree, null, indent);
  // Outside of texts only.
  return json.replaceAll(/"(?:[^"\\]|\\.)*"|[{[,\]}]/g, (token) =>
    token.startsWith('"') ? token : token + (between[at++ % between.length] ?? ''),
  );
}

function commentsOf(text: string): string[] {
  const found: string[] = [];
  visit(text, { onComment: (offset, length) => found.push(text.slice(offset, offset + length)) });
  return found;
}

test('any settings become any others, and no comment outside of what was replaced is lost', () => {
  let kept = 0;
  fc.assert(
    fc.property(trees, trees, comments, fc.constantFrom('', '  ', '\t'), (from, to, between, indent) => {
      const text = textOf(from, between, indent);
      const edits = editsBetween(from, to);
      const next = edited('camera.json', text, edits);
      expect(parse(next, [], { allowTrailingComma: true })).toEqual(to);
      if (edits.length === 0) expect(next).toBe(text);
      // Comments inside of values that were replaced or removed go with them.
      if (edits.every(({ path }) => typeof at(from, path) !== 'object' || at(from, path) === undefined)) {
        expect(commentsOf(next)).toEqual(commentsOf(text));
        kept += commentsOf(text).length;
      }
    }),
    { numRuns: 2000 },
  );
  expect(kept).toBeGreaterThan(200);
});

function at(tree: unknown, path: string): unknown {
  return path.split('.').reduce<unknown>((node, key) => (node as Record<string, unknown> | undefined)?.[key], tree);
}

test('edits laid over settings are the other settings, but for what was removed', () => {
  fc.assert(
    fc.property(trees, trees, (from, to) => {
      const edits = editsBetween(from, to);
      for (const { path, value } of edits) expect(isSame(at(to, path), value)).toBe(true);
      expect(editsBetween(to, to)).toEqual([]);
      const whole = editsBetween({}, to);
      expect(isSame(asSettings(whole), asSettings(editsBetween({}, asSettings(whole))))).toBe(true);
    }),
  );
});

test.each([
  ['{}\n', '{\n  "pan": { "speed": 2 }\n}\n'],
  ['{ "zoom": { "notch": 1.2 } }', '{ "zoom": { "notch": 1.2 }, "pan": { "speed": 2 } }'],
  ['{\r\n\t"zoom": {}\r\n}', '{\r\n\t"zoom": {},\r\n\t"pan": { "speed": 2 }\r\n}'],
  ['{\n  "pan": {\n    "speed": 1, // units\n  },\n}', '{\n  "pan": {\n    "speed": 2, // units\n  },\n}'],
  ['{\n  "a": 1, // one\n}', '{\n  "a": 1, // one\n  "pan": { "speed": 2 },\n}'],
  ['{\n  "a": 1 // one\n}', '{\n  "a": 1, // one\n  "pan": { "speed": 2 }\n}'],
  ['{ "pan": {} }', '{ "pan": { "speed": 2 } }'],
  ['\uFEFF{ "pan": { "speed": 1 } }', '\uFEFF{ "pan": { "speed": 2 } }'],
  ['{ "pan": null }', '{ "pan": { "speed": 2 } }'],
])('%j gets a pan speed as a person would write it', (text, next) => {
  expect(edited('camera.json', text, [{ path: 'pan.speed', value: 2 }])).toBe(next);
});

test.each([
  ['{\n  "a": 1,\n  "b": 2,\n  "c": 3\n}', 'b', '{\n  "a": 1,\n  "c": 3\n}'],
  ['{\n  "a": 1,\n  "b": 2 // two\n}', 'b', '{\n  "a": 1\n  // two\n}'],
  ['{ "a": 1, "b": 2 }', 'b', '{ "a": 1 }'],
  ['{ "a": 1, "b": 2 }', 'a', '{ "b": 2 }'],
  ['{ "a": { "b": 2 } }', 'a.b', '{ "a": { } }'],
])('%j without %s', (text, path, next) => {
  expect(edited('camera.json', text, [{ path }])).toBe(next);
});

test('a file that is no JSON is refused with the place', () => {
  expect(() => edited('camera.json', '{\n  "a": }', [])).not.toThrow();
  expect(() => edited('camera.json', '{\n  "a": }', [{ path: 'a', value: 1 }])).toThrow(
    'camera.json: line 2, column 8: expected JSON',
  );
});
