import type { Derivation, Status } from '#core/shared/derivation';
import type { Unit } from '#core/shared/units';

/** How water in the cable, different earths at its ends, or what a cable tester found stand against a use of it. */
export interface LineCondition {
  kind: 'insulation' | 'earth' | 'pair-test';
  label: string;
  unit: Unit;
  value: number;
  utilisation: number;
  status: Status;
  /** For people: what it comes to for this use. */
  message: string;
  derivation: () => Derivation;
}
