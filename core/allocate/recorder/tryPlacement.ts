import { slotCount, type BrokenRule, type Occupant, type SlotNeed } from '#core/model/slotRules';
import type { Recorder } from '#core/model/site';
import { recorderState } from './recorderState';

/** The rules that putting this camera on this slot would break beyond those broken already. */
export function tryPlacement(
  recorder: Recorder,
  occupants: readonly Occupant[],
  need: SlotNeed,
  slot: number,
): BrokenRule[] {
  const others = occupants.filter((occupant) => occupant.need.cameraId !== need.cameraId);
  const before = new Set(recorderState(recorder, others).broken.map(({ why }) => why));
  return recorderState(recorder, [...others, { need, slot, placed: true }]).broken.filter(
    ({ why }) => !before.has(why),
  );
}

/** Where several cameras would come to be, and the first that finds nothing, with the rules against it on the slot it was held over. */
export interface Row {
  on: { need: SlotNeed; slot: number }[];
  refused: { need: SlotNeed; slot: number; broken: BrokenRule[] } | null;
}

/** Puts several cameras on a recorder in the order of their numbers, from one slot on, each on the next that takes it. */
export function tryRow(
  recorder: Recorder,
  occupants: readonly Occupant[],
  needs: readonly SlotNeed[],
  fromSlot: number,
): Row {
  const carried = new Set(needs.map(({ cameraId }) => cameraId));
  let standing: Occupant[] = occupants.filter(({ need }) => !carried.has(need.cameraId));
  const on: Row['on'] = [];
  let next = fromSlot;
  for (const need of [...needs].sort((a, b) => a.number - b.number)) {
    const slots = Array.from({ length: Math.max(0, slotCount(recorder) - next + 1) }, (_, k) => next + k);
    const slot = slots.find((one) => tryPlacement(recorder, standing, need, one).length === 0);
    if (slot === undefined) {
      const at = slots[0] ?? slotCount(recorder);
      return { on, refused: { need, slot: at, broken: tryPlacement(recorder, standing, need, at) } };
    }
    on.push({ need, slot });
    standing = [...standing, { need, slot, placed: true }];
    next = slot + 1;
  }
  return { on, refused: null };
}
