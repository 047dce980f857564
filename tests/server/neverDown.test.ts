import { createServer, type Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import { readdirSync, readFileSync } from 'node:fs';
import { connect } from 'node:net';
import path from 'node:path';
import Database from 'better-sqlite3';
import { afterEach, describe, expect, it } from 'vitest';
import type { Applying } from '#core/allocate/device';
import { apply } from '../../server/recorders/apply';
import type { ApplyingRecords } from '../../server/recorders/applyingRecords';
import { recorderClient } from '../../server/recorders/recorderClient';
import { isSoundText } from '#core/shared/problems';
import { startServer, type RunningServer } from '../../server/startServer';
import {
  choosing,
  demoFile,
  ended,
  newFolder,
  post,
  root,
  siteId,
  startProcess,
  unheard,
} from './serverUnderTest';

const start = (dataDir = newFolder()): Promise<RunningServer> =>
  startServer({ port: 0, dataDir, webDir: path.join(root, 'dist'), demoFile, withDemo: true, reset: false });

const servers: Server[] = [];
/** A device that answers whatever it is made to. */
async function device(answer: (path: string) => string): Promise<string> {
  const server = createServer((request, response) => {
    request.resume();
    response.setHeader('content-type', 'application/json');
    response.end(answer(request.url ?? ''));
  }).listen(0, '127.0.0.1');
  servers.push(server);
  await new Promise((resolve) => server.once('listening', resolve));
  return `127.0.0.1:${(server.address() as AddressInfo).port}`;
}
afterEach(() => {
  for (const server of servers.splice(0)) server.close();
});

/** The process that made another, as Linux tells it; none where that is gone. */
function parentOf(pid: string): number | null {
  try {
    const stat = readFileSync(`/proc/${pid}/stat`, 'utf8');
    return Number(stat.slice(stat.lastIndexOf(')') + 2).split(' ')[1]);
  } catch {
    return null;
  }
}

const patience = { answerMs: 1000, restartMs: 1000, silentMs: 100, pauseMs: 5 };
const report = (ipInputs: number[]) => ({
  model: 'x',
  inputs: 16,
  slots: 24,
  ipInputs,
  factoryValues: false,
  restarting: false,
  timeSource: null,
  channels: [],
});
const job = (address: string): Applying => ({
  siteId,
  recorderId: 'hall-recorder',
  address,
  by: 'R. Tolland',
  startedAt: '2026-04-01T22:00:00Z',
  goal: 'plan',
  plan: { ipInputs: [16], timeSource: null, channels: [] },
  before: report([]) as unknown as Applying['before'],
  settings: null,
  state: 'running',
  doing: '',
  done: [],
  left: [],
  why: null,
  wrong: [],
});
const recordsThat = (write: (applying: Applying) => void): Pick<ApplyingRecords, 'write'> => ({
  write: async (applying) => write(applying),
});

describe('a recorder', () => {
  it('that nests its settings without end fails its job in words, and nothing else', async () => {
    const deep = `${'['.repeat(200_000)}${']'.repeat(200_000)}`;
    const address = await device((url) =>
      url === '/settings' ? `{"format":"x","deep":${deep}}` : url === '/session' ? '{"token":"t"}' : deep,
    );
    const line = recorderClient(address, 'key', patience.answerMs);
    await line.open('R. Tolland');
    await expect(line.settings()).rejects.toThrow(/nests its answer without end/);
    const done = await apply(
      job(address),
      line,
      recordsThat(() => undefined),
      patience,
      () => false,
      unheard,
    );
    expect(done).toMatchObject({
      state: 'broken-off',
      why: expect.stringContaining('without end') as string,
    });
  });
  it('on a disk that fills while it is brought to its plan ends its job in words', async () => {
    const address = await device((url) => (url === '/session' ? '{"token":"t"}' : '{}'));
    const full = recordsThat(() => {
      throw Object.assign(new Error('no space left on device'), { code: 'ENOSPC' });
    });
    const done = await apply(
      job(address),
      recorderClient(address, 'key', 500),
      full,
      patience,
      () => false,
      unheard,
    );
    expect(done).toMatchObject({
      state: 'broken-off',
      why: expect.stringContaining('disk is full') as string,
    });
  });
});

describe('text at the door', () => {
  it.each([
    ['a plain one', '{"name":"Annex"}', true],
    ['accents and a face', '{"name":"Café \u{1F600}"}', true],
    ['a face as two numbers', '{"name":"\\ud83d\\ude00"}', true],
    ['a backslash and u0000 as somebody typed it', '{"name":"C:\\\\u0000"}', true],
    ['NUL by its number', '{"name":"a\\u0000b"}', false],
    ['NUL behind a backslash', '{"name":"\\\\\\u0000"}', false],
    ['half a face', '{"name":"\\ud83d"}', false],
    ['the other half', '{"name":"x\\ude00"}', false],
    ['two halves the wrong way round', '{"name":"\\ude00\\ud83d"}', false],
  ])('%s', (_, json, sound) => expect(isSoundText(json)).toBe(sound));
  it('a site called Constructor can be made and edited; one with NUL in its name is refused in words', async () => {
    const server = await start();
    const made = await post(`${server.address}/api/sites`, { name: 'Constructor', headEndName: 'Hall' });
    expect(made.status).toBe(201);
    const { id } = (await made.json()) as { id: string };
    expect(id).toBe('constructor-2');
    const { file } = (await (await fetch(`${server.address}/api/sites/${id}`)).json()) as {
      file: { about: object };
    };
    const edited = await post(`${server.address}/api/sites/${id}/edits`, {
      ...choosing('c08', 'keep', 0),
      site: id,
      changes: [{ kind: 'about', id: 'about', set: { ...file.about, name: 'Constructor, east' } }],
    });
    expect(edited.status).toBe(200);
    const nul = await post(`${server.address}/api/sites`, '{"name":"a\\u0000","headEndName":"Hall"}');
    expect([nul.status, ((await nul.json()) as { detail: string }).detail]).toEqual([
      400,
      expect.stringContaining('character in it that is none'),
    ]);
    await server.close();
  });
});

describe('the server', () => {
  it('goes on reading while another program holds the database, writes once it lets go, and says so where it does not', async () => {
    const dataDir = newFolder();
    const server = await start(dataDir);
    const other = new Database(path.join(dataDir, 'neotrope.sqlite'), { timeout: 0 });
    const hold = () => other.exec('begin immediate');
    hold();
    const address = `${server.address}/api/sites/${siteId}`;
    const edit = post(`${address}/edits`, choosing('c08', 'keep', 0));
    // Readers are answered meanwhile, one after the other.
    for (let k = 0; k < 5; k += 1) expect((await fetch(address)).status).toBe(200);
    other.exec('rollback');
    expect((await edit).status).toBe(200);
    hold();
    const refused = await post(`${address}/edits`, choosing('c09', 'keep', 1));
    expect([refused.status, refused.headers.get('retry-after')]).toEqual([503, '2']);
    expect(await refused.json()).toMatchObject({
      detail: expect.stringContaining('Another program') as string,
    });
    other.exec('rollback');
    other.close();
    expect((await post(`${address}/edits`, choosing('c09', 'keep', 1))).status).toBe(200);
    await server.close();
  });
  it('refuses bodies that nest deeper than anything it takes, and counts lists before it looks at them', async () => {
    const server = await start();
    const deep = (depth: number): string => `${'{"a":'.repeat(depth)}1${'}'.repeat(depth)}`;
    for (const address of ['/sites/import', '/sites', `/sites/${siteId}/edits`]) {
      const answer = await post(`${server.address}/api${address}`, deep(500));
      expect(answer.status).toBe(400);
    }
    const many = await post(`${server.address}/api/sites/${siteId}/edits`, {
      ...choosing('c08', 'keep', 0),
      changes: Array.from({ length: 20_001 }, () => 0),
    });
    expect(many.status).toBe(400);
    const wrong = await post(`${server.address}/api/sites/${siteId}/edits`, {
      ...choosing('c08', 'keep', 0),
      changes: Array.from({ length: 20_000 }, (_, k) => ({ kind: 'camera', id: `c${k}`, set: {} })),
    });
    const said = (await wrong.json()) as { problems: unknown[]; problemCount: number };
    expect([wrong.status, said.problems.length]).toEqual([400, 50]);
    expect(said.problemCount).toBeLessThanOrEqual(100);
    await server.close();
  });
  it('that is asked to stop ends what it had worked out beside', async () => {
    const hard = newFolder();
    const { process: child, address } = await startProcess(['--demo', '--data', hard, '--port', '0']);
    // Planning goes on in a process of its own when the server is asked to stop.
    const planning = fetch(`${address}/api/sites/${siteId}/plan?seconds=60`).catch(() => null);
    const childrenOf = (): number[] =>
      readdirSync('/proc')
        .filter((name) => /^\d+$/.test(name))
        .filter((pid) => parentOf(pid) === child.pid)
        .map(Number);
    // The stand-ins of the demo are three; the fourth works out the plan.
    await expect.poll(() => childrenOf().length, { timeout: 20_000 }).toBeGreaterThan(3);
    const pids = childrenOf();
    child.kill('SIGTERM');
    await ended(child);
    await planning;
    const isThere = (pid: number): boolean => {
      try {
        process.kill(pid, 0);
        return true;
      } catch {
        return false;
      }
    };
    await expect.poll(() => pids.filter(isThere), { timeout: 20_000 }).toEqual([]);
  });
  it('out of file descriptors, with a plan under way, takes nobody in for a while and then goes on', async () => {
    const { process: child, address } = await startProcess(
      ['--demo', '--data', newFolder(), '--port', '0'],
      400,
    );
    const port = Number(new URL(address).port);
    const planning = fetch(`${address}/api/sites/${siteId}/plan?seconds=2`).catch(() => null);
    const sockets = Array.from({ length: 500 }, () =>
      connect(port, '127.0.0.1').on('error', () => undefined),
    );
    // What is asked while there are none left is answered, refused or left; nothing of it ends the server.
    const asked = Array.from({ length: 8 }, () =>
      fetch(`${address}/api/sites/${siteId}/plan.csv`, { signal: AbortSignal.timeout(4000) }).catch(
        () => null,
      ),
    );
    await Promise.all([planning, ...asked]);
    for (const socket of sockets) socket.destroy();
    await expect
      .poll(async () => (await fetch(`${address}/api/sites`).catch(() => null))?.status, { timeout: 30_000 })
      .toBe(200);
    const edited = await post(`${address}/api/sites/${siteId}/edits`, choosing('c08', 'keep', 0));
    expect([edited.status, child.exitCode]).toEqual([200, null]);
    const plan = await fetch(`${address}/api/sites/${siteId}/plan?seconds=2`);
    expect(plan.status).toBe(200);
    child.kill('SIGTERM');
    await ended(child);
  });
});
