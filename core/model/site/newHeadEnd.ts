import { familyOfKind, sharesOf, usualRules, type SlotRulesKind } from '#core/model/slotRules';
import { pictureFormats } from '#core/physics/signal';
import type { Change } from './change';
import { freeId } from './freeId';
import type { Equipment, Gear, GearKind } from './equipment';
import type { Recorder, Supply } from './headEnd';
import { usualLinkMbps } from './link';
import type { Site } from './site';

/** What a person says of a recorder that is to be noted. `bestFormat` is the most demanding picture that its inputs take. */
export interface NewRecorder {
  name: string;
  placeId: string;
  inputs: number;
  rules: SlotRulesKind;
  ipSlots: number;
  bestFormat: string;
  incomingMbps: number;
  slotMegapixels: number;
}

/** What a person says of a supply box that is to be noted: one rail, so many outputs with one kind of fuse. */
export interface NewSupply {
  name: string;
  placeId: string;
  current: 'dc' | 'ac';
  setVolts: number;
  ratedAmps: number;
  outputs: number;
  fuseAmps: number;
}

/** Usual minutes of a recorder's restart, until somebody has timed this one. */
const usualRestartMinutes = 4;

/** Formats that inputs take whose best is known: standard composite and HD up to it. What else they take is for somebody to note. */
const usuallyTaken = (bestFormat: string): string[] => {
  const best = pictureFormats.findIndex(({ id }) => id === bestFormat);
  return pictureFormats
    .filter(
      ({ id, family }, index) =>
        index <= best && (id === 'cvbs' || id === bestFormat || family === 'analog-hd'),
    )
    .map(({ id }) => id);
};

/** The change that notes a recorder. */
export function addRecorder(
  site: Site,
  { name, placeId, inputs, rules, ipSlots, bestFormat, incomingMbps, slotMegapixels }: NewRecorder,
  mark?: string,
): Change {
  const id = freeId((wanted) => wanted in site.recorder, name, mark);
  const { takesCoax } = familyOfKind(rules);
  const coaxInputs = takesCoax ? inputs : 0;
  const given = usualRules(rules, coaxInputs, ipSlots);
  const set: Recorder = {
    id,
    name,
    placeId,
    inputs: coaxInputs,
    accepts: takesCoax ? usuallyTaken(bestFormat) : [],
    rules: given,
    limits: {
      incomingMbps,
      slotMegapixels,
      ipCameras: Math.min(
        128,
        Math.max(...sharesOf({ inputs: coaxInputs, rules: given }).map(({ ip }) => ip)),
      ),
    },
    restartMinutes: usualRestartMinutes,
  };
  return { kind: 'recorder', id, set };
}

/** The change that notes a supply box. */
export function addSupply(
  site: Site,
  { name, placeId, current, setVolts, ratedAmps, outputs, fuseAmps }: NewSupply,
  mark?: string,
): Change {
  const id = freeId((wanted) => wanted in site.supply, name, mark);
  const set: Supply = {
    id,
    name,
    placeId,
    current,
    setVolts,
    ratedAmps,
    outputs: Array.from({ length: outputs }, (_, k) => ({ number: k + 1, fuseAmps })),
  };
  return { kind: 'supply', id, set };
}

/** Gear of each kind as it usually is, for somebody to put right. */
const usualGear: { [K in GearKind]: Extract<Gear, { kind: K }> } = {
  switch: { kind: 'switch', ports: 24, poePorts: 24, poeWatts: 370, uplinkMbps: 1000 },
  'coax-unit': { kind: 'coax-unit', ports: 8, poeWatts: 130, uplinkMbps: 1000 },
  encoder: { kind: 'encoder', ports: 4, uplinkMbps: 100 },
  injector: { kind: 'injector', portWatts: 30 },
  'link-end': { kind: 'link-end', medium: 'radio', carriesMbps: usualLinkMbps.radio },
  router: { kind: 'router' },
  keyboard: { kind: 'keyboard', steersOver: 'pair' },
  matrix: { kind: 'matrix', inputs: 16, outputs: 4 },
  monitor: { kind: 'monitor', input: 'composite' },
  adapter: { kind: 'adapter', current: 'dc', volts: 12, ratedAmps: 2 },
  ups: { kind: 'ups', usableWh: 400, efficiencyPercent: 85, ratedWatts: 900 },
  rack: { kind: 'rack', units: 12 },
  circuit: { kind: 'circuit', volts: 230, breakerAmps: 16 },
};

/** The change that notes a piece of equipment of a kind, with usual figures. */
export function addEquipment(
  site: Site,
  kind: GearKind,
  name: string,
  placeId: string,
  mark?: string,
): Change {
  const id = freeId((wanted) => wanted in site.equipment, name, mark);
  const set: Equipment = { id, name, placeId, gear: usualGear[kind] };
  return { kind: 'equipment', id, set };
}
