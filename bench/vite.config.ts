import path from 'node:path';
import { defineConfig } from 'vite';

/** Bundles the bench as the pages are bundled, so that it measures what a browser runs; beside the programs, whose threads its server starts. */
export default defineConfig({
  root: path.resolve(import.meta.dirname, '..'),
  build: {
    ssr: 'bench/main.ts',
    outDir: 'programs',
    emptyOutDir: false,
    rollupOptions: { output: { entryFileNames: 'bench.js', chunkFileNames: 'bench-[name].js' } },
    copyPublicDir: false,
    minify: false,
  },
  logLevel: 'warn',
});
