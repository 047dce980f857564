import { familyOf, type Occupant } from '#core/model/slotRules';
import type { Recorder } from '#core/model/site';
import { numbersFrom } from '#core/shared/numeric';
import {
  comingStep,
  finalOccupants,
  ipInputsAfter,
  isTurning,
  waitsForItsNight,
  type Progress,
} from './moveProgress';
import type { Mover, NightStep } from './nightSteps';
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

/** What a camera's move takes: others that come along, and leads that make way. Why not, where it cannot be done yet. */
type Move = { movers: Mover[]; repatches: Repatch[] } | { why: string };

/** An input for a lead that makes way: its own at the end where that is free already, else any that is, where it may move twice. */
function roomFor(
  progress: Progress,
  other: Mover,
  recorder: Recorder,
  mustBeFree: readonly number[],
  isFree: (to: SlotAddress) => boolean,
  mayMoveTwice: boolean,
): SlotAddress | undefined {
  if (other.need.signal.kind === 'coax' && !mustBeFree.includes(other.to.slot) && isFree(other.to))
    return other.to;
  if (!mayMoveTwice) return undefined;
  const ipInputs = progress.ipInputs.get(recorder.id)!;
  return numbersFrom(1, recorder.inputs)
    .map((slot) => ({ recorderId: recorder.id, slot }))
    .find((to) => !mustBeFree.includes(to.slot) && !ipInputs.has(to.slot) && isFree(to));
}

function moveOf(progress: Progress, mover: Mover, along: ReadonlySet<string>, room: number): Move {
  const { recorderOf, byId, standing, done, urgent } = progress;
  const recorder = recorderOf.get(mover.to.recorderId)!;
  const isUrgent = urgent.has(mover.need.cameraId);
  const movers: Mover[] = [mover];
  const repatches: Repatch[] = [];
  const going = new Set([...along, mover.need.cameraId]);
  const mustBeFree = isTurning(progress, mover)
    ? turnsWith(recorder, finalOccupants(progress, recorder.id), mover.to.slot)
    : [mover.to.slot];
  const isFree = (to: SlotAddress): boolean =>
    ![...standing].some(([id, { at }]) => !going.has(id) && isAt(at, to)) &&
    ![...repatches, ...movers].some((one) => isAt(one.to, to));
  const inTheWay = [...standing].filter(
    ([id, { need, at }]) =>
      !going.has(id) &&
      at.recorderId === recorder.id &&
      (isAt(at, mover.to) || (need.signal.kind === 'coax' && mustBeFree.includes(at.slot))),
  );
  for (const [id] of inTheWay) {
    if (going.has(id)) continue;
    const other = byId.get(id)!;
    if (!done.has(id) && movers.length < room && !isUrgent) {
      const more = moveOf(progress, other, going, room - movers.length);
      if ('why' in more) return more;
      movers.push(...more.movers);
      repatches.push(...more.repatches);
      for (const { need } of more.movers) going.add(need.cameraId);
      continue;
    }
    const { need: standingNeed } = standing.get(id)!;
    // Only a lead can wait on any input: what is on the network already goes when it can go to its own slot.
    if (standingNeed.signal.kind === 'ip')
      return {
        why: `camera ${standingNeed.number} is on ${recorder.name} ${standing.get(id)!.at.slot} until its own slot is free`,
      };
    const to = roomFor(progress, other, recorder, mustBeFree, isFree, done.has(id) || isUrgent);
    if (!to)
      return {
        why: `camera ${other.need.number} is on ${recorder.name} ${standing.get(id)!.at.slot}, and no input is free for its lead`,
      };
    repatches.push({ id, to, temporary: !isAt(to, other.to) });
  }
  return { movers, repatches };
}

/** Does a move: leads make way, and the cameras come in where they belong. */
function carryOut(
  { standing, done }: Progress,
  mover: Mover,
  { movers, repatches }: Exclude<Move, { why: string }>,
): NightStep[] {
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
      const move = moveOf(progress, mover, new Set(), perNight - tonight.length);
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
    const isFree = (to: SlotAddress): boolean => ![...standing.values()].some(({ at }) => isAt(at, to));
    const steps: NightStep[] = [];
    for (const [id, { need, at }] of inTheWay) {
      const other = byId.get(id)!;
      const to = roomFor(progress, other, recorder, turning, isFree, true);
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
