import { createRandom } from '#core/shared/random';
import { darkOf } from './darkRules';
import type { NightJob, NightRules } from './nightJob';
import type { PlannedJob } from './plannedJob';
import { quantileOf } from './spread';
import { endOfNight, timedNight } from './timedNight';

/** So many nights are sampled: the chance is then known to half a percent. */
export const usualNights = 10_000;

/** What a job of a night begins after: others, each with the walk from there, and an hour before which it cannot begin. */
interface Link {
  after: { index: number; walk: number }[];
  from: number;
}

/** A night as a chain of jobs, each after some others; `null` where rules about views let a job wait for more than those. */
function chainOf(jobs: readonly PlannedJob[], { mostDark, walkMinutes }: NightRules): Link[] | null {
  if (mostDark.some((rule) => jobs.some(({ job }) => darkOf(job, rule).length > 0))) return null;
  return jobs.map(({ job, team }, at): Link => {
    const before = jobs.slice(0, at);
    const reached = team.flatMap((person) => {
      const index = before.findLastIndex((other) => other.team.includes(person));
      return index < 0 ? [] : [{ index, walk: before[index]!.job.place === job.place ? 0 : walkMinutes }];
    });
    const needed = before.flatMap((other, index) =>
      job.needs.includes(other.job.id) ? [{ index, walk: 0 }] : [],
    );
    return { after: [...reached, ...needed], from: job.window?.from ?? 0 };
  });
}

/** When the last of a chain is done; `ends` is written to. */
function endOfChain(chain: readonly Link[], minutes: readonly number[], ends: number[]): number {
  let last = 0;
  for (let index = 0; index < chain.length; index += 1) {
    const { after, from } = chain[index]!;
    let start = from;
    for (const one of after) start = Math.max(start, ends[one.index]! + one.walk);
    const end = start + minutes[index]!;
    ends[index] = end;
    last = Math.max(last, end);
  }
  return last;
}

/** No night of these jobs is over within its shift with a higher chance than this, whatever their order: people’s minutes are shared evenly. */
export function chanceAtMost(
  jobs: readonly Pick<NightJob, 'minutes' | 'people'>[],
  crew: number,
  { shiftMinutes }: Pick<NightRules, 'shiftMinutes'>,
  { nights = 2000, seed = 1 }: { nights?: number; seed?: number } = {},
): number {
  const random = createRandom(seed);
  const teams = Math.max(1, Math.floor(crew / 2));
  let within = 0;
  for (let night = 0; night < nights; night += 1) {
    let [work, inTeams] = [0, 0];
    for (const { minutes, people } of jobs) {
      const takes = quantileOf(minutes, random());
      work += people * takes;
      if (people > 1) inTeams += takes;
    }
    if (Math.max(work / crew, inTeams / teams) <= shiftMinutes) within += 1;
  }
  return within / nights;
}

/** The chance, from 0 to 1, with which a night that was planned is over within its shift: the share of sampled nights. */
export function chanceOf(
  jobs: readonly PlannedJob[],
  rules: NightRules,
  { nights = usualNights, seed = 1 }: { nights?: number; seed?: number } = {},
): number {
  if (jobs.length === 0) return 1;
  const random = createRandom(seed);
  const chain = chainOf(jobs, rules);
  const minutes: number[] = [];
  const ends: number[] = [];
  const endOf = (): number =>
    chain
      ? endOfChain(chain, minutes, ends)
      : endOfNight(timedNight(jobs, rules, { minutesOf: (index) => minutes[index]! }));
  let within = 0;
  for (let night = 0; night < nights; night += 1) {
    jobs.forEach(({ job }, index) => {
      minutes[index] = quantileOf(job.minutes, random());
    });
    if (endOf() <= rules.shiftMinutes) within += 1;
  }
  return within / nights;
}

/** So many nights tell what is sure by far, or by far not. */
const fewNights = 1000;

/** By how much a chance that is sampled from so few nights may be off that is near another: five deviations, and a twentieth at least. */
const offNear = (chance: number): number =>
  Math.max(0.05, 5 * Math.sqrt((chance * (1 - chance)) / fewNights));

/** The same for a night of which it only matters whether it is as sure as it has to be: sampled as often as it takes to tell that. */
export function chanceAgainst(sureChance: number, jobs: readonly PlannedJob[], rules: NightRules): number {
  const chance = chanceOf(jobs, rules, { nights: fewNights });
  return Math.abs(chance - sureChance) > offNear(sureChance) ? chance : chanceOf(jobs, rules);
}
