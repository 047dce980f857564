import { takesPicture } from '#core/physics/signal';
import { ownPortsOf, slotCount, type SlotNeed } from '#core/model/slotRules';
import { numbersFrom } from '#core/shared/numeric';
import type { Recorder } from '#core/model/site';
import { ipInputsToday } from './changeCost';
import type { SlotWishes } from './slotRequest';

/** Slots of a recorder that are alike to a camera that wants none of them in particular. */
export interface Zone {
  name: string;
  block: number;
  slots: number[];
  forced: string | undefined;
  ipInputsToday: boolean;
  withPower: boolean;
  keptFor: string | undefined;
}

/** Most inputs that share a family where the policy keeps families apart and the recorder does not mind. */
const blockOfSeparate = 4;

export const blockSizeOf = ({ blockSize }: Recorder, { blocks }: SlotWishes): number | undefined =>
  blockSize ?? (blocks === 'separate' ? blockOfSeparate : undefined);

/** The zones of a recorder; a slot that is kept for a camera is one by itself. */
export function zonesOf(recorder: Recorder, wishes: SlotWishes, kept: ReadonlyMap<number, string>): Zone[] {
  const size = blockSizeOf(recorder, wishes);
  const today = ipInputsToday(recorder);
  const poePorts = ownPortsOf(recorder)?.ports ?? 0;
  const zones = new Map<string, Zone>();
  for (const slot of numbersFrom(1, slotCount(recorder))) {
    const isInput = slot <= recorder.inputs;
    const block = !isInput ? -1 : size === undefined ? 0 : Math.floor((slot - 1) / size);
    const forced = recorder.forced?.find(({ input }) => input === slot)?.format;
    const keptFor = kept.get(slot);
    const name = `${block} ${forced ?? ''} ${today.has(slot)} ${slot <= poePorts} ${keptFor ?? ''}`;
    const zone = zones.get(name) ?? {
      name,
      block,
      slots: [],
      forced,
      ipInputsToday: today.has(slot),
      withPower: slot <= poePorts,
      keptFor,
    };
    zone.slots.push(slot);
    zones.set(name, zone);
  }
  return [...zones.values()];
}

/** Whether a recorder takes a camera's signal at all; its limits on sums come on top. */
export function takes(recorder: Recorder, { signal, patchedTo, placeId }: SlotNeed): boolean {
  if (signal.kind === 'ip')
    return signal.megapixels <= recorder.limits.slotMegapixels && recorder.limits.ipCameras > 0;
  // A lead reaches the recorders of the building that the line ends in.
  return (
    takesPicture(recorder, signal) && (recorder.placeId === placeId || patchedTo?.recorderId === recorder.id)
  );
}

/** Whether a camera can be on the slots of a zone at all. */
export const fitsZone = ({ signal }: SlotNeed, zone: Zone): boolean =>
  signal.kind === 'ip' || (zone.block >= 0 && (zone.forced === undefined || zone.forced === signal.format));
