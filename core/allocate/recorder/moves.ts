import { slotCount, type Occupant, type SlotNeed } from '#core/model/slotRules';
import type { Recorder } from '#core/model/site';
import { tryPlacement } from './tryPlacement';
import { comesInAt, isAt, type SlotAddress, type SlotRequest } from './slotRequest';

/** A camera that is elsewhere after an allocation than before, and why. */
export interface Move {
  cameraId: string;
  number: number;
  kind: 'repatch' | 'joins' | 'moves';
  from: SlotAddress | null;
  to: SlotAddress;
  why: string;
}

/** Why a camera is not on a slot: the rule against it, or who has it. `null` where nothing is against it. */
function whyNot(
  recorder: Recorder,
  occupied: readonly Occupant[],
  need: SlotNeed,
  slot: number,
): string | null {
  if (slot > slotCount(recorder)) return `${recorder.name} has no slot ${slot}.`;
  const other = occupied.find((one) => one.slot === slot && one.need.cameraId !== need.cameraId);
  // The rule says more than the camera that took the slot because of it.
  const alone = occupied.filter((one) => one !== other);
  const [broken] = tryPlacement(recorder, alone, need, slot);
  if (broken) return broken.why;
  return other ? `Slot ${slot} goes to camera ${other.need.number}.` : null;
}

/**
 * What an allocation does to each camera: leads that are patched elsewhere, network cameras that join, cameras that leave
 * the slot they were planned on. Each with the rule or the wish behind it.
 */
export function movesOf(
  recorders: readonly Recorder[],
  wanting: readonly SlotRequest[],
  occupied: Readonly<Record<string, readonly Occupant[]>>,
): Move[] {
  const moves: Move[] = [];
  for (const { need, placed } of wanting) {
    const recorder = recorders.find(({ id }) =>
      occupied[id]?.some((one) => one.need.cameraId === need.cameraId),
    );
    if (!recorder) continue;
    const on = occupied[recorder.id]!;
    const { slot } = on.find((one) => one.need.cameraId === need.cameraId)!;
    const to = { recorderId: recorder.id, slot };
    const today = comesInAt(need);
    const from = placed ?? today;
    const onNetworkAt = placed ?? need.recordedAt;
    if (isAt(need.signal.kind === 'coax' ? today : onNetworkAt, to)) continue;
    const stay = from && recorders.find(({ id }) => id === from.recorderId);
    const againstStaying = stay ? whyNot(stay, occupied[stay.id] ?? [], need, from.slot) : null;
    const againstNumber =
      slot === need.number ? 'Slot matches camera number.' : whyNot(recorder, on, need, need.number);
    moves.push({
      cameraId: need.cameraId,
      number: need.number,
      from: from ?? null,
      to,
      kind: need.signal.kind === 'coax' ? 'repatch' : onNetworkAt ? 'moves' : 'joins',
      why:
        (need.signal.kind === 'coax' || onNetworkAt ? againstStaying : null) ??
        againstNumber ??
        'It saves leads or a restart elsewhere.',
    });
  }
  return moves.sort((a, b) => a.number - b.number);
}

/** A move in a sentence. */
export function moveInWords(
  { number, kind, from, to, why }: Move,
  nameOf: (recorderId: string) => string,
): string {
  const there = `${nameOf(to.recorderId)} ${to.slot}`;
  const here = from
    ? from.recorderId === to.recorderId
      ? `${from.slot}`
      : `${nameOf(from.recorderId)} ${from.slot}`
    : null;
  switch (kind) {
    case 'repatch':
      return `Camera ${number}: its lead goes ${here ? `from ${here} ` : ''}to ${there}. ${why}`;
    case 'moves':
      return `Camera ${number}: from ${here} to ${there}. ${why}`;
    case 'joins':
      return `Camera ${number} joins ${there}. ${why}`;
  }
}
