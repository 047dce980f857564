import type { Recorder } from '#core/site';
import { recorderState } from './recorderState';
import type { BrokenRule, Occupant, SlotNeed } from './slots';

/** The rules that putting this camera on this slot would break beyond those broken already. */
export function tryPlacement(recorder: Recorder, occupants: readonly Occupant[], need: SlotNeed, slot: number): BrokenRule[] {
  const others = occupants.filter((occupant) => occupant.need.cameraId !== need.cameraId);
  const before = new Set(recorderState(recorder, others).broken.map(({ why }) => why));
  return recorderState(recorder, [...others, { need, slot, placed: true }]).broken.filter(({ why }) => !before.has(why));
}
