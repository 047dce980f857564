import type { Possible } from '#core/options';
import type { Recorder } from '#core/site';
import type { Load } from '#core/working';

/** What comes to a slot. A camera that is retired asks for none. */
export type SlotSignal = Exclude<Possible['signal'], { kind: 'none' }>;

/** A camera with what it asks of a slot, and where it is patched today. */
export interface SlotNeed {
  cameraId: string;
  number: number;
  name: string;
  signal: SlotSignal;
  patchedTo: { recorderId: string; input: number } | undefined;
}

/** Who is on a slot: placed there by the plan, or still there because nothing is decided for it yet. */
export interface Occupant { need: SlotNeed; slot: number; placed: boolean }

export type RuleId = 'tail-order' | 'preset' | 'block' | 'signal' | 'format' | 'taken' | 'incoming-rate' | 'megapixels' | 'ip-count';

/** A rule of the recorder that the placements break, and what would make them legal. */
export interface BrokenRule { rule: RuleId; slots: number[]; why: string; remedy: string }

export interface Slot { slot: number; label: string; carries: 'coax' | 'ip'; converted: boolean; occupants: Occupant[] }

/** A recorder with everyone on it, what that breaks and what it costs to get there. */
export interface RecorderState {
  recorder: Recorder;
  slots: Slot[];
  broken: BrokenRule[];
  consequences: string[];
  /** How much of each of the recorder's limits is used. */
  loads: Load[];
}

/** How one rule family shares a recorder's slots between coax and IP. */
export interface SlotFamily {
  /** The inputs that have to turn to IP for these occupants, and for so many IP cameras more as far as that is possible. */
  turned: (recorder: Recorder, occupants: readonly Occupant[], moreIp: number) => ReadonlySet<number>;
  /** What the family's own rule says against these occupants. */
  broken: (recorder: Recorder, occupants: readonly Occupant[]) => BrokenRule[];
  consequences: (recorder: Recorder, turned: ReadonlySet<number>) => string[];
}
