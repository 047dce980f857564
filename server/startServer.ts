import { readFileSync } from 'node:fs';
import { createServer, type RequestListener, type Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import { siteFromTrusted, type Site, type SiteFile } from '#core/model/site';
import { warmUp } from './warmUp';
import { endEvaluations } from './evaluation/evaluateInChildProcess';
import { fileWorkers, type FileWorkers } from './files/fileWorkers';
import { noDevices, type DemoDevices } from './demoDevices';
import { createApp } from './http/app';
import { serverLog, type ServerLog } from './log/serverLog';
import { applyingFolder } from './recorders/applyingFolder';
import { StartupError } from './startupError';
import { pictureFolder } from './store/pictureFolder';
import { prepareDataFolder, setDatabaseAside } from './store/dataFolder';
import { startUpkeep } from './backup/upkeep';
import { allowedHosts } from './store/allowedHosts';
import { holdFolder } from './store/folderLock';
import { openStore } from './store/openStore';
import { siteStore } from './store/siteStore';

export interface ServerOptions {
  port: number;
  dataDir: string;
  webDir: string;
  /** The site file of the demo, which can be had anew at any time. */
  demoFile: string;
  /** Whether to load it where there is no site yet. */
  withDemo?: boolean;
  reset: boolean;
  /** The demo's own devices, where there are any. */
  standIns?: DemoDevices;
}

export interface RunningServer {
  address: string;
  close: () => Promise<void>;
}

/** Takes the port before anything else is touched, so that a second start harms nothing. */
function listen(port: number, handler: RequestListener, fault: ServerLog['fault']): Promise<Server> {
  const server = createServer(handler);
  return new Promise((resolve, reject) => {
    server.once('error', (error: NodeJS.ErrnoException) => {
      const why =
        error.code === 'EADDRINUSE'
          ? 'is in use'
          : error.code === 'EACCES'
            ? 'is not allowed for you'
            : `cannot be used (${error.message})`;
      reject(new StartupError(`Port ${port} ${why}. Choose another with --port.`));
    });
    server.listen(port, '127.0.0.1', () => {
      // Out of file descriptors it takes nobody in for a while; whoever is in goes on.
      server.on('error', (error) => fault('A connection could not be taken in', error));
      resolve(server);
    });
  });
}

/** The demo from its file, its pictures kept. */
async function demoFrom(file: string, files: FileWorkers): Promise<Site> {
  const taken = await files.siteFile(readFileSync(file));
  if (taken.kind === 'taken') return siteFromTrusted(JSON.parse(taken.file) as SiteFile);
  const first = taken.kind === 'refused' ? taken.problems[0] : undefined;
  throw new StartupError(
    `${file} is not a sound site file: ${first ? `${first.path} ${first.allowed}` : taken.why}`,
  );
}

const now = (): string => new Date().toISOString();

/** Starts the server on loopback. Rejects with a StartupError whose message is one line for a person. */
export async function startServer({
  port,
  dataDir,
  webDir,
  demoFile,
  withDemo = false,
  reset,
  standIns = noDevices,
}: ServerOptions): Promise<RunningServer> {
  let handler: RequestListener = (_request, response) => {
    response.writeHead(503).end();
  };
  let log: ServerLog | null = null;
  const server = await listen(
    port,
    (request, response) => handler(request, response),
    (what, error) => log?.fault(what, error),
  );
  const files = fileWorkers(dataDir);
  let letGo = (): void => undefined;
  try {
    prepareDataFolder(dataDir);
    letGo = holdFolder(dataDir);
    const noted = await serverLog(dataDir);
    log = noted;
    if (reset) setDatabaseAside(dataDir, now());
    const orm = await openStore(dataDir, now());
    const pictures = pictureFolder(dataDir);
    const store = siteStore(orm, pictures, now);
    const applying = applyingFolder(dataDir);
    const demo = () => demoFrom(demoFile, files);
    if (withDemo && (await store.list()).length === 0) await store.create(await demo());
    handler = createApp(
      { store, pictures, files, demo, applying, log: noted, hosts: allowedHosts(orm, now) },
      webDir,
      standIns,
    ).callback();
    const stopUpkeep = startUpkeep({ dataDir, orm, applying, log: noted, now });
    const address = `http://127.0.0.1:${(server.address() as AddressInfo).port}`;
    await warmUp(store, address);
    noted.note('Started', { node: process.version, port: Number(new URL(address).port) });
    return {
      address,
      close: async () => {
        endEvaluations();
        server.closeAllConnections();
        await new Promise((resolve) => server.close(resolve));
        await files.close();
        await stopUpkeep();
        // The last to close the database brings its log into it.
        await orm.close(true);
        noted.note('Stopped');
        await noted.close();
        letGo();
      },
    };
  } catch (error) {
    server.close();
    await files.close();
    await log?.close();
    letGo();
    throw error;
  }
}
