import { expect, it } from 'vitest';
import { evaluateSite, summaryOf, unreadTraces } from '#core/evaluate';
import type { Site, TraceReading } from '#core/model/site';
import { saltmarrowSite } from '../../../core/model/site/testSite';
import { startReading } from './traceProgress';

const reading: TraceReading = {
  id: 'r01-trace',
  runId: 'r01',
  test: 'reflectometer',
  trace: {
    stepNs: 1.3,
    voltsPerCount: 1e-5,
    counts: Array.from({ length: 900 }, (_, k) => (k < 8 ? 30_000 : k >= 300 && k < 308 ? 5000 : 0)),
  },
  at: '2026-04-01T09:00:00Z',
  by: 'I. Marlow',
  instrument: 'Echo box',
};

/** The demo with a trace that is a copy, so that nothing is known of it yet. */
function withFreshTrace(): Site {
  const demo = saltmarrowSite();
  return { ...demo, reading: { ...demo.reading, [reading.id]: structuredClone(reading) } };
}

// There are no threads here and no database: both fail, as they may in a browser.
it('where threads fail, what is left is told all the same, so that no run waits for its trace for ever', async () => {
  const site = withFreshTrace();
  const traces = startReading(unreadTraces(site));
  expect(traces.pending.size).toBeGreaterThan(0);
  expect(await traces.next()).toBe(true);
  expect(traces.pending.size).toBe(0);
  expect(await traces.next()).toBe(false);
  expect(summaryOf(evaluateSite(site))).toEqual(summaryOf(evaluateSite(withFreshTrace())));
});

it('with nothing to read there is nothing to wait for', async () =>
  expect(await startReading([]).next()).toBe(false));
