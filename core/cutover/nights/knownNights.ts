import type { ToAssign } from './assignment';
import { chanceAgainst, chanceAtMost } from './chance';
import type { NightJob } from './nightJob';
import type { PlannedJob } from './plannedJob';
import { sequenceNight } from './sequence';

/** The jobs of a night in their order. */
export interface Night {
  jobs: PlannedJob[];
  end: number;
  /** The chance with which it is over within its shift, from 0 to 1: to a percent as long as nights are sought. */
  chance: number;
}

/** Nights that were looked at, by their jobs. */
export interface KnownNights {
  nights: Map<string, Night | null>;
  /** Whether all of those that do not fit are known not to. */
  isExact: boolean;
}

export const nothingKnown = (): KnownNights => ({ nights: new Map(), isExact: true });

const keyOf = (jobs: readonly NightJob[]): string =>
  jobs
    .map(({ id }) => id)
    .sort()
    .join(' ');

/** So few orders are looked at first: what fits mostly shows in the first of them. */
const fewStates = 40;
/** What chances are short of by more than this they are short of, however they were sampled. */
const chanceSlack = 0.03;

/** An order of so many that were looked at in which the jobs of a night are sure enough; and whether there is none at all where there is none. */
function sureOrder(
  jobs: readonly NightJob[],
  { crew, rules }: ToAssign,
  states?: number,
): { night: Night | null; isExact: boolean } {
  const { sequence, isExact } = sequenceNight(jobs, crew, rules, states === undefined ? {} : { states });
  const chance = sequence ? chanceAgainst(rules.sureChance, sequence.jobs, rules) : 0;
  if (sequence && chance >= rules.sureChance)
    return { night: { jobs: sequence.jobs, end: sequence.end, chance }, isExact };
  return { night: null, isExact };
}

/** Jobs of one night in an order that is sure enough, where one shows at once; `null` where none does. */
export function quickNight(jobs: readonly NightJob[], asked: ToAssign, known: KnownNights): Night | null {
  const key = keyOf(jobs);
  const before = known.nights.get(key);
  if (before !== undefined) return before;
  if (chanceAtMost(jobs, asked.crew.length, asked.rules) < asked.rules.sureChance - chanceSlack) {
    known.nights.set(key, null);
    return null;
  }
  const { night, isExact } = sureOrder(jobs, asked, fewStates);
  if (night || isExact) known.nights.set(key, night);
  return night;
}

/** Jobs of one night in their best order, where they fit and the chance is as wished; `null` where they do not. */
export function nightOf(jobs: readonly NightJob[], asked: ToAssign, known: KnownNights): Night | null {
  const quick = quickNight(jobs, asked, known);
  const key = keyOf(jobs);
  if (quick || known.nights.has(key)) return quick;
  const { night, isExact } = sureOrder(jobs, asked);
  // A night that may fit after all must not be held against fewer nights.
  if (!night && !isExact) known.isExact = false;
  known.nights.set(key, night);
  return night;
}
