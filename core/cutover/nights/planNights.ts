import type { Highs } from 'highs';
import { smallestConflict, solve, type Programme } from '#core/solver';
import {
  assignmentOf,
  beyondCrew,
  leastNights,
  type Cut,
  type NightCosts,
  type ToAssign,
} from './assignment';
import { calmNight } from './calmNight';
import { classCuts } from './classCuts';
import { chanceAtMost, chanceOf } from './chance';
import { groupCuts } from './groupCuts';
import { firstFit } from './firstFit';
import { nightPatterns, type NightPatterns } from './nightPatterns';
import { areMorningsHeld } from './morningLimits';
import type { NightDemand } from './nightDemand';
import type { NightJob, NightRules } from './nightJob';
import { repaired } from './repaired';
import { ruleBroken } from './ruleBroken';
import { latestStartOf, sequenceNight, type PlannedJob } from './sequence';

/** A night as it is planned. */
export interface PlannedNight {
  /** Which of the nights it is, counted from 0. */
  night: number;
  jobs: PlannedJob[];
  end: number;
  /** The chance with which it is over within its shift, from 0 to 1. */
  chance: number;
}

/** How sure it is that nights are the best: by their number and their ways, by their number alone, or to within so many percent. */
export type NightsProof =
  { kind: 'proven' } | { kind: 'fewest'; waysPercent: number } | { kind: 'gap'; percent: number };

export type NightsPlan =
  | {
      kind: 'planned';
      nights: PlannedNight[];
      proof: NightsProof;
    }
  /** What stands against it, by jobs: each alone is too much. */
  | { kind: 'impossible'; jobs: { id: string; why: string }[] }
  /** Demands of which one has to go. */
  | { kind: 'conflict'; demands: NightDemand[] };

/** What nights are asked for. */
export interface NightsAsked extends ToAssign {
  /** Nights at most. */
  nights: number;
}

/** Nights that were looked at, by their jobs. */
interface Known {
  nights: Map<string, Omit<PlannedNight, 'night'> | null>;
  /** Whether all of those that do not fit are known not to. */
  isExact: boolean;
  /** Every way to fill a night, where those are few enough. */
  patterns: NightPatterns | null;
}

type Night = Omit<PlannedNight, 'night'>;

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
  { crew, rules }: NightsAsked,
  states?: number,
): { night: Night | null; isExact: boolean } {
  const { sequence, isExact } = sequenceNight(jobs, crew, rules, states === undefined ? {} : { states });
  const chance = sequence ? chanceOf(sequence.jobs, rules) : 0;
  if (sequence && chance >= rules.sureChance)
    return { night: { jobs: sequence.jobs, end: sequence.end, chance }, isExact };
  return { night: null, isExact };
}

