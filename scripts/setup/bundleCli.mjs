/** The command line as few files, with the library in them: it begins in half of the time. */
import { build } from 'vite';
import { root } from './run.mjs';

export async function bundleCli() {
  const cli = `${root}packages/zesty-kite-cli/`;
  await build({
    configFile: false,
    root: cli,
    logLevel: 'error',
    ssr: { noExternal: ['zesty-kite', 'commander'], external: ['zesty-kite-drawing'] },
    build: {
      ssr: true,
      target: 'node20',
      outDir: 'bundle',
      license: { fileName: 'LICENSES.md' },
      emptyOutDir: true,
      minify: false,
      rolldownOptions: {
        input: { main: `${cli}src/main.ts`, replayTask: `${cli}src/play/replayTask.ts` },
        output: {
          entryFileNames: '[name].js',
          chunkFileNames: '[name].js',
          comments: false,
          // A command is a file; what several need is in two, as opening a file takes as long as compiling a long one.
          codeSplitting: {
            groups: [
              {
                name: 'library',
                test: (id) => /\/packages\/zesty-kite\/|\/node_modules\/valibot\//.test(id),
                minShareCount: 2,
              },
              { name: 'shared', test: (id) => id.startsWith(`${cli}src/`), minShareCount: 3 },
            ],
          },
        },
      },
    },
  });
}
