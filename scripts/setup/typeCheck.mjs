/** Type-checks programs of the documentation as a strict project of a user has them. */
import { spawnSync } from 'node:child_process';
import { writeFileSync } from 'node:fs';
import { root } from './run.mjs';

/** @returns the errors of the compiler; empty if there are none */
export function typeErrorsIn(folder, include) {
  const compilerOptions = {
    target: 'es2022',
    module: 'esnext',
    moduleResolution: 'bundler',
    strict: true,
    noEmit: true,
    skipLibCheck: true,
    resolveJsonModule: true,
    lib: ['es2023', 'dom', 'dom.iterable'],
    types: [],
  };
  writeFileSync(`${folder}/tsconfig.json`, JSON.stringify({ compilerOptions, include: [include] }));
  const tsc = `${root}node_modules/typescript/bin/tsc`;
  return spawnSync(process.execPath, [tsc, '-p', '.'], { cwd: folder, encoding: 'utf8' }).stdout;
}
