import path from 'node:path';
import { parseArgs } from 'node:util';
import { spawnDemo } from './spawnDemo';
import type { RunningServer, ServerOptions } from './startServer';
import { StartupError } from './startupError';

const root = path.resolve(import.meta.dirname, '..');

const usage = `Usage: npm start -- [OPTIONS], or npm run demo -- [OPTIONS]

  --port NUMBER   the port to listen on (4127)
  --data FOLDER   where sites and pictures are kept (data)
  --reset         start afresh; the old database is kept beside, under the time of now
  --demo          load Saltmarrow Ferry Terminal where there is no site yet
  --help          show this text

Several servers can work on one database. Each has a data folder of its own, for its log.

  --database ADDRESS  postgres://user@host/name, in place of the data folder's own
  --pictures FOLDER   where all of them reach pictures; in the database where not given

Only this machine is served, unless one of these is given. Then everybody signs in.

  --share         serve the local network over HTTPS, with a certificate of its own
  --host ADDRESS  the address to listen on, with --share or with --cert and --key
  --cert FILE     your own certificate, as PEM, with its chain
  --key FILE      its private key, as PEM
  --name NAME     a name that it is reached by, beside those on the certificate
  --trust-proxy   a proxy on this machine does HTTPS and says where requests come from;
                  with --name`;

/** What was asked for on the command line; nothing where it was only this text. */
function optionsFrom(args: string[]): ServerOptions | null {
  let values;
  try {
    ({ values } = parseArgs({
      args,
      strict: true,
      options: {
        port: { type: 'string', default: '4127' },
        data: { type: 'string', default: path.join(root, 'data') },
        demo: { type: 'boolean', default: false },
        reset: { type: 'boolean', default: false },
        help: { type: 'boolean', short: 'h', default: false },
        database: { type: 'string' },
        pictures: { type: 'string' },
        share: { type: 'boolean', default: false },
        host: { type: 'string' },
        cert: { type: 'string' },
        key: { type: 'string' },
        name: { type: 'string' },
        'trust-proxy': { type: 'boolean', default: false },
      },
    }));
  } catch (error) {
    throw new StartupError(`${(error as Error).message.split('\n')[0]} Try --help.`);
  }
  if (values.help) return null;
  const port = Number(values.port);
  if (!/^\d+$/.test(values.port) || port > 65_535)
    throw new StartupError(
      `--port is ${JSON.stringify(values.port)}, allowed: a whole number from 0 to 65535.`,
    );
  if (values.pictures !== undefined && values.database === undefined)
    throw new StartupError('--pictures goes with --database; without it they are in the data folder.');
  if (values.reset && values.database !== undefined)
    throw new StartupError(
      '--reset leaves a shared database alone. Make another, and name it with --database.',
    );
  return {
    port,
    dataDir: path.resolve(values.data),
    webDir: path.join(root, 'dist'),
    reset: values.reset,
    demoFile: path.join(root, 'demo', 'saltmarrow.neotrope.json'),
    withDemo: values.demo,
    ...(values.database !== undefined && {
      shared: {
        database: values.database,
        ...(values.pictures !== undefined && { picturesFolder: path.resolve(values.pictures) }),
      },
    }),
    reach: {
      share: values.share,
      trustProxy: values['trust-proxy'],
      ...(values.host !== undefined && { host: values.host }),
      ...(values.cert !== undefined && { cert: values.cert }),
      ...(values.key !== undefined && { key: values.key }),
      ...(values.name !== undefined && { name: values.name }),
    },
  };
}

function stopOnSignal(server: RunningServer, stopStandIns: () => void): void {
  for (const signal of ['SIGINT', 'SIGTERM'] as const) {
    process.once(signal, () => {
      stopStandIns();
      void server.close().then(() => process.exit(0));
    });
  }
}

/** Says where other machines reach it, and how the first person gets in. */
async function sayHowReached({ addresses, firstCode }: RunningServer): Promise<void> {
  if (addresses.length > 0) console.log(`Other machines reach it at ${addresses.join(' or ')}`);
  if (firstCode === null) return;
  console.log(`Nobody has an account yet. Open ${addresses[0]}/join and enter this code within an hour:`);
  console.log(`  ${firstCode}`);
  const { toString } = await import('qrcode');
  console.log(await toString(`${addresses[0]}/join#${firstCode}`, { type: 'terminal', small: true }));
}

async function main(): Promise<void> {
  const options = optionsFrom(process.argv.slice(2));
  if (!options) return console.log(usage);
  // Loading the server takes most of a start; whoever mistyped an option is told at once.
  const { startServer } = await import('./startServer');
  // Stand-ins take a second to come up; nobody waits for them until they reach for a device.
  const standIns = spawnDemo(options.withDemo ? options.demoFile : null);
  try {
    const server = await startServer({
      ...options,
      standIns,
    });
    stopOnSignal(server, standIns.stop);
    console.log(`Neotrope is at ${server.address}`);
    await sayHowReached(server);
  } catch (error) {
    standIns.stop();
    throw error;
  }
}

// Whatever goes wrong beside a request is said and ends nothing else.
process.on('unhandledRejection', (reason) => {
  console.error(
    `Something went wrong beside the requests: ${reason instanceof Error ? reason.message : String(reason)}`,
  );
});

try {
  await main();
} catch (error) {
  console.error(error instanceof Error ? error.message.split('\n')[0] : error);
  process.exitCode = 2;
}
