import { LRUCache } from 'lru-cache';
import type { Site } from '#core/model/site';

/** A site at one of its versions. */
export interface SiteState {
  version: number;
  site: Site;
}

/** So many sites are in use at once; one more is a few megabytes. */
const mostSites = 16;

/** The last state of each site in use, so that an edit does not read the whole site again. */
export type RecentSites = LRUCache<string, SiteState>;
export const recentSites = (): RecentSites => new LRUCache<string, SiteState>({ max: mostSites });
