import { defineConfig } from 'vite';

/** The programs that run in Node, each one file beside the others: they start in a fraction of the time that their sources take. */
export default defineConfig({
  publicDir: false,
  build: {
    ssr: true,
    outDir: 'programs',
    emptyOutDir: true,
    minify: false,
    rollupOptions: {
      input: {
        server: 'server/main.ts',
        evaluation: 'server/evaluation/evaluationMain.ts',
        backup: 'server/backup/backupMain.ts',
        restore: 'server/backup/restoreMain.ts',
        people: 'server/accounts/peopleMain.ts',
        worker: 'server/sharedStore/workerMain.ts',
        files: 'server/files/fileWorker.ts',
        tester: 'stand-ins/tester/main.ts',
        recorder: 'stand-ins/recorder/main.ts',
        switch: 'stand-ins/switch/main.ts',
        converter: 'stand-ins/converter/main.ts',
      },
      output: { entryFileNames: '[name].js', chunkFileNames: '[name]-[hash].js' },
    },
  },
});
