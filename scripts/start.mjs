/** Sets everything up and serves the examples. `npm start` */
import { installPackages } from './setup/packages.mjs';
import { root, run, say } from './setup/run.mjs';

installPackages();
run(process.execPath, ['scripts/build.mjs']);
const { preview } = await import('vite');
const server = await preview({ root: `${root}examples`, preview: { host: '127.0.0.1', port: 4173 }, logLevel: 'warn' });
say('The examples are served at:');
console.log(`\n  ${server.resolvedUrls.local[0]}\n`);
say('Press Ctrl+C to stop.');
for (const signal of ['SIGINT', 'SIGTERM']) process.on(signal, () => void server.close().then(() => process.exit(0)));
