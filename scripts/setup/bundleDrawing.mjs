/** The drawing of charts as one file, with the chart library in it and the fonts beside it. */
import { copyFileSync } from 'node:fs';
import { createRequire } from 'node:module';
import { build } from 'vite';
import { root } from './run.mjs';

const DRAWING = `${root}packages/zesty-kite-drawing/`;

export async function bundleDrawing() {
  await build({
    configFile: false,
    root: DRAWING,
    logLevel: 'error',
    ssr: { noExternal: true, external: ['@resvg/resvg-js'] },
    build: {
      ssr: true,
      target: 'node20',
      outDir: 'dist',
      emptyOutDir: false,
      license: { fileName: 'LICENSES.md' },
      rolldownOptions: {
        input: { index: `${DRAWING}src/index.ts` },
        output: { entryFileNames: '[name].js', comments: false, codeSplitting: false },
      },
    },
  });
  const { resolve } = createRequire(`${DRAWING}package.json`);
  for (const name of ['DejaVuSans.ttf', 'DejaVuSans-Bold.ttf'])
    copyFileSync(resolve(`dejavu-fonts-ttf/ttf/${name}`), `${DRAWING}dist/${name}`);
  copyFileSync(resolve('dejavu-fonts-ttf/LICENSE'), `${DRAWING}dist/FONTS-LICENSE.txt`);
}
