/** `zesty-kite start NAME`: a small project to begin from. */
import { copyFileSync, existsSync, mkdirSync, renameSync, rmdirSync, rmSync, writeFileSync } from 'node:fs';
import { basename, dirname, resolve } from 'node:path';
import { fileURLToPath } from 'node:url';
import { Command, Option } from 'commander';
import { PACKAGE } from '../packageFolder.ts';
import { Failure, inFile, printable, refusal } from '../failure.ts';
import { print } from '../write/print.ts';
import { shellWord } from '../write/shellWord.ts';
import { parts } from '../write/parts.ts';

type Packages = Readonly<Record<string, string>>;

/** The packages that each look needs beside the library, to run and to be developed. */
const LOOKS: Readonly<Record<string, { readonly runs: Packages; readonly develops: Packages }>> = {
  flat: { runs: {}, develops: {} },
  tiles: { runs: {}, develops: {} },
  hills: { runs: { three: '0.187.0' }, develops: { '@types/three': '0.187.0' } },
};

export function startCommand(version: string): Command {
  return new Command('start')
    .description('Write a Vite project in TypeScript with a camera over a map.')
    .argument('<folder>', 'the new folder')
    .addOption(
      new Option('--look <look>', 'a flat map, two-to-one tiles, or hills in perspective')
        .choices(Object.keys(LOOKS))
        .default('flat'),
    )
    .addHelpText('after', '\nExample: zesty-kite start my-game --look tiles')
    .action(async (folder: string, { look }: { readonly look: string }) => {
      write(folder, look, version);
      await print(
        'stdout',
        printable(`${folder}: a project with a camera over ${look === 'flat' ? 'a flat map' : look}\n`) +
          `  cd ${shellWord(folder)}\n  npm install\n  npx vite\n`,
      );
    });
}

/** The project is written beside its place, and takes it when it is whole. */
function write(folder: string, look: string, version: string): void {
  if (folder.trim() === '') throw new Failure('folder: expected a name such as my-game, got nothing');
  if (existsSync(folder)) throw isThere(folder);
  const path = resolve(folder);
  const beside = `${dirname(path)}/.${basename(path).slice(0, 200)}.${String(process.pid)}.part`;
  const made = [...makeFolders(dirname(path)), beside];
  const undo = (): void => {
    for (const one of made.reverse()) remove(one);
  };
  parts.add(undo);
  try {
    mkdirSync(beside);
    const { runs = {}, develops = {} } = LOOKS[look] ?? {};
    const dependencies = { 'zesty-kite': `^${version}`, ...runs };
    const project = {
      name: nameOf(basename(path), [...Object.keys(dependencies), 'typescript', 'vite']),
      private: true,
      type: 'module',
      scripts: { dev: 'vite', build: 'tsc && vite build' },
      dependencies,
      devDependencies: { ...develops, typescript: '^6.0.3', vite: '^8.3.8', 'zesty-kite-panel': `^${version}` },
    };
    copyFileSync(template('index.html'), `${beside}/index.html`);
    copyFileSync(template('tsconfig.json'), `${beside}/tsconfig.json`);
    copyFileSync(template('vite.config.js'), `${beside}/vite.config.js`);
    copyFileSync(template(`${look}.ts`), `${beside}/main.ts`);
    copyFileSync(template(`${look}.json`), `${beside}/camera.json`);
    writeFileSync(`${beside}/package.json`, `${JSON.stringify(project, null, 2)}\n`);
    renameSync(beside, path);
  } catch (error) {
    undo();
    const { code = '' } = error as NodeJS.ErrnoException;
    throw ['ENOTEMPTY', 'EEXIST'].includes(code) ? isThere(folder) : cannotBeMade(folder, error);
  } finally {
    parts.delete(undo);
  }
}

function isThere(folder: string): Failure {
  return new Failure(`${folder} already exists; choose another name`);
}

/** Some systems have folders in which nothing can be made, and say that they are not there. */
function cannotBeMade(folder: string, error: unknown): Failure {
  const { code } = error as NodeJS.ErrnoException;
  if (code !== 'ENOENT') return inFile(folder, error);
  return refusal(folder, 'a place where no folder can be made', 'another one', error);
}

/** Makes a folder and those around it, one by one; which ones it had to make, the outermost first. */
function makeFolders(folder: string): string[] {
  if (existsSync(folder)) return [];
  const around = dirname(folder);
  const made = around === folder ? [] : makeFolders(around);
  try {
    mkdirSync(folder);
  } catch (error) {
    for (const one of made.reverse()) remove(one);
    throw cannotBeMade(folder, error);
  }
  return [...made, folder];
}

/** A folder that has something else in it by now stays. */
function remove(folder: string): void {
  try {
    if (folder.endsWith('.part')) rmSync(folder, { recursive: true, force: true });
    else rmdirSync(folder);
  } catch {
    // It is not ours alone.
  }
}

/** Names that the package manager takes for something else. */
const RESERVED = ['node_modules', 'favicon.ico'];

/** A name that a package may have: lower case, no longer than 214 letters, and none of what it needs. */
function nameOf(folder: string, needed: readonly string[]): string {
  const name = folder
    .toLowerCase()
    .replaceAll(/[^a-z0-9._-]+/g, '-')
    .replace(/^[._-]+/, '')
    .slice(0, 200)
    .replace(/[._-]+$/, '');
  if (name === '' || RESERVED.includes(name)) return 'game';
  return needed.includes(name) ? `${name}-game` : name;
}

function template(name: string): string {
  return fileURLToPath(new URL(`templates/${name}`, PACKAGE));
}
