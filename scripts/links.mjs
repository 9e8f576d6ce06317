/** Checks every link and anchor of the served pages and of the repository's Markdown. `npm run links` */
import { LinkChecker } from 'linkinator';
import { preview } from 'vite';
import { root, stop } from './setup/run.mjs';

const OTHER_HOSTS = ['^https?://(?!127\\.0\\.0\\.1|localhost)'];
const server = await preview({ root: `${root}examples`, preview: { host: '127.0.0.1', port: 0 }, logLevel: 'error' });
const [address] = server.resolvedUrls.local;
const served = await check({
  path: ['', 'docs/index.html', 'reference/index.html'].map((page) => `${address}${page}`),
  recurse: true,
});
await server.close();
const written = await check({
  path: ['README.md', 'CONTRIBUTING.md', 'docs/**/*.md', 'packages/*/README.md', 'data/README.md'],
  serverRoot: root,
  markdown: true,
});
const broken = [...served, ...written].filter(({ state }) => state === 'BROKEN');
if (broken.length > 0)
  stop(`dead links:\n${broken.map(({ url, parent }) => `  ${url} in ${parent ?? ''}`).join('\n')}`);
console.log(`${String(served.length + written.length)} links lead somewhere.`);

async function check(options) {
  const { links } = await new LinkChecker().check({ ...options, checkFragments: true, linksToSkip: OTHER_HOSTS });
  return links.filter(({ state }) => state !== 'SKIPPED');
}
