import { spawnSync } from 'node:child_process';
import {
  chmodSync,
  copyFileSync,
  cpSync,
  existsSync,
  mkdirSync,
  readdirSync,
  readFileSync,
  rmSync,
  statSync,
  writeFileSync,
} from 'node:fs';
import path from 'node:path';
import Database from 'better-sqlite3';
import sharp from 'sharp';
import { describe, expect, it } from 'vitest';
import type { SiteFile } from '#core/model/site';
import { backup } from '../../server/backup/backup';
import { copiesToDrop } from '../../server/backup/dailyCopies';
import { restore } from '../../server/backup/restore';
import { startServer, type RunningServer } from '../../server/startServer';
import {
  choosing,
  demoFile,
  ended,
  newFolder,
  post,
  root,
  runToEnd,
  siteId,
  startProcess,
} from './serverUnderTest';

const databaseIn = (folder: string): string => path.join(folder, 'neotrope.sqlite');
const oneLine = (text: string): boolean => text.trim().split('\n').length === 1;

const start = (dataDir: string): Promise<RunningServer> =>
  startServer({ port: 0, dataDir, webDir: path.join(root, 'dist'), demoFile, withDemo: true, reset: false });

interface Served {
  version: number;
  file: SiteFile;
}
const read = async (address: string): Promise<Served> =>
  (await (await fetch(`${address}/api/sites/${siteId}`)).json()) as Served;

/** So many edits, one after the other. */
async function edits(address: string, count: number, from = 0): Promise<void> {
  for (let k = 0; k < count; k += 1) {
    const edit = choosing('c08', k % 2 ? 'keep' : 'ip-coax-unit', from + k);
    expect((await post(`${address}/api/sites/${siteId}/edits`, edit)).status).toBe(200);
  }
}

const killed = new Map<number, string>();

/** A folder as a killed server leaves it: so many edits, all of them in the log beside the database. Each gets a copy of its own. */
async function killedWith(count: number): Promise<string> {
  const left = killed.get(count) ?? (await leftByKill(count));
  killed.set(count, left);
  const folder = newFolder();
  cpSync(left, folder, { recursive: true });
  return folder;
}

async function leftByKill(count: number): Promise<string> {
  const folder = newFolder();
  const server = await startProcess(['--demo', '--data', folder, '--port', '0']);
  await edits(server.address, count);
  server.process.kill('SIGKILL');
  await ended(server.process);
  return folder;
}

