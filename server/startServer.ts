import { readFileSync } from 'node:fs';
import { createServer, type RequestListener, type Server } from 'node:http';
import { createServer as createSecureServer, Server as SecureServer } from 'node:https';
import type { AddressInfo } from 'node:net';
import { siteFromTrusted, type Site, type SiteFile } from '#core/model/site';
import { warmUp } from './warmUp';
import type { Accounts } from './accounts/accounts';
import { awaitsAdmin, invitationMs, invite } from './accounts/invitations';
import { hasAccounts } from './accounts/people';
import { inAddress } from './tls/ownNames';
import { addressesOf, reachOf, type Reach, type ReachOptions } from './tls/reach';
import { fileWorkers, type FileWorkers } from './files/fileWorkers';
import { noDevices, type DemoDevices } from './demoDevices';
import { createApp } from './http/app';
import type { House } from './house';
import { ownHouse } from './ownHouse';
import type { Shared } from './sharedStore/sharedHouse';
import { serverLog, type ServerLog } from './log/serverLog';
import { StartupError } from './startupError';
import { prepareDataFolder } from './store/dataFolder';
import { allowedHosts } from './store/allowedHosts';
import { drillResults } from './store/drillResults';
import { firmRecord } from './store/firmRecord';
import { holdFolder } from './store/folderLock';
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
  /** What it shares with other servers; everything in its data folder where nothing is said. */
  shared?: Shared;
  /** How it is reached; by this machine alone where nothing is said. */
  reach?: ReachOptions;
  /** The demo's own devices, where there are any. */
  standIns?: DemoDevices;
}

export interface RunningServer {
  address: string;
  /** Where other machines reach it. */
  addresses: readonly string[];
  /** Lets the first person in, where nobody has an account yet and everybody needs one. */
  firstCode: string | null;
  close: () => Promise<void>;
}

/** Takes the port before anything else is touched, so that a second start harms nothing. */
function listen(
  { host, identity }: Pick<Reach, 'host' | 'identity'>,
  port: number,
  handler: RequestListener,
  fault: ServerLog['fault'],
): Promise<Server | SecureServer> {
  const server = identity ? createSecureServer(identity, handler) : createServer(handler);
  return new Promise((resolve, reject) => {
    server.once('error', (error: NodeJS.ErrnoException) => {
      const why =
        error.code === 'EADDRINUSE'
          ? 'is in use'
          : error.code === 'EACCES'
            ? 'is not allowed for you'
            : `cannot be used (${error.message})`;
      reject(
        new StartupError(
          error.code === 'EADDRNOTAVAIL'
            ? `--host ${host} is no address of this machine.`
            : `Port ${port} ${why}. Choose another with --port.`,
        ),
      );
    });
    server.listen(port, host, () => {
      // Out of file descriptors it takes nobody in for a while; whoever is in goes on.
      server.on('error', (error) => fault('A connection could not be taken in', error));
      resolve(server);
    });
  });
}

