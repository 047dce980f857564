import { describe, expect, it } from 'vitest';
import { keepFound, readTrace, traceTaskOf } from '#core/test/findings';
import type { Reading, Site, TraceReading } from '#core/model/site';
import { saltmarrowSite } from '../model/site/testSite';
import { evaluateSite, initialPatch, summaryOf, unreadTraces, withTracesPending, withoutReadings } from '.';

const demo = saltmarrowSite();

/** The demo with readings that are copies, so that nothing is known of their traces yet. */
function withFreshTraces(): Site {
  const counts = Array.from({ length: 900 }, (_, k) =>
    k < 8 ? 30_000 : k >= 300 && k < 308 ? 5000 : k >= 820 && k < 828 ? 12_000 : 0,
  );
  const reading: Record<string, Reading> = { ...demo.reading };
  for (const runId of ['r01', 'r18', 'r23'])
    reading[`${runId}-trace`] = {
      id: `${runId}-trace`,
      runId,
      test: 'reflectometer',
      trace: { stepNs: 1.3, voltsPerCount: 1e-5, counts },
      at: '2026-04-01T09:00:00Z',
      by: 'I. Marlow',
      instrument: 'Echo box',
    } satisfies TraceReading;
  return { ...demo, reading };
}

const idsOf = (site: Site) => new Set(unreadTraces(site).map(({ reading }) => reading.id));
const runsOf = (site: Site) => new Set(unreadTraces(site).map(({ run }) => run.id));

describe('traces that nobody has read yet', () => {
  it('are those that count, until they have been read', () => {
    const site = withFreshTraces();
    expect([...runsOf(site)].sort()).toEqual(expect.arrayContaining(['r01', 'r18', 'r23']));
    evaluateSite(site);
    expect(unreadTraces(site)).toEqual([]);
  });

  it('leave their runs unjudged meanwhile, and no other', () => {
    const site = withFreshTraces();
    const [ids, runs] = [idsOf(site), runsOf(site)];
    const patch = withTracesPending(initialPatch(evaluateSite(withoutReadings(site, ids))), runs);
    const plain = initialPatch(evaluateSite(withoutReadings(site, ids)));
    for (const [index, { runId, findings }] of patch.changed.entries())
      if (runs.has(runId))
        expect([findings.state, findings.binding.message]).toEqual(['untested', 'its trace is being read']);
      else expect(findings).toEqual(plain.changed[index]!.findings);
  });

  it('come to the same, read elsewhere or here, at once or run by run', () => {
    const fresh = summaryOf(evaluateSite(withFreshTraces()));
    const site = withFreshTraces();
    const pending = new Map(unreadTraces(site).map((one) => [one.reading.id, one]));
    const seen = () => withoutReadings(site, new Set(pending.keys()));
    let last = { site: seen(), evaluation: evaluateSite(seen()) };
    for (const { run, reading } of [...pending.values()]) {
      // As it comes from another thread: through text.
      const found = JSON.parse(JSON.stringify(readTrace(traceTaskOf(run, reading)))) as ReturnType<
        typeof readTrace
      >;
      keepFound(run, reading, found);
      pending.delete(reading.id);
      const next = seen();
      last = { site: next, evaluation: evaluateSite(next, last) };
    }
    expect(summaryOf(last.evaluation)).toEqual(fresh);
  });
});