describe('a backup', () => {
  it('of a running server has every edit, though they stand in the log alone, and is restored whole', async () => {
    const [dataDir, to, elsewhere] = [newFolder(), newFolder(), newFolder()];
    const server = await start(dataDir);
    await edits(server.address, 12);
    const bytes = await sharp({ create: { width: 8, height: 8, channels: 3, background: '#804020' } })
      .png()
      .toBuffer();
    const kept = (await (
      await fetch(`${server.address}/api/pictures?for=drawing`, {
        method: 'POST',
        headers: { 'content-type': 'application/octet-stream' },
        body: new Uint8Array(bytes),
      })
    ).json()) as { fileId: string; mediaType: string; widthPx: number; heightPx: number };
    const { file } = await read(server.address);
    const drawing = { ...file.drawings![0]!, id: 'annex', name: 'Annex', ...kept };
    const { remarks: _, ...set } = drawing as typeof drawing & { remarks?: unknown };
    const added = await post(`${server.address}/api/sites/${siteId}/edits`, {
      ...choosing('c08', 'keep', 12),
      changes: [{ kind: 'drawing', id: 'annex', set }],
    });
    expect(added.status).toBe(200);
    // A copy of the file alone has none of this: it is why there is a backup.
    copyFileSync(databaseIn(dataDir), path.join(elsewhere, 'copied.sqlite'));
    const folder = backup({ dataDir, to, now: '2026-04-01T09:00:00.000Z', withPictures: true });
    expect(path.basename(folder)).toBe('20260401-090000');
    const before = await read(server.address);
    await server.close();

    const fresh = newFolder();
    const manifest = restore({ from: folder, dataDir: fresh, now: '2026-04-02T09:00:00.000Z' });
    expect(manifest.sites).toEqual([{ id: siteId, name: 'Saltmarrow Ferry Terminal', version: 13 }]);
    expect(manifest.pictures.some((name) => name.startsWith(kept.fileId))).toBe(true);
    const again = await start(fresh);
    expect(await read(again.address)).toEqual(before);
    expect((await fetch(`${again.address}/api/pictures/${kept.fileId}`)).status).toBe(200);
    await again.close();
  });
  it('that is not what it was is not restored, and nothing is touched', async () => {
    const [dataDir, to] = [newFolder(), newFolder()];
    const server = await start(dataDir);
    await edits(server.address, 2);
    await server.close();
    const folder = backup({ dataDir, to, now: '2026-04-01T09:00:00.000Z', withPictures: true });
    const before = readFileSync(databaseIn(dataDir));
    const file = path.join(folder, 'neotrope.sqlite');
    const whole = readFileSync(file);
    const flipped = Buffer.from(whole);
    flipped[5000] = flipped[5000]! ^ 1;
    writeFileSync(file, flipped);
    const again = () => restore({ from: folder, dataDir, now: '2026-04-02T09:00:00.000Z' });
    expect(again).toThrow(/is not what it was when the backup was made. Nothing was restored/);
    rmSync(file);
    expect(again).toThrow(/is missing from the backup/);
    writeFileSync(file, whole);
    const [picture] = readdirSync(path.join(to, 'pictures'));
    writeFileSync(path.join(to, 'pictures', picture!), 'no picture');
    expect(again).toThrow(/The picture .* is damaged/);
    rmSync(path.join(to, 'pictures', picture!));
    expect(again).toThrow(/The picture .* is missing/);
    expect(() => restore({ from: to, dataDir, now: '2026-04-02T09:00:00.000Z' })).toThrow(/is no backup/);
    expect(readFileSync(databaseIn(dataDir))).toEqual(before);
  });
  it('restored over what is there keeps that beside; with a server at the folder it is refused', async () => {
    const [dataDir, to] = [newFolder(), newFolder()];
    const server = await start(dataDir);
    const folder = backup({ dataDir, to, now: '2026-04-01T09:00:00.000Z', withPictures: true });
    await edits(server.address, 3);
    const put = () => restore({ from: folder, dataDir, now: '2026-04-02T09:00:00.000Z' });
    expect(put).toThrow(/in use by another Neotrope/);
    await server.close();
    put();
    const back = await start(dataDir);
    expect((await read(back.address)).version).toBe(0);
    await back.close();
    const aside = new Database(path.join(dataDir, 'neotrope.before-20260402-090000.sqlite'), {
      readonly: true,
    });
    expect(aside.prepare('select version from site').pluck().get()).toBe(3);
    aside.close();
  });
  it('is a command, and says in one line what is wrong', () => {
    const run = (script: string, ...args: string[]) =>
      spawnSync(process.execPath, [`programs/${script}.js`, ...args], {
        cwd: root,
        encoding: 'utf8',
      });
    for (const [script, args, says] of [
      ['backup', [], /--to/],
      ['backup', ['--to', newFolder(), '--data', newFolder()], /There is no neotrope.sqlite/],
      ['restore', [], /--from/],
      ['restore', ['--from', newFolder(), '--data', newFolder()], /is no backup/],
      ['restore', ['--form', 'x'], /Unknown option/],
    ] as const) {
      const { status, stderr } = run(script, ...args);
      expect([status, oneLine(stderr)]).toEqual([2, true]);
      expect(stderr).toMatch(says);
    }
    expect(run('backup', '--help').stdout).toMatch(/^Usage: npm run backup/);
  });
});

describe('copies of every day', () => {
  it('are kept for a week, one a week for eight weeks more, and the last of each', () => {
    const now = '2026-04-30T12:00:00Z';
    const names = Array.from({ length: 100 }, (_, age) =>
      new Date(Date.parse(now) - age * 86_400_000).toISOString().slice(0, 10).replaceAll('-', ''),
    ).map((day) => `${day}-030000`);
    const dropped = new Set(copiesToDrop([...names, 'mine', '20260430-040000'], now));
    const kept = names.filter((name) => !dropped.has(name));
    // Of today the later one is kept.
    expect(dropped.has('20260430-030000')).toBe(true);
    expect(dropped.has('mine')).toBe(false);
    expect(kept.slice(0, 6)).toEqual(names.slice(1, 7));
    expect(kept).toHaveLength(6 + 8);
    expect(kept.at(-1)! >= '20260226').toBe(true);
  });
});

