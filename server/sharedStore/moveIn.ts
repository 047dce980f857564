import { existsSync, readdirSync, readFileSync } from 'node:fs';
import path from 'node:path';
import Database from 'better-sqlite3';
import pg from 'pg';
import { picturesName } from '../backup/manifest';
import { StartupError } from '../startupError';
import { databaseName } from '../store/dataFolder';
import { holdFolder } from '../store/folderLock';
import { keepStatements } from '../store/keepStatements';
import { openStore } from '../store/openStore';
import { pictureFolder } from '../store/pictureFolder';
import { openDatabase } from './openDatabase';
import { pictureTable } from './pictureTable';

/** In an order in which each finds what it leans on. */
const tables = [
  'site',
  'fact',
  'edit',
  'edit_block',
  'allowed_host',
  'erased_site',
  'person',
  'passkey',
  'session',
  'member',
  'invitation',
  'failed_sign_in',
  'firm',
  'drill_result',
] as const;

/** Figures in one statement: PostgreSQL takes 65,535. */
const mostFigures = 20_000;

type Row = Record<string, string | number | Buffer | null>;

async function copyRows(to: pg.ClientBase, table: string, rows: readonly Row[]): Promise<void> {
  const columns = Object.keys(rows[0] ?? {});
  const atOnce = Math.max(1, Math.floor(mostFigures / Math.max(1, columns.length)));
  for (let start = 0; start < rows.length; start += atOnce) {
    const batch = rows.slice(start, start + atOnce);
    const places = batch.map(
      (_, row) => `(${columns.map((__, column) => `$${row * columns.length + column + 1}`).join(', ')})`,
    );
    await to.query(
      `insert into ${table} (${columns.join(', ')}) values ${places.join(', ')}`,
      batch.flatMap((row) => columns.map((column) => row[column])),
    );
  }
}

/** What happened with accounts stays in its order, under numbers that the database gives. */
const notesIn = (from: Database.Database): Row[] =>
  from.prepare('select at, name, what, address from account_note order by id').all() as Row[];

async function copyAll(from: Database.Database, to: pg.ClientBase): Promise<void> {
  for (const table of tables)
    await copyRows(to, table, from.prepare(`select * from ${table}`).all() as Row[]);
  await copyRows(to, 'account_note', notesIn(from));
}

/** Plans on their way into recorders; each file is named for its site and its recorder. */
function recordsIn(dataDir: string): Row[] {
  const folder = path.join(dataDir, 'recorders');
  const names = existsSync(folder) ? readdirSync(folder) : [];
  return names
    .filter((name) => name.endsWith('.json'))
    .map((name) => {
      const [site = '', recorder = ''] = name.split('.');
      return { site, recorder, record: readFileSync(path.join(folder, name), 'utf8') };
    });
}

async function copyPictures(dataDir: string, pool: pg.Pool): Promise<number> {
  const folder = path.join(dataDir, picturesName);
  const [from, to] = [pictureFolder(folder), pictureTable(pool)];
  let count = 0;
  for (const name of readdirSync(folder)) {
    const picture = await from.read(path.parse(name).name);
    if (!picture) continue;
    await to.keep(picture.bytes, picture.type);
    count += 1;
  }
  return count;
}

async function checkEmpty(pool: pg.Pool): Promise<void> {
  const { rows } = await pool.query<{ count: number }>(
    'select ((select count(*) from site) + (select count(*) from person))::int as count',
  );
  if (rows[0]!.count > 0)
    throw new StartupError('There are sites or people in that database already. Nothing was moved.');
}

/** What was moved. */
export interface Moved {
  sites: number;
  pictures: number;
}

/**
 * Copies a data folder into a database that has nothing in it yet: sites with their logs, people, roles, devices and pictures. The folder
 * stays as it is. Either all of it is there afterwards or nothing but pictures, which name nothing. Throws a StartupError where a server
 * is at the folder, or something is in the database.
 */
export async function moveIn(dataDir: string, url: string): Promise<Moved> {
  if (!existsSync(path.join(dataDir, databaseName)))
    throw new StartupError(`There is no ${databaseName} in ${dataDir}. Name the data folder with --data.`);
  const letGo = holdFolder(dataDir);
  const pool = new pg.Pool({ connectionString: url, max: 2 });
  let from: Database.Database | undefined;
  try {
    // Both are looked at, and brought to the tables of today.
    await (await openStore(dataDir)).close(true);
    await (await openDatabase(url)).close(true);
    await checkEmpty(pool);
    from = keepStatements(new Database(path.join(dataDir, databaseName), { readonly: true }));
    const pictures = await copyPictures(dataDir, pool);
    const client = await pool.connect();
    try {
      await client.query('begin');
      await copyAll(from, client);
      await copyRows(client, 'applying', recordsIn(dataDir));
      await client.query('commit');
    } catch (error) {
      await client.query('rollback');
      throw error;
    } finally {
      client.release();
    }
    const { sites } = from.prepare('select count(*) as sites from site').get() as { sites: number };
    return { sites, pictures };
  } finally {
    from?.close();
    await pool.end();
    letGo();
  }
}
