import type { TestId } from '#core/model/site';
import type { Basis, Figure, Status, LazyDerivation } from '#core/shared/derivation';

/** What is known about one thing on a run: a reading against its limit, or what is expected until there is one. */
export interface Verdict {
  id: TestId;
  label: string;
  /** `stop` is a danger to people; `untested` has an expected figure but no reading. */
  state: Status | 'untested' | 'stop';
  /** Share of the limit used, where it can be told. */
  utilisation: number | null;
  read: Figure | null;
  expected: Figure | null;
  message: string;
  basis: Basis;
  derivation: LazyDerivation;
}
