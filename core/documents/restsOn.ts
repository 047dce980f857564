import type { FeasibleOption } from '#core/decide/options';
import type { Site } from '#core/model/site';
import { siteGaps } from '#core/survey/gaps';
import { changedAt, isOutdated } from '#core/test/readings';
import { counted } from '#core/shared/labels';

/** Readings that count: not struck out, and of a line as it is now. */
function readingsThatCount(site: Site): number {
  const changed = changedAt(site);
  return Object.values(site.reading).filter((reading) => !reading.struck && !isOutdated(reading, changed))
    .length;
}

/**
 * What a plan stands on, as its first line: “4 cameras, 0 readings, 68 gaps, prices as shipped, 3 routes not surveyed”.
 * Whoever reads a total reads first how much of it anybody has looked at.
 */
export function restsOn(site: Site, planned: readonly Pick<FeasibleOption, 'tasks'>[]): string {
  const ownPrices = Object.keys(site.product).length;
  const unwalked = planned.filter(({ tasks }) => tasks.some(({ item }) => item === 'survey-route')).length;
  return [
    counted(Object.keys(site.camera).length, 'camera'),
    counted(readingsThatCount(site), 'reading'),
    counted(siteGaps(site).length, 'gap'),
    ownPrices === 0 ? 'prices as shipped' : `${counted(ownPrices, 'price')} of its own, the rest as shipped`,
    ...(unwalked > 0 ? [`${counted(unwalked, 'route')} not surveyed`] : []),
  ].join(', ');
}
