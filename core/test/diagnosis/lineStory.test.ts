import { runLengthM } from '#core/model/site';
import { describe, expect, it } from 'vitest';
import type { RunEvent } from '#core/test/findings';
import { expectedCoaxOhms } from '#core/test/findings';
import { saltmarrowSite } from '../../model/site/testSite';
import type { RunReadings } from '#core/test/readings';
import type { Trouble } from './causes';
import { lineStory } from './lineStory';
import { inputOf } from './testInput';
import { setOf, troublesIn } from './troubleSets';

const site = { ...saltmarrowSite(), reading: {} };
const runId = 'r06';
const run = site.run[runId]!;
const lengthM = runLengthM(run);
const ohms = expectedCoaxOhms(run.segments);
const loop = (value: number): RunReadings => ({
  'coax-loop-ohms': {
    id: 'x',
    runId,
    at: '2026-04-01T09:00:00Z',
    by: 'x',
    instrument: '',
    test: 'coax-loop-ohms',
    value,
  },
});
const event = (kind: RunEvent['kind'], atM: number, of?: number): RunEvent => ({
  kind,
  atM,
  confidence: 1,
  isFarEnd: atM >= lengthM,
  ...(of === undefined ? {} : { ohms: of }),
});
const choices = [
  [],
  ['joint'],
  ['coax-construction'],
  ['open'],
  ['short'],
  ['water'],
  ['tap'],
  ['echo'],
] as const;
function best(readings: RunReadings, events: RunEvent[] | null): string {
  const { tells } = lineStory(inputOf(site, runId, readings), events);
  const logs = choices.map((of: readonly Trouble[]) => tells(setOf(...of)));
  return troublesIn(setOf(...choices[logs.indexOf(Math.max(...logs))]!)).join();
}
const end = event('open', lengthM);

describe('trace and loop together', () => {
  it.each([
    ['as noted', ohms + 0.4, [end], ''],
    [
      'eight ohms too much and a series resistance of as many',
      ohms + 8.4,
      [event('series', 90, 8), end],
      'joint',
    ],
    ['twice the loop and nothing on the way', 2.6 * ohms, [end], 'coax-construction'],
    ['no end of ohms and an early end', 99_999, [event('open', 70)], 'open'],
    ['the loop of where it is shorted', ohms * (70 / lengthM) + 0.6, [event('short', 70)], 'short'],
    ['a leak that the loop does not see', ohms + 0.4, [event('shunt', 110, 400), end], 'water'],
  ] as const)('%s', (_, value, events, said) => {
    expect(best(loop(value), [...events])).toBe(said);
  });
  it('the loop alone cannot tell a joint from a core, the trace can', () => {
    const alone = lineStory(inputOf(site, runId, loop(ohms + 25)), null);
    const seen = lineStory(inputOf(site, runId, loop(ohms + 25)), [event('series', 120, 25), end]);
    const weight = ({ tells }: typeof alone): number =>
      tells(setOf('joint')) - tells(setOf('coax-construction'));
    expect(weight(seen)).toBeGreaterThan(weight(alone) + 3);
  });
  it('a run that ends short of its note is shorter, not broken, where the loop goes through', () => {
    const short = 0.9 * lengthM;
    expect(best(loop(0.9 * ohms + 0.4), [event('open', short)])).toBe('');
  });
  it('says which event a trouble made', () => {
    const leak = event('shunt', 110, 400);
    const told: number[] = [];
    lineStory(inputOf(site, runId), [leak, end]).ways(setOf('water'), (ways) =>
      told.push(...[...ways.values()].map(({ atM }) => atM)),
    );
    expect(told).toEqual([110]);
  });
});
