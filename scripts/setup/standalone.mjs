/** Each entry of the library as one module that imports nothing: for workers, and for pages without a bundler. */
import { readFileSync } from 'node:fs';
import { build } from 'vite';
import { root } from './run.mjs';

const PACKAGE = `${root}packages/zesty-kite/`;

/** The entries of the library that are code: by the name of its file in `dist/standalone/`, where each lies in `dist/`. */
function entries() {
  const { exports } = JSON.parse(readFileSync(`${PACKAGE}package.json`, 'utf8'));
  const files = Object.entries(exports).filter(
    ([name, file]) => typeof file === 'string' && file.endsWith('.js') && !name.startsWith('./standalone/'),
  );
  return files.map(([name, file]) => [name === '.' ? 'index' : name.slice(2), `${PACKAGE}${file.slice(2)}`]);
}

export async function bundleEntries() {
  for (const [name, entry] of entries())
    await build({
      configFile: false,
      root: PACKAGE,
      logLevel: 'error',
      build: {
        lib: { entry, formats: ['es'], fileName: () => `${name}.js` },
        outDir: `${PACKAGE}dist/standalone`,
        emptyOutDir: false,
        target: 'es2022',
        rolldownOptions: { output: { minify: true } },
      },
    });
}
