import { readFileSync } from 'node:fs';
import path from 'node:path';
import Database from 'better-sqlite3';
import { describe, expect, it } from 'vitest';
import type { LogEntry, SiteFile } from '#core/model/site';
import { startServer } from '../../server/startServer';
import { demoFile, newFolder, post, root } from './serverUnderTest';

const older = JSON.parse(
  readFileSync(path.join(root, 'tests/reference/site-version-1.neotrope.json'), 'utf8'),
) as Record<string, { id: string }[]>;
const kindOf: Record<string, string> = {
  places: 'place',
  cameras: 'camera',
  supplies: 'supply',
  recorders: 'recorder',
  runs: 'run',
  readings: 'reading',
  equipment: 'equipment',
  drawings: 'drawing',
  pins: 'pin',
  routes: 'route',
  photos: 'photo',
};
const editId = '6b0f4c1e-52a7-4f0e-9f0c-0f6a4b0f2b11';

/** A data folder as a server of the first version left it: its tables, one site, one edit in its log. */
function olderFolder(): string {
  const folder = newFolder();
  const database = new Database(path.join(folder, 'neotrope.sqlite'));
  database.exec(`
    create table mikro_orm_migrations (
      id integer primary key autoincrement, name text, executed_at datetime default current_timestamp
    );
    insert into mikro_orm_migrations (name) values ('0001-first-tables'), ('0002-archived-sites');
    create table site (
      id text primary key, name text not null, version integer not null,
      created_at text not null, changed_at text not null, archived_at text
    ) strict;
    create table fact (
      site text not null references site (id) on delete cascade,
      kind text not null, id text not null, fact text not null, primary key (site, kind, id)
    ) strict, without rowid;
    create table edit (
      site text not null references site (id) on delete cascade,
      version integer not null, id text not null unique, entry text not null, primary key (site, version)
    ) strict;
    insert into site values ('ferry', 'Ferry', 1, '2026-03-01T08:00:00Z', '2026-03-01T08:00:00Z', null);
  `);
  const insert = database.prepare("insert into fact values ('ferry', ?, ?, ?)");
  const { about } = older as unknown as { about: object };
  insert.run('about', 'about', JSON.stringify(about));
  for (const [list, kind] of Object.entries(kindOf))
    for (const fact of older[list]!) insert.run(kind, fact.id, JSON.stringify(fact));
  const settings = {
    id: 'slotting',
    numbers: 'any',
    share: 'load',
    streams: {},
    perNight: 4,
    first: [],
  };
  insert.run('slotting', 'slotting', JSON.stringify(settings));
  const entry = {
    id: editId,
    site: 'ferry',
    baseVersion: 0,
    version: 1,
    label: 'Four a night',
    nature: { kind: 'do' },
    by: 'R. Tolland',
    at: '2026-03-01T08:00:00Z',
    changes: [{ kind: 'slotting', id: 'slotting', set: settings }],
    inverse: [{ kind: 'slotting', id: 'slotting', remove: true }],
  };
  database.prepare("insert into edit values ('ferry', 1, ?, ?)").run(editId, JSON.stringify(entry));
  database.close();
  return folder;
}

describe('a database of an earlier version', () => {
  it('is brought up to date with its log, and its last edit can be taken back', async () => {
    const server = await startServer({
      port: 0,
      dataDir: olderFolder(),
      webDir: path.join(root, 'dist'),
      demoFile,
      reset: false,
    });
    const address = `${server.address}/api/sites/ferry`;
    const read = async () =>
      (await (await fetch(address)).json()) as { version: number; file: SiteFile; log: LogEntry[] };
    const { file, log } = await read();
    expect(file.cameras).toHaveLength(older['cameras']!.length);
    expect(file.recorders.map(({ rules }) => rules.kind)).toContain('highest-first');
    expect(file.allocationSettings).toMatchObject([{ id: 'allocation-settings', perNight: 4 }]);
    expect(log).toMatchObject([{ operation: { kind: 'do' }, changes: [{ kind: 'allocationSettings' }] }]);
    const back = await post(`${address}/edits`, {
      id: crypto.randomUUID(),
      site: 'ferry',
      baseVersion: 1,
      label: 'Undo',
      operation: { kind: 'undo', of: editId },
      by: 'R. Tolland',
      changes: log[0]!.inverse,
    });
    expect(back.status).toBe(200);
    expect((await read()).file.allocationSettings).toEqual([]);
    await server.close();
  });
});
