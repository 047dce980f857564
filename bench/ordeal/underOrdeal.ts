import { spawn, type ChildProcess } from 'node:child_process';
import { mkdtempSync, readFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';

/** A server of its own, as a person starts it, that can be killed and started again on the same folder. */
export interface UnderOrdeal {
  address: string;
  child: ChildProcess;
}

export const newFolder = (): string => mkdtempSync(path.join(tmpdir(), 'neotrope-ordeal-'));

export function startServer(dataDir: string): Promise<UnderOrdeal> {
  const child = spawn(process.execPath, ['programs/server.js', '--data', dataDir, '--port', '0'], {
    stdio: ['ignore', 'pipe', 'pipe'],
  });
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

export const post = (address: string, body: unknown): Promise<Response> =>
  fetch(address, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: typeof body === 'string' ? body : JSON.stringify(body),
  });

export const demoText = readFileSync('demo/saltmarrow.neotrope.json', 'utf8');

export async function importSite(address: string, text: string): Promise<string> {
  const answer = await post(`${address}/api/sites/import`, text);
  if (answer.status !== 201) throw new Error(`the site was refused with ${answer.status}`);
  return ((await answer.json()) as { id: string }).id;
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
