import type { ServerLog } from '../log/serverLog';
import { emptyBin } from '../store/bin';
import type { Orm } from '../store/orm';
import { packEdits } from '../store/packEdits';
import { forgetSharedPictures } from './forgetSharedPictures';

const hourMs = 3600 * 1000;
/** Whoever keeps a database in order holds this lock. */
const upkeepLock = 0x6e656f75;

/**
 * One round, by one server at a time. Copies are made by whoever runs the database, with the tools of the database.
 * @returns whether it was done here
 */
const keep = (orm: Orm, log: Pick<ServerLog, 'note'>, now: string, withPictures: boolean): Promise<boolean> =>
  orm.em.fork().transactional(async (tx) => {
    const [row] = await tx.execute<{ isMine: boolean }[]>('select pg_try_advisory_xact_lock(?) as "isMine"', [
      upkeepLock,
    ]);
    if (!row?.isMine) return false;
    const packedEdits = await packEdits(orm);
    const erased = await emptyBin(orm, now);
    const forgottenPictures = withPictures ? await forgetSharedPictures(orm.em.fork(), now) : 0;
    const done = { packedEdits, erasedSites: erased.length, forgottenPictures };
    if (Object.values(done).some((count) => count > 0)) log.note('Upkeep', done);
    return true;
  });

/**
 * Packs old edits and empties the bin of what has been in it for long, every hour, and once a day looks through all sites for pictures that
 * nobody names any more.
 */
export function startSharedUpkeep(orm: Orm, log: ServerLog, now: () => string): () => Promise<void> {
  let working: Promise<unknown> = Promise.resolve();
  let lookedOn = '';
  const round = async (): Promise<void> => {
    const at = now();
    const today = at.slice(0, 10);
    if (await keep(orm, log, at, lookedOn !== today)) lookedOn = today;
  };
  const timer = setInterval(() => {
    working = working.then(round).catch((error: unknown) => log.fault('Upkeep failed', error));
  }, hourMs);
  timer.unref();
  return async () => {
    clearInterval(timer);
    await working;
  };
}
