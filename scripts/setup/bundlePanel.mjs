/** The panel as one file an entry. Its library of templates is in it; the camera is that of the game. */
import { build } from 'vite';
import { root } from './run.mjs';

export async function bundlePanel() {
  const panel = `${root}packages/zesty-kite-panel/`;
  await build({
    configFile: false,
    root: panel,
    logLevel: 'error',
    // The templates' files for Node run in browsers, too, and can be imported on a server.
    resolve: { conditions: ['node'] },
    build: {
      target: 'es2022',
      outDir: 'dist',
      emptyOutDir: false,
      minify: false,
      sourcemap: true,
      lib: {
        entry: {
          index: `${panel}src/index.ts`,
          players: `${panel}src/players/index.ts`,
          vite: `${panel}src/vite/index.ts`,
        },
        formats: ['es'],
      },
      rolldownOptions: {
        external: (id) => /^(node:|jsonc-parser$|zesty-kite(\/(?!.*\.json$)|$))/.test(id),
        output: { chunkFileNames: 'shared/[name].js' },
      },
    },
  });
}
