import { execFileSync, spawn, type ChildProcess } from 'node:child_process';
import { chownSync, existsSync, mkdtempSync, readdirSync, rmSync } from 'node:fs';
import { createServer, type AddressInfo } from 'node:net';
import { tmpdir } from 'node:os';
import path from 'node:path';

/** Where Debian puts the programs of PostgreSQL, the newest version first. */
export function programsOfPostgres(): string | null {
  const versions = '/usr/lib/postgresql';
  const names = existsSync(versions) ? readdirSync(versions) : [];
  const folders = names
    .sort((a, b) => Number(b) - Number(a))
    .map((version) => path.join(versions, version, 'bin'));
  return folders.find((folder) => existsSync(path.join(folder, 'initdb'))) ?? null;
}

/** PostgreSQL refuses to run as root; nobody may. */
const nobody = 65534;
const asWhom = process.getuid?.() === 0 ? { uid: nobody, gid: nobody } : {};

const freePort = (): Promise<number> =>
  new Promise((resolve) => {
    const server = createServer().listen(0, '127.0.0.1', () => {
      const { port } = server.address() as AddressInfo;
      server.close(() => resolve(port));
    });
  });

/** A cluster of its own in a folder of its own, on loopback. */
export interface Cluster {
  /** Of its own database; others stand beside. */
  url: string;
  /** Ends it in the middle of whatever it is at. */
  pause: () => Promise<void>;
  resume: () => Promise<void>;
  stop: () => Promise<void>;
}

function untilReady(postgres: ChildProcess): Promise<void> {
  return new Promise((resolve, reject) => {
    let said = '';
    postgres.stderr!.on('data', (data: Buffer) => {
      said += data.toString();
      if (said.includes('database system is ready to accept connections')) resolve();
    });
    postgres.once('exit', () => reject(new Error(`PostgreSQL did not start: ${said}`)));
  });
}

export async function startCluster(programs: string, given = ['fsync=off']): Promise<Cluster> {
  const folder = mkdtempSync(path.join(tmpdir(), 'neotrope-postgres-'));
  if (asWhom.uid !== undefined) chownSync(folder, nobody, nobody);
  const data = path.join(folder, 'data');
  const initialise = ['-D', data, '-U', 'neotrope', '--auth=trust', '--encoding=UTF8', '--locale=C.UTF-8'];
  execFileSync(path.join(programs, 'initdb'), initialise, { ...asWhom, cwd: folder, stdio: 'ignore' });
  const port = await freePort();
  const settings = [...given, 'max_connections=300'].flatMap((setting) => ['-c', setting]);
  let postgres: ChildProcess;
  const resume = (): Promise<void> => {
    postgres = spawn(
      path.join(programs, 'postgres'),
      ['-D', data, '-h', '127.0.0.1', '-p', String(port), '-k', folder, ...settings],
      { ...asWhom, cwd: folder, stdio: ['ignore', 'ignore', 'pipe'] },
    );
    return untilReady(postgres);
  };
  const end = async (signal: NodeJS.Signals): Promise<void> => {
    const ended = new Promise((resolve) => postgres.once('exit', resolve));
    postgres.kill(signal);
    await ended;
  };
  await resume();
  return {
    url: `postgres://neotrope@127.0.0.1:${port}/postgres`,
    pause: () => end('SIGQUIT'),
    resume,
    stop: async () => {
      await end('SIGINT');
      rmSync(folder, { recursive: true, force: true });
    },
  };
}
