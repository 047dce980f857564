import { execFileSync, spawn, type ChildProcess } from 'node:child_process';
import { mkdtempSync, readFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import pg from 'pg';

/** A server of its own, as a person starts it, that can be killed and started again on the same folder. */
export interface UnderOrdeal {
  address: string;
  child: ChildProcess;
}

export const newFolder = (): string => mkdtempSync(path.join(tmpdir(), 'neotrope-ordeal-'));

/** Whether everybody signs in to the servers of this ordeal. */
let withAccounts = false;
export const demandAccounts = (): void => {
  withAccounts = true;
};
/** What the cookie of whoever joined first at a folder holds. */
const cookies = new Map<string, string>();
const cookieByAddress = new Map<string, string>();

/** The cluster that servers of this ordeal keep their sites in; in their folders where there is none. */
let cluster: string | null = null;
export const demandDatabase = (url: string): void => {
  cluster = url;
};

/** What a server on a folder is told of its database. */
function databaseArgs(dataDir: string): string[] {
  if (cluster === null) return [];
  const name = `ordeal_${path
    .basename(dataDir)
    .toLowerCase()
    .replace(/[^a-z0-9]/g, '_')}`;
  return ['--database', Object.assign(new URL(cluster), { pathname: `/${name}` }).href];
}

async function makeDatabase(dataDir: string): Promise<void> {
  const [, url] = databaseArgs(dataDir);
  if (url === undefined || cluster === null) return;
  const client = new pg.Client({ connectionString: cluster });
  await client.connect();
  const name = new URL(url).pathname.slice(1);
  const { rowCount } = await client.query('select from pg_database where datname = $1', [name]);
  if (rowCount === 0) await client.query(`create database ${name}`);
  await client.end();
}

/** A code for an account, made beside the server. */
function codeAt(dataDir: string, role: string): string {
  const args = [
    '--import',
    'tsx',
    'server/accounts/peopleMain.ts',
    'invite',
    '--role',
    role,
    '--data',
    dataDir,
    ...databaseArgs(dataDir),
  ];
  return execFileSync(process.execPath, args, { encoding: 'utf8' }).split('\n')[0]!;
}

/** Joins by a code, from an address of its own. */
export async function join(address: string, code: string, name: string, from: string): Promise<string> {
  const answer = await fetch(`${address}/api/join`, {
    method: 'POST',
    headers: { 'content-type': 'application/json', 'x-forwarded-for': from },
    body: JSON.stringify({ code, name, password: 'lanes at low water' }),
  });
  const cookie = /__Host-neotrope=[^;]+/.exec(answer.headers.get('set-cookie') ?? '')?.[0];
  if (!cookie) throw new Error(`${name} was refused with ${answer.status}`);
  return cookie;
}

/** What a request brings along that comes from a page of whoever is signed in there. */
export function asPerson(url: string): Record<string, string> {
  const { origin } = new URL(url);
  const cookie = cookieByAddress.get(origin);
  return cookie === undefined ? {} : { cookie, origin };
}

/** Starts a server on a folder; where everybody signs in, its first account is made on the first start. */
export async function startServer(dataDir: string): Promise<UnderOrdeal> {
  await makeDatabase(dataDir);
  if (!withAccounts) return startProcess(dataDir, []);
  const code = cookies.has(dataDir) ? null : codeAt(dataDir, 'admin');
  const server = await startProcess(dataDir, ['--trust-proxy', '--name', 'localhost']);
  if (code !== null) cookies.set(dataDir, await join(server.address, code, 'A. Marrow', '192.0.2.1'));
  cookieByAddress.set(server.address, cookies.get(dataDir)!);
  return server;
}

/** Another server beside the one of a folder, on its database. */
export const startBeside = (dataDir: string): Promise<UnderOrdeal> =>
  startProcess(newFolder(), [], databaseArgs(dataDir));

function startProcess(
  dataDir: string,
  args: readonly string[],
  database = databaseArgs(dataDir),
): Promise<UnderOrdeal> {
  const child = spawn(
    process.execPath,
    ['programs/server.js', '--data', dataDir, '--port', '0', ...database, ...args],
    { stdio: ['ignore', 'pipe', 'pipe'] },
  );
  return new Promise((resolve, reject) => {
    let said = '';
    const hear = (data: Buffer): void => {
      said += data.toString();
      const address = /http:\/\/127\.0\.0\.1:\d+/.exec(said)?.[0];
      if (address) resolve({ child, address });
    };
    child.stdout.on('data', hear);
    child.stderr.on('data', hear);
    child.once('exit', (code) => reject(new Error(`the server ended with ${code}: ${said.slice(0, 500)}`)));
  });
}

export const isRunning = ({ child }: UnderOrdeal): boolean =>
  child.exitCode === null && child.signalCode === null;

export async function kill(server: UnderOrdeal, signal: NodeJS.Signals): Promise<void> {
  if (!isRunning(server)) return;
  const gone = new Promise((resolve) => server.child.once('exit', resolve));
  server.child.kill(signal);
  await gone;
}

/** Megabytes that a process holds in memory. */
export function residentMb({ child }: UnderOrdeal): number {
  const status = readFileSync(`/proc/${child.pid}/status`, 'utf8');
  return Number(/VmRSS:\s+(\d+)/.exec(status)?.[1] ?? NaN) / 1024;
}

export const get = (address: string): Promise<Response> => fetch(address, { headers: asPerson(address) });

export const post = (address: string, body: unknown): Promise<Response> =>
  fetch(address, {
    method: 'POST',
    headers: { 'content-type': 'application/json', ...asPerson(address) },
    body: typeof body === 'string' ? body : JSON.stringify(body),
  });

export const demoText = readFileSync('demo/saltmarrow.neotrope.json', 'utf8');

/** Takes a site in; where many are, at the pace that the server asks for. */
export async function importSite(address: string, text: string): Promise<string> {
  for (;;) {
    const answer = await post(`${address}/api/sites/import`, text);
    if (answer.status === 201) return ((await answer.json()) as { id: string }).id;
    if (answer.status !== 429) throw new Error(`the site was refused with ${answer.status}`);
    const seconds = Number(answer.headers.get('retry-after') ?? 1);
    await new Promise((resolve) => setTimeout(resolve, 1000 * seconds));
  }
}

/** An edit that chooses for a camera. */
export const choosing = (
  site: string,
  cameraId: string,
  baseVersion: number,
  option: string,
  id: string,
) => ({
  id,
  site,
  baseVersion,
  label: 'Choose',
  operation: { kind: 'do' },
  by: 'R. Tolland',
  changes: [
    {
      kind: 'choice',
      id: cameraId,
      set: { id: cameraId, option, at: '2026-03-12T09:00:00Z', by: 'R. Tolland' },
    },
  ],
});

/** A code that lets somebody come to a site. */
export async function invitedTo(address: string, site: string, role: string): Promise<string> {
  const answer = await post(`${address}/api/sites/${site}/invitations`, { role });
  return ((await answer.json()) as { code: string }).code;
}
