/** What `npm test` and `npm start` do not build again. */
import { mkdirSync, mkdtempSync, renameSync, rmSync, utimesSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { dirname, join } from 'node:path';
import { afterEach, beforeEach, expect, test } from '@jest/globals';
import { fingerprint } from '../../../../scripts/setup/built.mjs';

/** A file of each kind that a build reads or writes. */
const FILES = [
  'data/lemon-strait/units.csv',
  'docs/guide/draw.md',
  'docs/reference/bounds.md',
  'docs/screenshots/coast.png',
  'examples/src/coast.ts',
  'examples/dist/index.html',
  'packages/zesty-kite/src/camera/camera.ts',
  'packages/zesty-kite/dist/index.js',
  'packages/zesty-kite/package.json',
  'scripts/build.mjs',
  'package-lock.json',
  'tsconfig.base.json',
  'tsconfig.json',
];
const UNREAD = [
  'README.md',
  'examples/dist/reference/index.html',
  'examples/node_modules/one/index.js',
  'packages/zesty-kite/test/camera.test.ts',
];

let checkout = '';

function write(file: string, text: string): void {
  mkdirSync(dirname(join(checkout, file)), { recursive: true });
  writeFileSync(join(checkout, file), text);
}

beforeEach(() => {
  checkout = `${mkdtempSync(join(tmpdir(), 'built-'))}/`;
  for (const file of [...FILES, ...UNREAD]) write(file, 'one');
});

afterEach(() => {
  rmSync(checkout, { recursive: true });
});

test.each(FILES)('a change of %s is built: its size, its time, its name', (file) => {
  const path = join(checkout, file);
  const seen = new Set([fingerprint(checkout)]);
  expect(seen).toContain(fingerprint(checkout));
  write(file, 'three');
  seen.add(fingerprint(checkout));
  utimesSync(path, 1, 1);
  seen.add(fingerprint(checkout));
  expect(seen.size).toBe(3);
  if (!file.includes('/')) return;
  renameSync(path, `${path}x`);
  seen.add(fingerprint(checkout));
  rmSync(`${path}x`);
  seen.add(fingerprint(checkout));
  expect(seen.size).toBe(5);
});

test('tests, installed packages and the API reference, which is built on its own, are left out', () => {
  const before = fingerprint(checkout);
  for (const file of UNREAD) write(file, 'three');
  expect(fingerprint(checkout)).toBe(before);
});
