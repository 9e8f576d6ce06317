/** For the browser tests: serves the built examples, and makes the library one script. */
import { mkdirSync, writeFileSync } from 'node:fs';
import { build, preview } from 'vite';

export default async function serve() {
  const server = await preview({
    root: new URL('..', import.meta.url).pathname,
    preview: { host: '127.0.0.1', port: 0 },
    logLevel: 'error',
  });
  globalThis.examplesServer = server;
  process.env.EXAMPLES_URL = server.resolvedUrls.local[0];
  process.env.EXAMPLES_SCRIPT = await writeScript('everything', 'zesty');
  process.env.RENDERER_SCRIPT = await writeScript('renderer', 'renderer');
}

/** A module of this folder as a script that defines a name; the path of its file. */
async function writeScript(module, name) {
  const [built] = await build({
    configFile: false,
    logLevel: 'error',
    build: {
      write: false,
      lib: { entry: new URL(`${module}.ts`, import.meta.url).pathname, formats: ['iife'], name },
    },
  });
  const folder = new URL('../../.cache/', import.meta.url);
  mkdirSync(folder, { recursive: true });
  const file = new URL(`${name}.js`, folder);
  writeFileSync(file, built.output[0].code);
  return file.pathname;
}
