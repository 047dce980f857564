import type { ServerLog } from '../log/serverLog';
import { emptyBin } from '../store/bin';
import type { Orm } from '../store/orm';
import { packEdits } from '../store/packEdits';

const hourMs = 3600 * 1000;
/** Whoever keeps a database in order holds this lock. */
const upkeepLock = 0x6e656f75;

/** One round, by one server at a time. Copies are made by whoever runs the database, with the tools of the database. */
const keep = (orm: Orm, log: Pick<ServerLog, 'note'>, now: () => string): Promise<void> =>
  orm.em.fork().transactional(async (tx) => {
    const [row] = await tx.execute<{ isMine: boolean }[]>('select pg_try_advisory_xact_lock(?) as "isMine"', [
      upkeepLock,
    ]);
    if (!row?.isMine) return;
    const packedEdits = await packEdits(orm);
    const erased = await emptyBin(orm, now());
    if (packedEdits + erased.length > 0) log.note('Upkeep', { packedEdits, erasedSites: erased.length });
  });

/** Packs old edits and empties the bin of what has been in it for long, every hour. */
export function startSharedUpkeep(orm: Orm, log: ServerLog, now: () => string): () => Promise<void> {
  let working: Promise<unknown> = Promise.resolve();
  const timer = setInterval(() => {
    working = working
      .then(() => keep(orm, log, now))
      .catch((error: unknown) => log.fault('Upkeep failed', error));
  }, hourMs);
  timer.unref();
  return async () => {
    clearInterval(timer);
    await working;
  };
}
