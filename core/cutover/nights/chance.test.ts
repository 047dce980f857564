import { describe, expect, it } from 'vitest';
import { createRandom } from '#core/shared/random';
import { chanceAgainst, chanceAtMost, chanceOf } from './chance';
import type { NightJob } from './nightJob';
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
  it('is on the same side of what it has to be, however often it is sampled', () => {
    let far = 0;
    for (const jobs of nightsOf(40)) {
      const { sequence } = sequenceNight(jobs, crew, rules);
      if (!sequence) continue;
      for (const share of [1, 1.1, 1.2, 1.4]) {
        const held = { ...rules, shiftMinutes: share * sequence.end };
        const all = chanceOf(sequence.jobs, held);
        for (const sure of [0.5, 0.8, 0.9, 0.99]) {
          const some = chanceAgainst(sure, sequence.jobs, held);
          expect(some >= sure).toBe(all >= sure);
          expect(Math.abs(some - all)).toBeLessThan(0.08);
          if (some !== all) far += 1;
        }
      }
    }
    expect(far).toBeGreaterThan(50);
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
