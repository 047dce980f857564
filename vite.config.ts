import path from 'node:path';
import vue from '@vitejs/plugin-vue';
import { defineConfig } from 'vite';

// Said by `npm run dev`, whose pages stand beside its server.
const serverPort = Number(process.env.NEOTROPE_PORT ?? 4127);
const serverAddress = `http://127.0.0.1:${serverPort}`;

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
    port: serverPort + 1,
    strictPort: true,
    host: '127.0.0.1',
    proxy: {
      '/api': {
        target: serverAddress,
        changeOrigin: true,
        headers: { origin: serverAddress },
      },
    },
  },
});
