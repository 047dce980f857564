import { eachOf, labourRateOf, productOf, type Catalogue } from '#core/model/catalogue';
import type { Part } from './part';

/** Something that several cameras of a place, a route or a visit share: whole units of it serve all that take it. */
export interface SharedThing {
  /** Things of one key are the same thing. */
  key: string;
  kind: 'lift' | 'route' | 'closet' | 'way' | 'switch';
  /** Where it stands, or leads to. */
  placeId: string;
  label: string;
  /** Of one unit. */
  parts: readonly Part[];
  tasks: readonly Part[];
  /** How much this camera takes, how much a unit gives (or that one gives all), and how much there is before the first: cameras, or hours. */
  need: number;
  capacity: number | 'all';
  free: number;
  /** Cameras that are reckoned to share it, this one among them. */
  among: number;
  /** The port of a switch that it ends on, with what this camera sends through it. */
  port?: { placeId: string; mbps: number };
  /** The way to the camera's place that it is, where it is one; with the place of the switch that it ends in, whoever hangs there. */
  way?: {
    medium: 'fibre' | 'radio' | 'category' | 'coax-converters';
    fromPlaceId: string;
    lengthM: number;
    intoPlaceId?: string;
  };
  /** Metres of new cable that it is, where the options that share it do not count them. */
  cableM?: number;
}

/** Units that so much needs together. */
export const unitsFor = ({ capacity, free }: Pick<SharedThing, 'capacity' | 'free'>, need: number): number =>
  need <= free ? 0 : capacity === 'all' ? 1 : Math.max(1, Math.ceil((need - free) / capacity - 1e-9));

/** This camera's part of what all that share it are reckoned to need. */
export const shareOf = (thing: SharedThing): number =>
  unitsFor(thing, thing.need * thing.among) / thing.among;

export interface UnitCost {
  cost: number;
  labourCost: number;
  hours: number;
}

/** What one unit costs and takes, in whole units of the currency, by day rates: it is made beside the old system, but for converters on an old coax. */
export function unitCostOf(
  catalogue: Catalogue,
  { parts, tasks }: Pick<SharedThing, 'parts' | 'tasks'>,
): UnitCost {
  let [cost, hours] = [0, 0];
  for (const { item, count } of parts) cost += (eachOf(catalogue.products.get(item)!) ?? 0) * count;
  for (const { item, count } of tasks) hours += productOf(catalogue, item, 'task').hours * count;
  const labourCost = Math.round(hours * labourRateOf(catalogue).day);
  return { cost: Math.round(cost) + labourCost, labourCost, hours };
}

function reasonOf({ label, among }: SharedThing): string {
  if (among === 1) return `${label}; no other camera is there to share it`;
  return `${label}, shared by ${among} cameras there`;
}

/** What an option shares, each with its reason and what its part of it comes to. */
export const sharingLines = (
  catalogue: Catalogue,
  sharing: readonly SharedThing[],
): { key: string; reason: string; cost: number }[] =>
  sharing.flatMap((thing) => {
    const share = shareOf(thing);
    if (share === 0) return [];
    return [
      {
        key: thing.key,
        reason: reasonOf(thing),
        cost: Math.round(share * unitCostOf(catalogue, thing).cost),
      },
    ];
  });
