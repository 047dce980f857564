import {
  runLengthM,
  type Place,
  type Run,
  type RunState,
  testDefinition,
  tests,
  type TestDefinition,
} from '#core/model/site';
import { applies, needsVoltsFirst, stateFor } from '#core/test/findings';
import type { RunReadings } from '#core/test/readings';
import type { DiagnosisInput } from './looked';
import { eventsOf, type Posterior, type WeighedSet } from './posterior';
import { outcomesOf } from './predict';
import { storyOf } from './storyOf';

export interface NextTest {
  test: TestDefinition;
  /** What it is expected to tell, in bits. */
  bits: number;
  minutes: number;
  /** How many of them go to the way to the camera, and to what reaches it. */
  travelMinutes: number;
  accessMinutes: number;
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
export const stateMinutes: Record<RunState, Record<RunState, number>> = {
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
): Pick<NextTest, 'minutes' | 'travelMinutes' | 'accessMinutes' | 'needs'> {
  const state = stateFor(test, run.state);
  const toState = stateMinutes[run.state][state];
  const goes = test.hookUp.at !== 'head-end';
  const travel = goes ? runLengthM(run) / walkMPerMinute : 0;
  const access = goes ? accessMinutes[place.access.by] : 0;
  const check = needsVoltsFirst(test, run, readings) ? testDefinition('foreign-ac-volts').minutes : 0;
  const way = accessWords[place.access.by];
  return {
    minutes: test.minutes + toState + travel + access + check,
    travelMinutes: travel,
    accessMinutes: access,
    needs: [
      ...(state === run.state ? [] : [stateWords[state]]),
      ...(check ? ['foreign voltage first'] : []),
      ...(goes && way ? [way] : []),
      ...(goes && travel >= 1 ? ['the way to the camera'] : []),
    ],
  };
}

/** Sets beyond this share of all belief say little of what a test would tell. */
const beliefWeighed = 0.995;
const mostSets = 40;
/** Where one trouble at most is likely, what a test would tell of further ones is not worth its minutes. */
const mostlyAlone = 0.6;

function likelySets(all: readonly WeighedSet[]): WeighedSet[] {
  let sum = 0;
  const alone = all.filter(({ set }) => (set & (set - 1)) === 0);
  const aloneChance = alone.reduce((of, { chance }) => of + chance, 0);
  const sets = aloneChance < mostlyAlone ? all : alone;
  const likely = sets.filter(({ chance }, index) => {
    const counts = sum < beliefWeighed && index < mostSets;
    sum += chance;
    return counts;
  });
  const total = likely.reduce((all, { chance }) => all + chance, 0);
  return likely.map(({ set, chance }) => ({ set, chance: chance / total }));
}

/** How far a belief in sets is from knowing, in bits. */
export const entropyBits = (sets: readonly Pick<WeighedSet, 'chance'>[]): number =>
  sets.reduce((sum, { chance }) => sum - (chance > 0 ? chance * Math.log2(chance) : 0), 0);

/**
 * Bits that a test is expected to tell: what its outcome and the troubles have in common, given what is read already.
 * Source: I(S; O) = Σ P(S)·P(O|S)·log₂(P(O|S)/P(O)).
 */
function expectedBits(test: TestDefinition, looked: DiagnosisInput, sets: readonly WeighedSet[]): number {
  const of = storyOf[test.id];
  const outcomes = of ? outcomesOf(test, looked) : [];
  if (!of || outcomes.length === 0) return 0;
  const events = eventsOf(looked);
  const now = of(looked, events);
  const saidNow = sets.map(({ set }) => now.tells(set));
  const chances = outcomes.map((outcome) => {
    const then = of(
      { ...looked, readings: { ...looked.readings, ...outcome.readings } },
      outcome.events ?? events,
    );
    return sets.map(({ set }, at) => outcome.width * Math.exp(then.tells(set) - saidNow[at]!));
  });
  const totals = sets.map((_, at) => chances.reduce((sum, of) => sum + of[at]!, 0));
  return chances.reduce((sum, row) => {
    const shares = row.map((chance, at) => chance / totals[at]!);
    const any = shares.reduce((all, share, at) => all + share * sets[at]!.chance, 0);
    return (
      sum +
      shares.reduce(
        (bits, share, at) => bits + (share > 0 ? sets[at]!.chance * share * Math.log2(share / any) : 0),
        0,
      )
    );
  }, 0);
}

/** Less than this a test is not worth its leads. */
const leastBits = 0.005;

/**
 * Tests not done yet, the one that tells most for its minutes first. Not to be asked where dangerous volts were read: nobody
 * touches the cable for the sake of a diagnosis.
 */
export function nextTests(looked: DiagnosisInput, posterior: Posterior, place: Place): NextTest[] {
  const { run, readings } = looked;
  const sets = likelySets(posterior.sets);
  const most = entropyBits(sets);
  // Where hardly anything is left to be known, no test tells more than that.
  if (most < leastBits) return [];
  return tests
    .filter((test) => !readings[test.id] && applies(test, run))
    .map((test): NextTest => ({
      test,
      bits: Math.min(most, expectedBits(test, looked, sets)),
      ...costOf(test, { run, place, readings }),
    }))
    .filter(({ bits }) => bits >= leastBits)
    .sort((a, b) => b.bits / b.minutes - a.bits / a.minutes);
}
