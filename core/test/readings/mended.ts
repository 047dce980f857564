import type { Mending, Site } from '#core/model/site';
import { changedAt, isOutdated } from './readings';

/** What a run was found to have, the latest first, and how many of its readings no longer count since. */
export interface Mended {
  mendings: Mending[];
  outdated: number;
}

export function mendedRun(site: Pick<Site, 'reading' | 'mending'>, runId: string): Mended {
  const changed = changedAt(site);
  return {
    mendings: Object.values(site.mending)
      .filter((mending) => mending.runId === runId)
      .sort((a, b) => Date.parse(b.at) - Date.parse(a.at)),
    outdated: Object.values(site.reading).filter(
      (reading) => reading.runId === runId && !reading.struck && isOutdated(reading, changed),
    ).length,
  };
}
