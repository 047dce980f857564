import type { Orm } from './orm';
import { SiteRow } from './entities';

const dayMs = 24 * 3600 * 1000;
/** So long a deleted site can be put back. */
export const binDays = 30;

/** Deletes a site for good, with its facts and its log; its id stays taken, since edits of it may still be on their way. */
export const eraseSite = (orm: Orm, id: string, now: string): Promise<void> =>
  orm.em.fork().transactional(async (tx) => {
    await tx.execute('insert into erased_site (id, erased_at) values (?, ?)', [id, now]);
    await tx.nativeDelete(SiteRow, { id });
  });

/**
 * Deletes for good what has been in the bin for thirty days.
 * @returns the ids of what went
 */
export async function emptyBin(orm: Orm, now: string): Promise<string[]> {
  const before = new Date(Date.parse(now) - binDays * dayMs).toISOString();
  const old = await orm.em.fork().find(SiteRow, { binnedAt: { $lt: before } }, { fields: ['id'] });
  for (const { id } of old) await eraseSite(orm, id, now);
  return old.map(({ id }) => id);
}
