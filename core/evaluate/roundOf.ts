import { diagnosisInput, sharedBy } from '#core/decide/belief';
import type { RunEvaluation } from '#core/decide/runEvaluation';
import { troubles, type Site, type Trouble } from '#core/model/site';
import {
  nextTestsOf,
  rates,
  type DiagnosisInput,
  type SharedRate,
  type SharedRates,
} from '#core/test/diagnosis';
import { readingsByRun } from '#core/test/readings';
import { planRound, type Round, type RoundTest } from '#core/test/round';
import type { Before } from './evaluateSite';

/** The best round in the time at hand, and how much there would be to know with all the time there is. */
export interface SiteRound extends Round {
  /** Bits that all tests together are expected to tell. */
  openBits: number;
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

/** What a test tells beside others of the same run: each one after the first so much of what it would tell alone. Judgement. */
const besideOthers = 0.5;

interface Candidate {
  test: RoundTest;
  /** To go to its place and back, and to set up what reaches it. */
  setUpMinutes: number;
}

/** Tests of one run that a round could hold, kept for as long as its evaluation is and other runs say the same of it. */
const known = new WeakMap<RunEvaluation, { shared: string; candidates: Candidate[] }>();

function candidatesOf(site: Site, one: RunEvaluation, looked: DiagnosisInput): Candidate[] {
  const { run, camera } = one;
  return nextTestsOf(looked, site.place[camera.placeId]!)
    .sort((a, b) => b.bits - a.bits)
    .map(({ test, bits, minutes, travelMinutes, accessMinutes }, index): Candidate => ({
      test: {
        runId: run.id,
        testId: test.id,
        ...(test.hookUp.at === 'head-end'
          ? { at: 'recorder' as const, placeId: run.headEndId }
          : { at: 'camera' as const, placeId: camera.placeId }),
        minutes: minutes - travelMinutes - accessMinutes,
        bits: bits * besideOthers ** index,
      },
      setUpMinutes: 2 * travelMinutes + accessMinutes,
    }));
}

/**
 * Weighs the tests of the whole site, run by run, and then chooses those that tell most in so many minutes. It pauses after each run:
 * the first time a large site takes seconds, and whoever asks something else meanwhile is answered.
 */
export function* weighRound(
  { site, evaluation: { runs } }: Before,
  minutesMost: number,
): Generator<void, SiteRound> {
  const readings = readingsByRun(site);
  const sharedFor = sharedBy(site, runs, readings);
  const candidates: Candidate[] = [];
  const foretold: Foretold[] = [];
  for (const one of runs) {
    if (one.findings.state === 'stop') continue;
    const shared = sharedFor(one.run);
    foretold.push(...foretoldOf(one, shared));
    const said = JSON.stringify(shared);
    let of = known.get(one);
    if (of?.shared !== said) {
      const looked = diagnosisInput(site, one, readings.get(one.run.id) ?? {}, shared);
      known.set(one, (of = { shared: said, candidates: candidatesOf(site, one, looked) }));
      yield;
    }
    candidates.push(...of.candidates);
  }
  const setUp = new Map<string, number>();
  for (const { test, setUpMinutes } of candidates) {
    // A place is as far as the shortest of its runs.
    if (test.at === 'camera')
      setUp.set(test.placeId, Math.min(setUp.get(test.placeId) ?? Infinity, setUpMinutes));
  }
  const tests = candidates.map(({ test }) => test);
  return {
    ...planRound(tests, (placeId) => setUp.get(placeId) ?? 0, minutesMost),
    foretold: foretold.sort((a, b) => b.rate - a.rate),
    openBits: tests.reduce((sum, { bits }) => sum + bits, 0),
    stoppedRunIds: runs.filter(({ findings }) => findings.state === 'stop').map(({ run }) => run.id),
  };
}

/** The same without a pause. */
export function roundOf(before: Before, minutesMost: number): SiteRound {
  const weighing = weighRound(before, minutesMost);
  for (;;) {
    const step = weighing.next();
    if (step.done) return step.value;
  }
}
