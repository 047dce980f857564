import {
  type Place,
  type Run,
  type RunState,
  testDefinition,
  tests,
  type TestDefinition,
} from '#core/model/site';
import { applies, needsVoltsFirst, runLengthM, stateFor } from '#core/test/findings';
import type { RunReadings } from '#core/test/readings';
import { causes, evidence, groups, type EvidenceId } from './likelihoods';
import { evidenceFor, type Observation } from './observations';
import { chanceOf, entropyBits, shareOfWeight, type Belief } from './posterior';

export interface NextTest {
  test: TestDefinition;
  /** What it is expected to tell, in bits. */
  bits: number;
  minutes: number;
  /** What the minutes are made of besides the test: what has to be brought and done. */
  needs: string[];
}

/** Minutes to set a way up and take it down again. Typical. */
const accessMinutes: Record<Place['access']['by'], number> = { ground: 0, ladder: 4, lift: 15, rope: 45 };
const accessWords: Record<Place['access']['by'], string | null> = {
  ground: null,
  ladder: 'ladder',
  lift: 'lift',
  rope: 'rope access',
};

/** Walking pace with tools, metres in a minute. */
const walkMPerMinute = 50;

/** Minutes to bring a run from one state into another, with proving it dead or showing a picture again. Typical. */
const stateMinutes: Record<RunState, Record<RunState, number>> = {
  live: { live: 0, isolated: 3, disconnected: 7 },
  isolated: { live: 2, isolated: 0, disconnected: 4 },
  disconnected: { live: 6, isolated: 4, disconnected: 0 },
};
const stateWords: Record<RunState, string> = {
  live: 're-energise',
  isolated: 'isolate',
  disconnected: 'disconnect both ends',
};

/** Where the surveyor stands and how the camera is reached. */
export interface TestContext {
  run: Run;
  place: Place;
  readings: RunReadings;
}

/** What a test costs in minutes, from where the run is now, and what has to be done for it. */
export function costOf(
  test: TestDefinition,
  { run, place, readings }: TestContext,
): { minutes: number; needs: string[] } {
  const state = stateFor(test, run.state);
  const toState = stateMinutes[run.state][state];
  const goes = test.hookUp.at !== 'head-end';
  const travel = goes ? runLengthM(run) / walkMPerMinute : 0;
  const access = goes ? accessMinutes[place.access.by] : 0;
  const check = needsVoltsFirst(test, run, readings) ? testDefinition('foreign-ac-volts').minutes : 0;
  const way = accessWords[place.access.by];
  return {
    minutes: test.minutes + toState + travel + access + check,
    needs: [
      ...(state === run.state ? [] : [stateWords[state]]),
      ...(check ? ['foreign voltage first'] : []),
      ...(goes && way ? [way] : []),
      ...(goes && travel >= 1 ? ['the way to the camera'] : []),
    ],
  };
}

/**
 * Bits that one row of the tables is expected to tell: entropy now, less the entropy after each outcome by its chance.
 * A piece of evidence that only repeats others of its group tells less.
 */
function expectedBits(id: EvidenceId, belief: Belief, before: ReadonlySet<string>): number {
  const share = shareOfWeight(id, before);
  const now = entropyBits(belief);
  return evidence[id].outcomes.reduce((sum, outcome) => {
    const chance = causes.reduce((all, cause) => all + belief[cause] * chanceOf(id, outcome, cause), 0);
    const weights = causes.map((cause) => belief[cause] * chanceOf(id, outcome, cause) ** share);
    const total = weights.reduce((a, b) => a + b, 0);
    const after = Object.fromEntries(causes.map((cause, k) => [cause, weights[k]! / total])) as Belief;
    return sum + chance * (now - entropyBits(after));
  }, 0);
}

/** Less than this a test is not worth its leads. */
const leastBits = 0.005;

/**
 * Tests not done yet, the one that tells most for its minutes first. Symptoms of a picture are seen at one look. Not
 * to be asked where dangerous volts were read: nobody touches the cable for the sake of a diagnosis.
 */
export function nextTests(
  belief: Belief,
  observations: readonly Observation[],
  where: TestContext,
): NextTest[] {
  const before = new Set(observations.flatMap(({ id }) => groups[id] ?? []));
  const done = new Set(observations.map(({ test }) => test));
  return tests
    .filter((test) => !done.has(test.id) && applies(test, where.run))
    .map((test): NextTest => {
      const [first = 0, ...rest] = evidenceFor(test.id)
        .map((id) => expectedBits(id, belief, before))
        .sort((a, b) => b - a);
      // What several symptoms tell together is less than their sum; half of each further one is a fair floor.
      return {
        test,
        bits: Math.min(
          entropyBits(belief),
          rest.reduce((sum, bits) => sum + bits / 2, first),
        ),
        ...costOf(test, where),
      };
    })
    .filter(({ bits }) => bits >= leastBits)
    .sort((a, b) => b.bits / b.minutes - a.bits / a.minutes);
}
