import { defineConfig } from 'vite';

export default defineConfig({
  worker: { format: 'es' },
  root: import.meta.dirname,
  base: './',
  build: {
    target: 'es2022',
    assetsInlineLimit: 0,
    chunkSizeWarningLimit: 1000,
    rolldownOptions: {
      input: [
        '',
        'straight-down/',
        'two-to-one/',
        'over-the-hills/',
        'off-the-page/',
        'a-chart-of-labels/',
        'fingers/',
        'two-players/',
        'beside-the-game/',
        'raw-webgl/',
        'raw-webgpu/',
        'build-in-pixi/',
        'workbench/',
      ].map((page) => `${import.meta.dirname}/${page}index.html`),
    },
  },
});
