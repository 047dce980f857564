import type { FeasibleOption } from '#core/decide/options';
import type { Recorder } from '#core/model/site';
import type { Load } from '#core/shared/derivation';

/** What comes to a slot. A camera that is retired asks for none. */
export type SlotSignal = Exclude<FeasibleOption['signal'], { kind: 'none' }>;

/** A camera with what it asks of a slot, and where it is patched today. */
export interface SlotNeed {
  cameraId: string;
  number: number;
  name: string;
  signal: SlotSignal;
  /** What it draws where it is plugged straight into a port that gives power; 0 where it is fed from elsewhere. */
  portWatts: number;
  /** The building its line ends in. */
  placeId: string;
  patchedTo: { recorderId: string; input: number } | undefined;
}

/** Who is on a slot: placed there by the plan, or still there because nothing is decided for it yet. */
export interface Occupant {
  need: SlotNeed;
  slot: number;
  placed: boolean;
}

export type RuleId =
  | 'tail-order'
  | 'preset'
  | 'block'
  | 'signal'
  | 'format'
  | 'forced'
  | 'taken'
  | 'incoming-rate'
  | 'megapixels'
  | 'ip-count'
  | 'port-watts';

/** A rule of the recorder that the placements break, and what would make them legal. */
export interface BrokenRule {
  rule: RuleId;
  slots: number[];
  why: string;
  remedy: string;
}

export interface Slot {
  slot: number;
  label: string;
  carries: 'coax' | 'ip';
  converted: boolean;
  occupants: Occupant[];
}

/** A recorder with everyone on it, what that breaks and what it costs to get there. */
export interface RecorderState {
  recorder: Recorder;
  slots: Slot[];
  broken: BrokenRule[];
  consequences: string[];
  /** How much of each of the recorder's limits is used. */
  loads: Load[];
}

/** One way in which a recorder can share its slots out; `either` is for an input that can be turned by itself. */
export interface ChannelMode {
  label: string;
  carries: (slot: number) => 'coax' | 'ip' | 'either' | 'none';
}

/** What sharing slots out anew costs. */
export interface ChangeRules {
  restarts: boolean;
  factoryValues: boolean;
  losesAnalytics: boolean;
}

/** How one rule family shares a recorder's slots between coax and IP. */
export interface SlotFamily {
  /** Whether inputs turn in one order only, the highest first; else in the states that there are, or each by itself. */
  turnsInOrder: boolean;
  /** The states that there are. */
  splits: (recorder: Recorder) => ChannelMode[];
  /** The inputs that have to turn to IP for these occupants. */
  ipInputs: (recorder: Recorder, occupants: readonly Occupant[]) => ReadonlySet<number>;
  /** What the family's own rule says against these occupants. */
  broken: (recorder: Recorder, occupants: readonly Occupant[]) => BrokenRule[];
  /** What going from one state to another costs as a rule. */
  usualChange: ChangeRules;
}
