import { beforeAll, describe, expect, it } from 'vitest';
import type { QuantityTestId } from '#core/model/site';
import type { RunReadings } from '#core/test/readings';
import { knownSite } from '../../../tests/reference/judgement/known';
import { saltmarrowSite } from '../../model/site/testSite';
import { expectedReadings, type ExpectedReading } from './expectedReadings';
import { posteriorOf } from './posterior';
import { inputOf } from './testInput';

const site = saltmarrowSite();
const figure = (test: QuantityTestId, value: number): RunReadings => ({
  [test]: {
    id: 'x',
    runId: 'x',
    at: '2026-04-01T09:00:00Z',
    by: 'I. Marlow',
    instrument: 'Bench meter 1',
    test,
    value,
  },
});
const expectedOf = (runId: string, more: RunReadings = {}) => {
  const looked = inputOf(site, runId, more);
  return expectedReadings(looked, posteriorOf(looked));
};
const [low, middle, high] = [0, 1, 2];
const edges = (one: ExpectedReading): number[] => [one.low, one.middle, one.high];

describe('where a figure is expected', () => {
  it('is about what the tables say, with the spread of what is noted', () => {
    // 212 m of 43 Ω/km: 9.1 Ω, and a metre of length off for every twenty.
    const loop = edges(expectedOf('r08')['coax-loop-ohms']!);
    expect(loop[low]).toBeGreaterThan(8);
    expect(loop[middle]).toBeCloseTo(9.2, 0);
    expect(loop[high]).toBeLessThan(10.5);
  });
  it('says the same whatever is read of it', () => {
    const as = expectedOf('r08', figure('coax-loop-ohms', 8.9))['coax-loop-ohms']!;
    const far = expectedOf('r08', figure('coax-loop-ohms', 30))['coax-loop-ohms']!;
    edges(far).forEach((edge, index) => expect(edge / edges(as)[index]!).toBeCloseTo(1, 1));
  });
  it('follows what else is read: volts at night behind a loop that reads more', () => {
    const usual = expectedOf('r08')['night-volts']!;
    const poor = expectedOf('r08', figure('power-loop-ohms', 11))['night-volts']!;
    expect(poor.middle).toBeLessThan(usual.middle);
    expect(poor.low).toBeLessThan(usual.low);
  });
  it('asks for nothing that has no figure', () => {
    expect(Object.keys(expectedOf('r08')).sort()).toEqual([
      'coax-loop-ohms',
      'day-volts',
      'insulation-megohms',
      'night-volts',
      'power-loop-ohms',
      'shield-earth-volts',
    ]);
  });
});

describe('on runs whose truth is known', () => {
  const held = new Map<string, { read: number; within: number }>();
  beforeAll(() => {
    const known = knownSite();
    for (const runId of Object.keys(known.run).slice(0, 140)) {
      const looked = inputOf(known, runId);
      const expected = expectedReadings(looked, posteriorOf(looked));
      for (const [test, one] of Object.entries(expected)) {
        const reading = looked.readings[test as QuantityTestId];
        if (!reading || !('value' in reading)) continue;
        const of = held.get(test) ?? { read: 0, within: 0 };
        of.read += 1;
        if (reading.value >= one.low && reading.value <= one.high) of.within += 1;
        held.set(test, of);
      }
    }
  }, 120_000);
  it.each(['coax-loop-ohms', 'power-loop-ohms', 'day-volts', 'night-volts', 'shield-earth-volts'] as const)(
    '%s: nine in ten lie within, or more',
    (test) => {
      const { read, within } = held.get(test)!;
      expect(read).toBeGreaterThan(80);
      expect(within / read).toBeGreaterThan(0.85);
    },
  );
});
