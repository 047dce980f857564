import { pictureFormatIds } from '#core/signal';
import type { Change } from './edit';
import { freeId } from './freeId';
import type { Recorder, SlotRules, Supply } from './headEnd';
import type { Site } from './site';

/** What a person says of a recorder that is to be noted. `bestFormat` is the most demanding picture that its inputs take. */
export interface NewRecorder { name: string; placeId: string; inputs: number; rules: SlotRules['kind']; ipSlots: number; bestFormat: string; incomingMbps: number; slotMegapixels: number }

/** What a person says of a supply box that is to be noted: one rail, so many outputs with one kind of fuse. */
export interface NewSupply { name: string; placeId: string; current: 'dc' | 'ac'; setVolts: number; ratedAmps: number; outputs: number; fuseAmps: number }

/** Usual minutes of a recorder's restart, until somebody has timed this one. */
const usualRestartMinutes = 4;

/** The change that notes a recorder. */
export function addRecorder(site: Site, { name, placeId, inputs, rules, ipSlots, bestFormat, incomingMbps, slotMegapixels }: NewRecorder): Change {
  const id = freeId((wanted) => wanted in site.recorder, name);
  const set: Recorder = {
    id, name, placeId, inputs,
    accepts: pictureFormatIds.slice(0, pictureFormatIds.indexOf(bestFormat) + 1),
    rules: rules === 'from-the-tail' ? { kind: rules, extraIpSlots: ipSlots } : { kind: rules, ipSlots },
    limits: { incomingMbps, slotMegapixels, ipCameras: rules === 'from-the-tail' ? inputs + ipSlots : ipSlots },
    restartMinutes: usualRestartMinutes,
  };
  return { kind: 'recorder', id, set };
}

/** The change that notes a supply box. */
export function addSupply(site: Site, { name, placeId, current, setVolts, ratedAmps, outputs, fuseAmps }: NewSupply): Change {
  const id = freeId((wanted) => wanted in site.supply, name);
  const set: Supply = { id, name, placeId, current, setVolts, ratedAmps, outputs: Array.from({ length: outputs }, (_, k) => ({ number: k + 1, fuseAmps })) };
  return { kind: 'supply', id, set };
}
