import type { NetworkCameraNeed } from '#core/decide/options';
import { pictureFormat, takesPicture, type PictureFormat, type SentPicture } from '#core/physics/signal';
import type { CandidateRecorder } from './candidateRecorders';
import type { PlanPick } from './types';

/** A camera of the network, as an unknown that is always one. */
export interface FixedCamera {
  variable: number;
  signal: NetworkCameraNeed['signal'];
}

/** Cameras that are alike to a recorder: the same signal from the same head end. They are told apart only when slots are given out. */
export interface CameraClass {
  key: string;
  signal: 'coax' | 'ip';
  /** What blocks of inputs keep apart. */
  family: PictureFormat['family'] | 'IP';
  mbps: number;
  megapixels: number;
  sent: SentPicture | null;
  headEndId: string | null;
  /** The unknowns that each say of a camera whether it is one of them. */
  picks: { variable: number }[];
}

/** What the picks would send, and what cameras of the network send whatever is picked, in classes. */
export function classesOf(picks: readonly PlanPick[], onNetwork: readonly FixedCamera[]): CameraClass[] {
  const kinds = new Map<string, CameraClass>();
  const senders = [
    ...picks.map(({ variable, candidate, camera }) => ({
      variable,
      signal: candidate.option.signal,
      lineEndId: camera.evaluation.run.headEndId,
    })),
    ...onNetwork.map((camera) => ({ ...camera, lineEndId: null })),
  ];
  for (const { variable, signal, lineEndId } of senders) {
    if (signal.kind === 'none') continue;
    const headEndId = signal.kind === 'coax' ? lineEndId : null;
    const key =
      signal.kind === 'ip'
        ? `ip ${signal.mbps} ${signal.megapixels}`
        : `coax ${headEndId} ${signal.format} ${signal.schemes?.join('') ?? ''}`;
    const kind = kinds.get(key) ?? {
      key,
      headEndId,
      signal: signal.kind,
      picks: [],
      sent: signal.kind === 'coax' ? signal : null,
      family: signal.kind === 'ip' ? 'IP' : pictureFormat(signal.format).family,
      mbps: signal.kind === 'ip' ? signal.mbps : 0,
      megapixels: signal.kind === 'ip' ? signal.megapixels : 0,
    };
    kind.picks.push({ variable });
    kinds.set(key, kind);
  }
  return [...kinds.values()];
}

/** Whether a recorder takes cameras of a class at all; its limits on sums come on top. */
export const takesClass = ({ placeId, slots }: CandidateRecorder, kind: CameraClass): boolean =>
  kind.signal === 'ip'
    ? kind.megapixels <= slots.limits.slotMegapixels && slots.limits.ipCameras > 0
    : placeId === kind.headEndId && slots.inputs > 0 && takesPicture(slots, kind.sent!);
