import { defineConfig } from 'vite';

export default defineConfig({
  root: import.meta.dirname,
  base: './',
  build: {
    target: 'es2022',
    assetsInlineLimit: 0,
    rolldownOptions: {
      input: ['index.html', 'straight-down/index.html'].map((page) => `${import.meta.dirname}/${page}`),
    },
  },
});
