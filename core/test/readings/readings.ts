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

/** The readings of a run that count: the latest one of each test that is not struck out, and taken of the line as it is. */
export type RunReadings = Partial<
  Record<QuantityTestId, QuantityReading> & Record<SwapTestId, SwapReading>
> & {
  continuity?: ContinuityReading;
  'wire-map'?: WireMapReading;
  reflectometer?: TraceReading;
  picture?: PictureReading;
  link?: LinkReading;
};

/** When each run was last changed by whoever mended it: what was read before tells of a line that is no more. */
export function changedAt({ mending }: Pick<Site, 'mending'>): Map<string, number> {
  const changed = new Map<string, number>();
  for (const { runId, at, changedLine } of Object.values(mending))
    if (changedLine) changed.set(runId, Math.max(changed.get(runId) ?? -Infinity, Date.parse(at)));
  return changed;
}

/** Whether a reading was taken before its run was changed. */
export function isOutdated({ runId, at }: Reading, changed: ReadonlyMap<string, number>): boolean {
  const since = changed.get(runId);
  return since !== undefined && Date.parse(at) < since;
}

/** Readings that count, by run. One pass over the site, so that a thousand runs cost a thousand. */
export function readingsByRun(site: Pick<Site, 'reading' | 'mending'>): Map<string, RunReadings> {
  const changed = changedAt(site);
  const byRun = new Map<string, RunReadings>();
  for (const reading of Object.values(site.reading)) {
    if (reading.struck || isOutdated(reading, changed)) continue;
    let ofRun = byRun.get(reading.runId);
    if (!ofRun) byRun.set(reading.runId, (ofRun = {}));
    const earlier = ofRun[reading.test];
    // Which test a reading is of says which kind of reading it is; the compiler cannot follow that.
    if (!earlier || Date.parse(earlier.at) <= Date.parse(reading.at))
      (ofRun as Record<string, Reading>)[reading.test] = reading;
  }
  return byRun;
}
