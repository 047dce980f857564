import { createHash } from 'node:crypto';
import pg from 'pg';
import { inject } from 'vitest';
import type { Shared } from '../../server/sharedStore/sharedHouse';
import { openDatabase } from '../../server/sharedStore/openDatabase';
import { openStore } from '../../server/store/openStore';
import type { Orm } from '../../server/store/orm';

/** The database that stands for a data folder where the tests run on PostgreSQL; made where it is not there yet. */
export async function databaseFor(dataDir: string): Promise<string | null> {
  const url = inject('postgres');
  if (url === undefined) return null;
  const name = `neotrope_${createHash('sha256').update(dataDir).digest('hex').slice(0, 16)}`;
  const client = new pg.Client({ connectionString: url });
  await client.connect();
  try {
    const { rowCount } = await client.query('select from pg_database where datname = $1', [name]);
    if (rowCount === 0) await client.query(`create database ${name}`);
  } finally {
    await client.end();
  }
  return Object.assign(new URL(url), { pathname: `/${name}` }).href;
}

/** Where a server under test keeps things: in its folder, or in a database of its own. */
export async function placeFor(dataDir: string): Promise<{ dataDir: string; shared?: Shared }> {
  const database = await databaseFor(dataDir);
  return database === null ? { dataDir } : { dataDir, shared: { database } };
}

/** Opens what such a server keeps, beside it. */
export async function openPlace(dataDir: string): Promise<Orm> {
  const database = await databaseFor(dataDir);
  return database === null ? openStore(dataDir) : openDatabase(database);
}
