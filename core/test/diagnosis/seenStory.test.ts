import { describe, expect, it } from 'vitest';
import type { Symptom } from '#core/physics/picture';
import { saltmarrowSite } from '../../model/site/testSite';
import type { RunReadings } from '#core/test/readings';
import type { Trouble } from './causes';
import { failsAtHeadEnd, inventsSymptom, shows, swapGoesWrong } from './practice';
import { seenStory } from './seenStory';
import { inputOf } from './testInput';
import { setOf } from './troubleSets';

const site = { ...saltmarrowSite(), reading: {} };
const common = { id: 'x', runId: 'r01', at: '2026-04-01T09:00:00Z', by: 'x', instrument: '' };
const picture = (...symptoms: Symptom[]): RunReadings => ({
  picture: { ...common, test: 'picture', symptoms },
});
const tells = (readings: RunReadings, ...troubles: Trouble[]): number =>
  seenStory(inputOf(site, 'r01', readings)).tells(setOf(...troubles));
const chance = (readings: RunReadings, ...troubles: Trouble[]): number =>
  Math.exp(tells(readings, ...troubles));

describe('what is seen of a picture', () => {
  it('tells nothing while nobody has looked', () => {
    expect(tells({}, 'camera', 'tap')).toBe(0);
  });
  it('is a clean picture of a sound run, but for what observers invent', () => {
    expect(chance(picture())).toBeCloseTo((1 - inventsSymptom) ** 9, 9);
  });
  it('shows each trouble by its own chance, and two of them side by side', () => {
    const ghost = shows.tap!.ghost!;
    const bars = shows['earth-difference']!.bars!;
    const ratio = (readings: RunReadings, first: Trouble[], second: Trouble[]): number =>
      chance(readings, ...first) / chance(readings, ...second);
    expect(ratio(picture('bars'), ['earth-difference'], [])).toBeGreaterThan(0.5 * (bars / inventsSymptom));
    // Both symptoms are far likelier with both troubles than with one of them and an invention.
    const both = picture('ghost', 'bars');
    expect(ratio(both, ['tap', 'earth-difference'], ['tap'])).toBeGreaterThan(20);
    expect(ratio(both, ['tap', 'earth-difference'], ['earth-difference'])).toBeGreaterThan(
      0.4 * (ghost / inventsSymptom),
    );
  });
  it('hides everything else where there is no picture', () => {
    const dark = chance(picture('no-picture'), 'open');
    expect(chance(picture('no-picture'), 'open', 'earth-difference')).toBeCloseTo(dark, 9);
  });
  it('is gone at night where the volts that were read starve the camera, whatever starves it', () => {
    const starving: RunReadings = { 'night-volts': { ...common, test: 'night-volts', value: 5 } };
    const gone = picture('gone-at-night');
    expect(tells({ ...gone, ...starving })).toBeGreaterThan(tells(gone) + 2);
  });
});

describe('a swap and a link', () => {
  it('fail by the chance of each trouble, or go wrong by themselves', () => {
    const fails: RunReadings = {
      'camera-at-head-end': { ...common, test: 'camera-at-head-end', found: 'fails' },
    };
    expect(chance(fails)).toBeCloseTo(swapGoesWrong, 9);
    expect(chance(fails, 'camera')).toBeCloseTo(1 - (1 - swapGoesWrong) * (1 - failsAtHeadEnd.camera!), 9);
    expect(chance(fails, 'power-joint')).toBeCloseTo(swapGoesWrong, 9);
  });
  it('no link speaks for a coax that is broken', () => {
    const link: RunReadings = {
      link: { ...common, test: 'link', rateMbps: 0, throughputMbps: 0, lostPercent: 100, deliveredWatts: 0 },
    };
    expect(tells(link, 'open')).toBeGreaterThan(tells(link) + 3);
    expect(tells(link, 'camera')).toBeCloseTo(tells(link), 9);
  });
});
