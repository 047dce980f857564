import path from 'node:path';
import { pathToFileURL } from 'node:url';

const root = path.resolve(import.meta.dirname, '..');

/** Programs that run beside the server, where their sources are. */
const sources = {
  evaluation: 'server/evaluation/evaluationMain.ts',
  backup: 'server/backup/backupMain.ts',
  files: 'server/files/fileWorker.ts',
  tester: 'stand-ins/tester/main.ts',
  recorder: 'stand-ins/recorder/main.ts',
  switch: 'stand-ins/switch/main.ts',
} as const;
export type Program = keyof typeof sources;

const isBuilt = import.meta.url.endsWith('.js');
const fileOf = (program: Program): string =>
  isBuilt ? path.join(import.meta.dirname, `${program}.js`) : path.join(root, sources[program]);

/** What Node is given to start a program: the built one beside a built server, else its source. */
export const argumentsOf = (program: Program): string[] =>
  isBuilt ? [fileOf(program)] : ['--import', 'tsx', fileOf(program)];

/** The same for a thread. */
export const threadOf = (program: Program): { filename: string; execArgv: string[] } => ({
  filename: fileOf(program),
  execArgv: isBuilt ? [] : ['--import', pathToFileURL(path.join(root, 'server', 'sources.mjs')).href],
});
