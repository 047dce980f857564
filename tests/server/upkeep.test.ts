import Database from 'better-sqlite3';
import { existsSync, mkdirSync, utimesSync, writeFileSync } from 'node:fs';
import path from 'node:path';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { siteFromTrusted, type Change, type LogEntry } from '#core/model/site';
import { backup } from '../../server/backup/backup';
import { copyOfToday } from '../../server/backup/dailyCopies';
import { forgetPictures } from '../../server/backup/forgetPictures';
import { startServer, type RunningServer } from '../../server/startServer';
import { emptyBin } from '../../server/store/bin';
import { faultOfDatabase } from '../../server/store/inspectDatabase';
import { openStore } from '../../server/store/openStore';
import { packEdits } from '../../server/store/packEdits';
import { pictureFolder } from '../../server/store/pictureFolder';
import type { Pictures } from '../../server/store/pictures';
import { siteStore, type SiteStore } from '../../server/store/siteStore';
import { choosing, demo, demoFile, newFolder, post, root, siteId } from './serverUnderTest';

type Orm = Awaited<ReturnType<typeof openStore>>;
const now = (): string => '2026-04-01T09:00:00.000Z';
const databaseIn = (folder: string): string => path.join(folder, 'neotrope.sqlite');

async function wholeLog(store: SiteStore): Promise<LogEntry[]> {
  const entries: LogEntry[] = [];
  for (;;) {
    const page = await store.since(siteId, entries.at(-1)?.version ?? 0);
    entries.push(...page!.entries);
    if (!page!.more) return entries;
  }
}

describe('old edits', () => {
  const folder = newFolder();
  let orm: Orm;
  let store: SiteStore;
  const edits = 1730;

  beforeAll(async () => {
    orm = await openStore(folder, now());
    store = siteStore(orm, pictureFolder(path.join(folder, 'pictures')), now);
    await store.create({ ...siteFromTrusted(demo()), drawing: {}, photo: {}, pin: {}, route: {} });
    for (let at = 0; at < edits; at += 1)
      expect(
        (await store.edit(choosing('c08', at % 2 ? 'keep' : 'ip-coax-unit', at, { id: `e-${at}` }))).kind,
      ).toBe('done');
  });
  afterAll(() => orm.close(true));

  it('are packed to a tenth, and the log tells the same to the last letter', async () => {
    const before = await wholeLog(store);
    expect(before).toHaveLength(edits);
    const bytes = async (): Promise<number> => {
      const [row] = await orm.em.execute<{ bytes: number }[]>(
        'select (select sum(length(entry)) from edit where version <= 500) + (select coalesce(sum(length(texts)), 0) from edit_block) as bytes',
      );
      return row!.bytes;
    };
    const wide = await bytes();
    expect(await packEdits(orm)).toBe(500);
    expect(await packEdits(orm)).toBe(0);
    expect(await bytes()).toBeLessThan(wide / 9);
    expect(await wholeLog(store)).toEqual(before);
    expect((await store.read(siteId))!.log).toEqual(before.slice(-200));
  });
  it('whose answer was lost are answered as they were', async () => {
    const again = await store.edit(choosing('c08', 'ip-coax-unit', 0, { id: 'e-40' }));
    expect(again).toMatchObject({ kind: 'done', entry: { id: 'e-40', version: 41 } });
  });
  it('hang together with those after them, and one that was changed or lost in its block is found', () => {
    const file = path.join(newFolder(), 'copy.sqlite');
    new Database(databaseIn(folder)).prepare('vacuum into ?').run(file);
    expect(faultOfDatabase(file)).toBeNull();
    const copy = new Database(file);
    copy.prepare('update edit_block set texts = zeroblob(10) where first = 1').run();
    copy.close();
    expect(faultOfDatabase(file)?.what).toMatch(/is damaged/);
    const other = new Database(file);
    other.prepare('delete from edit_block').run();
    other.close();
    expect(faultOfDatabase(file)?.what).toMatch(/is damaged/);
  });
});

