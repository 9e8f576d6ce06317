/** The site of the documentation. `npm start` serves it at /docs/, with the API reference at /reference/. */
import { defineConfig } from 'vitepress';
import { linkNames } from './names.mjs';

const steps = ['draw', 'pan', 'zoom', 'drag', 'turn', 'limits', 'panels', 'tune', 'debug'];
const page =
  (folder) =>
  ([text, name]) => ({ text, link: `/${folder}/${name}` });
const title = (name) => name[0].toUpperCase() + name.slice(1);

const REFERENCE = [
  ['Words', 'words'],
  ['Units', 'units'],
  ['Settings', 'settings'],
  ['Looks', 'looks'],
  ['Bounds', 'bounds'],
  ['Terrain', 'terrain'],
  ['Steering', 'steering'],
  ['Calls', 'calls'],
  ['Directing', 'directing'],
  ['Frames', 'frames'],
  ['Events', 'events'],
  ['The view', 'view'],
  ['Minimap', 'minimap'],
  ['Other cameras', 'other-cameras'],
  ['Workers', 'workers'],
  ['Players', 'players'],
  ['Tuning', 'tuning'],
  ['Testing', 'testing'],
  ['Sessions', 'sessions'],
];

const RECIPES = [
  ['Units to select', 'units'],
  ['Tiles in Pixi', 'tiles-in-pixi'],
  ['Hills in three', 'hills-in-three'],
  ['React', 'react'],
  ['Without a bundler', 'without-a-bundler'],
  ['In a worker', 'in-a-worker'],
  ['A page that scrolls', 'page-that-scrolls'],
  ['Save and restore', 'save-and-restore'],
  ['A bug report', 'bug-report'],
  ['Tune and keep', 'tune-and-keep'],
];

export default defineConfig({
  title: 'Zesty Kite',
  description: 'A camera for games that are watched from above',
  base: '/docs/',
  head: [['link', { rel: 'icon', href: 'data:,' }]],
  outDir: '../examples/dist/docs',
  cacheDir: '../.cache/vitepress',
  srcExclude: ['interface/**'],
  cleanUrls: false,
  ignoreDeadLinks: [/\.\.\/(README|CONTRIBUTING|packages|data|examples)/, /\/interface$/],
  vite: { logLevel: 'warn', build: { chunkSizeWarningLimit: 2000 } },
  // The anchors of headings are those of the repository's pages.
  markdown: {
    config: linkNames,
    anchor: {
      slugify: (text) =>
        text
          .trim()
          .toLowerCase()
          .replace(/[^\p{L}\p{N}\s_-]/gu, '')
          .replaceAll(' ', '-'),
    },
  },
  themeConfig: {
    search: { provider: 'local' },
    outline: [2, 3],
    nav: [
      { text: 'Guide', link: '/guide/' },
      { text: 'Recipes', link: '/recipes/' },
      { text: 'Reference', link: '/reference/' },
      { text: 'API', link: '/../reference/index.html', target: '_self' },
      { text: 'Examples', link: '/../index.html', target: '_self' },
    ],
    sidebar: [
      {
        text: 'Guide',
        link: '/guide/',
        items: steps.map((name, i) => ({ text: `${i + 1}. ${title(name)}`, link: `/guide/${name}` })),
      },
      { text: 'Recipes', link: '/recipes/', items: RECIPES.map(page('recipes')) },
      { text: 'Reference', link: '/reference/', items: REFERENCE.map(page('reference')) },
      {
        text: 'More',
        items: [
          { text: 'Command line', link: '/command-line' },
          { text: 'Guarantees', link: '/guarantees' },
          { text: 'Figures', link: '/figures' },
          { text: 'Browser input', link: '/browser-input' },
          { text: 'Add an ability', link: '/add-an-ability' },
          { text: 'Architecture', link: '/architecture' },
          { text: 'Versions', link: '/versions' },
        ],
      },
    ],
  },
});
