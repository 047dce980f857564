import path from 'node:path';
import { defineConfig } from 'vite';

/** Bundles the ordeal with the core that it makes sites by. */
export default defineConfig({
  root: path.resolve(import.meta.dirname, '../..'),
  build: {
    ssr: 'bench/ordeal/main.ts',
    outDir: 'node_modules/.ordeal',
    emptyOutDir: true,
    copyPublicDir: false,
    minify: false,
  },
  logLevel: 'warn',
});
