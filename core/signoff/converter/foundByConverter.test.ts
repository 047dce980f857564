import { describe, expect, it } from 'vitest';
import type { ConverterLink } from '#core/connect/converterReport';
import type { AcceptanceCheckId, Soak } from '#core/model/site';
import { foundByConverter } from '.';

const lineTest = { at: '2026-05-06T09:00:00Z', mbps: 94, lostPercent: 0.002, watts: 21.4 };
const link: ConverterLink = { number: 1, isUp: true, lineTest };
const soak: Soak = { kind: 'soak', hours: 72, lostPercent: 0, drops: 0, gapMinutes: 0 };
const ofLink: AcceptanceCheckId[] = ['delivered-watts', 'throughput', 'lost-packets', 'soak'];
const checksOf = (...given: Parameters<typeof foundByConverter>) =>
  foundByConverter(...given).map(({ check }) => check);

describe('what converters say of a camera', () => {
  it('is what is asked: rate, loss and watts by their line test, the soak by their counters', () => {
    expect(foundByConverter(link, soak, ofLink)).toEqual([
      { check: 'throughput', found: { kind: 'figure', value: 94 } },
      { check: 'lost-packets', found: { kind: 'figure', value: 0.002 } },
      { check: 'delivered-watts', found: { kind: 'figure', value: 21.4 } },
      { check: 'soak', found: soak },
    ]);
    expect(checksOf(link, soak, ['throughput'])).toEqual(['throughput']);
  });
  it('is no more than they know: without a load no watts, without a test or with a link that is down no figures', () => {
    expect(checksOf({ ...link, lineTest: { ...lineTest, watts: null } }, null, ofLink)).toEqual([
      'throughput',
      'lost-packets',
    ]);
    expect(checksOf({ ...link, lineTest: null }, null, ofLink)).toEqual([]);
    expect(checksOf({ ...link, isUp: false }, soak, ofLink)).toEqual(['soak']);
  });
});
