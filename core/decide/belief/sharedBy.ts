import type { RunEvaluation } from '#core/decide/runEvaluation';
import type { Run, Site } from '#core/model/site';
import { beliefIn, causes, sharedRates, type Belief, type SharedRates } from '#core/test/diagnosis';
import type { RunReadings } from '#core/test/readings';
import { diagnosisInput } from './diagnosisInput';

/** Belief in a run by its own readings, kept for as long as its evaluation is. */
const believed = new WeakMap<RunEvaluation, Belief>();

const othersOf = (
  evaluations: readonly RunEvaluation[],
  readings: ReadonlyMap<string, RunReadings>,
  beliefOf: (one: RunEvaluation) => Belief,
) =>
  evaluations.map((one) => ({
    run: one.run,
    readings: readings.get(one.run.id) ?? {},
    belief: () => beliefOf(one),
  }));

/** What runs that were tested say of another that has something in common with them. */
export function sharedBy(
  site: Site,
  evaluations: readonly RunEvaluation[],
  readings: ReadonlyMap<string, RunReadings>,
): (own: Run) => SharedRates {
  const beliefOf = (one: RunEvaluation): Belief => {
    let belief = believed.get(one);
    if (!belief) {
      belief = beliefIn(diagnosisInput(site, one, readings.get(one.run.id) ?? {})).belief;
      believed.set(one, belief);
    }
    return belief;
  };
  return sharedRates(othersOf(evaluations, readings, beliefOf));
}

/** Nothing, in the place of a belief that is not looked at. */
const nobodys = Object.fromEntries(causes.map((cause) => [cause, 0])) as Belief;

/** Runs whose belief somebody will ask for, and that nobody has worked out yet. */
export function unbelieved(
  evaluations: readonly RunEvaluation[],
  readings: ReadonlyMap<string, RunReadings>,
): RunEvaluation[] {
  const asked = new Set<RunEvaluation>();
  const sharedFor = sharedRates(
    othersOf(evaluations, readings, (one) => {
      if (!believed.has(one)) asked.add(one);
      return nobodys;
    }),
  );
  for (const { run } of evaluations) sharedFor(run);
  return [...asked];
}

/** Keeps what is believed of a run by its own readings, wherever that was worked out. */
export const keepBelief = (one: RunEvaluation, belief: Belief): void => void believed.set(one, belief);
