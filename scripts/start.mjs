/** Sets everything up, and serves the examples and the documentation. `npm start` */
import { spawn } from 'node:child_process';
import { buildIfChanged } from './setup/built.mjs';
import { installPackages } from './setup/packages.mjs';
import { root, say } from './setup/run.mjs';

installPackages();
buildIfChanged();
const { preview } = await import('vite');
const server = await preview({ root: `${root}examples`, preview: { host: '127.0.0.1', port: 4173 }, logLevel: 'warn' });
say('Examples and documentation:');
console.log(`\n  ${server.resolvedUrls.local[0]}\n  ${server.resolvedUrls.local[0]}docs/\n`);
// The reference takes a while, and is built while the pages are served.
const reference = spawn(process.execPath, ['node_modules/typedoc/bin/typedoc'], { cwd: root, stdio: 'ignore' });
reference.on('exit', (code) => {
  if (code === 0) say(`API reference: ${server.resolvedUrls.local[0]}reference/`);
});
say('Press Ctrl+C to stop.');
for (const signal of ['SIGINT', 'SIGTERM'])
  process.on(signal, () => {
    reference.kill();
    void server.close().then(() => process.exit(0));
  });
