/** The command line as few files, with the library in them: it begins in half of the time. */
import { build } from 'vite';
import { root } from './run.mjs';

export async function bundleCli() {
  const cli = `${root}packages/zesty-kite-cli/`;
  await build({
    configFile: false,
    root: cli,
    logLevel: 'error',
    ssr: { noExternal: ['zesty-kite'] },
    build: {
      ssr: true,
      target: 'node20',
      outDir: 'bundle',
      emptyOutDir: true,
      minify: false,
      rolldownOptions: {
        input: { main: `${cli}src/main.ts`, replayTask: `${cli}src/play/replayTask.ts` },
        output: { entryFileNames: '[name].js', chunkFileNames: '[name].js' },
      },
    },
  });
}
