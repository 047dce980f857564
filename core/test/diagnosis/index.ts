export { diagnose, nextTestsOf, type Diagnosis } from './diagnose';
export type { Belief, Cause } from './causes';
export type { DiagnosisInput, SharedRates } from './looked';
export type { NextTest } from './nextTest';
export type { RankedSet } from './ranked';
export { posteriorOf as beliefIn } from './posterior';
export { sharedRates } from './sharedRates';
export { scoreOf, type JudgementScore, type KnownRun, type SaidOfRun } from './score';
