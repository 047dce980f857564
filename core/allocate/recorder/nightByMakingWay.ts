import { familyOf, type Occupant } from '#core/model/slotRules';
import type { Recorder } from '#core/model/site';
import { numbersFrom } from '#core/shared/numeric';
import {
  toComeBefore,
  comingStep,
  finalOccupants,
  ipInputsAfter,
  isTurning,
  waitsForItsNight,
  type Progress,
} from './moveProgress';
import { afterAnother, type Mover, type NightStep } from './nightSteps';
import { alike } from './recorderModes';
import { isAt, type SlotAddress } from './slotRequest';

/** A lead that is plugged elsewhere so that another can have its input. */
interface Repatch {
  id: string;
  to: SlotAddress;
  temporary: boolean;
}

/** The inputs that turn together with one, by the recorder's rules: those from it to the last, or itself alone, or a whole preset. */
function turnsWith(recorder: Recorder, occupants: readonly Occupant[], slot: number): number[] {
  const { conversion, ipInputs } = familyOf(recorder);
  switch (conversion) {
    case 'in-order':
      return numbersFrom(slot, recorder.inputs);
    case 'whole':
      return [...ipInputs(recorder, occupants)];
    case 'each':
    case 'none':
      return [slot];
  }
}

/** What a camera’s move takes: others that come along, leads that make way, and inputs that no lead may come to. */
interface Move {
  movers: Mover[];
  repatches: Repatch[];
  mustBeFree: SlotAddress[];
}

/** An input for a lead that makes way: its own at the end where that is free already, else any that is, where it may move twice. */
function roomFor(
  progress: Progress,
  other: Mover,
  recorder: Recorder,
  isFree: (to: SlotAddress) => boolean,
  mayMoveTwice: boolean,
): SlotAddress | undefined {
  if (other.need.signal.kind === 'coax' && isFree(other.to)) return other.to;
  if (!mayMoveTwice) return undefined;
  const ipInputs = progress.ipInputs.get(recorder.id)!;
  return numbersFrom(1, recorder.inputs)
    .map((slot) => ({ recorderId: recorder.id, slot }))
    .find((to) => !ipInputs.has(to.slot) && isFree(to));
}

/** Adds a camera to a move, with all who have to come along or make way for it; tells why not, where it cannot be done yet. */
function addTo(move: Move, progress: Progress, mover: Mover, room: number): string | null {
  const { recorderOf, byId, standing, done, urgent } = progress;
  const { movers, repatches, mustBeFree } = move;
  const recorder = recorderOf.get(mover.to.recorderId)!;
  const isUrgent = urgent.has(mover.need.cameraId);
  const isGoing = (id: string): boolean => movers.some(({ need }) => need.cameraId === id);
  for (const first of toComeBefore(progress, mover)) {
    if (isGoing(first.need.cameraId)) continue;
    if (movers.length + 1 >= room) return afterAnother(first.need.number);
    const why = addTo(move, progress, first, room);
    if (why !== null) return why;
  }
  // Whoever it comes after may have taken it along.
  if (isGoing(mover.need.cameraId)) return null;
  movers.push(mover);
  const turning = isTurning(progress, mover)
    ? turnsWith(recorder, finalOccupants(progress, recorder.id), mover.to.slot)
    : [mover.to.slot];
  mustBeFree.push(...turning.map((slot) => ({ recorderId: recorder.id, slot })));
  /** Where a camera is by then: where it has made way to already, or where it stands. */
  const placeOf = (id: string): SlotAddress =>
    repatches.find((one) => one.id === id)?.to ?? standing.get(id)!.at;
  const inTheWay = [...standing].filter(([id, { need }]) => {
    const at = placeOf(id);
    return (
      !isGoing(id) &&
      at.recorderId === recorder.id &&
      (isAt(at, mover.to) || (need.signal.kind === 'coax' && turning.includes(at.slot)))
    );
  });
  for (const [id, { need }] of inTheWay) {
    if (isGoing(id)) continue;
    const other = byId.get(id)!;
    if (!done.has(id) && movers.length < room && !isUrgent) {
      const why = addTo(move, progress, other, room);
      if (why !== null) return why;
      continue;
    }
    const { name } = recorder;
    const { slot } = placeOf(id);
    // Only a lead can wait on any input: what is on the network already goes when it can go to its own slot.
    if (need.signal.kind === 'ip')
      return `camera ${need.number} is on ${name} ${slot} until its own slot is free`;
    const isFree = (to: SlotAddress): boolean =>
      // A lead that makes way has not left yet when the next one moves.
      ![...standing].some(
        ([one, { at }]) => one !== id && !isGoing(one) && (isAt(at, to) || isAt(placeOf(one), to)),
      ) &&
      ![...movers, ...repatches.filter((one) => one.id !== id)].some((one) => isAt(one.to, to)) &&
      !mustBeFree.some((at) => isAt(at, to));
    const to = roomFor(progress, other, recorder, isFree, done.has(id) || isUrgent);
    if (!to) return `camera ${other.need.number} is on ${name} ${slot}, and no input is free for its lead`;
    const makesWay: Repatch = { id, to, temporary: !isAt(to, other.to) };
    const before = repatches.findIndex((one) => one.id === id);
    if (before < 0) repatches.push(makesWay);
    else repatches[before] = makesWay;
  }
  return null;
}

