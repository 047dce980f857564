import { familyOf, type Occupant, type SlotNeed } from '#core/model/slotRules';
import type { Recorder } from '#core/model/site';
import { ipInputsToday } from './changeCost';
import type { Mover, MoveWishes, Night, NightStep } from './nightSteps';
import { alike, carriedIn, modesOf, type RecorderMode } from './recorderModes';
import { isAt, type SlotAddress } from './slotRequest';

interface Standing {
  need: SlotNeed;
  at: SlotAddress;
}

/** Who is where, and what has been done, as the nights go by. */
export interface Progress {
  recorderOf: ReadonlyMap<string, Recorder>;
  movers: readonly Mover[];
  byId: ReadonlyMap<string, Mover>;
  urgent: ReadonlySet<string>;
  perNight: number;
  after: Readonly<Record<string, readonly string[]>>;
  standing: Map<string, Standing>;
  /** The inputs of each recorder that are IP by now. */
  ipInputs: Map<string, ReadonlySet<number>>;
  done: Set<string>;
  waiting: Map<string, string>;
  nights: Night[];
}

/** Today's picture of a camera that will send another. */
const asToday = ({ need, today }: Mover): SlotNeed =>
  today!.format === null
    ? { ...need, signal: today!.replaced ?? need.signal }
    : { ...need, portWatts: 0, signal: { kind: 'coax', format: today!.format } };

/** Whether a camera's picture changes: from then on it is another camera to its recorder. One of the network is told to it anew where its slot changes. */
const changes = ({ need, today, to }: Mover): boolean => {
  if (!today) return true;
  if (today.format === null) return today.replaced !== undefined || !isAt(today.at, to);
  return need.signal.kind === 'ip' || need.signal.format !== today.format;
};

/** The step by which a camera comes to its slot from where it is by then. */
export function comingStep(
  { need: { cameraId, number }, today, to }: Mover,
  from: SlotAddress | null,
): NightStep {
  if (from && today?.format === null && !today.replaced)
    return { kind: 'rejoin', cameraId, number, from, to };
  return { kind: 'join', cameraId, number, from, to };
}

export function startOf(
  recorders: readonly Recorder[],
  movers: readonly Mover[],
  { perNight, first, after = {} }: MoveWishes,
): Progress {
  const standing = movers.flatMap((mover): [string, Standing][] =>
    mover.today ? [[mover.need.cameraId, { need: asToday(mover), at: mover.today.at }]] : [],
  );
  return {
    recorderOf: new Map(recorders.map((recorder) => [recorder.id, recorder])),
    movers,
    byId: new Map(movers.map((mover) => [mover.need.cameraId, mover])),
    urgent: new Set(first),
    perNight,
    after,
    standing: new Map(standing),
    ipInputs: new Map(recorders.map((recorder) => [recorder.id, ipInputsToday(recorder)])),
    done: new Set(movers.filter((mover) => !changes(mover)).map(({ need }) => need.cameraId)),
    waiting: new Map(),
    nights: [],
  };
}

export const finalOccupants = ({ movers }: Progress, recorderId: string): Occupant[] =>
  movers
    .filter(({ to }) => to.recorderId === recorderId)
    .map(({ need, to }) => ({ need, slot: to.slot, placed: true }));

export const occupiedBy = ({ standing }: Progress, recorderId: string): Occupant[] =>
  [...standing.values()]
    .filter(({ at }) => at.recorderId === recorderId)
    .map(({ need, at }) => ({ need, slot: at.slot, placed: true }));

/** Whether a slot may carry IP only once the recorder has changed: an input that is coax yet, or a slot that another preset has. */
export function isTurning({ recorderOf, ipInputs }: Progress, { need, to }: Mover): boolean {
  if (need.signal.kind !== 'ip') return false;
  const recorder = recorderOf.get(to.recorderId)!;
  const now = ipInputs.get(to.recorderId)!;
  const family = familyOf(recorder);
  if (family.conversion !== 'whole') return to.slot <= recorder.inputs && !now.has(to.slot);
  return !modesOf(recorder).some((mode) => mode.carries(to.slot) === 'ip' && alike(mode.ipInputs, now));
}

