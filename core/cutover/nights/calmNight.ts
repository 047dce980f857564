import { chanceOf } from './chance';
import { darkMinutes } from './darkRules';
import type { NightJob, NightRules, Worker } from './nightJob';
import { sequenceNight, type Sequence } from './sequence';

/**
 * The order of a night in which views are dark for the fewest minutes, as long as it is as sure to end within the shift as was asked for; else
 * the one that is over soonest. `null` where no order keeps every latest start.
 */
export function calmNight(
  jobs: readonly NightJob[],
  crew: readonly Worker[],
  rules: NightRules,
): (Sequence & { chance: number }) | null {
  const { sequence: soonest } = sequenceNight(jobs, crew, rules);
  if (!soonest) return null;
  const { sequence: calmest } = sequenceNight(jobs, crew, rules, { aim: 'calmest' });
  const dark = (one: Sequence) => darkMinutes(one.jobs, rules.weights);
  if (calmest && dark(calmest) < dark(soonest) - 1e-9) {
    const chance = chanceOf(calmest.jobs, rules);
    if (chance >= rules.sureChance) return { ...calmest, chance };
  }
  return { ...soonest, chance: chanceOf(soonest.jobs, rules) };
}
