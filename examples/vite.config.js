import { defineConfig } from 'vite';

const PAGES = [
  '',
  'straight-down/',
  'two-to-one/',
  'over-the-hills/',
  'a-chart-of-labels/',
  'fingers/',
  'two-players/',
  'beside-the-game/',
  'raw-webgl/',
  'raw-webgpu/',
  'build-in-pixi/',
  'workbench/',
];

/** The page whose camera is in a worker is built by itself, in the mode `worker`: it shares no code with the others, and needs little. */
export default defineConfig(({ mode }) => ({
  worker: { format: 'es' },
  root: import.meta.dirname,
  base: './',
  build: {
    target: 'es2022',
    assetsInlineLimit: 0,
    chunkSizeWarningLimit: 1000,
    emptyOutDir: mode !== 'worker',
    rolldownOptions: {
      input: (mode === 'worker' ? ['off-the-page/'] : PAGES).map((page) => `${import.meta.dirname}/${page}index.html`),
      output: {
        // A page begins when its last file is there: it loads few.
        codeSplitting: {
          groups: [
            { name: 'camera', test: /zesty-kite\/dist\/(?!direct|session|shared\/direct)/, minShareCount: 3 },
            {
              name: 'strait',
              test: /lemon-strait\/(ground|world|page|keys|frames|help|names|islands|rings)\.ts|node_modules\/(fast-png|d3-)/,
              minShareCount: 2,
            },
          ],
        },
      },
    },
  },
}));
