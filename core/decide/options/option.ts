import type { OptionSignal } from '#core/model/slotRules';
import { optionRow, type OptionKind } from '#core/model/site';
import type { Unit } from '#core/shared/units';
import type { Basis, Status, LazyDerivation } from '#core/shared/derivation';
import type { Scenario } from '#core/test/scenarios';
import type { OwnSupply } from '#core/test/volts';
import type { Part } from './part';
import type { PortKind } from './portKinds';
import type { SharedThing } from './sharing';

/** The respects in which an option can hold or not. */
export type MarginKind =
  | 'picture-loss'
  | 'night-volts'
  | 'start-volts'
  | 'highest-volts'
  | 'supply-setting'
  | 'feed-amps'
  | 'watts'
  | 'link-rate'
  | 'channel'
  | 'light-loss'
  | 'light-reach'
  | 'radio-rate'
  | 'clearance'
  | 'insulation'
  | 'earth'
  | 'pair-test'
  | 'view-angle'
  | 'pixels';

/** How an option holds in one respect. */
export interface Margin {
  kind: MarginKind;
  label: string;
  unit: Unit;
  /** What there is, in `unit`: watts that can arrive, volts at the camera, dB lost, Mb/s carried, metres of channel. */
  value: number;
  utilisation: number;
  status: Status;
  basis: Basis;
  /** Whether a test of this run could have given the figure, and none has. */
  unread: boolean;
  derivation: LazyDerivation;
  /** The utilisation under a scenario. */
  under: (scenario: Scenario) => number;
  /** What an instrument would read under a scenario, in `unit`; of figures that are measured before anybody signs. */
  valueUnder?: (scenario: Scenario) => number;
}

/** What an option draws of the output of a supply box: for long, and for a moment when all start after a power cut. */
export interface Draws {
  supplyId: string;
  output: number;
  amps: number;
  startUpAmps: number;
}

/** Ports an option takes of equipment that several cameras share. */
export interface SharedPort {
  of: PortKind;
  placeId: string;
  /** What the port has to be able to give: the class of what hangs there, or what it takes when all start together. */
  sourceWatts: number;
  /** What it gives by night, where that is known to be less. */
  nightWatts?: number;
  mbps: number;
}

/** A camera that sees another view beside its own, once it is an IP camera of so many megapixels. */
export interface SeenBy {
  cameraId: string;
  megapixels: number;
}

export interface FeasibleOption {
  kind: OptionKind;
  state: Status;
  margins: Margin[];
  /** The margin with the least to spare; none where nothing has to hold. */
  binding: Margin | null;
  parts: Part[];
  /** The tasks, with how many times or metres each. */
  tasks: Part[];
  shared: SharedPort | null;
  /** Things that other cameras share with it beside ports: a lift, a route, a fibre, a radio path. */
  sharing: SharedThing[];
  /** Of one person, with its part of what is shared; `ownHours` without. */
  hours: number;
  ownHours: number;
  darkHours: number;
  labourCost: number;
  /** What one port of the shared equipment comes to when its unit is full, or its part of one that several share. */
  portCost: number;
  /** Its part of what other cameras share with it. */
  shareCost: number;
  /** Its own parts and labour, in the site's currency. */
  ownCost: number;
  /** Those, the port and the part of what is shared. The site's total counts whole units and things instead. */
  cost: number;
  /** Rows of the catalogue that it needs and that have no price. */
  unpriced: string[];
  /** Years until what hangs there is due, what its successor costs then, and how long each successor lasts. */
  lifeYears: number;
  renewCost: number;
  successorYears: number;
  /** The camera whose old coax it goes over, which may be its own; only where several share one. */
  onCoaxOf: string | null;
  /** The camera whose next one sees its view too, and the megapixels that it takes; only where the view has none of its own any more. */
  seenBy: SeenBy | null;
  /** What its camera asks of a recorder slot; nothing where no camera is left. */
  signal: OptionSignal;
  /** Megapixels that the view has then. */
  megapixels: number;
  draws: Draws | null;
  /** The camera hangs on the mains at its own place, away from any UPS at the head end. */
  fedLocally: boolean;
  /** A supply for it alone took the place of the box it hung on, and a converter stands at the camera. */
  ownSupply: OwnSupply | null;
  /** Metres of new cable; places where something new is to be seen. */
  newCableM: number;
  showsAt: string[];
  message: string;
  cautions: readonly string[];
  /** What would make it possible where this margin is past its limit. */
  remedy: (binding: Margin) => string;
}

/** How today's camera does where it stays: what options that keep it have alike. */
export type KeptCamera = Pick<FeasibleOption, 'margins' | 'draws' | 'fedLocally' | 'cautions' | 'remedy'>;

/** An option that there is nothing to build on: no such cable, no route, no input. `remedy` is what would make it one. */
export interface InfeasibleOption {
  kind: OptionKind;
  state: 'no';
  short: string;
  why: string;
  remedy: string;
}

export type Option = FeasibleOption | InfeasibleOption;

/** Whether an option leaves the view on an IP camera. One that stays behind an encoder is none, though the recorder takes it for one. */
export const isIp = ({ kind, signal }: Pick<FeasibleOption, 'kind' | 'signal'>): boolean =>
  signal.kind === 'ip' && !optionRow(kind).keepsCamera;

/** The limit that an option breaks first, and what would make the option possible. */
export interface BrokenLimit {
  limit: string;
  remedy: string;
}

/**
 * For an option that does not hold: the limit it breaks first, and what would make it possible. Told when it is asked
 * for, since a site has thousands of options that do not hold and a person looks at a few.
 */
export function brokenLimit({
  state,
  binding,
  remedy,
}: Pick<FeasibleOption, 'state' | 'binding' | 'remedy'>): BrokenLimit | null {
  if (state !== 'fails' || !binding) return null;
  return { limit: `${binding.label}: ${binding.derivation().conclusion}`, remedy: remedy(binding) };
}
