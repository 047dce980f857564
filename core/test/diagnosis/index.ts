export { diagnose, type Diagnosis } from './diagnose';
export type { Cause } from './causes';
export type { DiagnosisInput } from './looked';
export type { NextTest } from './nextTest';
export { posteriorOf as beliefIn, type Belief } from './posterior';
export { sharedRates, type SharedRates } from './sharedRates';
export { scoreOf, type JudgementScore, type KnownRun, type SaidOfRun } from './score';
