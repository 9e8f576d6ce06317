/** For the browser tests: serves the built examples, starts a browser for each worker, and makes the library one script. */
import { mkdirSync, writeFileSync } from 'node:fs';
import { chromium } from 'playwright-core';
import { build, preview } from 'vite';
import { chromiumOptions } from './chromium.mjs';
import { reactProgram } from './reactProgram.mjs';

const CACHE = new URL('../../.cache/', import.meta.url);

export default async function serve({ maxWorkers }) {
  const server = await preview({
    root: new URL('..', import.meta.url).pathname,
    preview: { host: '127.0.0.1', port: 0 },
    logLevel: 'error',
  });
  globalThis.examplesServer = server;
  process.env.EXAMPLES_URL = server.resolvedUrls.local[0];
  const launched = Array.from({ length: maxWorkers }, () => chromium.launchServer(chromiumOptions()));
  globalThis.browserServers = await Promise.all(launched);
  process.env.BROWSER_SERVERS = JSON.stringify(globalThis.browserServers.map((browser) => browser.wsEndpoint()));
  process.env.EXAMPLES_SCRIPT = await writeScript('everything', 'zesty');
  process.env.RENDERER_SCRIPT = await writeScript('renderer', 'renderer');
  process.env.REACT_SCRIPT = await writeProgram(reactProgram(), 'react');
  process.env.NEW_RENDERER_SCRIPT = await writeScript('newRenderer', 'newRenderer');
}

/** A text as a module of the folder of what is made; the path of its script. */
function writeProgram(text, name) {
  mkdirSync(CACHE, { recursive: true });
  const entry = new URL(`${name}.tsx`, CACHE);
  writeFileSync(entry, text);
  return bundle(entry, name);
}

/** A module of this folder as a script that defines a name; the path of its file. */
function writeScript(module, name) {
  return bundle(new URL(`${module}.ts`, import.meta.url), name);
}

async function bundle(entry, name) {
  const [built] = await build({
    configFile: false,
    logLevel: 'error',
    define: { 'process.env.NODE_ENV': '"development"' },
    build: { write: false, lib: { entry: entry.pathname, formats: ['iife'], name } },
  });
  mkdirSync(CACHE, { recursive: true });
  const file = new URL(`${name}.js`, CACHE);
  writeFileSync(file, built.output[0].code);
  return file.pathname;
}
