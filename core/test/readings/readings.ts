import type {
  ContinuityReading,
  LinkReading,
  PictureReading,
  QuantityReading,
  QuantityTestId,
  Reading,
  Site,
  SwapReading,
  SwapTestId,
  TraceReading,
  WireMapReading,
} from '#core/model/site';

/** The readings of a run that count: the latest one of each test that is not struck out. */
export type RunReadings = Partial<
  Record<QuantityTestId, QuantityReading> & Record<SwapTestId, SwapReading>
> & {
  continuity?: ContinuityReading;
  'wire-map'?: WireMapReading;
  reflectometer?: TraceReading;
  picture?: PictureReading;
  link?: LinkReading;
};

/** Readings that count, by run. One pass over the site, so that a thousand runs cost a thousand. */
export function readingsByRun(site: Pick<Site, 'reading'>): Map<string, RunReadings> {
  const byRun = new Map<string, RunReadings>();
  for (const reading of Object.values(site.reading)) {
    if (reading.struck) continue;
    let ofRun = byRun.get(reading.runId);
    if (!ofRun) byRun.set(reading.runId, (ofRun = {}));
    const earlier = ofRun[reading.test];
    // Which test a reading is of says which kind of reading it is; the compiler cannot follow that.
    if (!earlier || Date.parse(earlier.at) <= Date.parse(reading.at))
      (ofRun as Record<string, Reading>)[reading.test] = reading;
  }
  return byRun;
}
