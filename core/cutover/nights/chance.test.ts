import { describe, expect, it } from 'vitest';
import { createRandom } from '#core/shared/random';
import { chanceAtMost, chanceOf } from './chance';
import type { NightJob } from './nightJob';
import { nightPatterns } from './nightPatterns';
import { sequenceNight } from './sequence';
import { eightHours, jobOf, twoPeople } from './testJob';

const rules = eightHours;
const crew = twoPeople;
const nightsOf = function* (count: number): Generator<NightJob[]> {
  const random = createRandom(3);
  const pick = (n: number) => Math.floor(random() * n);
  for (let round = 0; round < count; round += 1)
    yield Array.from({ length: 2 + pick(4) }, (_, k) =>
      jobOf(`j${k}`, {
        likely: 40 + 10 * pick(9),
        people: 1 + pick(2),
        place: `place ${pick(3)}`,
        dark: [{ view: `j${k}`, minutes: 20 }],
        needs: k > 0 && random() < 0.4 ? [`j${pick(k)}`] : [],
        window: random() < 0.2 ? { from: 90, to: 400, why: 'the lift' } : null,
      }),
    );
};

describe('the chance of a night', () => {
  it('is the same whether it is taken as a chain or step by step with the rules about views', () => {
    // A rule that never binds leaves the night as it is, and has it gone through step by step.
    const views = ['j0', 'j1', 'j2', 'j3', 'j4', 'j5'];
    const held = { ...rules, mostDark: [{ name: 'all', views, most: 6, exceptRestarts: false }] };
    for (const jobs of nightsOf(25)) {
      const { sequence } = sequenceNight(jobs, crew, rules);
      if (sequence) expect(chanceOf(sequence.jobs, rules)).toBe(chanceOf(sequence.jobs, held));
    }
  });
  it('is never above what people’s minutes allow', () => {
    for (const jobs of nightsOf(40)) {
      const { sequence } = sequenceNight(jobs, crew, rules);
      if (!sequence) continue;
      for (const shiftMinutes of [sequence.end, 1.15 * sequence.end]) {
        const held = { ...rules, shiftMinutes };
        expect(chanceOf(sequence.jobs, held)).toBeLessThanOrEqual(
          chanceAtMost(jobs, crew.length, held) + 0.03,
        );
      }
    }
  });
});

describe('the ways to fill a night', () => {
  const fits = (jobs: readonly NightJob[]): boolean => {
    const { sequence } = sequenceNight(jobs, crew, rules);
    return sequence !== null && chanceOf(sequence.jobs, rules) >= 0.9;
  };
  const pair = (id: string, likely: number, place: string) => jobOf(id, { likely, place, people: 2 });
  const jobs = [
    pair('a1', 100, 'quay'),
    pair('a2', 100, 'quay'),
    pair('a3', 100, 'quay'),
    pair('a4', 100, 'quay'),
    pair('b1', 160, 'roof'),
    pair('b2', 160, 'roof'),
    pair('short', 15, 'roof'),
  ];
  const found = nightPatterns(jobs, { crew, rules }, fits)!;
  it('are of kinds that ask the same, without what is over in no time', () =>
    expect(found.kinds).toEqual([
      ['a1', 'a2', 'a3', 'a4'],
      ['b1', 'b2'],
    ]));
  it('each fit and are full, and there is one that holds any night that fits', () => {
    const kinds = [jobs.slice(0, 4), jobs.slice(4, 6)];
    const of = (counts: readonly number[]) => counts.flatMap((count, kind) => kinds[kind]!.slice(0, count));
    for (const pattern of found.patterns) expect(fits(of(pattern))).toBe(true);
    for (let a = 0; a <= 4; a += 1)
      for (let b = 0; b <= 2; b += 1)
        expect(found.patterns.some(([most, other]) => a <= most! && b <= other!)).toBe(fits(of([a, b])));
  });
  it('are not gone through where a night has room for many', () =>
    expect(nightPatterns(jobs, { crew: [...crew, ...crew], rules }, fits)).toBeNull());
});
