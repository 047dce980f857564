import type { EntityManager } from '../store/orm';

/** A picture that was sent so lately may be named by an edit that has yet to come. */
const daysAtLeast = 30;

/**
 * Deletes pictures of the database that no fact names and no edit that can be taken back; a picture that is sent again meanwhile is new
 * again, and stays. Copies of the database have pictures of their own.
 * @returns how many went
 */
export async function forgetSharedPictures(em: EntityManager, now: string): Promise<number> {
  const gone = await em.execute<{ id: string }[]>(
    `delete from picture
     where kept_at < ?::timestamptz - make_interval(days => ?)
       and id not in (
         select named[1] from fact, regexp_matches(fact.fact, '"fileId":"([0-9a-f]{64})"', 'g') as named
         where kind in ('drawing', 'photo')
         union
         select named[1] from edit, regexp_matches(entry, '"fileId":"([0-9a-f]{64})"', 'g') as named
         where entry like '%fileId%')
     returning id`,
    [now, daysAtLeast],
  );
  return gone.length;
}
