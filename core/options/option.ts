import type { OptionKind } from '#core/site';
import type { Unit } from '#core/units';
import type { Basis, Standing, WorkingOut } from '#core/working';
import type { Item } from './priceBook';

/** How an option holds in one respect. */
export interface Margin {
  label: string;
  unit: Unit;
  /** What there is, in `unit`: watts that can arrive, volts at the camera, dB lost, Mb/s carried, metres of channel. */
  value: number;
  share: number;
  standing: Standing;
  basis: Basis;
  working: WorkingOut;
}

export interface Part { item: Item; count: number }

/** Ports an option takes of equipment that several cameras share. */
export interface SharedPort { of: 'coax-unit' | 'poe-switch'; placeId: string; sourceWatts: number }

export interface Possible {
  kind: OptionKind;
  state: Standing;
  margins: Margin[];
  /** The margin with the least to spare. */
  binding: Margin;
  parts: Part[];
  shared: SharedPort | null;
  hours: number;
  darkHours: number;
  labourCost: number;
  /** What one port of the shared equipment comes to when its unit is full. */
  portCost: number;
  /** Own parts, labour and the port, in the site's currency. The site's total counts whole units instead. */
  cost: number;
  /** What its camera asks of a recorder slot. */
  signal: { kind: 'coax'; format: string } | { kind: 'ip'; mbps: number; megapixels: number };
  says: string;
  cautions: string[];
  /** For an option that does not hold: the first limit it breaks, and what would make it possible. */
  broken: { limit: string; remedy: string } | null;
}

/** An option that there is nothing to build on: no such cable, no route, no input. */
export interface Impossible { kind: OptionKind; state: 'no'; short: string; why: string }

export type Option = Possible | Impossible;

export const optionLabels: Record<OptionKind, { label: string; column: string }> = {
  keep: { label: 'Keep the camera on its cable', column: 'Keep' },
  'hd-coax': { label: 'New HD camera on the same coax', column: 'HD, coax' },
  'ip-coax-pair': { label: 'IP over coax, converter pair', column: 'IP, pair' },
  'ip-coax-unit': { label: 'IP over coax, multi-port unit', column: 'IP, unit' },
  baluns: { label: 'New HD camera through baluns', column: 'Baluns' },
  'ip-category': { label: 'IP on the category cable there', column: 'IP, Cat' },
  'new-category': { label: 'New category cable', column: 'New Cat' },
};
