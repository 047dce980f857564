import {
  causes,
  evidence,
  groups,
  mostCertain,
  pairCauses,
  priors,
  repeatedShare,
  type Cause,
  type Evidence,
  type EvidenceId,
} from './likelihoods';
import type { LineKind } from '#core/test/findings';
import type { Observation } from './observations';

export type Belief = Record<Cause, number>;

/** Chance of an outcome under a cause. No outcome is ever impossible: tables are not that sure. */
export function chanceOf(id: EvidenceId, outcome: string, cause: Cause): number {
  const { outcomes, chances }: Evidence = evidence[id];
  const at = outcomes.indexOf(outcome);
  if (at < 0) throw new Error(`the tables know no outcome ${outcome} of ${id}`);
  return Math.max(0.001, chances[cause][at]! / 100);
}

function normalised(weights: Belief): Belief {
  const total = causes.reduce((sum, cause) => sum + weights[cause], 0);
  return Object.fromEntries(causes.map((cause) => [cause, weights[cause] / total])) as Belief;
}

/** Takes from a belief that is surer than the tables are, and gives it to what is not listed. */
function capped(belief: Belief): Belief {
  const top = causes.reduce((a, b) => (belief[b] > belief[a] ? b : a));
  const over = belief[top] - mostCertain;
  return over <= 0 || top === 'unlisted'
    ? belief
    : { ...belief, [top]: mostCertain, unlisted: belief.unlisted + over };
}

/** How much a piece of evidence counts: fully as the first of its group, less after that. */
export function shareOfWeight(id: EvidenceId, before: ReadonlySet<string>): number {
  const group = groups[id];
  return group !== undefined && before.has(group) ? repeatedShare : 1;
}

/** How far an outcome tells causes apart at most: the logarithm of its greatest chance over its least. */
function reach({ id, outcome }: Observation): number {
  const chances = causes.map((cause) => chanceOf(id, outcome, cause));
  return Math.log(Math.max(...chances) / Math.min(...chances));
}

/** What tells most counts first, so that what repeats it is what counts for less. */
const byReach = (observations: readonly Observation[]): Observation[] =>
  observations
    .map((observation) => ({ observation, reach: reach(observation) }))
    .sort((a, b) => b.reach - a.reach || a.observation.id.localeCompare(b.observation.id))
    .map(({ observation }) => observation);

/** Whether a line is one on which this can be wrong at all. */
const isKnownOn = (cause: Cause, line: LineKind): boolean => line !== 'coax' || !pairCauses.has(cause);

/** Belief before anything is read. */
export const priorBelief = (line: LineKind = 'coax'): Belief =>
  normalised(
    Object.fromEntries(causes.map((cause) => [cause, isKnownOn(cause, line) ? priors[cause] : 0])) as Belief,
  );

/**
 * Belief in each cause after what was found: prior × Π likelihood, with evidence of one group counting for less after its
 * first (a weighted naive Bayes), and never surer than the tables. One main trouble is assumed; several of them, or
 * something that is not in the tables, show as `unlisted`, which expects every outcome alike.
 */
export function beliefAfter(observations: readonly Observation[], line: LineKind = 'coax'): Belief {
  const prior = priorBelief(line);
  const logs = Object.fromEntries(causes.map((cause) => [cause, Math.log(prior[cause])])) as Belief;
  const before = new Set<string>();
  for (const { id, outcome } of byReach(observations)) {
    const share = shareOfWeight(id, before);
    for (const cause of causes) logs[cause] += share * Math.log(chanceOf(id, outcome, cause));
    const group = groups[id];
    if (group !== undefined) before.add(group);
  }
  const most = Math.max(...causes.map((cause) => logs[cause]));
  return capped(
    normalised(Object.fromEntries(causes.map((cause) => [cause, Math.exp(logs[cause] - most)])) as Belief),
  );
}

/** How far a belief is from knowing, in bits. */
export function entropyBits(belief: Belief): number {
  return causes.reduce(
    (sum, cause) => sum - (belief[cause] > 0 ? belief[cause] * Math.log2(belief[cause]) : 0),
    0,
  );
}
