import { describe, expect, it } from 'vitest';
import type { wireMaps } from '#core/model/site';
import { type ContinuityReading } from '#core/model/site';
import { saltmarrowSite } from '../../model/site/testSite';
import type { RunReadings } from '#core/test/readings';
import type { Trouble } from './causes';
import { continuity, wireMaps as mapRows } from './practice';
import { inputOf } from './testInput';
import { setOf } from './troubleSets';
import { wiringStory } from './wiringStory';

const site = { ...saltmarrowSite(), reading: {} };
const common = { id: 'x', runId: 'r20', at: '2026-04-01T09:00:00Z', by: 'x', instrument: '' };
const through = (found: ContinuityReading['found']): RunReadings => ({
  continuity: { ...common, test: 'continuity', found },
});
const chance = (readings: RunReadings, ...troubles: Trouble[]): number =>
  Math.exp(wiringStory(inputOf(site, 'r20', readings)).tells(setOf(...troubles)));
const outcomes = ['through', 'open', 'shorted'] as const;

describe('the rows of practice', () => {
  it.each(Object.entries({ ...continuity, ...mapRows }))('%s shares out one', (_, row: readonly number[]) => {
    expect(row.reduce((sum, share) => sum + share, 0)).toBeCloseTo(1, 9);
  });
});

describe('what the wiring tells', () => {
  it('is the row of each trouble by itself, and shares out one under any of them together', () => {
    expect(chance(through('open'), 'open')).toBeCloseTo(continuity.open[1], 9);
    expect(chance(through('shorted'))).toBeCloseTo(continuity.usual[2], 9);
    for (const set of [[], ['open', 'short'], ['joint', 'water', 'tap'], ['short', 'joint']] as Trouble[][])
      expect(outcomes.reduce((sum, found) => sum + chance(through(found), ...set), 0)).toBeCloseTo(1, 9);
  });
  it('a coax that is open and shorted reads as either', () => {
    expect(chance(through('open'), 'open', 'short')).toBeGreaterThan(0.4);
    expect(chance(through('shorted'), 'open', 'short')).toBeGreaterThan(0.4);
    expect(chance(through('through'), 'open', 'short')).toBeLessThan(0.01);
  });
  it('a wire map and the figures of the cable point at their own troubles', () => {
    const map = (found: (typeof wireMaps)[number]): RunReadings => ({
      'wire-map': { ...common, test: 'wire-map', found },
    });
    expect(chance(map('split'), 'split-pair')).toBeGreaterThan(100 * chance(map('split')));
    expect(chance(map('crossed'), 'pair-wiring')).toBeGreaterThan(50 * chance(map('crossed')));
    const uneven: RunReadings = {
      'pair-unbalance-percent': { ...common, test: 'pair-unbalance-percent', value: 9 },
    };
    expect(chance(uneven, 'pair-unbalance')).toBeGreaterThan(100 * chance(uneven));
  });
});
