import { MikroORM } from '@mikro-orm/postgresql';
import { Migrator } from '@mikro-orm/migrations';
import { accountEntities } from '../accounts/entities';
import { StartupError } from '../startupError';
import { FactRow, SiteRow } from '../store/entities';
import type { Orm } from '../store/orm';
import { sharedMigrations } from './tables';

/** Whoever brings the tables up to date holds this lock; it is the word “neotrope” shortened to a number. */
const migrationLock = 0x6e656f74;

/** Where a database is, without what opens it. */
function placeOf(url: string): string {
  const { host, pathname } = new URL(url);
  return `${host}${pathname}`;
}

/** Ends with a StartupError where an address is not one of a database that can be shared. */
export function checkAddress(url: string): void {
  if (URL.canParse(url) && ['postgres:', 'postgresql:'].includes(new URL(url).protocol)) return;
  throw new StartupError('--database is an address such as postgres://user@host/neotrope.');
}

/** Refuses what another program keeps, or a newer Neotrope. */
async function checkOurs(orm: Orm, place: string): Promise<void> {
  const em = orm.em.fork();
  const [{ count } = { count: 0 }] = await em.execute<{ count: number }[]>(
    "select count(*)::int as count from pg_tables where schemaname = 'public'",
  );
  if (count === 0) return;
  const [{ is } = { is: false }] = await em.execute<{ is: boolean }[]>(
    "select to_regclass('public.mikro_orm_migrations') is not null as is",
  );
  if (!is) throw new StartupError(`${place} is not a Neotrope database. It was left as it is.`);
  const ran = await em.execute<{ name: string }[]>('select name from mikro_orm_migrations');
  const known = new Set(sharedMigrations.map(({ name }) => name));
  if (ran.some(({ name }) => !known.has(name)))
    throw new StartupError(`${place} was written by a newer Neotrope. It was left as it is.`);
}

/** Brings the tables up to date; of several servers that start at once one does, and the others wait for it. */
const migrate = (orm: Orm, place: string): Promise<void> =>
  orm.em.fork().transactional(async (tx) => {
    await tx.execute('select pg_advisory_xact_lock(?)', [migrationLock]);
    await checkOurs(orm, place);
    await orm.migrator.up();
  });

interface RawConnection {
  query: (text: string, done: (error: Error | null) => void) => void;
}

/** Opens a database that several servers share. Rejects with a StartupError where it cannot be reached or is another's. */
export async function openDatabase(url: string): Promise<Orm> {
  checkAddress(url);
  const place = placeOf(url);
  const orm = await MikroORM.init({
    clientUrl: url,
    entities: [SiteRow, FactRow, ...accountEntities],
    extensions: [Migrator],
    migrations: { migrationsList: sharedMigrations, snapshot: false, silent: true },
    discovery: { warnWhenNoEntities: false },
    connect: false,
    pool: {
      min: 0,
      max: 10,
      afterCreate: (
        connection: RawConnection,
        done: (error: Error | null, connection: RawConnection) => void,
      ) =>
        // What is read of a site in several statements is of one moment, as in a file of SQLite.
        connection.query(
          'set session characteristics as transaction isolation level repeatable read',
          (error) => done(error, connection),
        ),
    },
  });
  try {
    await migrate(orm, place);
    return orm;
  } catch (error) {
    await orm.close(true);
    if (error instanceof StartupError) throw error;
    const { code, message } = error as { code?: string; message: string };
    throw new StartupError(
      `The database at ${place} cannot be used (${code ?? message.split('\n')[0]}). Is it running, and may you use it?`,
    );
  }
}
