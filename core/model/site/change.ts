import type { Fact, Kind } from './site';

/** One fact set whole, or removed. */
export type Change = {
  [K in Kind]: { kind: K; id: string; set: Fact<K> } | { kind: K; id: string; remove: true };
}[Kind];

/** What becomes of a fact, from what it is at that moment. */
export type FactUpdate<F> = (now: F) => F;

/** The change that takes a fact away. */
export const removing = (kind: Kind, id: string): Change => ({ kind, id, remove: true }) as Change;
