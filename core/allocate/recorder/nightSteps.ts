import type { Occupant, SlotNeed } from '#core/model/slotRules';
import type { ChangeCost } from './changeCost';
import type { SlotAddress } from './slotRequest';

/** A camera with where its picture comes in today and where it comes in at the end. */
export interface Mover {
  need: SlotNeed;
  /**
   * `format` is of the coax; `null` of a camera that is on the network already. That one stays as it is, unless another takes its
   * place: `replaced` is what it sends until then.
   */
  today: { at: SlotAddress; format: string | null; replaced?: SlotNeed['signal'] | undefined } | null;
  to: SlotAddress;
}

export type NightStep =
  | {
      kind: 'repatch';
      cameraId: string;
      number: number;
      from: SlotAddress;
      to: SlotAddress;
      /** It moves once more later. */ temporary: boolean;
      makesWayFor: number | null;
    }
  /** A camera that was retired leaves its input. */
  | { kind: 'unplug'; cameraId: string; number: number; from: SlotAddress }
  | { kind: 'turn'; recorderId: string; cost: ChangeCost }
  | { kind: 'join'; cameraId: string; number: number; from: SlotAddress | null; to: SlotAddress }
  /** A camera that is on the network already is kept by another slot: nothing is plugged for it. */
  | { kind: 'rejoin'; cameraId: string; number: number; from: SlotAddress; to: SlotAddress };

/** Whether with a step a camera is how it will be in the end: no lead that moves, no input that turns. */
export const comesOrGoes = (
  step: NightStep,
): step is Extract<NightStep, { kind: 'join' | 'rejoin' | 'unplug' }> =>
  step.kind === 'join' || step.kind === 'rejoin' || step.kind === 'unplug';

export interface Night {
  steps: NightStep[];
  /** Who is where in the morning, by recorder. */
  occupied: Record<string, Occupant[]>;
  /** The inputs that are IP in the morning, by recorder: those that stand empty among them. */
  ipInputs: Record<string, number[]>;
  /** What is against it then. */
  broken: string[];
}

export interface Migration {
  nights: Night[];
  /** Cameras that should not wait but have to, or that no order brings to their slot, and for what. */
  waiting: { cameraId: string; number: number; why: string }[];
  restarts: number;
}

export interface MoveWishes {
  perNight: number;
  first: readonly string[];
  /** Cameras that come in no sooner than others, whose ids they are: their pictures go over what those leave. */
  after?: Readonly<Record<string, readonly string[]>>;
}

/** Why a camera waits that comes in after another one, whose number it is. */
export const afterAnother = (number: number): string =>
  `it goes over what camera ${number} leaves, and that has to go first`;
