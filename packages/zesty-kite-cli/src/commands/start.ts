/** `zesty-kite start NAME`: a small project to begin from. */
import { copyFileSync, existsSync, mkdirSync, writeFileSync } from 'node:fs';
import { basename, resolve } from 'node:path';
import { fileURLToPath } from 'node:url';
import { Command, Option } from 'commander';
import { PACKAGE } from '../packageFolder.ts';
import { Failure, inFile, printable } from '../failure.ts';
import { print } from '../write/print.ts';

/** What each look needs beside the library. */
const LOOKS: Readonly<Record<string, Readonly<Record<string, string>>>> = {
  flat: {},
  tiles: {},
  hills: { three: '0.187.0' },
};

export function startCommand(version: string): Command {
  return new Command('start')
    .description('Write a small Vite project with a camera over a map, to begin a game from.')
    .argument('<folder>', 'where to write it: a folder that is not there yet')
    .addOption(
      new Option('--look <look>', 'a flat map, tiles twice as wide as high, or hills in perspective')
        .choices(Object.keys(LOOKS))
        .default('flat'),
    )
    .addHelpText('after', '\nExample: zesty-kite start my-game --look tiles')
    .action(async (folder: string, { look }: { readonly look: string }) => {
      write(folder, look, version);
      await print(
        'stdout',
        printable(`${folder}: a project with a camera over ${look === 'flat' ? 'a flat map' : look}\n`) +
          `  cd ${printable(folder)}\n  npm install\n  npx vite\n`,
      );
    });
}

function write(folder: string, look: string, version: string): void {
  if (folder.trim() === '') throw new Failure('folder: found nothing; wanted a name such as my-game');
  if (existsSync(folder)) throw new Failure(`${folder}: found it there already; wanted the name of a new folder`);
  const name = basename(resolve(folder))
    .toLowerCase()
    .replaceAll(/[^a-z0-9._-]+/g, '-')
    .replace(/^[._-]+/, '');
  const project = {
    name: name || 'game',
    private: true,
    type: 'module',
    scripts: { dev: 'vite', build: 'vite build' },
    dependencies: { 'zesty-kite': `^${version}`, ...LOOKS[look] },
    devDependencies: { vite: '^8.3.8' },
  };
  try {
    mkdirSync(folder, { recursive: true });
    copyFileSync(template('index.html'), `${folder}/index.html`);
    copyFileSync(template(`${look}.js`), `${folder}/main.js`);
    writeFileSync(`${folder}/package.json`, `${JSON.stringify(project, null, 2)}\n`);
  } catch (error) {
    throw inFile(folder, error);
  }
}

function template(name: string): string {
  return fileURLToPath(new URL(`templates/${name}`, PACKAGE));
}
