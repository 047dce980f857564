import { diagnosisInput, keepBelief, sharedBy, unbelieved } from '#core/decide/belief';
import type { RunEvaluation } from '#core/decide/runEvaluation';
import type { Site } from '#core/model/site';
import type { Belief, DiagnosisInput, SharedRates } from '#core/test/diagnosis';
import { foundOn } from '#core/test/findings';
import { readingsByRun, type RunReadings } from '#core/test/readings';
import { weighRun, type RunToWeigh, type WeighedTest } from '#core/test/round';
import type { Before } from './evaluateSite';

/** Tests of one run that a round could hold, kept for as long as its evaluation is and other runs say the same of it. */
const known = new WeakMap<RunEvaluation, { shared: string; weighed: WeighedTest[] }>();

/** A run that nobody has weighed since it, or what others say of it, changed. */
export interface Unweighed {
  task: RunToWeigh;
  /** Keeps what it weighs, wherever that was worked out. */
  keep: (weighed: WeighedTest[]) => void;
}

/** Of verdicts, what a diagnosis looks at: their derivations are worked out where they are asked for, and pass to no other thread. */
const lookedAt = (looked: DiagnosisInput): DiagnosisInput => ({
  ...looked,
  verdicts: looked.verdicts.map(({ id, label, expected, state, message, basis, utilisation }) => ({
    id,
    label,
    expected,
    state,
    message,
    basis,
    utilisation,
  })),
});

/** A run that may be tested, with what was read of it and what others say of it. */
export interface Testable {
  one: RunEvaluation;
  readings: RunReadings;
  shared: SharedRates;
}

/** Runs on which nobody read dangerous volts. */
export function testableOf({ site, evaluation: { runs } }: Before): Testable[] {
  const byRun = readingsByRun(site);
  const sharedFor = sharedBy(site, runs, byRun);
  return runs.flatMap((one) =>
    one.findings.state === 'stop'
      ? []
      : [{ one, readings: byRun.get(one.run.id) ?? {}, shared: sharedFor(one.run) }],
  );
}

const taskOf = (site: Site, one: RunEvaluation, readings: RunReadings, shared?: SharedRates): RunToWeigh => {
  const found = readings.reflectometer && foundOn(one.run, readings.reflectometer);
  return {
    looked: lookedAt(diagnosisInput(site, one, readings, shared)),
    place: site.place[one.camera.placeId]!,
    ...(found ? { found } : {}),
  };
};

/** A run of which nobody has worked out yet what is believed of it by its own readings, and that says something of others. */
export interface Unbelieved {
  task: RunToWeigh;
  keep: (belief: Belief) => void;
}

/** Runs that say something of others, and of which nothing is believed yet. */
export function unbelievedRuns({ site, evaluation: { runs } }: Before): Unbelieved[] {
  const byRun = readingsByRun(site);
  return unbelieved(runs, byRun).map((one) => ({
    task: taskOf(site, one, byRun.get(one.run.id) ?? {}),
    keep: (belief) => keepBelief(one, belief),
  }));
}

/** What is still to be weighed of a run; nothing where it was weighed and others say the same as then. */
function unweighedOf(site: Site, { one, readings, shared }: Testable): Unweighed | null {
  const said = JSON.stringify(shared);
  if (known.get(one)?.shared === said) return null;
  return {
    task: taskOf(site, one, readings, shared),
    keep: (weighed) => void known.set(one, { shared: said, weighed }),
  };
}

/** Runs whose tests are still to be weighed. Many of them are weighed in threads of their own. */
export const unweighedRuns = (before: Before): Unweighed[] =>
  testableOf(before).flatMap((of) => unweighedOf(before.site, of) ?? []);

/** The tests of these runs, weighed by what they tell. It pauses after each run that is weighed here. */
export function* weighedTests(site: Site, runs: readonly Testable[]): Generator<void, WeighedTest[]> {
  const weighed: WeighedTest[] = [];
  for (const each of runs) {
    const unweighed = unweighedOf(site, each);
    if (unweighed) {
      unweighed.keep(weighRun(unweighed.task));
      yield;
    }
    weighed.push(...known.get(each.one)!.weighed);
  }
  return weighed;
}
