export { diagnose, type Diagnosis } from './diagnose';
export { causes, evidence, priors, type Cause, type EvidenceId } from './likelihoods';
export type { NextTest } from './nextTest';
export type { Observation } from './observations';
export { beliefAfter, entropyBits } from './posterior';
