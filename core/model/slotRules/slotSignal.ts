import type { SentPicture } from '#core/physics/signal';

/** What a camera asks of a recorder slot; nothing where no camera is left. */
export type OptionSignal = SlotSignal | { kind: 'none' };

/** What comes to a slot. */
export type SlotSignal = ({ kind: 'coax' } & SentPicture) | { kind: 'ip'; mbps: number; megapixels: number };
