import path from 'node:path';
import { parseArgs } from 'node:util';
import { counted } from '#core/shared/labels';
import { StartupError } from '../startupError';
import { restore } from './restore';

const usage = `Usage: npm run restore -- --from FOLDER [--data FOLDER]

  --from FOLDER   the folder of one backup
  --data FOLDER   the data folder (data); no server may be at it, and what is in it is kept beside
  --help          show this text`;

function main(): void {
  const { values } = parseArgs({
    strict: true,
    options: {
      from: { type: 'string' },
      data: { type: 'string', default: 'data' },
      help: { type: 'boolean', short: 'h', default: false },
    },
  });
  if (values.help) return console.log(usage);
  if (!values.from) throw new StartupError('Name the folder of the backup with --from.');
  const { sites, at } = restore({
    from: path.resolve(values.from),
    dataDir: path.resolve(values.data),
    now: new Date().toISOString(),
  });
  console.log(`Proven and restored: ${counted(sites.length, 'site')} as of ${at}.`);
}

try {
  main();
} catch (error) {
  console.error((error as Error).message.split('\n')[0]);
  process.exitCode = 2;
}