/**
 * The inputs of a recorder that are IP after a night. What is turned stays turned as long as nobody is in its way, since going back is
 * a restart as much as going on; and where it restarts anyway it goes as far towards its end as those who stand on it allow.
 */
export function ipInputsAfter(progress: Progress, recorder: Recorder): ReadonlySet<number> {
  const occupants = occupiedBy(progress, recorder.id);
  const now = progress.ipInputs.get(recorder.id)!;
  const atTheEnd = finalOccupants(progress, recorder.id);
  const family = familyOf(recorder);
  const needed = family.ipInputs(recorder, occupants);
  if (family.conversion === 'each') {
    const onCoax = new Set(
      occupants.filter(({ need }) => need.signal.kind === 'coax').map(({ slot }) => slot),
    );
    const kept = new Set([...now].filter((input) => !onCoax.has(input)).concat([...needed]));
    if (alike(kept, now)) return now;
    const ahead = [...family.ipInputs(recorder, atTheEnd)].filter((input) => !onCoax.has(input));
    return new Set([...kept, ...ahead]);
  }
  const modes = modesOf(recorder).filter((mode) => occupants.every((one) => carriedIn(mode, one)));
  if (modes.some((mode) => alike(mode.ipInputs, now))) return now;
  const carriedAtTheEnd = (mode: RecorderMode): number =>
    atTheEnd.filter((one) => carriedIn(mode, one)).length;
  const [nearest] = [...modes].sort(
    (a, b) => carriedAtTheEnd(b) - carriedAtTheEnd(a) || a.ipInputs.size - b.ipInputs.size,
  );
  return nearest ? nearest.ipInputs : needed;
}

/** Cameras of the order that have to come in before one, or in its night, and have not yet. */
export const toComeBefore = ({ after, byId, done }: Progress, { need }: Mover): Mover[] =>
  (after[need.cameraId] ?? []).flatMap((id) => (done.has(id) ? [] : (byId.get(id) ?? [])));

/** Whether a camera that turns inputs is left for a night of its own: one begun with others is filled with it only where that makes no restart more. */
export function waitsForItsNight(
  progress: Progress,
  mover: Mover,
  tonight: readonly Mover[],
  turningLeft: number,
): boolean {
  const { perNight, urgent } = progress;
  if (!isTurning(progress, mover) || urgent.has(mover.need.cameraId) || tonight.length === 0) return false;
  if (tonight.some((one) => isTurning(progress, one))) return false;
  const left = perNight - tonight.length;
  return 1 + Math.ceil((turningLeft - left) / perNight) > Math.ceil(turningLeft / perNight);
}

export const isFinished = ({ done, movers, standing, byId }: Progress): boolean =>
  done.size === movers.length && [...standing].every(([id, { at }]) => isAt(at, byId.get(id)!.to));

const fromTop = (a: Mover, b: Mover): number =>
  (b.today?.at.slot ?? 0) - (a.today?.at.slot ?? 0) || a.need.number - b.need.number;

/** Cameras that change, those that must not wait first, then those that turn no input from the highest down, then the others. */
export function inOrder(progress: Progress): Mover[] {
  const { movers, done, urgent } = progress;
  const turning = (mover: Mover) => isTurning(progress, mover);
  return movers
    .filter(({ need }) => !done.has(need.cameraId))
    .sort(
      (a, b) =>
        Number(urgent.has(b.need.cameraId)) - Number(urgent.has(a.need.cameraId)) ||
        Number(turning(a)) - Number(turning(b)) ||
        (turning(a)
          ? a.to.recorderId.localeCompare(b.to.recorderId) || b.to.slot - a.to.slot
          : fromTop(a, b)),
    );
}
