import type { RunEvaluation } from '#core/decide/runEvaluation';
import type { Run, Site } from '#core/model/site';
import { beliefIn, sharedRates, type Belief, type SharedRates } from '#core/test/diagnosis';
import type { RunReadings } from '#core/test/readings';
import { diagnosisInput } from './diagnosisInput';

/** Belief in a run by its own readings, kept for as long as its evaluation is. */
const believed = new WeakMap<RunEvaluation, Belief>();

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
  return sharedRates(
    evaluations.map((one) => ({
      run: one.run,
      readings: readings.get(one.run.id) ?? {},
      belief: () => beliefOf(one),
    })),
  );
}
