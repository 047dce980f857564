import type { Cause, Trouble } from './causes';
import type { Spoken } from './spoken';
import type { FaultLocation } from './where';

/** A cause as it is told: how likely it is, what speaks for it, and where it is. */
export interface RankedCause {
  cause: Cause;
  label: string;
  means: string;
  remedy: string;
  /** How likely it is present, alone or with others. */
  probability: number;
  /** What speaks for it and against it, the strongest first. */
  pro: Spoken[];
  contra: Spoken[];
  where: FaultLocation | null;
}

/** Troubles that stand together, and how likely just these do. */
export interface RankedSet {
  troubles: Trouble[];
  /** What each of them is called; a sound run is called so too. */
  labels: string[];
  probability: number;
}
