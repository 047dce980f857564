export { diagnose, type Diagnosis, type RankedCause, type Whereabout } from './diagnose';
export { causes, causeWords, evidence, priors, type Cause, type EvidenceId } from './likelihoods';
export type { NextTest } from './nextTest';
export { observationsOf, type Looked, type Observation } from './observations';
export { beliefAfter, entropyBits } from './posterior';
