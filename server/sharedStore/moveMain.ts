import path from 'node:path';
import { parseArgs } from 'node:util';
import { counted } from '#core/shared/labels';
import { StartupError } from '../startupError';
import { moveIn } from './moveIn';

const usage = `Usage: npm run move -- --database ADDRESS [--data FOLDER]

Copies everything from a data folder into a database that several servers share.

  --database ADDRESS   postgres://user@host/name, with nothing in it yet
  --data FOLDER        the data folder (data); no server may be at it, and it stays as it is`;

async function main(): Promise<void> {
  const { values } = parseArgs({
    strict: true,
    options: {
      database: { type: 'string' },
      data: { type: 'string', default: 'data' },
      help: { type: 'boolean', short: 'h', default: false },
    },
  });
  if (values.help) return console.log(usage);
  if (!values.database) throw new StartupError('Name the database with --database. Try --help.');
  const { sites, pictures } = await moveIn(path.resolve(values.data), values.database);
  console.log(
    `Moved: ${counted(sites, 'site')} and ${counted(pictures, 'picture')}. Start with --database now.`,
  );
}

try {
  await main();
} catch (error) {
  console.error(error instanceof Error ? error.message.split('\n')[0] : error);
  process.exitCode = 2;
}
