import { readdirSync, readFileSync, writeFileSync } from 'node:fs';
import { createServer, type AddressInfo } from 'node:net';
import path from 'node:path';
import Database from 'better-sqlite3';
import { describe, expect, it } from 'vitest';
import type { SiteFile } from '#core/model/site';
import { openStore } from '../../server/store/openStore';
import { choosing, ended, newFolder, post, runToEnd, siteId, startProcess } from './serverUnderTest';

const databaseIn = (folder: string) => path.join(folder, 'neotrope.sqlite');
const oneLine = (text: string) => text.trim().split('\n').length === 1;

interface Served {
  version: number;
  file: SiteFile;
}
const read = async (address: string) =>
  (await (await fetch(`${address}/api/sites/${siteId}`)).json()) as Served;

describe('an answered edit', () => {
  it('survives kill -9', async () => {
    const folder = newFolder();
    const first = await startProcess(['--demo', '--data', folder, '--port', '0']);
    const before = await read(first.address);
    for (let k = 0; k < 20; k += 1) {
      const answer = await post(
        `${first.address}/api/sites/${siteId}/edits`,
        choosing('c08', k % 2 ? 'keep' : 'ip-coax-unit', before.version + k),
      );
      expect(answer.status).toBe(200);
    }
    first.process.kill('SIGKILL');
    await ended(first.process);
    const second = await startProcess(['--data', folder, '--port', '0']);
    const after = await read(second.address);
    second.process.kill();
    await ended(second.process);
    expect(after.version).toBe(before.version + 20);
    expect(after.file.choices.find(({ id }) => id === 'c08')?.option).toBe('keep');
  });
  it('is on a database that flushes before it answers and keeps its references', async () => {
    const orm = await openStore(newFolder());
    const pragma = async (name: string) =>
      Object.values(
        ((await orm.em.getConnection().execute(`pragma ${name}`)) as Record<string, unknown>[])[0]!,
      )[0];
    expect([await pragma('journal_mode'), await pragma('synchronous'), await pragma('foreign_keys')]).toEqual(
      ['wal', 2, 1],
    );
    await orm.close(true);
  });
});

describe('starting', () => {
  it('without --demo there is no site; with --reset the old file is kept aside', async () => {
    const folder = newFolder();
    const empty = await startProcess(['--data', folder, '--port', '0']);
    expect(await (await fetch(`${empty.address}/api/sites`)).json()).toEqual({ sites: [] });
    empty.process.kill();
    await ended(empty.process);
    const again = await startProcess(['--demo', '--reset', '--data', folder, '--port', '0']);
    expect((await read(again.address)).version).toBe(0);
    again.process.kill();
    await ended(again.process);
    expect(readdirSync(folder).filter((name) => /^neotrope\.before-.*\.sqlite$/.test(name))).toHaveLength(1);
  });
  it('listens on loopback only', async () => {
    const { process: child, address } = await startProcess(['--data', newFolder(), '--port', '0']);
    expect(address).toMatch(/^http:\/\/127\.0\.0\.1:/);
    const { port } = new URL(address);
    const sockets = readFileSync('/proc/net/tcp', 'utf8') + readFileSync('/proc/net/tcp6', 'utf8');
    const listening = sockets
      .split('\n')
      .map((line) => line.trim().split(/\s+/))
      .filter(
        (columns) =>
          columns[3] === '0A' &&
          columns[1]?.endsWith(`:${Number(port).toString(16).toUpperCase().padStart(4, '0')}`),
      );
    expect(listening.map((columns) => columns[1]?.split(':')[0])).toEqual(['0100007F']);
    child.kill();
    await ended(child);
  });
});

describe('what it cannot start on gives one line and exit 1', () => {
  it('a port in use, before anything else is touched', async () => {
    const blocker = createServer().listen(0, '127.0.0.1');
    await new Promise((resolve) => blocker.once('listening', resolve));
    const { port } = blocker.address() as AddressInfo;
    const folder = newFolder();
    writeFileSync(databaseIn(folder), 'mine');
    const { code, err } = await runToEnd(['--demo', '--reset', '--data', folder, '--port', String(port)]);
    blocker.close();
    expect([code, oneLine(err)]).toEqual([2, true]);
    expect(err).toContain(`Port ${port} is in use`);
    expect(readFileSync(databaseIn(folder), 'utf8')).toBe('mine');
  });
  it('a data folder that is no folder', async () => {
    const file = path.join(newFolder(), 'a-file');
    writeFileSync(file, 'mine');
    const { code, err } = await runToEnd(['--data', path.join(file, 'data'), '--port', '0']);
    expect([code, oneLine(err)]).toEqual([2, true]);
    expect(err).toMatch(/cannot be written to/);
  });
  it.each<[string, (file: string) => void, RegExp]>([
    [
      'a file that is no database',
      (file) => writeFileSync(file, 'this is not a database, it only has its name'.repeat(100)),
      /not a database/,
    ],
    [
      'a database cut in half',
      (file) => {
        const database = new Database(file);
        database.exec(
          'create table mikro_orm_migrations (id integer primary key, name text); create table fact (a text)',
        );
        const insert = database.prepare('insert into fact values (?)');
        for (let k = 0; k < 500; k += 1) insert.run('x'.repeat(500));
        database.close();
        const whole = readFileSync(file);
        writeFileSync(file, whole.subarray(0, whole.length / 2));
      },
      /is damaged/,
    ],
    [
      'a database of something else',
      (file) => {
        const database = new Database(file);
        database.exec('create table recipes (name text)');
        database.close();
      },
      /is not a Neotrope database/,
    ],
    [
      'a database of a newer Neotrope',
      (file) => {
        const database = new Database(file);
        database.exec(
          "create table mikro_orm_migrations (id integer primary key, name text); insert into mikro_orm_migrations values (1, '9999-teleport')",
        );
        database.close();
      },
      /newer Neotrope/,
    ],
  ])('%s, which it leaves as it is', async (_, make, says) => {
    const folder = newFolder();
    make(databaseIn(folder));
    const before = readFileSync(databaseIn(folder));
    const { code, err, out } = await runToEnd(['--demo', '--data', folder, '--port', '0']);
    expect([code, out, oneLine(err)]).toEqual([2, '', true]);
    expect(err).toMatch(says);
    expect(readFileSync(databaseIn(folder)).equals(before)).toBe(true);
  });
  it('tells how it is started when it is asked to, and starts nothing', async () => {
    const { code, out, err } = await runToEnd(['--help']);
    expect([code, err]).toEqual([0, '']);
    for (const option of ['--port NUMBER', '--data FOLDER', '--reset', '--demo'])
      expect(out).toContain(option);
  });
  it.each([
    [['--port', 'many'], /--port is "many"/],
    [['--port', '70000'], /from 0 to 65535/],
    [['--horse'], /--horse/],
  ])('%j', async (args, says) => {
    const { code, err } = await runToEnd([...args, '--data', newFolder()]);
    expect([code, oneLine(err)]).toEqual([2, true]);
    expect(err).toMatch(says);
  });
});
