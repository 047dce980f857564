import { availableParallelism } from 'node:os';
import { parseArgs } from 'node:util';
import { counted } from '#core/shared/labels';
import { childProcesses } from '../evaluation/childProcesses';
import { StartupError } from '../startupError';
import { checkAddress } from './openDatabase';
import { startWorker } from './startWorker';

const usage = `Usage: npm run worker -- --database ADDRESS [--plans NUMBER]

Works out plans for servers that share a database, on as many machines as are wanted.

  --database ADDRESS   postgres://user@host/name, as of the servers
  --plans NUMBER       how many at once (one less than this machine has cores)`;

async function main(): Promise<void> {
  const { values } = parseArgs({
    strict: true,
    options: {
      database: { type: 'string' },
      plans: { type: 'string', default: String(Math.max(1, availableParallelism() - 1)) },
      help: { type: 'boolean', short: 'h', default: false },
    },
  });
  if (values.help) return console.log(usage);
  if (!values.database) throw new StartupError('Name the database with --database. Try --help.');
  checkAddress(values.database);
  const plans = Number(values.plans);
  if (!/^\d+$/.test(values.plans) || plans < 1 || plans > 256)
    throw new StartupError(
      `--plans is ${JSON.stringify(values.plans)}, allowed: a whole number from 1 to 256.`,
    );
  const stop = await startWorker(values.database, plans, childProcesses(), (error) =>
    console.error(`The queue: ${error.message.split('\n')[0]}`),
  );
  for (const signal of ['SIGINT', 'SIGTERM'] as const)
    process.once(signal, () => void stop().finally(() => process.exit(0)));
  console.log(`Working out ${counted(plans, 'plan')} at once.`);
}

try {
  await main();
} catch (error) {
  console.error(error instanceof Error ? error.message.split('\n')[0] : error);
  process.exitCode = 2;
}
