export { diagnose, type Diagnosis } from './diagnose';
export type { Cause } from './causes';
export type { DiagnosisInput } from './looked';
export type { NextTest } from './nextTest';
export { scoreOf, type JudgementScore, type KnownRun, type SaidOfRun } from './score';
