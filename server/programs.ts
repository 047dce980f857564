import path from 'node:path';

const root = path.resolve(import.meta.dirname, '..');

/** Programs that run beside the server, where their sources are. */
const sources = {
  evaluation: 'server/evaluation/evaluationMain.ts',
  backup: 'server/backup/backupMain.ts',
  tester: 'stand-ins/tester/main.ts',
  recorder: 'stand-ins/recorder/main.ts',
} as const;
export type Program = keyof typeof sources;

/** What Node is given to start a program: the built one beside a built server, else its source. */
export function argumentsOf(program: Program): string[] {
  return import.meta.url.endsWith('.js')
    ? [path.join(import.meta.dirname, `${program}.js`)]
    : ['--import', 'tsx', path.join(root, sources[program])];
}
