import { savingTests, type SavingTest } from '#core/decide/risk';
import type { RunEvaluation } from '#core/decide/runEvaluation';
import { catalogueOf, labourRateOf } from '#core/model/catalogue';
import { troubles, type Trouble } from '#core/model/site';
import { costOf, rates, type SharedRate, type SharedRates } from '#core/test/diagnosis';
import { readingsByRun } from '#core/test/readings';
import { planRound, roundTestOf, type Round, type WeighedTest } from '#core/test/round';
import type { Before } from './evaluateSite';
import { testableOf, weighedTests } from './weighedTests';

/** What tests of a round are chosen by: what they tell of the lines, or the work that they save what is chosen. */
export type RoundAim = 'tell' | 'save';

/** The best round in the time at hand, and what all tests would be worth with all the time there is. */
export interface SiteRound extends Round {
  aim: RoundAim;
  /** Bits that all tests together are expected to tell, or hours that they save. */
  openWorth: number;
  /** Of a round that saves: nights in which nothing is done twice, and the price of the hours. */
  nights: number;
  money: number;
  /** Runs on which dangerous volts were read: nobody tests there. */
  stoppedRunIds: string[];
  /** What runs that were tested say of others that were not, the likeliest first. */
  foretold: Foretold[];
}

/** A trouble that a run likely has, by others that have something in common with it. */
export interface Foretold extends SharedRate {
  runId: string;
  trouble: Trouble;
}

/** From so much, and so many times what practice has, it is said before anybody goes there. Policy. */
const foretoldFrom = { rate: 0.15, times: 3 };

/** What is said of a run that nobody has tested whole. */
const foretoldOf = ({ run, findings }: RunEvaluation, shared: SharedRates): Foretold[] =>
  findings.missing.length === 0
    ? []
    : troubles.flatMap((trouble) => {
        const of = shared[trouble];
        return of && of.rate >= Math.max(foretoldFrom.rate, foretoldFrom.times * rates[trouble])
          ? [{ runId: run.id, trouble, ...of }]
          : [];
      });

/** What all tests of a site are worth, with the nights that each saves. */
interface Weighed {
  candidates: WeighedTest[];
  nights: ReadonlyMap<string, number>;
}

/** What tests save, kept for as long as the evaluation is. */
const savings = new WeakMap<Before['evaluation'], SavingTest[]>();

function* weighBySaving({ site, evaluation }: Before): Generator<void, Weighed> {
  const saving = savings.get(evaluation) ?? (yield* savingTests(site, evaluation.runs));
  savings.set(evaluation, saving);
  const readings = readingsByRun(site);
  const candidates = saving.map(({ run: one, test, hours }) => {
    const place = site.place[one.camera.placeId]!;
    const cost = costOf(test, { run: one.run, place, readings: readings.get(one.run.id) ?? {} });
    return roundTestOf(one, test, cost, hours);
  });
  return {
    // Nobody tests for longer than that spares.
    candidates: candidates.filter(({ test }) => 60 * test.worth > test.minutes),
    nights: new Map(saving.map(({ run, nights }) => [run.run.id, nights])),
  };
}

/**
 * Weighs the tests of the whole site and then chooses those that are worth most in so many minutes. It pauses now and then: the first
 * time a large site takes seconds, and whoever asks something else meanwhile is answered.
 */
export function* weighRound(
  before: Before,
  minutesMost: number,
  aim: RoundAim = 'tell',
): Generator<void, SiteRound> {
  const runs = testableOf(before);
  const { candidates, nights }: Weighed =
    aim === 'tell'
      ? { candidates: yield* weighedTests(before.site, runs), nights: new Map() }
      : yield* weighBySaving(before);
  const setUp = new Map<string, number>();
  for (const { test, setUpMinutes } of candidates) {
    // A place is as far as the shortest of its runs.
    if (test.at === 'camera')
      setUp.set(test.placeId, Math.min(setUp.get(test.placeId) ?? Infinity, setUpMinutes));
  }
  const tests = candidates.map(({ test }) => test);
  const round = planRound(tests, (placeId) => setUp.get(placeId) ?? 0, minutesMost);
  const taken = round.stops.flatMap((stop) => stop.tests);
  return {
    ...round,
    aim,
    openWorth: tests.reduce((sum, { worth }) => sum + worth, 0),
    nights: taken.reduce((sum, { runId }) => sum + (nights.get(runId) ?? 0), 0),
    money: aim === 'save' ? Math.round(round.worth * labourRateOf(catalogueOf(before.site)).day) : 0,
    foretold: runs.flatMap(({ one, shared }) => foretoldOf(one, shared)).sort((a, b) => b.rate - a.rate),
    stoppedRunIds: before.evaluation.runs
      .filter(({ findings }) => findings.state === 'stop')
      .map(({ run }) => run.id),
  };
}

/** The same without a pause. */
export function roundOf(before: Before, minutesMost: number, aim: RoundAim = 'tell'): SiteRound {
  const weighing = weighRound(before, minutesMost, aim);
  for (;;) {
    const step = weighing.next();
    if (step.done) return step.value;
  }
}