describe('a deleted site', () => {
  let server: RunningServer;
  const dataDir = newFolder();
  beforeAll(async () => {
    server = await startServer({
      port: 0,
      dataDir,
      webDir: path.join(root, 'dist'),
      demoFile,
      withDemo: true,
      reset: false,
    });
  });
  afterAll(() => server.close());
  const site = (): string => `${server.address}/api/sites/${siteId}`;
  const bin = (binned: boolean): Promise<Response> => post(`${site()}/bin`, { binned });

  it('is in the bin: not read, not changed, and whole again once it is put back', async () => {
    const before = (await (await fetch(site())).json()) as object;
    expect((await fetch(site(), { method: 'DELETE' })).status).toBe(409);
    expect(await (await bin(true)).json()).toMatchObject({
      id: siteId,
      binnedAt: expect.any(String) as string,
    });
    const reads = ['', '/edits', '/file', '/plan.csv'].map((end) => fetch(`${site()}${end}`));
    expect((await Promise.all(reads)).map(({ status }) => status)).toEqual([404, 404, 404, 404]);
    expect((await post(`${site()}/edits`, choosing('c08', 'keep', 0))).status).toBe(404);
    await bin(false);
    expect(await (await fetch(site())).json()).toEqual(before);
  });
  it('goes for good only from there, with what was kept of its recorders, and its id comes never again', async () => {
    const plans = path.join(dataDir, 'recorders');
    mkdirSync(plans, { recursive: true });
    writeFileSync(path.join(plans, `${siteId}.hybrid.json`), '{}');
    await bin(true);
    expect((await fetch(site(), { method: 'DELETE' })).status).toBe(204);
    expect((await bin(false)).status).toBe(404);
    expect(existsSync(path.join(plans, `${siteId}.hybrid.json`))).toBe(false);
    const fresh = (await (await post(`${server.address}/api/sites/demo`, {})).json()) as { id: string };
    expect(fresh.id).toBe(`${siteId}-2`);
  });
  it('goes by itself after thirty days', async () => {
    const folder = newFolder();
    const orm = await openStore(folder, now());
    const store = siteStore(orm, pictureFolder(path.join(folder, 'pictures')), now);
    await store.create({ ...siteFromTrusted(demo()), drawing: {}, photo: {}, pin: {}, route: {} });
    await store.bin(siteId, true);
    expect(await emptyBin(orm, '2026-04-30T09:00:00.000Z')).toEqual([]);
    expect(await emptyBin(orm, '2026-05-02T09:00:00.000Z')).toEqual([siteId]);
    expect(await store.list()).toEqual([]);
    const [left] = await orm.em.execute<{ n: number }[]>('select count(*) as n from fact');
    expect(left!.n).toBe(0);
    await orm.close(true);
  });
});

describe('upkeep', () => {
  it('knows whether there is a copy of today, without which nothing is packed or erased', async () => {
    expect(await copyOfToday(newFolder(), now())).toBe(false);
    const folder = newFolder();
    const orm = await openStore(folder, now());
    await orm.close(true);
    const today = new Date().toISOString();
    expect([await copyOfToday(folder, today), await copyOfToday(folder, today)]).toEqual([true, true]);
  });
});

describe('a picture', () => {
  const folder = newFolder();
  const today = '2026-11-01T00:00:00.000Z';
  let orm: Orm;
  let store: SiteStore;
  let pictures: Pictures;
  beforeAll(async () => {
    orm = await openStore(folder, now());
    pictures = pictureFolder(path.join(folder, 'pictures'));
    store = siteStore(orm, pictures, now);
    await store.create({ ...siteFromTrusted(demo()), drawing: {}, photo: {}, pin: {}, route: {} });
  });
  afterAll(() => orm.close(true));

  const agedPicture = async (text: string, on: string): Promise<string> => {
    const id = await pictures.keep(Buffer.from(text), 'image/png');
    utimesSync(path.join(folder, 'pictures', `${id}.png`), new Date(on), new Date(on));
    return id;
  };
  const naming = (id: string, fileId: string | null, baseVersion: number) => {
    const of = { kind: 'camera', id: 'c08' } as const;
    const seen = { mediaType: 'image/png', widthPx: 8, heightPx: 8, at: now(), by: 'R. Tolland' } as const;
    const change: Change =
      fileId === null
        ? { kind: 'photo', id, remove: true }
        : { kind: 'photo', id, set: { id, of, fileId, ...seen } };
    return store.edit({ ...choosing('c08', 'keep', baseVersion), changes: [change] });
  };

  it('that no fact, no edit and no copy names goes once it is old; any other stays', async () => {
    const old = '2026-05-01T00:00:00.000Z';
    const [nobodys, young, facts, edits] = await Promise.all([
      agedPicture('nobody', old),
      agedPicture('young', '2026-10-20T00:00:00.000Z'),
      agedPicture('fact', old),
      agedPicture('edit', old),
    ]);
    expect((await naming('p1', facts, 0)).kind).toBe('done');
    expect((await naming('p2', edits, 1)).kind).toBe('done');
    expect((await naming('p2', null, 2)).kind).toBe('done');
    expect(forgetPictures(folder, today)).toBe(1);
    expect(await Promise.all([nobodys, young, facts, edits].map(pictures.has))).toEqual([
      false,
      true,
      true,
      true,
    ]);
  });
  it('that only a copy names stays as long as the copy does', async () => {
    const inCopy = await agedPicture('copy', '2026-05-01T00:00:00.000Z');
    expect((await naming('p3', inCopy, 3)).kind).toBe('done');
    backup({ dataDir: folder, to: path.join(folder, 'copies'), now: now(), withPictures: false });
    await store.bin(siteId, true);
    expect(await store.erase(siteId)).toBe('erased');
    expect(forgetPictures(folder, today)).toBe(0);
    expect(await pictures.has(inCopy)).toBe(true);
  });
  it('that is sent again is new again', async () => {
    const id = await agedPicture('twice', '2026-05-01T00:00:00.000Z');
    await pictures.keep(Buffer.from('twice'), 'image/png');
    expect(forgetPictures(folder, today)).toBe(0);
    expect(await pictures.has(id)).toBe(true);
  });
});
