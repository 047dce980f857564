import { readFileSync } from 'node:fs';
import { createServer, type RequestListener, type Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import { parseSiteFile } from '#core/site';
import { createApp } from './http/app';
import { StartupError } from './startupError';
import { openStore, prepareDataFolder, setDatabaseAside } from './store/openStore';
import { siteStore, type SiteStore } from './store/siteStore';

export interface ServerOptions {
  port: number;
  dataDir: string;
  webDir: string;
  /** The site file to load into an empty data folder. */
  demoFile?: string;
  reset: boolean;
}

export interface RunningServer { address: string; close: () => Promise<void> }

/** Takes the port before anything else is touched, so that a second start harms nothing. */
function listen(port: number, handler: RequestListener): Promise<Server> {
  const server = createServer(handler);
  return new Promise((resolve, reject) => {
    server.once('error', (error: NodeJS.ErrnoException) => {
      const why = error.code === 'EADDRINUSE' ? 'is in use' : error.code === 'EACCES' ? 'is not allowed for you' : `cannot be used (${error.message})`;
      reject(new StartupError(`Port ${port} ${why}. Choose another with --port.`));
    });
    server.listen(port, '127.0.0.1', () => resolve(server));
  });
}

async function loadDemo(store: SiteStore, file: string): Promise<void> {
  const read = parseSiteFile(readFileSync(file, 'utf8'));
  if (read.kind === 'refused') throw new StartupError(`${file} is not a sound site file: ${read.problems[0]?.path} ${read.problems[0]?.allowed}`);
  await store.create(read.value);
}

/** Starts the server on loopback. Rejects with a StartupError whose message is one line for a person. */
export async function startServer({ port, dataDir, webDir, demoFile, reset }: ServerOptions): Promise<RunningServer> {
  let handler: RequestListener = (_request, response) => {
    response.writeHead(503).end();
  };
  const server = await listen(port, (request, response) => handler(request, response));
  try {
    prepareDataFolder(dataDir);
    if (reset) setDatabaseAside(dataDir);
    const orm = await openStore(dataDir);
    const store = siteStore(orm, () => new Date().toISOString());
    if (demoFile && (await store.list()).length === 0) await loadDemo(store, demoFile);
    handler = createApp(store, webDir).callback();
    return {
      address: `http://127.0.0.1:${(server.address() as AddressInfo).port}`,
      close: async () => {
        server.closeAllConnections();
        await new Promise((resolve) => server.close(resolve));
        await orm.close(true);
      },
    };
  } catch (error) {
    server.close();
    throw error;
  }
}
