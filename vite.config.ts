import { readdirSync } from 'node:fs';
import path from 'node:path';
import vue from '@vitejs/plugin-vue';
import { defineConfig, type Plugin, type UserConfig } from 'vite';
import { VitePWA, type VitePWAOptions } from 'vite-plugin-pwa';
import { groupNames, isForThread } from './scripts/groupModules.ts';
import { noCircles } from './scripts/noCircles.ts';
import { pageChunks } from './scripts/pageChunks.ts';

// Said by `npm run dev`, whose pages stand beside its server.
const serverPort = Number(process.env.NEOTROPE_PORT ?? 4127);
const serverAddress = `http://127.0.0.1:${serverPort}`;

/** Everything that the pages are made of is kept in the browser, so that they open without a network; what the server answers is not, but pictures. */
const offline: Partial<VitePWAOptions> = {
  registerType: 'prompt',
  injectRegister: null,
  manifest: {
    name: 'Neotrope',
    short_name: 'Neotrope',
    description: 'From analog coax to IP, run by run.',
    start_url: '/',
    display: 'standalone',
    background_color: '#f4f1ea',
    theme_color: '#1f2d38',
    icons: [
      { src: '/mark-192.png', sizes: '192x192', type: 'image/png' },
      { src: '/mark-512.png', sizes: '512x512', type: 'image/png', purpose: 'any' },
      { src: '/mark-512.png', sizes: '512x512', type: 'image/png', purpose: 'maskable' },
    ],
  },
  workbox: {
    globPatterns: ['**/*.{js,mjs,css,html,woff2,wasm,svg,png}'],
    maximumFileSizeToCacheInBytes: 8_000_000,
    navigateFallback: '/index.html',
    navigateFallbackDenylist: [/^\/api\//],
    cleanupOutdatedCaches: true,
    // From the first visit on: what was opened once opens without a network.
    clientsClaim: true,
    runtimeCaching: [
      {
        // A picture is named for what is in it: it is never another.
        urlPattern: ({ url }) => /^\/api\/pictures\/[0-9a-f]/.test(url.pathname),
        handler: 'CacheFirst',
        options: {
          cacheName: 'neotrope-pictures',
          cacheableResponse: { statuses: [200] },
          expiration: { maxEntries: 2000, purgeOnQuotaError: true },
        },
      },
    ],
  },
};

const evaluator = path.resolve(import.meta.dirname, 'web/workers/evaluator.worker.ts');

/**
 * The thread that works out a site is built together with the pages, so that what both are made of (schemas, cables,
 * recorders) is fetched once. Other threads start later and are built apart, as threads usually are.
 */
const threadBesidePages: Plugin = {
  name: 'neotrope-thread-beside-pages',
  apply: 'build',
  enforce: 'pre',
  transform(code, id) {
    if (id !== evaluator.replace('.worker.ts', '.ts')) return undefined;
    const written = "new URL('./evaluator.worker.ts', import.meta.url)";
    if (!code.includes(written)) this.error(`${id} does not start its thread by ${written} any more`);
    const chunk = this.emitFile({ type: 'chunk', id: evaluator, name: 'evaluator.worker' });
    return code.replace(written, `new URL(import.meta.ROLLUP_FILE_URL_${chunk}, import.meta.url)`);
  },
};

/** What the thread fetches part by part, beside what it shares with others. */
const threadParts = ['evaluator.worker', 'siteEvaluator', 'keptSites', 'questions'];

/** A thread has no document to fetch ahead with. */
const runsInThread = new RegExp(`/(${[...groupNames.filter(isForThread), ...threadParts].join('|')})-`);

const page = (file: string) => path.resolve(import.meta.dirname, 'web', file);

const pages = {
  root: 'web',
  plugins: [threadBesidePages, vue()],
  resolve: {
    alias: [
      { find: '#contract', replacement: path.resolve(import.meta.dirname, 'contract/index.ts') },
      { find: /^#core\/(.*)$/, replacement: path.resolve(import.meta.dirname, 'core/$1/index.ts') },
    ],
  },
  build: {
    outDir: '../dist',
    emptyOutDir: true,
    manifest: true,
    assetsInlineLimit: 0,
    modulePreload: {
      resolveDependencies: (_, dependencies, { hostId }) => (runsInThread.test(hostId) ? [] : dependencies),
    },
  },
  worker: { format: 'es' },
} satisfies UserConfig;

export default defineConfig(async ({ command }) => ({
  ...pages,
  plugins: [...pages.plugins, VitePWA(offline), noCircles],
  build: {
    ...pages.build,
    rolldownOptions: {
      output: {
        codeSplitting: {
          groups:
            command === 'serve'
              ? []
              : await pageChunks(
                  { ...pages, plugins: [...pages.plugins, VitePWA({ ...offline, disable: true })] },
                  {
                    entry: page('index.html'),
                    firstScreen: [page('app.ts'), page('stages/survey/SurveyStage.vue')],
                    frame: readdirSync(page('frame')).map((file) => page(path.join('frame', file))),
                    thread: evaluator,
                    program: page('workers/siteEvaluator.ts'),
                  },
                ),
        },
      },
    },
  },
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
}));
