import { numbersFrom } from '#core/shared/numeric';
import { familyOf, type Occupant, type SlotNeed } from '#core/model/slotRules';
import type { Recorder } from '#core/model/site';
import { changeCost, ipInputsToday, type ChangeCost } from './changeCost';
import { recorderState } from './recorderState';
import type { SlotAddress } from './slotRequest';

/** A camera with where its picture comes in today and where it comes in at the end. */
export interface Mover {
  need: SlotNeed;
  today: { at: SlotAddress; format: string } | null;
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
  | { kind: 'turn'; recorderId: string; cost: ChangeCost }
  | { kind: 'join'; cameraId: string; number: number; from: SlotAddress | null; to: SlotAddress };

export interface Night {
  steps: NightStep[];
  /** Who is where in the morning, by recorder. */
  occupied: Record<string, Occupant[]>;
  /** What is against it then. */
  broken: string[];
}

export interface Migration {
  nights: Night[];
  /** Cameras that should not wait but have to, or that no order brings to their slot, and for what. */
  waiting: { cameraId: string; number: number; why: string }[];
  restarts: number;
}

const same = (a: SlotAddress, b: SlotAddress): boolean => a.recorderId === b.recorderId && a.slot === b.slot;

interface Standing {
  need: SlotNeed;
  at: SlotAddress;
}

/** Today's picture of a camera that will send another. */
const asToday = ({ need, today }: Mover): SlotNeed => ({
  ...need,
  portWatts: 0,
  signal: { kind: 'coax', format: today!.format },
});

/** Whether a camera's picture changes: from then on it is another camera to its recorder. */
const changes = ({ need, today }: Mover): boolean =>
  !today || need.signal.kind === 'ip' || need.signal.format !== today.format;

/** Whether a slot may carry IP only once the recorder has changed: an input, or any slot of one that goes by presets. */
const onInput = (recorder: Recorder, { need, to }: Mover): boolean =>
  need.signal.kind === 'ip' && (to.slot <= recorder.inputs || familyOf(recorder).conversion === 'whole');

/** The inputs that turn together with one, by the recorder's rules: those from it to the last, or itself alone, or a whole preset. */
function turnsWith(recorder: Recorder, finalOccupants: readonly Occupant[], slot: number): number[] {
  const { conversion, ipInputs } = familyOf(recorder);
  switch (conversion) {
    case 'in-order':
      return numbersFrom(slot, recorder.inputs);
    case 'whole':
      return [...ipInputs(recorder, finalOccupants)];
    case 'each':
    case 'none':
      return [slot];
  }
}

/**
 * The order in which cameras can move so that every morning leaves a legal recorder. Those that need no input turned go
 * first, from the highest input down, since they free what has to turn; those on turned inputs go last and together, so
 * that a recorder restarts seldom. A camera that must not wait goes first: what is in its way is
 * patched to a lower input, for good where that is its place at the end, for now where it is not.
 */
export function migrationOf(
  recorders: readonly Recorder[],
  movers: readonly Mover[],
  { perNight, first }: { perNight: number; first: readonly string[] },
): Migration {
  const recorderOf = new Map(recorders.map((recorder) => [recorder.id, recorder]));
  const byId = new Map(movers.map((mover) => [mover.need.cameraId, mover]));
  const standing = new Map<string, Standing>(
    movers.flatMap((mover) =>
      mover.today ? [[mover.need.cameraId, { need: asToday(mover), at: mover.today.at }]] : [],
    ),
  );
  const atTheEnd = (recorderId: string): Occupant[] =>
    movers
      .filter(({ to }) => to.recorderId === recorderId)
      .map(({ need, to }) => ({ need, slot: to.slot, placed: true }));
  const occupiedBy = (recorderId: string): Occupant[] =>
    [...standing.values()]
      .filter(({ at }) => at.recorderId === recorderId)
      .map(({ need, at }) => ({ need, slot: at.slot, placed: true }));
  const ipInputs = new Map(recorders.map((recorder) => [recorder.id, ipInputsToday(recorder)]));
  const turning = (mover: Mover): boolean => onInput(recorderOf.get(mover.to.recorderId)!, mover);
  const urgent = new Set(first);
  const done = new Set(movers.filter((mover) => !changes(mover)).map(({ need }) => need.cameraId));
  const fromTop = (a: Mover, b: Mover) =>
    (b.today?.at.slot ?? 0) - (a.today?.at.slot ?? 0) || a.need.number - b.need.number;
  const ordered = [...movers]
    .filter(({ need }) => !done.has(need.cameraId))
    .sort(
      (a, b) =>
        Number(urgent.has(b.need.cameraId)) - Number(urgent.has(a.need.cameraId)) ||
        Number(turning(a)) - Number(turning(b)) ||
        (turning(a)
          ? a.to.recorderId.localeCompare(b.to.recorderId) || b.to.slot - a.to.slot
          : fromTop(a, b)),
    );

  const nights: Night[] = [];
  const waiting = new Map<string, string>();

  /** What one camera's move takes: others that come along, and leads that make way. Why not, where it cannot be done yet. */
  function group(
    mover: Mover,
    along: ReadonlySet<string>,
    room: number,
  ): { movers: Mover[]; repatches: { id: string; to: SlotAddress; temporary: boolean }[] } | { why: string } {
    const recorder = recorderOf.get(mover.to.recorderId)!;
    const movingNow: Mover[] = [mover];
    const repatches: { id: string; to: SlotAddress; temporary: boolean }[] = [];
    const going = new Set([...along, mover.need.cameraId]);
    const mustBeFree = turning(mover)
      ? turnsWith(recorder, atTheEnd(recorder.id), mover.to.slot)
      : [mover.to.slot];
    const inTheWay = [...standing].filter(
      ([id, { need, at }]) =>
        !going.has(id) &&
        at.recorderId === recorder.id &&
        (same(at, mover.to) || (need.signal.kind === 'coax' && mustBeFree.includes(at.slot))),
    );
    const isFree = (to: SlotAddress) =>
      ![...standing].some(([id, { at }]) => !going.has(id) && same(at, to)) &&
      !repatches.some((one) => same(one.to, to)) &&
      !movingNow.some((one) => same(one.to, to));
    for (const [id] of inTheWay) {
      const other = byId.get(id)!;
      if (going.has(id)) continue;
      if (!done.has(id) && movingNow.length < room && !urgent.has(mover.need.cameraId)) {
        const more = group(other, going, room - movingNow.length);
        if ('why' in more) return more;
        movingNow.push(...more.movers);
        repatches.push(...more.repatches);
        for (const { need } of more.movers) going.add(need.cameraId);
        continue;
      }
      const own =
        other.need.signal.kind === 'coax' && !mustBeFree.includes(other.to.slot) && isFree(other.to)
          ? other.to
          : undefined;
      const spare = Array.from({ length: recorder.inputs }, (_, k) => ({
        recorderId: recorder.id,
        slot: k + 1,
      })).find(
        (to) => !mustBeFree.includes(to.slot) && !ipInputs.get(recorder.id)!.has(to.slot) && isFree(to),
      );
      const to = own ?? (done.has(id) || urgent.has(mover.need.cameraId) ? spare : undefined);
      if (!to)
        return {
          why: `camera ${other.need.number} is on ${recorder.name} ${standing.get(id)!.at.slot}, and no input is free for its lead`,
        };
      repatches.push({ id, to, temporary: !same(to, other.to) });
    }
    return { movers: movingNow, repatches };
  }

  /** Leads whose inputs at the end are free, or held only by leads that go as well: those are pulled together and plugged anew. */
  function leadsThatCanGo(): Mover[] {
    let going = movers.filter(
      ({ need, to }) =>
        done.has(need.cameraId) &&
        need.signal.kind === 'coax' &&
        standing.has(need.cameraId) &&
        !same(standing.get(need.cameraId)!.at, to),
    );
    for (;;) {
      const ids = new Set(going.map(({ need }) => need.cameraId));
      const can = going.filter(
        ({ to }) => ![...standing].some(([id, { at }]) => !ids.has(id) && same(at, to)),
      );
      if (can.length === going.length) return can;
      going = can;
    }
  }

  while (done.size < movers.length || [...standing].some(([id, { at }]) => !same(at, byId.get(id)!.to))) {
    const tonight: Mover[] = [];
    const steps: NightStep[] = [];
    const turningLeft = ordered.filter((one) => !done.has(one.need.cameraId) && turning(one)).length;
    for (let progress = true; progress && tonight.length < perNight;) {
      progress = false;
      for (const mover of ordered) {
        const id = mover.need.cameraId;
        if (done.has(id) || tonight.length >= perNight) continue;
        const left = perNight - tonight.length;
        // A night that is begun with others is filled with turning ones only where that makes no restart more.
        if (
          turning(mover) &&
          !urgent.has(id) &&
          tonight.length > 0 &&
          tonight.every((one) => !turning(one)) &&
          1 + Math.ceil((turningLeft - left) / perNight) > Math.ceil(turningLeft / perNight)
        )
          continue;
        const found = group(mover, new Set(), left);
        if ('why' in found) {
          if (urgent.has(id) && nights.length === 0) waiting.set(id, found.why);
          continue;
        }
        for (const { id: other, to, temporary: forNow } of found.repatches) {
          const stood = standing.get(other)!;
          steps.push({
            kind: 'repatch',
            cameraId: other,
            number: stood.need.number,
            from: stood.at,
            to,
            temporary: forNow,
            makesWayFor: mover.need.number,
          });
          standing.set(other, { need: stood.need, at: to });
        }
        for (const one of found.movers) {
          steps.push({
            kind: 'join',
            cameraId: one.need.cameraId,
            number: one.need.number,
            from: standing.get(one.need.cameraId)?.at ?? null,
            to: one.to,
          });
          standing.set(one.need.cameraId, { need: one.need, at: one.to });
          done.add(one.need.cameraId);
          tonight.push(one);
        }
        progress = true;
      }
    }
    const leads = leadsThatCanGo();
    for (const { need, to } of leads)
      steps.push({
        kind: 'repatch',
        cameraId: need.cameraId,
        number: need.number,
        from: standing.get(need.cameraId)!.at,
        to,
        temporary: false,
        makesWayFor: null,
      });
    for (const { need, to } of leads) standing.set(need.cameraId, { need, at: to });
    if (steps.length === 0) break;
    const changed: NightStep[] = recorders.flatMap((recorder): NightStep[] => {
      const before = ipInputs.get(recorder.id)!;
      const needed = familyOf(recorder).ipInputs(recorder, occupiedBy(recorder.id));
      // What is turned stays turned until the end; going back would be one restart more.
      const after =
        familyOf(recorder).conversion === 'each'
          ? new Set(
              [...before]
                .filter(
                  (input) =>
                    !occupiedBy(recorder.id).some(
                      ({ need, slot }) => slot === input && need.signal.kind === 'coax',
                    ),
                )
                .concat([...needed]),
            )
          : needed;
      const cost = changeCost(recorder, before, after);
      ipInputs.set(recorder.id, after);
      return cost ? [{ kind: 'turn', recorderId: recorder.id, cost }] : [];
    });
    const occupied = Object.fromEntries(recorders.map(({ id }) => [id, occupiedBy(id)]));
    const inOrder: NightStep[] = [
      ...steps.filter((step) => step.kind === 'repatch' && step.makesWayFor !== null),
      ...changed,
      ...steps.filter(({ kind }) => kind === 'join'),
      ...steps.filter((step) => step.kind === 'repatch' && step.makesWayFor === null),
    ];
    nights.push({
      steps: inOrder,
      occupied,
      broken: recorders.flatMap((recorder) =>
        recorderState(recorder, occupied[recorder.id]!).broken.map(({ why }) => why),
      ),
    });
  }
  for (const {
    need: { cameraId },
  } of ordered)
    if (!done.has(cameraId) && !waiting.has(cameraId))
      waiting.set(cameraId, 'the cameras in its way have no input to go to meanwhile');
  return {
    nights,
    restarts: nights.reduce(
      (sum, { steps }) =>
        sum + steps.filter((step) => step.kind === 'turn' && step.cost.restartMinutes > 0).length,
      0,
    ),
    waiting: [...waiting].map(([cameraId, why]) => ({
      cameraId,
      number: byId.get(cameraId)!.need.number,
      why,
    })),
  };
}
