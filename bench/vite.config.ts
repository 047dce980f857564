import path from 'node:path';
import { defineConfig } from 'vite';

/** Bundles the bench as the pages are bundled, so that it measures what a browser runs. */
export default defineConfig({
  root: path.resolve(import.meta.dirname, '..'),
  build: {
    ssr: 'bench/main.ts',
    outDir: 'node_modules/.bench',
    emptyOutDir: true,
    copyPublicDir: false,
    minify: false,
  },
  logLevel: 'warn',
});
