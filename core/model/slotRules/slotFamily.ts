import type { z } from 'zod';
import type { SlotSignal } from './slotSignal';

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
  /** The slot that keeps it today, of a camera that is on the network already. */
  recordedAt?: { recorderId: string; slot: number } | undefined;
}

/** Who is on a slot: placed there by the plan, or still there because nothing is decided for it yet. */
export interface Occupant {
  need: SlotNeed;
  slot: number;
  placed: boolean;
}

export type RuleId =
  | 'family'
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

/** One way in which a recorder can share its slots out; `either` is for an input that can be turned by itself. */
export interface ChannelMode {
  label: string;
  carries: (slot: number) => 'coax' | 'ip' | 'either' | 'none';
}

/** Most cameras of each signal, and of both together, that some mode of a recorder takes in any order of its leads. */
export interface ChannelShare {
  coax: number;
  ip: number;
  together: number;
}

/** What sharing slots out anew costs. */
export interface ChangeRules {
  restarts: boolean;
  factoryValues: boolean;
  losesAnalytics: boolean;
}

/** What of a recorder its rule family needs to know. */
export interface RuledRecorder<Rules> {
  name: string;
  inputs: number;
  rules: Rules;
}

/** What a person enters of the rules: a count under a key, a list of presets, or ports that give power. */
export type RuleField =
  { kind: 'count'; key: string; label: string } | { kind: 'presets' } | { kind: 'ports' };

/** Everything that one rule family says of recorders: how its rules are written, entered and told, and what they allow. */
export interface SlotFamily<Kind extends string, Schema extends z.ZodObject> {
  kind: Kind;
  label: string;
  schema: Schema;
  /** Whether recorders of the family have inputs at all. */
  takesCoax: boolean;
  /** How inputs turn to IP: never, the highest first, each by itself, or the whole recorder at once. */
  conversion: 'none' | 'in-order' | 'each' | 'whole';
  /** Rules as they usually come, for a recorder of so many inputs that is to have so many IP slots. */
  usual: (inputs: number, ipSlots: number) => Omit<z.infer<Schema>, 'kind'>;
  /** IP slots that the rules name, and where in the rules they stand. */
  ipSlots: { path: string; of: (rules: z.infer<Schema>) => number };
  fields: readonly RuleField[];
  /** The rules in a line. */
  words: (recorder: Omit<RuledRecorder<z.infer<Schema>>, 'name'>) => string;
  /** What the modes come to in numbers, for a plan that leaves the order of leads open. */
  shares: (recorder: Omit<RuledRecorder<z.infer<Schema>>, 'name'>) => ChannelShare[];
  modes: (recorder: RuledRecorder<z.infer<Schema>>) => ChannelMode[];
  /** The inputs that have to turn to IP for these occupants. */
  ipInputs: (recorder: RuledRecorder<z.infer<Schema>>, occupants: readonly Occupant[]) => ReadonlySet<number>;
  /** What the family's own rule says against these occupants. */
  broken: (recorder: RuledRecorder<z.infer<Schema>>, occupants: readonly Occupant[]) => BrokenRule[];
  /** What going from one state to another costs as a rule. */
  usualChange: ChangeRules;
  /** Ports of its own that give power, where it has some. */
  ownPorts?: (rules: z.infer<Schema>) => { ports: number; watts: number } | undefined;
  /** What of the rules does not go with the number of inputs. */
  mismatch?: (
    recorder: Omit<RuledRecorder<z.infer<Schema>>, 'name'>,
  ) => { path: string; allowed: string } | undefined;
}

/** Lets a family be written with its kind and schema inferred. */
export const slotFamily = <const Kind extends string, Schema extends z.ZodObject>(
  family: SlotFamily<Kind, Schema>,
): SlotFamily<Kind, Schema> => family;
