/** Hooks of Node.js for modules: TypeScript becomes JavaScript, and `@jest/globals` is what the runner of the tests brings. */
import { readFileSync } from 'node:fs';
import { fileURLToPath } from 'node:url';
import { transformSync } from '@swc/core';

const GLOBALS = new URL('globals.mjs', import.meta.url).href;

export function resolve(name, context, next) {
  return name === '@jest/globals' ? { url: GLOBALS, shortCircuit: true } : next(name, context);
}

export function load(url, context, next) {
  if (!new URL(url).pathname.endsWith('.ts')) return next(url, context);
  const filename = fileURLToPath(url);
  const { code } = transformSync(readFileSync(filename, 'utf8'), {
    filename,
    jsc: { target: 'es2022', parser: { syntax: 'typescript' } },
    module: { type: 'es6' },
    sourceMaps: 'inline',
  });
  return { format: 'module', source: code, shortCircuit: true };
}
