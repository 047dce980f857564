import type { Foretold, Predicted } from '#core/signoff/predicted';
import type { AcceptanceCheckId, AcceptedThing } from '#core/model/site';
import type { Unit } from '#core/shared/units';

/** By what a reading is accepted. */
export type AcceptanceLimit =
  /** A figure within these, either of which may be missing; `because` says where they come from. */
  | { kind: 'figure'; unit: Unit; least: number | null; most: number | null; because: string }
  | { kind: 'seen' }
  | { kind: 'words' }
  | { kind: 'soak'; hours: number; lostPercent: number };

/** One thing that has to be looked at before a thing of the site is accepted. */
export interface AskedCheck {
  check: AcceptanceCheckId;
  limit: AcceptanceLimit;
  predicted: Predicted | null;
  /** What the prediction comes from, where it is a margin of what was chosen. */
  foretold: Foretold | null;
}

/** A thing of the site with everything that is asked of it. */
export interface AskedThing {
  of: AcceptedThing;
  name: string;
  /** Of a camera its number. */
  number: number | null;
  placeId: string | null;
  checks: AskedCheck[];
}