/** A code for the first person, where everybody has to sign in and nobody can yet. */
async function codeForFirst(accounts: Accounts, reach: ReachOptions): Promise<string | null> {
  const needs = reach.share || reach.trustProxy || reach.cert !== undefined;
  if (!needs || (await hasAccounts(accounts))) return null;
  if (!reach.share) {
    if (await awaitsAdmin(accounts)) return null;
    throw new StartupError(
      'Nobody has an account here yet. Make the first one with npm run people -- invite --role admin, or start with --share.',
    );
  }
  const by = 'Whoever runs the server';
  const first = { role: 'admin' as const, site: null, siteRole: null, recovers: null, by };
  return (await invite(accounts, first, invitationMs.first)).code;
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

/** Opens what a server keeps things in. What a shared database needs is loaded only where there is one. */
async function houseOf(
  dataDir: string,
  reset: boolean,
  shared: Shared | undefined,
  log: ServerLog,
): Promise<House> {
  if (!shared) return ownHouse(dataDir, reset, now);
  const { sharedHouse } = await import('./sharedStore/sharedHouse');
  return sharedHouse(shared, log, now);
}

/** Where this machine reaches its own server. */
function ownAddress({ host, identity, authority, names }: Reach, port: number): string {
  if (!identity) return `http://${inAddress(host)}:${port}`;
  // A certificate that somebody gave stands for its names only.
  return `https://${authority ? 'localhost' : names[0]}:${port}`;
}

/** How often it is looked whether the certificate runs out. */
const renewalMs = 12 * 3600 * 1000;

/** Puts a new certificate in the place of one that is about to run out, without a restart. */
function keepIdentity(server: Server | SecureServer, reach: Reach, log: ServerLog): () => void {
  if (!(server instanceof SecureServer)) return () => undefined;
  const look = async (): Promise<void> => {
    const next = await reach.renewed(new Date());
    if (next) server.setSecureContext(next);
  };
  const timer = setInterval(
    () => void look().catch((error: unknown) => log.fault('The certificate could not be renewed', error)),
    renewalMs,
  );
  timer.unref();
  return () => clearInterval(timer);
}

/** Starts the server, on loopback unless it is to be reached by others. Rejects with a StartupError whose message is one line for a person. */
export async function startServer({
  port,
  dataDir,
  webDir,
  demoFile,
  withDemo = false,
  reset,
  shared,
  reach: reachOptions = {},
  standIns = noDevices,
}: ServerOptions): Promise<RunningServer> {
  let handler: RequestListener = (_request, response) => {
    response.writeHead(503).end();
  };
  let log: ServerLog | null = null;
  // A certificate of its own is kept in the data folder.
  if (reachOptions.share) prepareDataFolder(dataDir);
  const reach = await reachOf(reachOptions, dataDir, new Date());
  const server = await listen(
    reach,
    port,
    (request, response) => handler(request, response),
    (what, error) => log?.fault(what, error),
  );
  let letGo = (): void => undefined;
  let house: House | null = null;
  let files: FileWorkers | null = null;
  try {
    prepareDataFolder(dataDir);
    letGo = holdFolder(dataDir);
    const noted = await serverLog(dataDir);
    log = noted;
    const kept = (house = await houseOf(dataDir, reset, shared, noted));
    const taking = (files = fileWorkers(kept.picturePlace));
    const { orm, work } = kept;
    const store = siteStore(orm, kept.pictures, now);
    const demo = () => demoFrom(demoFile, taking);
    if (withDemo && (await store.list()).length === 0) await store.create(await demo());
    const actualPort = (server.address() as AddressInfo).port;
    const addresses = addressesOf(reach, actualPort);
    const accounts = { orm, now };
    const firstCode = await codeForFirst(accounts, reachOptions);
    handler = createApp(
      {
        ...kept,
        store,
        accounts,
        files: taking,
        demo,
        log: noted,
        hosts: allowedHosts(orm, now),
        firm: firmRecord(orm, now),
        drills: drillResults(orm),
      },
      webDir,
      standIns,
      { reach, addresses },
    ).callback();
    const stopUpkeep = kept.startUpkeep(noted);
    const address = ownAddress(reach, actualPort);
    await warmUp(store, reach.isShared ? null : address);
    const stopRenewing = keepIdentity(server, reach, noted);
    noted.note('Started', { node: process.version, port: actualPort });
    return {
      address,
      addresses,
      firstCode,
      close: async () => {
        stopRenewing();
        await work.close();
        server.closeAllConnections();
        await new Promise((resolve) => server.close(resolve));
        await taking.close();
        await stopUpkeep();
        await kept.close();
        noted.note('Stopped');
        await noted.close();
        letGo();
      },
    };
  } catch (error) {
    server.close();
    await files?.close();
    await house?.work.close();
    await house?.close();
    await log?.close();
    letGo();
    throw error;
  }
}
