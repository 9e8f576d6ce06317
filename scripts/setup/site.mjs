/** Builds the site of docs/ into the served folder, at /docs/, with the programs of the guide beside it. */
import { build as buildPrograms } from 'vite';
import { writePrograms } from './programs.mjs';
import { root, run } from './run.mjs';

export async function buildSite() {
  const folder = `${root}.cache/programs`;
  const names = writePrograms(folder);
  await buildPrograms({
    root: folder,
    configFile: false,
    base: './',
    logLevel: 'warn',
    build: {
      target: 'es2022',
      outDir: `${root}examples/dist/programs`,
      emptyOutDir: true,
      rolldownOptions: { input: names.map((name) => `${folder}/${name}.html`) },
    },
  });
  run(process.execPath, ['node_modules/vitepress/bin/vitepress.js', 'build', 'docs']);
}
