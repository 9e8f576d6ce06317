/** Sets everything up and serves the examples. `npm start` */
import { spawn } from 'node:child_process';
import { installPackages } from './setup/packages.mjs';
import { root, run, say } from './setup/run.mjs';

installPackages();
run(process.execPath, ['scripts/build.mjs']);
const { preview } = await import('vite');
const server = await preview({ root: `${root}examples`, preview: { host: '127.0.0.1', port: 4173 }, logLevel: 'warn' });
say('The examples are served at:');
console.log(`\n  ${server.resolvedUrls.local[0]}\n`);
// The reference takes a while, and nobody has to wait for it.
const reference = spawn(process.execPath, ['node_modules/typedoc/bin/typedoc'], { cwd: root, stdio: 'ignore' });
reference.on('exit', (code) => {
  if (code === 0) say(`The reference of every function and type: ${server.resolvedUrls.local[0]}reference/`);
});
say('Press Ctrl+C to stop.');
for (const signal of ['SIGINT', 'SIGTERM'])
  process.on(signal, () => {
    reference.kill();
    void server.close().then(() => process.exit(0));
  });
