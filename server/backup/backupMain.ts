import path from 'node:path';
import { parseArgs } from 'node:util';
import { StartupError } from '../startupError';
import { backup } from './backup';
import { forgetPictures } from './forgetPictures';

const usage = `Usage: npm run backup -- --to FOLDER [--data FOLDER]

  --to FOLDER     where the backup goes: a folder of its own in it, pictures beside
  --data FOLDER   the data folder (data); a server may be at it
  --help          show this text`;

function main(): void {
  const { values } = parseArgs({
    strict: true,
    options: {
      to: { type: 'string' },
      data: { type: 'string', default: 'data' },
      copy: { type: 'boolean', default: false },
      help: { type: 'boolean', short: 'h', default: false },
    },
  });
  if (values.help) return console.log(usage);
  if (!values.to) throw new StartupError('Name the folder that the backup goes to with --to.');
  const folder = backup({
    dataDir: path.resolve(values.data),
    to: path.resolve(values.to),
    now: new Date().toISOString(),
    withPictures: !values.copy,
  });
  if (values.copy) forgetPictures(path.resolve(values.data), new Date().toISOString());
  else console.log(`Backed up and proven: ${folder}`);
}

try {
  main();
} catch (error) {
  console.error((error as Error).message.split('\n')[0]);
  process.exitCode = 2;
}