describe('one server a folder', () => {
  it('a second is refused in one line, with --reset too, and after a kill the folder is free', async () => {
    const folder = newFolder();
    const first = await startProcess(['--demo', '--data', folder, '--port', '0']);
    await edits(first.address, 2);
    for (const args of [[], ['--reset']]) {
      const { code, err } = await runToEnd([...args, '--data', folder, '--port', '0']);
      expect([code, oneLine(err)]).toEqual([2, true]);
      expect(err).toContain('is in use by another Neotrope');
    }
    expect((await read(first.address)).version).toBe(2);
    first.process.kill('SIGKILL');
    await ended(first.process);
    const second = await startProcess(['--data', folder, '--port', '0']);
    expect((await read(second.address)).version).toBe(2);
    second.process.kill();
    await ended(second.process);
  });
  it('what --reset sets aside is never lost to the next reset', async () => {
    const folder = await killedWith(5);
    for (let k = 0; k < 2; k += 1) {
      const server = await startProcess(['--demo', '--reset', '--data', folder, '--port', '0']);
      server.process.kill();
      await ended(server.process);
    }
    const aside = readdirSync(folder)
      .filter((name) => /^neotrope\.before-.*\.sqlite$/.test(name))
      .sort();
    expect(aside).toHaveLength(2);
    const oldest = new Database(path.join(folder, aside[0]!));
    expect(oldest.prepare('select version from site').pluck().get()).toBe(5);
    oldest.close();
  });
  it('is closed to others', async () => {
    const folder = path.join(newFolder(), 'data');
    mkdirSync(folder, { mode: 0o755 });
    chmodSync(folder, 0o755);
    const server = await startProcess(['--demo', '--data', folder, '--port', '0']);
    await edits(server.address, 1);
    const mode = (file: string): number => statSync(file).mode & 0o777;
    expect([mode(folder), mode(databaseIn(folder)), mode(`${databaseIn(folder)}-wal`)]).toEqual([
      0o700, 0o600, 0o600,
    ]);
    expect(mode(path.join(folder, 'pictures'))).toBe(0o700);
    server.process.kill();
    await ended(server.process);
    // Stopped as asked, it leaves one file with everything in it.
    expect(existsSync(`${databaseIn(folder)}-wal`)).toBe(false);
  });
});

