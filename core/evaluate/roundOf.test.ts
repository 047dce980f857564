import { describe, expect, it } from 'vitest';
import { evaluateSite } from './evaluateSite';
import { roundOf } from './roundOf';
import { saltmarrowSite } from '../model/site/testSite';
import { withChanges, type Change } from '#core/model/site';

const site = saltmarrowSite();
const before = { site, evaluation: evaluateSite(site) };

describe('the round of a site', () => {
  it('keeps the time at hand, goes to no place twice, and tells more in more time', () => {
    let told = 0;
    for (const minutes of [30, 60, 120, 240]) {
      const round = roundOf(before, minutes);
      expect(round.minutes).toBeLessThanOrEqual(minutes);
      expect(new Set(round.stops.map(({ at, placeId }) => `${at} ${placeId}`)).size).toBe(round.stops.length);
      expect(round.bits).toBeGreaterThan(told);
      expect(round.bits).toBeLessThan(round.openBits);
      told = round.bits;
    }
  });
  it('asks for no test that was done, and is planned anew after a reading', () => {
    const [first] = roundOf(before, 30).stops[0]!.tests;
    const reading: Change = {
      kind: 'reading',
      id: 'just-now',
      set: {
        id: 'just-now',
        runId: first!.runId,
        test: 'picture',
        symptoms: [],
        at: '2026-04-01T09:00:00Z',
        by: 'I. Marlow',
        instrument: 'Eyes',
      },
    };
    const next = withChanges(site, [reading]);
    const round = roundOf({ site: next, evaluation: evaluateSite(next, before) }, 600);
    const asked = round.stops.flatMap(({ tests }) => tests).filter(({ runId }) => runId === first!.runId);
    expect(asked.map(({ testId }) => testId)).not.toContain('picture');
  });
  it('sends nobody to a run with dangerous volts', () => {
    const at = { runId: 'r15', at: '2026-04-01T09:00:00Z', by: 'x', instrument: '' };
    const next = withChanges(site, [
      { kind: 'reading', id: 'live', set: { id: 'live', ...at, test: 'foreign-ac-volts', value: 90 } },
    ]);
    const round = roundOf({ site: next, evaluation: evaluateSite(next) }, 600);
    expect(round.stoppedRunIds).toEqual(['r15']);
    expect(round.stops.flatMap(({ tests }) => tests).map(({ runId }) => runId)).not.toContain('r15');
  });
  it('says of a run that nobody tested what a tested one of the same print makes likely', () => {
    const printed = (id: string): Change => {
      const run = site.run[id]!;
      const [first] = site.run['r14']!.segments;
      const segments = run.segments.map((segment) => ({
        ...segment,
        cable: first!.cable,
        print: 'FERRY 75',
      }));
      return { kind: 'run', id, set: { ...run, segments } };
    };
    const next = withChanges(site, [printed('r14'), printed('r15')]);
    const { foretold } = roundOf({ site: next, evaluation: evaluateSite(next) }, 60);
    expect(foretold).toMatchObject([
      {
        runId: 'r15',
        trouble: 'coax-construction',
        message: '1 of 1 tested runs with the same cable and print have it',
      },
    ]);
    // By hand: a rate of 3 % counts for three runs, and one is almost surely so.
    expect(foretold[0]!.rate).toBeCloseTo((0.03 * 3 + 1) / 4, 1);
    expect(roundOf(before, 60).foretold).toEqual([]);
  });
});
