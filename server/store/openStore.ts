import { mkdirSync } from 'node:fs';
import path from 'node:path';
import { MikroORM } from '@mikro-orm/better-sqlite';
import { Migrator } from '@mikro-orm/migrations';
import { counted } from '#core/shared/labels';
import { accountEntities } from '../accounts/entities';
import { StartupError } from '../startupError';
import type { Orm } from './orm';
import { databaseName } from './dataFolder';
import { FactRow, SiteRow } from './entities';
import { faultOfFolder } from './inspectDatabase';
import { keepStatements } from './keepStatements';
import { migrations } from './migrations';
import { rescue } from './rescue';

/** Ends the start where the database cannot be gone on with; what can be read of it is saved first. */
function checkDatabase(dataDir: string, now: string): void {
  const fault = faultOfFolder(dataDir);
  if (!fault) return;
  const said = `${path.join(dataDir, databaseName)} ${fault.what}. It was left as it is`;
  if (!fault.canBeSaved)
    throw new StartupError(`${said}; move it away, or choose another folder with --data.`);
  const { folder, files } = rescue(dataDir, now);
  throw new StartupError(
    `${said}; a copy and ${counted(files.length, 'site')} as far as they can be read are in ${folder}. Put a backup back with npm run restore, or start with --reset and import them.`,
  );
}

interface RawConnection {
  exec(text: string): unknown;
  prepare(text: string): unknown;
}

/** Opens the SQLite file of a data folder, brings its tables up to date and sets it to survive a power cut. */
export async function openStore(dataDir: string, now = new Date().toISOString()): Promise<Orm> {
  mkdirSync(dataDir, { recursive: true });
  const file = path.join(dataDir, databaseName);
  checkDatabase(dataDir, now);
  const orm = await MikroORM.init({
    dbName: file,
    entities: [SiteRow, FactRow, ...accountEntities],
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
          // Waiting is done where it stops nobody else.
          'busy_timeout = 20',
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
