import type { Recorder } from '#core/model/site';
import { comesInAt, type SlotRequest, type SlotWishes } from './slotRequest';

/**
 * What is counted against an allocation, in points. A camera without a slot outweighs all that could be saved by it; a
 * restart outweighs a few leads. Judgement, kept in this one table.
 */
export const points = {
  noSlot: 4000,
  change: 500,
  otherRecorder: 80,
  repatch: 60,
  move: 40,
  otherNumber: 25,
  loadStep: 60,
  missedSpare: 1000,
  turnedInput: 1,
} as const;

/** Points against a camera on a slot of a recorder; on no slot in particular it meets none of its own wishes. */
export function assignmentCost(
  { need, placed }: SlotRequest,
  recorder: Recorder,
  slot: number | null,
  { numbers, share }: SlotWishes,
): number {
  const { patchedTo, recordedAt, signal } = need;
  const today = comesInAt(need);
  const isHome = today ? today.recorderId === recorder.id : recorder.placeId === need.placeId;
  let sum = 0;
  if (!isHome && (share === 'building' || signal.kind === 'coax')) sum += points.otherRecorder;
  if (signal.kind === 'coax' && (patchedTo?.recorderId !== recorder.id || patchedTo.input !== slot))
    sum += points.repatch;
  const onNetworkAt = placed ?? recordedAt;
  if (onNetworkAt && (onNetworkAt.recorderId !== recorder.id || onNetworkAt.slot !== slot))
    sum += points.move;
  if (numbers === 'keep' && slot !== need.number) sum += points.otherNumber;
  return sum;
}
