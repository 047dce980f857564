import { accessSync, constants, existsSync, mkdirSync, renameSync, rmSync, statSync } from 'node:fs';
import path from 'node:path';
import { MikroORM } from '@mikro-orm/better-sqlite';
import { Migrator } from '@mikro-orm/migrations';
import Database from 'better-sqlite3';
import { StartupError } from '../startupError';
import { EditRow, FactRow, SiteRow } from './entities';
import { keepStatements } from './keepStatements';
import { migrations } from './migrations';

export const databaseName = 'neotrope.sqlite';
const previousName = 'neotrope.previous.sqlite';

const databaseFiles = (name: string) => ['', '-wal', '-shm'].map((suffix) => name + suffix);

/** Makes the data folder if need be and makes sure that it can be written to. */
export function prepareDataFolder(dataDir: string): void {
  try {
    mkdirSync(dataDir, { recursive: true });
    accessSync(dataDir, constants.W_OK | constants.X_OK);
    if (!statSync(dataDir).isDirectory()) throw new Error('not a folder');
  } catch (error) {
    throw new StartupError(
      `The data folder ${dataDir} cannot be written to (${(error as Error).message}). Choose another with --data.`,
    );
  }
}

/** Moves the database aside, so that a reset can be taken back by hand. One earlier copy is kept. */
export function setDatabaseAside(dataDir: string): void {
  for (const name of databaseFiles(previousName)) rmSync(path.join(dataDir, name), { force: true });
  databaseFiles(databaseName).forEach((name, index) => {
    const file = path.join(dataDir, name);
    if (existsSync(file)) renameSync(file, path.join(dataDir, databaseFiles(previousName)[index]!));
  });
}

/** Looks at an existing database without writing to it; refuses one that is damaged, foreign or newer. */
function inspect(file: string): void {
  if (!existsSync(file)) return;
  const refuse = (what: string) =>
    new StartupError(
      `${file} ${what}. It was left as it is; move it away, or choose another folder with --data.`,
    );
  let database: Database.Database | undefined;
  try {
    database = keepStatements(new Database(file, { readonly: true, fileMustExist: true }));
    const verdict = database.prepare('pragma quick_check').pluck().get();
    if (verdict !== 'ok') throw refuse('is damaged');
    const tables = new Set(
      database.prepare("select name from sqlite_master where type = 'table'").pluck().all() as string[],
    );
    if (tables.size > 0 && !tables.has('mikro_orm_migrations')) throw refuse('is not a Neotrope database');
    if (tables.size > 0) {
      const known = new Set(migrations.map(({ name }) => name));
      const unknown = (
        database.prepare('select name from mikro_orm_migrations').pluck().all() as string[]
      ).filter((name) => !known.has(name));
      if (unknown.length > 0) throw refuse('was written by a newer Neotrope');
    }
  } catch (error) {
    if (error instanceof StartupError) throw error;
    throw refuse(`is damaged or not a database (${(error as Error).message})`);
  } finally {
    database?.close();
  }
}

interface RawConnection {
  exec(text: string): unknown;
  prepare(text: string): unknown;
}

/** Opens the SQLite file of a data folder, brings its tables up to date and sets it to survive a power cut. */
export async function openStore(dataDir: string): Promise<MikroORM> {
  const file = path.join(dataDir, databaseName);
  inspect(file);
  const orm = await MikroORM.init({
    dbName: file,
    entities: [SiteRow, FactRow, EditRow],
    extensions: [Migrator],
    migrations: { migrationsList: migrations, snapshot: false, silent: true },
    discovery: { warnWhenNoEntities: false },
    pool: {
      afterCreate: (
        connection: RawConnection,
        done: (error: Error | null, connection: RawConnection) => void,
      ) => {
        for (const pragma of [
          'journal_mode = WAL',
          'synchronous = FULL',
          'foreign_keys = ON',
          'busy_timeout = 4000',
        ])
          // Not by its own `pragma`, which prepares a statement that nobody keeps.
          connection.exec(`pragma ${pragma}`);
        done(null, keepStatements(connection));
      },
    },
  });
  await orm.migrator.up();
  return orm;
}
