/**
 * The panel as one file an entry. Its library of templates is in it, the camera is that of the game; but in `standalone/`, for pages
 * without a bundler, each file imports nothing.
 */
import { build } from 'vite';
import { root } from './run.mjs';

const PANEL = `${root}packages/zesty-kite-panel/`;
const PAGES = { index: `${PANEL}src/index.ts`, players: `${PANEL}src/players/index.ts` };
/** Packages that the game or Node.js provides. The schema is in the panel. */
const OUTSIDE = /^(node:|jsonc-parser$|zesty-kite$|zesty-kite\/(?!.*\.json$))/;

export async function bundlePanel() {
  await bundle('dist', { ...PAGES, vite: `${PANEL}src/vite/index.ts` }, (id) => OUTSIDE.test(id));
  for (const [name, file] of Object.entries(PAGES)) await bundle('dist/standalone', { [name]: file }, () => false);
}

async function bundle(outDir, entry, external) {
  await build({
    configFile: false,
    root: PANEL,
    logLevel: 'error',
    // The templates' files for Node run in browsers, too, and can be imported on a server.
    resolve: { conditions: ['node'] },
    build: {
      target: 'es2022',
      outDir,
      emptyOutDir: false,
      minify: false,
      sourcemap: outDir === 'dist',
      lib: { entry, formats: ['es'] },
      rolldownOptions: { external, output: { chunkFileNames: 'shared/[name].js' } },
    },
  });
}