/** Jobs of one night in an order that is sure enough, where one shows at once; `null` where none does. */
function quickNight(jobs: readonly NightJob[], asked: NightsAsked, known: Known): Night | null {
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
function nightOf(jobs: readonly NightJob[], asked: NightsAsked, known: Known): Night | null {
  const quick = quickNight(jobs, asked, known);
  const key = keyOf(jobs);
  if (quick || known.nights.has(key)) return quick;
  const { night, isExact } = sureOrder(jobs, asked);
  // A night that may fit after all must not be held against fewer nights.
  if (!night && !isExact) known.isExact = false;
  known.nights.set(key, night);
  return night;
}

/** The fewest of some jobs that are too much for a night already: each is left out in turn, and stays out where it is too much without. */
function tooMuch(jobs: readonly NightJob[], fits: (jobs: readonly NightJob[]) => boolean): NightJob[] {
  let core = [...jobs];
  for (const job of [...jobs].sort((a, b) => a.minutes.likely - b.minutes.likely)) {
    const without = core.filter((other) => other !== job);
    if (!fits(without)) core = without;
  }
  return core;
}

/** The nights that something is done in, each under its own number: all of them are known to fit. */
const worked = (nights: readonly (readonly NightJob[])[], asked: NightsAsked, known: Known): PlannedNight[] =>
  nights.flatMap((some, night) => (some.length > 0 ? [{ ...nightOf(some, asked, known)!, night }] : []));

/** How long is searched where nobody says, and how long one programme is given at least. */
const usualSeconds = 60;
const leastSeconds = 0.5;

const clock = (minutes: number): string =>
  `${Math.floor(minutes / 60)} h ${String(Math.round(minutes % 60)).padStart(2, '0')} min`;

/** What is said of a job that would fit into the shift, and does not into the hours that it is held to; `null` where they are not to blame. */
function tightWindow(job: NightJob, rules: NightRules): string | null {
  const { window } = job;
  if (!window || latestStartOf({ ...job, window: null }, rules) < 0) return null;
  const needed = window.to - latestStartOf(job, rules);
  const there = Math.max(0, window.to - window.from);
  return `takes ${clock(needed)} with the time to take it back, and has ${clock(there)} of the shift: ${window.why}`;
}

/** Jobs that have to be in the night of another one, where no night holds all of those. */
function beyondTogether(asked: NightsAsked, known: Known): { id: string; why: string }[] {
  const { jobs } = asked;
  return jobs.flatMap((head) => {
    const under = jobs.filter(({ sameNight }) => sameNight === head.id);
    if (under.length === 0 || nightOf([head, ...under], asked, known)) return [];
    const hours = [head, ...under].flatMap(({ window }) => (window ? [window.why] : []));
    const more =
      under.length === 1 ? 'one task whose input turns' : `${under.length} tasks whose inputs turn`;
    const why = `has ${more} under it, and all of them are more than a night holds`;
    const wayOut =
      hours.length > 0 ? ['widen those hours, or prepare the tasks before'] : ['prepare those tasks before'];
    return [{ id: head.id, why: [why, ...new Set(hours), ...wayOut].join('; ') }];
  });
}

/** Jobs that no night holds, however empty. */
function beyondNight(asked: NightsAsked, known: Known): { id: string; why: string }[] {
  const { jobs, crew, rules } = asked;
  const beyond = beyondCrew(jobs, crew).map(({ job, why }) => ({ id: job.id, why }));
  const ids = new Set(beyond.map(({ id }) => id));
  for (const job of jobs) {
    if (ids.has(job.id)) continue;
    const broken = ruleBroken(job, rules);
    if (broken) {
      const { dark, rule, most } = broken;
      beyond.push({
        id: job.id,
        why: `leaves ${dark} views of ${rule} dark at once, and at most ${most} may be`,
      });
      continue;
    }
    if (job.allowed?.nights.length === 0) {
      beyond.push({ id: job.id, why: `has no night left to it: ${job.allowed.why}` });
      continue;
    }
    if (nightOf([job], asked, known)) continue;
    const tight = tightWindow(job, rules);
    if (tight) {
      beyond.push({ id: job.id, why: tight });
      continue;
    }
    const needed = rules.shiftMinutes - latestStartOf(job, rules);
    beyond.push({
      id: job.id,
      why: `takes ${clock(needed)} with the time to take it back, and the shift has ${clock(rules.shiftMinutes)}`,
    });
  }
  return beyond.length > 0 ? beyond : beyondTogether(asked, known);
}

/** Whether there is any way at all; and what it costs: lifts, each worth a walk to twenty places. */
const byNothing: NightCosts = { lift: 0, place: 0 };
const byWays: NightCosts = { lift: 20, place: 1 };

type Found =
  | { kind: 'fits'; nights: PlannedNight[]; least: number }
  | { kind: 'infeasible'; programme: Programme }
  | { kind: 'out-of-time'; least: number };

/**
 * The cheapest share-out of jobs over so many nights at most, of which each night fits. A programme says which job is done in which night;
 * each of its nights is then put into its best order by itself. Those that do not fit send back the fewest of their jobs that are too much
 * together, and the programme is solved again. It leaves nothing out that could be done, so that its best is the best of all as soon as all
 * of its nights fit; `least` is what nothing can be below.
 *
 * Source: Hooker and Ottosson, “Logic-based Benders decomposition”, 2003.
 */
function cheapest(
  highs: Highs,
  asked: NightsAsked,
  nights: number,
  costs: NightCosts,
  cuts: Cut[],
  known: Known,
  { secondsLeft, rounds = Infinity }: { secondsLeft: () => number; rounds?: number },
): Found {
  const { jobs, mornings = [] } = asked;
  const fits = (some: readonly NightJob[]) => nightOf(some, asked, known) !== null;
  // Where nothing costs anything, any nights that fit will do.
  const isAnyGood = costs.lift === 0 && costs.place === 0;
  let least = 0;
  for (let round = 1; ; round += 1) {
    const { programme, variableOf } = assignmentOf(asked, nights, cuts, costs, known.patterns);
    const solved = solve(highs, programme, { secondsMost: Math.max(leastSeconds, secondsLeft()) });
    if (solved.kind === 'infeasible') return { kind: 'infeasible', programme };
    if (solved.kind === 'nothing-found') return { kind: 'out-of-time', least };
    const bound = solved.kind === 'proven' ? solved.cost : solved.cost * (1 - solved.gapPercent / 100);
    least = Math.max(least, bound);
    const byNight = Array.from({ length: nights }, (_, night) =>
      jobs.filter((_, job) => solved.values[variableOf(job, night)] === 1),
    );
    const planned = byNight.map((some) => nightOf(some, asked, known));
    planned.forEach((night, index) => {
      if (night) return;
      const few = tooMuch(byNight[index]!, fits);
      cuts.push({ jobs: few.map(({ id }) => id), most: few.length - 1 });
    });
    if (planned.every((night) => night !== null))
      return {
        kind: 'fits',
        nights: worked(byNight, asked, known),
        least,
      };
    const mended = isAnyGood ? repaired(byNight, (some) => quickNight(some, asked, known) !== null) : null;
    if (mended && areMorningsHeld(mornings, mended))
      return { kind: 'fits', nights: worked(mended, asked, known), least };
    if (round >= rounds || secondsLeft() <= 0) return { kind: 'out-of-time', least };
  }
}

/**
 * The fewest nights for all jobs, and of those the ones with the fewest lifts and ways between places. Both are proven, or the plan says by how
 * much it may be above the best. A night is too much, and any with more in it, where the order that is over soonest is not sure enough.
 * `better` hears of the best so far and of how many nights there have to be.
 */
export function planNights(
  highs: Highs,
  asked: NightsAsked,
  secondsLeft: () => number = () => usualSeconds,
  better: (nights: readonly PlannedNight[], least: number) => void = () => undefined,
): NightsPlan {
  const known = nothingKnown();
  const beyond = beyondNight(asked, known);
  if (beyond.length > 0) return { kind: 'impossible', jobs: beyond };
  const cuts = foundBefore(asked, known);
  const few = fewest(highs, asked, cuts, known, secondsLeft, better);
  if (few.kind !== 'fits') return few;
  const leftAfterWays = Math.max(0, secondsLeft() - waysSeconds);
  const short = cheapest(highs, asked, few.count, byWays, cuts, known, {
    secondsLeft: () => secondsLeft() - leftAfterWays,
  });
  const nights = (short.kind === 'fits' ? short.nights : few.nights).map((night) => calmed(night, asked));
  // Where a night may have been held too much that is not, nothing rests on what was found with it.
  const least = known.isExact ? few.least : leastNights(asked.jobs, asked.crew, asked.rules, []);
  const leastWays = known.isExact && short.kind !== 'infeasible' ? short.least : 0;
  return { kind: 'planned', nights, proof: proofOf(few.count, least, waysOf(nights), leastWays) };
}

function proofOf(count: number, least: number, ways: number, leastWays: number): NightsProof {
  if (count > least) return { kind: 'gap', percent: (100 * (count - least)) / count };
  const over = ways - leastWays;
  return over < 1e-6 ? { kind: 'proven' } : { kind: 'fewest', waysPercent: (100 * over) / ways };
}

/** A night with its jobs in the order that leaves views dark for the fewest minutes. */
const calmed = (night: PlannedNight, { crew, rules }: NightsAsked): PlannedNight => {
  const calm = calmNight(
    night.jobs.map(({ job }) => job),
    crew,
    rules,
  );
  return calm ? { ...night, ...calm } : night;
};

const nothingKnown = (): Known => ({ nights: new Map(), isExact: true, patterns: null });

/** What is found of nights before any programme is solved. */
function foundBefore(asked: NightsAsked, known: Known): Cut[] {
  const isNight = (some: readonly NightJob[]) => nightOf(some, asked, known) !== null;
  known.patterns = nightPatterns(asked.jobs, asked, isNight);
  return [...classCuts(asked.jobs, isNight), ...groupCuts(asked.jobs, isNight)];
}

/** The programme that is solved first for so many nights, with the fewest lifts and ways: for solvers of another make. */
export function nightsProgramme(asked: NightsAsked, nights: number): Programme {
  const known = nothingKnown();
  const cuts = foundBefore(asked, known);
  return assignmentOf(asked, nights, cuts, byWays, known.patterns).programme;
}

/** So long at most fewer lifts and ways are sought, once it is known how many nights there are. */
const waysSeconds = 12;

/** So many times fewer nights are tried, before it is sought to show that there are none. */
const quickRounds = 6;
/** This much of the time goes into fewer nights; the rest is for lifts and ways. */
const partForNights = 0.7;

interface Fewest {
  kind: 'fits';
  nights: PlannedNight[];
  count: number;
  /** As many there have to be, as far as was shown. */
  least: number;
}

/**
 * The fewest nights: those of a plain order first, then one fewer for as long as some are found, and then it is sought to show that there is no
 * way in fewer, from as many as there have to be.
 */
function fewest(
  highs: Highs,
  asked: NightsAsked,
  cuts: Cut[],
  known: Known,
  secondsLeft: () => number,
  better: (nights: readonly PlannedNight[], least: number) => void,
): Fewest | Extract<NightsPlan, { kind: 'conflict' }> {
  const all = secondsLeft();
  const forNights = () => secondsLeft() - (1 - partForNights) * all;
  const tried = (count: number, rounds: number) =>
    cheapest(highs, asked, count, byNothing, cuts, known, { secondsLeft: forNights, rounds });
  let least = leastNights(asked.jobs, asked.crew, asked.rules, cuts);
  const plain = firstFit(asked, asked.nights, (some) => quickNight(some, asked, known) !== null);
  let found: Fewest | null = plain && {
    kind: 'fits',
    nights: worked(plain, asked, known),
    count: plain.length,
    least,
  };
  const tell = () => found && better(found.nights, least);
  tell();
  for (let isBetter = true; isBetter && forNights() > 0;) {
    const count = found ? found.count - 1 : asked.nights;
    if (count < least) break;
    const fewer = tried(count, quickRounds);
    isBetter = fewer.kind === 'fits';
    if (fewer.kind === 'fits') found = { kind: 'fits', nights: fewer.nights, count, least };
    else if (fewer.kind === 'infeasible') least = count + 1;
    tell();
  }
  while (least < (found?.count ?? asked.nights + 1) && forNights() > 0) {
    const fewer = tried(least, Infinity);
    if (fewer.kind === 'fits') found = { kind: 'fits', nights: fewer.nights, count: least, least };
    else if (fewer.kind === 'infeasible') least += 1;
    else break;
    tell();
  }
  if (found) return { ...found, least };
  if (least <= asked.nights) return { kind: 'conflict', demands: [] };
  const { programme, demands } = assignmentOf(asked, asked.nights, cuts, byNothing, null);
  return { kind: 'conflict', demands: demands.of(smallestConflict(highs, programme)) };
}

/** What lifts and places of nights come to. */
function waysOf(nights: readonly PlannedNight[]): number {
  return nights.reduce((sum, { jobs }) => {
    const lifts = new Set(jobs.flatMap(({ job }) => job.lift ?? []));
    return sum + byWays.lift * lifts.size + byWays.place * new Set(jobs.map(({ job }) => job.place)).size;
  }, 0);
}
