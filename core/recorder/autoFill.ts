import type { Placement, Recorder } from '#core/site';
import { familyOf, recorderState, slotsOf } from './recorderState';
import { tryPlacement } from './tryPlacement';
import type { Occupant, SlotNeed } from './slots';

export interface Filled {
  placements: Placement[];
  /** What a person has to know: leads that move, and cameras that found no slot. */
  notes: string[];
}

const byNumber = (a: SlotNeed, b: SlotNeed): number => a.number - b.number;

/** Puts a camera on the number it has today where that slot can carry it, else on the lowest free one that can. */
function slotFor(recorder: Recorder, occupants: readonly Occupant[], need: SlotNeed, turned: ReadonlySet<number>): number | undefined {
  const free = slotsOf(recorder, turned, occupants).filter((slot) => slot.occupants.length === 0 && slot.carries === need.signal.kind);
  const today = need.patchedTo?.recorderId === recorder.id ? need.patchedTo.input : undefined;
  const legal = free.filter(({ slot }) => tryPlacement(recorder, occupants, need, slot).length === 0);
  return (legal.find(({ slot }) => slot === today) ?? legal[0])?.slot;
}

/** A camera goes on the recorder it is patched to, and an IP camera that finds no room there on any other. */
function homesOf(need: SlotNeed, recorders: readonly Recorder[]): Recorder[] {
  const home = recorders.filter(({ id }) => id === need.patchedTo?.recorderId);
  return need.signal.kind === 'ip' || home.length === 0 ? [...home, ...recorders.filter((recorder) => !home.includes(recorder))] : home;
}

/**
 * Places every camera that has no slot yet, leaving those that have one where they are. Coax cameras come first,
 * each on its present input if that stays coax; then IP cameras, on IP slots and then on inputs from the tail.
 * @param occupied who is on each recorder already, by recorder id
 */
export function autoFill(recorders: readonly Recorder[], occupied: Readonly<Record<string, readonly Occupant[]>>, toPlace: readonly SlotNeed[]): Filled {
  const on = new Map(recorders.map((recorder) => [recorder.id, [...(occupied[recorder.id] ?? [])]]));
  const placements: Placement[] = [];
  const notes: string[] = [];
  const homeIp = (recorder: Recorder) => toPlace.filter((need) => need.signal.kind === 'ip' && homesOf(need, recorders)[0] === recorder).length;
  const turned = new Map(recorders.map((recorder) => [recorder.id, familyOf(recorder).turned(recorder, on.get(recorder.id)!, homeIp(recorder))]));
  const coaxFirst = [...toPlace].sort((a, b) => Number(a.signal.kind === 'ip') - Number(b.signal.kind === 'ip') || byNumber(a, b));
  for (const need of coaxFirst) {
    const found = homesOf(need, recorders)
      .map((recorder) => ({ recorder, slot: slotFor(recorder, on.get(recorder.id)!, need, turned.get(recorder.id)!) }))
      .find(({ slot }) => slot !== undefined);
    if (!found || found.slot === undefined) {
      notes.push(`Camera ${need.number} found no ${need.signal.kind === 'ip' ? 'IP slot' : 'coax input'} that takes it.`);
      continue;
    }
    const { recorder, slot } = found;
    on.get(recorder.id)!.push({ need, slot, placed: true });
    placements.push({ id: need.cameraId, recorderId: recorder.id, slot });
    if (need.signal.kind === 'coax' && need.patchedTo && (need.patchedTo.recorderId !== recorder.id || need.patchedTo.input !== slot)) {
      notes.push(`Re-patch camera ${need.number} from input ${need.patchedTo.input} to ${slot} of ${recorder.name}, so that the inputs above can turn to IP.`);
    }
  }
  for (const recorder of recorders) notes.push(...recorderState(recorder, on.get(recorder.id)!).consequences);
  return { placements, notes };
}