/** A camera’s move, or why it cannot be done yet. */
function moveOf(progress: Progress, mover: Mover, room: number): Move | { why: string } {
  const move: Move = { movers: [], repatches: [], mustBeFree: [] };
  const why = addTo(move, progress, mover, room);
  return why === null ? move : { why };
}

/** Does a move: leads make way, and the cameras come in where they belong. */
function carryOut({ standing, done }: Progress, mover: Mover, { movers, repatches }: Move): NightStep[] {
  const steps: NightStep[] = [];
  for (const { id, to, temporary } of repatches) {
    const stood = standing.get(id)!;
    steps.push({
      kind: 'repatch',
      cameraId: id,
      number: stood.need.number,
      from: stood.at,
      to,
      temporary,
      makesWayFor: mover.need.number,
    });
    standing.set(id, { need: stood.need, at: to });
  }
  for (const coming of movers) {
    const { need, to } = coming;
    steps.push(comingStep(coming, standing.get(need.cameraId)?.at ?? null));
    standing.set(need.cameraId, { need, at: to });
    done.add(need.cameraId);
  }
  return steps;
}

/** The moves of one night, as many as a crew does, each where those before it have made room. */
export function movesTonight(
  progress: Progress,
  ordered: readonly Mover[],
): { steps: NightStep[]; joined: Mover[] } {
  const { perNight, done, urgent, waiting, nights } = progress;
  const tonight: Mover[] = [];
  const steps: NightStep[] = [];
  const turningLeft = ordered.filter(
    (one) => !done.has(one.need.cameraId) && isTurning(progress, one),
  ).length;
  for (let moved = true; moved && tonight.length < perNight;) {
    moved = false;
    for (const mover of ordered) {
      const { cameraId } = mover.need;
      if (done.has(cameraId) || tonight.length >= perNight) continue;
      if (waitsForItsNight(progress, mover, tonight, turningLeft)) continue;
      // Whoever it comes after takes it along, or goes before it; only what must not wait takes that along instead.
      if (toComeBefore(progress, mover).length > 0 && !urgent.has(cameraId)) continue;
      const move = moveOf(progress, mover, perNight - tonight.length);
      if ('why' in move) {
        if (urgent.has(cameraId) && nights.length === 0) waiting.set(cameraId, move.why);
        continue;
      }
      steps.push(...carryOut(progress, mover, move));
      tonight.push(...move.movers);
      moved = true;
    }
  }
  return { steps, joined: tonight };
}

/**
 * Leads that leave the inputs which will be IP at the end, where a recorder restarts tonight anyway: then it restarts once for all of
 * them. Each goes where it belongs, or meanwhile to any input that stays coax; the highest first, as inputs turn.
 */
export function leadsAhead(progress: Progress, joined: readonly Mover[]): NightStep[] {
  const { standing, byId, recorderOf, ipInputs } = progress;
  return [...recorderOf.values()].flatMap((recorder): NightStep[] => {
    const causing = joined.find(({ to }) => to.recorderId === recorder.id);
    if (!causing || alike(ipInputsAfter(progress, recorder), ipInputs.get(recorder.id)!)) return [];
    const { conversion } = familyOf(recorder);
    const turning = [...familyOf(recorder).ipInputs(recorder, finalOccupants(progress, recorder.id))];
    const inTheWay = [...standing]
      .filter(
        ([, { need, at }]) =>
          at.recorderId === recorder.id && need.signal.kind === 'coax' && turning.includes(at.slot),
      )
      .sort(([, a], [, b]) => b.at.slot - a.at.slot);
    const isFree = (to: SlotAddress): boolean =>
      !(to.recorderId === recorder.id && turning.includes(to.slot)) &&
      ![...standing.values()].some(({ at }) => isAt(at, to));
    const steps: NightStep[] = [];
    for (const [id, { need, at }] of inTheWay) {
      const other = byId.get(id)!;
      const to = roomFor(progress, other, recorder, isFree, true);
      if (!to && conversion === 'in-order') break;
      if (!to) continue;
      steps.push({
        kind: 'repatch',
        cameraId: id,
        number: need.number,
        from: at,
        to,
        temporary: !isAt(to, other.to),
        makesWayFor: causing.need.number,
      });
      standing.set(id, { need, at: to });
    }
    return steps;
  });
}
