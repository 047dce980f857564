import { isTraceRead } from '#core/test/findings';
import { readingsByRun } from '#core/test/readings';
import type { Reading, Run, Site, TraceReading } from '#core/model/site';
import type { RunPatch, SummaryPatch } from './summary';

/** A trace that counts and that nobody has read yet, with its run. */
export interface UnreadTrace {
  run: Run;
  reading: TraceReading;
}

/** Traces that have yet to be read. Reading them is most of the work of opening a site that has many. */
export function unreadTraces(site: Site): UnreadTrace[] {
  const unread: UnreadTrace[] = [];
  for (const [runId, { reflectometer: reading }] of readingsByRun(site)) {
    const run = site.run[runId];
    if (run && reading && !isTraceRead(run, reading)) unread.push({ run, reading });
  }
  return unread;
}

/** The site without some of its readings, as it can be evaluated while they are being read. */
export function withoutReadings(site: Site, ids: ReadonlySet<string>): Site {
  if (ids.size === 0) return site;
  const reading: Record<string, Reading> = {};
  for (const [id, one] of Object.entries(site.reading)) if (!ids.has(id)) reading[id] = one;
  return { ...site, reading };
}

function pendingPatch(patch: RunPatch): RunPatch {
  const { findings } = patch;
  const binding = {
    ...findings.binding,
    state: 'untested' as const,
    message: 'its trace is being read',
  };
  return { ...patch, findings: { ...findings, state: 'untested', binding } };
}

/** News in which a run whose trace is still being read is not judged: what it shows may be the worst of it. */
export function withTracesPending(patch: SummaryPatch, runIds: ReadonlySet<string>): SummaryPatch {
  if (runIds.size === 0) return patch;
  const changed = patch.changed.map((one) => (runIds.has(one.runId) ? pendingPatch(one) : one));
  return { ...patch, changed };
}
