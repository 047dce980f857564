import path from 'node:path';
import vue from '@vitejs/plugin-vue';
import { defineConfig } from 'vite';

export default defineConfig({
  root: 'web',
  plugins: [vue()],
  resolve: {
    alias: [
      { find: '#contract', replacement: path.resolve(import.meta.dirname, 'contract/index.ts') },
      { find: /^#core\/(.*)$/, replacement: path.resolve(import.meta.dirname, 'core/$1/index.ts') },
    ],
  },
  build: { outDir: '../dist', emptyOutDir: true, manifest: true, assetsInlineLimit: 0 },
  worker: { format: 'es' },
  server: {
    port: 4128,
    strictPort: true,
    host: '127.0.0.1',
    proxy: {
      '/api': {
        target: 'http://127.0.0.1:4127',
        changeOrigin: true,
        headers: { origin: 'http://127.0.0.1:4127' },
      },
    },
  },
});
