import { pictureFormat, takesPicture, type PictureFormat, type SentPicture } from '#core/physics/signal';
import type { CandidateRecorder } from './candidateRecorders';
import type { PlanPick } from './types';

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
  picks: PlanPick[];
}

/** What the picks would send, in classes. */
export function classesOf(picks: readonly PlanPick[]): CameraClass[] {
  const kinds = new Map<string, CameraClass>();
  for (const pick of picks) {
    const { signal } = pick.candidate.option;
    if (signal.kind === 'none') continue;
    const headEndId = signal.kind === 'coax' ? pick.camera.evaluation.run.headEndId : null;
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
    kind.picks.push(pick);
    kinds.set(key, kind);
  }
  return [...kinds.values()];
}

/** Whether a recorder takes cameras of a class at all; its limits on sums come on top. */
export const takesClass = ({ placeId, slots }: CandidateRecorder, kind: CameraClass): boolean =>
  kind.signal === 'ip'
    ? kind.megapixels <= slots.limits.slotMegapixels && slots.limits.ipCameras > 0
    : placeId === kind.headEndId && slots.inputs > 0 && takesPicture(slots, kind.sent!);
