/** Serves the built examples to the browser tests, on a port of its own. */
import { preview } from 'vite';

export default async function serve() {
  const server = await preview({
    root: new URL('..', import.meta.url).pathname,
    preview: { host: '127.0.0.1', port: 0 },
    logLevel: 'error',
  });
  globalThis.examplesServer = server;
  process.env.EXAMPLES_URL = server.resolvedUrls.local[0];
}
