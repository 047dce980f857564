import { LRUCache } from 'lru-cache';
import { kinds, type Site } from '#core/model/site';

/** A site at one of its versions. */
export interface SiteState {
  version: number;
  site: Site;
}

/** So many facts are held: some hundred sites of a usual size, or a dozen of thousands of cameras; about a kilobyte each. */
const mostFacts = 150_000;

const factsIn = ({ site }: SiteState): number =>
  kinds.reduce((sum, kind) => sum + Object.keys(site[kind]).length, 1);

/** The last state of each site in use, so that an edit does not read the whole site again. */
export type RecentSites = LRUCache<string, SiteState>;
export const recentSites = (): RecentSites =>
  new LRUCache<string, SiteState>({ maxSize: mostFacts, sizeCalculation: factsIn });
