import path from 'node:path';
import { build } from 'vite';

/** Tests start the server as a person does, from what was built; so it is built before them. */
export async function setup(): Promise<void> {
  await build({
    configFile: path.resolve(import.meta.dirname, '../../vite.programs.config.ts'),
    logLevel: 'warn',
  });
}
