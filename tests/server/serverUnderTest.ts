import { spawn, type ChildProcess } from 'node:child_process';
import { mkdtempSync, readFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import type { Change, Edit, SiteFile } from '#core/model/site';

export const root = path.resolve(import.meta.dirname, '../..');
export const demoFile = path.join(root, 'demo', 'saltmarrow.neotrope.json');
export const demo = (): SiteFile => JSON.parse(readFileSync(demoFile, 'utf8')) as SiteFile;
export const siteId = 'saltmarrow-ferry-terminal';

export const newFolder = (): string => mkdtempSync(path.join(tmpdir(), 'neotrope-test-'));

/** An edit that chooses an option for a camera, as the browser would send it. */
export function choosing(
  cameraId: string,
  option: string,
  baseVersion: number,
  over: Partial<Edit> = {},
): Edit {
  const set = { id: cameraId, option, at: '2026-03-12T09:00:00Z', by: 'R. Tolland' };
  return {
    id: crypto.randomUUID(),
    site: siteId,
    baseVersion,
    label: `Choose for ${cameraId}`,
    operation: { kind: 'do' },
    by: 'R. Tolland',
    changes: [{ kind: 'choice', id: cameraId, set } as Change],
    ...over,
  };
}

export const post = (address: string, body: unknown, headers: Record<string, string> = {}) =>
  fetch(address, {
    method: 'POST',
    headers: { 'content-type': 'application/json', ...headers },
    body: typeof body === 'string' ? body : JSON.stringify(body),
  });

/** The server as a process of its own, as a person starts it. */
export interface Started {
  process: ChildProcess;
  address: string;
}

/** Starts the server; with so many file descriptors at most, where that is said. */
export function startProcess(args: string[], mostFiles?: number): Promise<Started> {
  const command = [process.execPath, path.join(root, 'programs', 'server.js'), ...args];
  const [program, ...given] =
    mostFiles === undefined
      ? command
      : ['bash', '-c', `ulimit -n ${mostFiles}; exec "$@"`, 'bash', ...command];
  const child = spawn(program!, given, { cwd: root });
  return new Promise((resolve, reject) => {
    let said = '';
    const hear = (data: Buffer) => {
      said += data.toString();
      const address = /http:\/\/127\.0\.0\.1:\d+/.exec(said)?.[0];
      if (address) resolve({ process: child, address });
    };
    child.stdout.on('data', hear);
    child.stderr.on('data', hear);
    child.once('exit', (code) => reject(new Error(`the server ended with ${code}: ${said}`)));
  });
}

export interface Ended {
  code: number | null;
  out: string;
  err: string;
}

/** Starts the server and waits for it to end by itself. */
export function runToEnd(args: string[]): Promise<Ended> {
  const child = spawn(process.execPath, [path.join(root, 'programs', 'server.js'), ...args], { cwd: root });
  return new Promise((resolve) => {
    let out = '';
    let err = '';
    child.stdout.on('data', (data: Buffer) => (out += data.toString()));
    child.stderr.on('data', (data: Buffer) => (err += data.toString()));
    child.once('exit', (code) => resolve({ code, out, err }));
  });
}

export const ended = (child: ChildProcess): Promise<void> =>
  new Promise((resolve) => {
    if (child.exitCode !== null || child.signalCode !== null) resolve();
    else child.once('exit', () => resolve());
  });

/** A log that nobody reads. */
export const unheard = { fault: (): void => undefined };
