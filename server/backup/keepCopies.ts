import type { MikroORM } from '@mikro-orm/better-sqlite';
import { copyOfToday } from './dailyCopies';

const hourMs = 3600 * 1000;

/**
 * Makes a copy of the database every day that the server runs, and every hour brings the log into the database, so that neither grows
 * old.
 * @returns how to stop, once what is under way is done
 */
export function keepCopies(dataDir: string, orm: MikroORM, now: () => string): () => Promise<void> {
  let working: Promise<unknown> = Promise.resolve();
  const work = (): void => {
    working = working
      .then(() => copyOfToday(dataDir, now()))
      .then(() => orm.em.getConnection().execute('pragma wal_checkpoint(TRUNCATE)'))
      // A copy that fails says so itself; the next hour tries again.
      .catch(() => undefined);
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
