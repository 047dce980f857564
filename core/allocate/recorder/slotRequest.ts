import { slotCount, type SlotNeed } from '#core/model/slotRules';
import type { Recorder, AllocationSettings } from '#core/model/site';

/** A camera that wants a slot, and the one it is on by the plan so far. */
export interface SlotRequest {
  need: SlotNeed;
  placed: SlotAddress | undefined;
  mayMove: boolean;
}
export interface SlotAddress {
  recorderId: string;
  slot: number;
}

/** Whether an address is this one. */
export const isAt = (at: SlotAddress | undefined, { recorderId, slot }: SlotAddress): boolean =>
  at !== undefined && at.recorderId === recorderId && at.slot === slot;

/** What is heeded beside the rules of the recorders. */
export interface SlotWishes extends Pick<AllocationSettings, 'numbers' | 'share'> {
  /** Whether signal families are kept in blocks of four, whatever the recorder allows. */
  blocks: 'mix' | 'separate';
  /** Slots to be left free on the recorders together. */
  spareSlots: number;
}

/** Where a camera comes in today: its lead on an input, or its stream on a slot. */
export const comesInAt = ({
  patchedTo,
  recordedAt,
}: Pick<SlotNeed, 'patchedTo' | 'recordedAt'>): SlotAddress | undefined =>
  patchedTo ? { recorderId: patchedTo.recorderId, slot: patchedTo.input } : recordedAt;

/** Where a camera is by the plan so far, or comes in today. */
export const homeOf = ({ need, placed }: SlotRequest): SlotAddress | undefined => placed ?? comesInAt(need);

/** The slots of a recorder that mean something to a camera: its number, where it comes in, where it is placed. */
export function slotsThatMatter({ need, placed }: SlotRequest, recorder: Recorder): Set<number> {
  const slots = new Set<number>([need.number]);
  const today = comesInAt(need);
  if (today?.recorderId === recorder.id) slots.add(today.slot);
  if (placed?.recorderId === recorder.id) slots.add(placed.slot);
  return new Set([...slots].filter((slot) => slot >= 1 && slot <= slotCount(recorder)));
}