describe('what is damaged is said, and what can be read of it is saved', () => {
  const refusedStart = async (folder: string): Promise<string> => {
    const { code, err } = await runToEnd(['--data', folder, '--port', '0']);
    expect([code, oneLine(err)]).toEqual([2, true]);
    return err;
  };
  const rescued = (folder: string): string =>
    path.join(
      folder,
      readdirSync(folder).find((name) => name.startsWith('rescued-'))!,
    );
  it('one flipped byte in the middle of the log', async () => {
    const folder = await killedWith(30);
    const wal = `${databaseIn(folder)}-wal`;
    const bytes = readFileSync(wal);
    const at = Math.floor(bytes.length / 2);
    bytes[at] = bytes[at]! ^ 0x10;
    writeFileSync(wal, bytes);
    const err = await refusedStart(folder);
    expect(err).toMatch(/damaged log: \d+ changes stand behind the damage/);
    expect(err).toContain('npm run restore');
    // Nothing was touched, and what stands before the damage can be imported.
    expect(readFileSync(wal)).toEqual(bytes);
    const saved = JSON.parse(
      readFileSync(path.join(rescued(folder), `${siteId}.neotrope.json`), 'utf8'),
    ) as SiteFile;
    expect(saved.cameras).toHaveLength(25);
    const { code } = await runToEnd(['--data', folder, '--port', '0']);
    expect(code).toBe(2);
  });
  it('a log cut short in its last change is what a power cut leaves: it starts, one edit less', async () => {
    const folder = await killedWith(5);
    const wal = `${databaseIn(folder)}-wal`;
    const bytes = readFileSync(wal);
    writeFileSync(wal, bytes.subarray(0, bytes.length - 1000));
    const server = await startProcess(['--data', folder, '--port', '0']);
    expect((await read(server.address)).version).toBe(4);
    server.process.kill();
    await ended(server.process);
  });
  it('a log without its database', async () => {
    const folder = await killedWith(5);
    rmSync(databaseIn(folder));
    expect(await refusedStart(folder)).toMatch(
      /is not there, and neotrope\.sqlite-wal with its last edits is/,
    );
    expect(existsSync(`${databaseIn(folder)}-wal`)).toBe(true);
  });
  it.each<[string, string, RegExp]>([
    [
      'a site that is not at the version of its log',
      'update site set version = version - 1',
      /at version 4, its log at 5/,
    ],
    ['a log that lost an edit', 'delete from edit where version = 3', /does not hang together at version 4/],
    [
      'an edit whose text was changed',
      "update edit set entry = replace(entry, 'R. Tolland', 'S. Tolland') where version = 2",
      /does not hang together at version 2/,
    ],
  ])('%s', async (_, sql, says) => {
    const folder = await killedWith(5);
    const database = new Database(databaseIn(folder));
    database.exec(sql);
    database.close();
    expect(await refusedStart(folder)).toMatch(says);
    expect(readdirSync(rescued(folder))).toContain(`${siteId}.neotrope.json`);
  });
});

describe('an edit that is sent again', () => {
  it('after its answer was lost and 205 others came is answered as it was, on whichever version it is sent', async () => {
    const server = await start(newFolder());
    const address = `${server.address}/api/sites/${siteId}/edits`;
    const mine = choosing('c08', 'keep', 0);
    const first = await (await post(address, mine)).json();
    await edits(server.address, 205, 1);
    for (const baseVersion of [0, 17, 206, 900]) {
      const again = await post(address, { ...mine, baseVersion });
      expect([again.status, await again.json()]).toEqual([200, first]);
    }
    expect((await read(server.address)).version).toBe(206);
    // What a window that is far behind is told comes in pages.
    const page = async (after: number) =>
      (await (await fetch(`${address}?after=${after}`)).json()) as {
        entries: { version: number }[];
        more: boolean;
      };
    const [one, two] = [await page(0), await page(200)];
    expect([one.entries.length, one.more, two.entries.length, two.more]).toEqual([200, true, 6, false]);
    const stale = await post(address, choosing('c09', 'keep', 0));
    expect([stale.status, ((await stale.json()) as { since: unknown[] }).since.length]).toEqual([409, 200]);
    await server.close();
  });
  it('under the id of an edit of another site is refused in words', async () => {
    const server = await start(newFolder());
    const { id } = (await (await post(`${server.address}/api/sites/demo`, {})).json()) as { id: string };
    const mine = choosing('c08', 'keep', 0);
    await post(`${server.address}/api/sites/${siteId}/edits`, mine);
    const other = await post(`${server.address}/api/sites/${id}/edits`, { ...mine, site: id });
    expect(other.status).toBe(422);
    expect(await other.json()).toMatchObject({
      detail: expect.stringContaining('on another site') as string,
    });
    await server.close();
  });
  it('to a site that was put away changes nothing until it is back', async () => {
    const server = await start(newFolder());
    const address = `${server.address}/api/sites/${siteId}`;
    await edits(server.address, 1);
    const put = (archived: boolean) => post(`${address}/archive`, { archived });
    await put(true);
    const refused = await post(`${address}/edits`, choosing('c08', 'keep', 1));
    expect([refused.status, ((await refused.json()) as { title: string }).title]).toEqual([422, 'Put away']);
    expect((await read(server.address)).version).toBe(1);
    expect((await post(`${address}/edits`, choosing('c08', 'keep', 1))).status).toBe(422);
    await put(false);
    expect((await post(`${address}/edits`, choosing('c08', 'keep', 1))).status).toBe(200);
    await server.close();
  });
});
