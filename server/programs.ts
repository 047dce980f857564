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
  converter: 'stand-ins/converter/main.ts',
} as const;
export type Program = keyof typeof sources;

/** Where the built programs are: beside this one where it is one of them itself, or where whoever started it says. */
const builtIn = import.meta.url.endsWith('.js') ? import.meta.dirname : process.env['NEOTROPE_PROGRAMS'];

const fileOf = (program: Program): string =>
  builtIn === undefined ? path.join(root, sources[program]) : path.join(builtIn, `${program}.js`);

/** What Node is given to start a program: the built one where there is one, else its source. */
export const argumentsOf = (program: Program): string[] =>
  builtIn === undefined ? ['--import', 'tsx', fileOf(program)] : [fileOf(program)];

/** The same for a thread. */
export const threadOf = (program: Program): { filename: string; execArgv: string[] } => ({
  filename: fileOf(program),
  execArgv:
    builtIn === undefined ? ['--import', pathToFileURL(path.join(root, 'server', 'sources.mjs')).href] : [],
});
