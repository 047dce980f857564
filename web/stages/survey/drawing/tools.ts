import type { Pin, Place, Spot } from '#core/model/site';

/** What the hand does on the drawing next. */
export type Tool =
  | { kind: 'pick' }
  | { kind: 'put'; of: Pin['of'] }
  | { kind: 'put-place'; role: Place['role'] }
  | { kind: 'route'; points: Spot[] }
  | { kind: 'scale'; a: Spot | null; b: Spot | null };

/** What is in hand on the drawing. */
export type InHand = { kind: 'pin' | 'route'; id: string } | null;
