import { expect, it } from 'vitest';
import { saltmarrowSite } from '../../model/site/testSite';
import type { Trouble } from './causes';
import { insulationStory } from './insulationStory';
import { inputOf } from './testInput';
import { setOf } from './troubleSets';

const site = { ...saltmarrowSite(), reading: {} };
const tells = (runId: string, megohms: number, ...troubles: Trouble[]): number =>
  insulationStory(
    inputOf(site, runId, {
      'insulation-megohms': {
        id: 'x',
        runId,
        at: '2026-04-01T09:00:00Z',
        by: 'x',
        instrument: '',
        test: 'insulation-megohms',
        value: megohms,
      },
    }),
  ).tells(setOf(...troubles));
const forWater = (runId: string, megohms: number): number =>
  tells(runId, megohms, 'water') - tells(runId, megohms);

it('low is water, high is dry, and between them nothing is sure', () => {
  expect(forWater('r13', 0.05)).toBeGreaterThan(4);
  expect(forWater('r13', 150)).toBeLessThan(-2);
  expect(Math.abs(forWater('r13', 2))).toBeLessThan(3);
});

it('a long dry run reads less than a short one', () => {
  expect(forWater('r13', 8)).toBeLessThan(forWater('r01', 8));
});

it('nothing at all is a short sooner than water', () => {
  expect(tells('r13', 0, 'short')).toBeGreaterThan(tells('r13', 0, 'water'));
  // Behind a short nobody can tell whether it is wet.
  expect(tells('r13', 0, 'short', 'water')).toBe(tells('r13', 0, 'short'));
});
