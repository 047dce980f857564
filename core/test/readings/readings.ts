import type {
  ContinuityReading,
  LinkReading,
  PictureReading,
  QuantityReading,
  QuantityTestId,
  Site,
  SwapReading,
  SwapTestId,
  TraceReading,
} from '#core/model/site';

/** The readings of a run that count: the latest one of each test that is not struck out. */
export type RunReadings = Partial<
  Record<QuantityTestId, QuantityReading> & Record<SwapTestId, SwapReading>
> & {
  continuity?: ContinuityReading;
  reflectometer?: TraceReading;
  picture?: PictureReading;
  link?: LinkReading;
};

/** Readings that count, by run. One pass over the site, so that a thousand runs cost a thousand. */
export function readingsByRun(site: Pick<Site, 'reading'>): Map<string, RunReadings> {
  const byRun = new Map<string, RunReadings>();
  for (const reading of Object.values(site.reading)) {
    if (reading.struck) continue;
    const ofRun = byRun.get(reading.runId) ?? {};
    const earlier = ofRun[reading.test];
    if (!earlier || Date.parse(earlier.at) <= Date.parse(reading.at))
      Object.assign(ofRun, { [reading.test]: reading });
    byRun.set(reading.runId, ofRun);
  }
  return byRun;
}
