import type { Orm } from '../store/orm';
import type { ServerLog } from '../log/serverLog';
import type { ApplyingRecords } from '../recorders/applyingRecords';
import { emptyBin } from '../store/bin';
import { packEdits } from '../store/packEdits';
import { copyOfToday } from './dailyCopies';

const hourMs = 3600 * 1000;

/** What the upkeep of a data folder works on. */
export interface Kept {
  dataDir: string;
  orm: Orm;
  applying: ApplyingRecords;
  log: Pick<ServerLog, 'note' | 'fault'>;
  now: () => string;
}

/** One round of upkeep: today's copy first, so that nothing goes of which there is none. */
async function keep({ dataDir, orm, applying, log, now }: Kept): Promise<void> {
  if (!(await copyOfToday(dataDir, now())))
    throw new Error('today’s copy could not be made; nothing else was done');
  const packed = await packEdits(orm);
  const erased = await emptyBin(orm, now());
  for (const id of erased) await applying.forgetSite(id);
  if (packed + erased.length > 0) log.note('Upkeep', { packedEdits: packed, erasedSites: erased.length });
  await orm.em.getConnection().execute('pragma wal_checkpoint(TRUNCATE)');
}

/**
 * Makes a copy of the database every day that the server runs, and every hour packs old edits, empties the bin of what has been in it for
 * long, and brings the log into the database, so that none of them grows without end.
 * @returns how to stop, once what is under way is done
 */
export function startUpkeep(kept: Kept): () => Promise<void> {
  let working: Promise<unknown> = Promise.resolve();
  const work = (): void => {
    // What fails is tried again in the next hour.
    working = working
      .then(() => keep(kept))
      .catch((error: unknown) => kept.log.fault('Upkeep failed', error));
  };
  const timer = setInterval(work, hourMs);
  timer.unref();
  // The first copy waits until the start is over.
  const first = setTimeout(work, 20_000);
  first.unref();
  return async () => {
    clearInterval(timer);
    clearTimeout(first);
    await working;
  };
}
