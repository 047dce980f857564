import type { Occupant } from '#core/model/slotRules';
import {
  toComeBefore,
  comingStep,
  finalOccupants,
  isTurning,
  waitsForItsNight,
  type Progress,
} from './moveProgress';
import { inputsForLeads, type NightDemand } from './nightLayout';
import { afterAnother, type Mover, type NightStep } from './nightSteps';
import { isAt } from './slotRequest';

/** What a recorder would have to carry after a night in which these cameras come in. */
function demandAfter({ standing }: Progress, recorderId: string, tonight: readonly Mover[]): NightDemand {
  const coming = new Set(tonight.map(({ need }) => need.cameraId));
  const fixed = tonight
    .filter(({ to }) => to.recorderId === recorderId)
    .map(({ need, to }): Occupant => ({ need, slot: to.slot, placed: true }));
  let leads = 0;
  for (const [id, { need, at }] of standing) {
    if (at.recorderId !== recorderId || coming.has(id)) continue;
    if (need.signal.kind === 'ip') fixed.push({ need, slot: at.slot, placed: true });
    else leads += 1;
  }
  return { fixed, leads };
}

/** The recorders on which something changes in a night, with the inputs that leads have then; `null` where one cannot carry it. */
function roomTonight(progress: Progress, tonight: readonly Mover[]): Map<string, number[]> | null {
  const room = new Map<string, number[]>();
  for (const id of new Set(tonight.map(({ to }) => to.recorderId))) {
    const inputs = inputsForLeads(
      progress.recorderOf.get(id)!,
      demandAfter(progress, id, tonight),
      progress.ipInputs.get(id)!,
      finalOccupants(progress, id),
    );
    if (!inputs) return null;
    room.set(id, inputs);
  }
  return room;
}

/** As many cameras as a crew does in a night that the recorders can carry together, in order; where one cannot by itself, with another. */
function comingTonight(progress: Progress, ordered: readonly Mover[]): Mover[] {
  const { done, perNight } = progress;
  const waiting = ordered.filter(({ need }) => !done.has(need.cameraId));
  let tonight: Mover[] = [];
  const tryWith = (...wanted: readonly Mover[]): boolean => {
    const more = [...wanted.flatMap((one) => toComeBefore(progress, one)), ...wanted];
    const all = [...new Set([...tonight, ...more])];
    if (all.length > perNight || all.length === tonight.length || !roomTonight(progress, all)) return false;
    const turningLeft = waiting.filter((one) => isTurning(progress, one)).length;
    if (more.some((one) => waitsForItsNight(progress, one, tonight, turningLeft))) return false;
    tonight = all;
    return true;
  };
  const beside = ({ to }: Mover): Mover[] => waiting.filter((other) => other.to.recorderId === to.recorderId);
  for (const mover of waiting)
    if (tonight.length < perNight && !tonight.includes(mover) && !tryWith(mover))
      beside(mover).some((other) => other !== mover && tryWith(mover, other));
  return tonight;
}

/** Plugs leads anew so that those who come in find their slots: whoever may stay stays, the others go home or to the first input free. */
function plugAnew(progress: Progress, tonight: readonly Mover[]): NightStep[] {
  const { standing, byId } = progress;
  const coming = new Map(tonight.map((mover) => [mover.need.cameraId, mover]));
  const room = roomTonight(progress, tonight) ?? new Map<string, number[]>();
  return [...room].flatMap(([recorderId, inputs]): NightStep[] => {
    const leads = [...standing].filter(
      ([id, { need, at }]) => at.recorderId === recorderId && !coming.has(id) && need.signal.kind === 'coax',
    );
    const staying = leads.filter(([, { at }]) => inputs.includes(at.slot));
    const taken = new Set(staying.map(([, { at }]) => at.slot));
    const causing = tonight.find(({ to }) => to.recorderId === recorderId)!;
    return leads
      .filter((lead) => !staying.includes(lead))
      .map(([id, { need, at }]): NightStep => {
        const { to: home, need: asItWillBe } = byId.get(id)!;
        const isHomeFree =
          asItWillBe.signal.kind === 'coax' &&
          home.recorderId === recorderId &&
          inputs.includes(home.slot) &&
          !taken.has(home.slot);
        const slot = isHomeFree ? home.slot : inputs.find((one) => !taken.has(one))!;
        taken.add(slot);
        const to = { recorderId, slot };
        standing.set(id, { need, at: to });
        return {
          kind: 'repatch',
          cameraId: id,
          number: need.number,
          from: at,
          to,
          temporary: !isAt(to, home),
          makesWayFor: causing.need.number,
        };
      });
  });
}

/** A night by what the recorders can carry: leads are plugged anew as it takes. */
export function nightByRoom(progress: Progress, ordered: readonly Mover[]): NightStep[] {
  const { standing, done, urgent, waiting, nights } = progress;
  const tonight = comingTonight(progress, ordered);
  if (nights.length === 0)
    for (const mover of ordered) {
      const { cameraId } = mover.need;
      if (!urgent.has(cameraId) || tonight.includes(mover)) continue;
      const [first] = toComeBefore(progress, mover);
      const why = first ? afterAnother(first.need.number) : 'no input is free for the leads in its way';
      waiting.set(cameraId, why);
    }
  const leads = plugAnew(progress, tonight);
  const joins = tonight.map((mover): NightStep => {
    const { need, to } = mover;
    const from = standing.get(need.cameraId)?.at ?? null;
    standing.set(need.cameraId, { need, at: to });
    done.add(need.cameraId);
    return comingStep(mover, from);
  });
  return [...leads, ...joins];
}
