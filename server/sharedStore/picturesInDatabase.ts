import pg from 'pg';
import type { Pictures } from '../store/pictures';
import { pictureTable } from './pictureTable';

/** The pictures of a database, by two connections of their own: a thread that takes a file in has no others. */
export function picturesInDatabase(url: string): Pictures {
  const pool = new pg.Pool({
    connectionString: url,
    max: 2,
    idleTimeoutMillis: 10_000,
    allowExitOnIdle: true,
  });
  // A connection that breaks while nobody uses it is replaced by the next that is needed.
  pool.on('error', () => undefined);
  return pictureTable(pool);
}
