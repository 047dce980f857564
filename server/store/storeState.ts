import type { EntityManager, Orm } from './orm';
import type { Site } from '#core/model/site';
import { SiteRow } from './entities';
import { readFacts } from './facts';
import type { Pictures } from './pictures';
import type { RecentSites } from './recentSites';

/** What reading and writing sites rests on. */
export interface StoreState {
  orm: Orm;
  pictures: Pictures;
  recent: RecentSites;
  now: () => string;
}

/** The row of a site that can be opened; what is in the bin is put back first. */
export const findSite = (em: EntityManager, id: string): Promise<SiteRow | null> =>
  em.findOne(SiteRow, { id, binnedAt: null }, { disableIdentityMap: true });

/** The facts of a site at the version of its row. */
export async function currentSite(
  { recent }: StoreState,
  em: EntityManager,
  { id, version, archivedAt }: SiteRow,
): Promise<Site> {
  const known = recent.get(id);
  if (known?.version === version) return known.site;
  const site = await readFacts(em, id);
  // What was put away takes no edits: nothing is held ready for one.
  if (!archivedAt) recent.set(id, { version, site });
  return site;
}
