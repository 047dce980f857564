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

/** A lead that is plugged elsewhere so that another can have its input. */
interface Repatch {
  id: string;
  to: SlotAddress;
  temporary: boolean;
}

/** Who is where, and what has been done, as the nights go by. */
interface Progress {
  recorderOf: ReadonlyMap<string, Recorder>;
  movers: readonly Mover[];
  byId: ReadonlyMap<string, Mover>;
  urgent: ReadonlySet<string>;
  perNight: number;
  standing: Map<string, Standing>;
  /** The inputs of each recorder that are IP by now. */
  ipInputs: Map<string, ReadonlySet<number>>;
  done: Set<string>;
  waiting: Map<string, string>;
  nights: Night[];
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

function startOf(
  recorders: readonly Recorder[],
  movers: readonly Mover[],
  { perNight, first }: { perNight: number; first: readonly string[] },
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
    standing: new Map(standing),
    ipInputs: new Map(recorders.map((recorder) => [recorder.id, ipInputsToday(recorder)])),
    done: new Set(movers.filter((mover) => !changes(mover)).map(({ need }) => need.cameraId)),
    waiting: new Map(),
    nights: [],
  };
}

const finalOccupants = ({ movers }: Progress, recorderId: string): Occupant[] =>
  movers
    .filter(({ to }) => to.recorderId === recorderId)
    .map(({ need, to }) => ({ need, slot: to.slot, placed: true }));

const occupiedBy = ({ standing }: Progress, recorderId: string): Occupant[] =>
  [...standing.values()]
    .filter(({ at }) => at.recorderId === recorderId)
    .map(({ need, at }) => ({ need, slot: at.slot, placed: true }));

/** Whether a slot may carry IP only once the recorder has changed: an input, or any slot of one that goes by presets. */
function isTurning({ recorderOf }: Progress, { need, to }: Mover): boolean {
  const recorder = recorderOf.get(to.recorderId)!;
  return (
    need.signal.kind === 'ip' && (to.slot <= recorder.inputs || familyOf(recorder).conversion === 'whole')
  );
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

const fromTop = (a: Mover, b: Mover): number =>
  (b.today?.at.slot ?? 0) - (a.today?.at.slot ?? 0) || a.need.number - b.need.number;

/** Cameras that change, those that must not wait first, then those that turn no input from the highest down, then the others. */
function inOrder(progress: Progress): Mover[] {
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
    ![...standing].some(([id, { at }]) => !going.has(id) && same(at, to)) &&
    ![...repatches, ...movers].some((one) => same(one.to, to));
  const inTheWay = [...standing].filter(
    ([id, { need, at }]) =>
      !going.has(id) &&
      at.recorderId === recorder.id &&
      (same(at, mover.to) || (need.signal.kind === 'coax' && mustBeFree.includes(at.slot))),
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
    const to = roomFor(progress, other, recorder, mustBeFree, isFree, done.has(id) || isUrgent);
    if (!to)
      return {
        why: `camera ${other.need.number} is on ${recorder.name} ${standing.get(id)!.at.slot}, and no input is free for its lead`,
      };
    repatches.push({ id, to, temporary: !same(to, other.to) });
  }
  return { movers, repatches };
}

/** Leads whose inputs at the end are free, or held only by leads that go as well: those are pulled together and plugged anew. */
function leadsThatCanGo({ movers, done, standing }: Progress): Mover[] {
  let going = movers.filter(
    ({ need, to }) =>
      done.has(need.cameraId) &&
      need.signal.kind === 'coax' &&
      standing.has(need.cameraId) &&
      !same(standing.get(need.cameraId)!.at, to),
  );
  for (;;) {
    const ids = new Set(going.map(({ need }) => need.cameraId));
    const can = going.filter(({ to }) => ![...standing].some(([id, { at }]) => !ids.has(id) && same(at, to)));
    if (can.length === going.length) return can;
    going = can;
  }
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
  for (const { need, to } of movers) {
    const { cameraId, number } = need;
    steps.push({ kind: 'join', cameraId, number, from: standing.get(cameraId)?.at ?? null, to });
    standing.set(cameraId, { need, at: to });
    done.add(cameraId);
  }
  return steps;
}

/** Whether a camera that turns inputs is left for a night of its own: one begun with others is filled with it only where that makes no restart more. */
function waitsForItsNight(
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

/** The moves of one night, as many as a crew does, each where those before it have made room. */
function movesTonight(progress: Progress, ordered: readonly Mover[]): NightStep[] {
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
  return steps;
}

/** Leads that can be plugged where they belong. They go together: one may leave what another comes to. */
function leadsHome(progress: Progress): NightStep[] {
  const { standing } = progress;
  const leads = leadsThatCanGo(progress);
  const steps = leads.map(({ need: { cameraId, number }, to }): NightStep => ({
    kind: 'repatch',
    cameraId,
    number,
    from: standing.get(cameraId)!.at,
    to,
    temporary: false,
    makesWayFor: null,
  }));
  for (const { need, to } of leads) standing.set(need.cameraId, { need, at: to });
  return steps;
}

/** The inputs of a recorder that are IP after a night. What turned by itself stays turned until the end; going back would be one restart more. */
function ipInputsAfter(progress: Progress, recorder: Recorder): ReadonlySet<number> {
  const occupants = occupiedBy(progress, recorder.id);
  const { conversion, ipInputs } = familyOf(recorder);
  const needed = ipInputs(recorder, occupants);
  if (conversion !== 'each') return needed;
  const onCoax = new Set(occupants.filter(({ need }) => need.signal.kind === 'coax').map(({ slot }) => slot));
  return new Set(
    [...progress.ipInputs.get(recorder.id)!].filter((input) => !onCoax.has(input)).concat([...needed]),
  );
}

/** Recorders that change for the night's moves, and at what cost. */
function turnsTonight(progress: Progress): NightStep[] {
  return [...progress.recorderOf.values()].flatMap((recorder): NightStep[] => {
    const after = ipInputsAfter(progress, recorder);
    const cost = changeCost(recorder, progress.ipInputs.get(recorder.id)!, after);
    progress.ipInputs.set(recorder.id, after);
    return cost ? [{ kind: 'turn', recorderId: recorder.id, cost }] : [];
  });
}

/** A night from its steps, in the order they are done, with what is so in the morning. */
function nightOf(progress: Progress, steps: readonly NightStep[]): Night {
  const recorders = [...progress.recorderOf.values()];
  const turns = turnsTonight(progress);
  const occupied = Object.fromEntries(recorders.map(({ id }) => [id, occupiedBy(progress, id)]));
  return {
    steps: [
      ...steps.filter((step) => step.kind === 'repatch' && step.makesWayFor !== null),
      ...turns,
      ...steps.filter(({ kind }) => kind === 'join'),
      ...steps.filter((step) => step.kind === 'repatch' && step.makesWayFor === null),
    ],
    occupied,
    broken: recorders.flatMap((recorder) =>
      recorderState(recorder, occupied[recorder.id]!).broken.map(({ why }) => why),
    ),
  };
}

const isFinished = ({ done, movers, standing, byId }: Progress): boolean =>
  done.size === movers.length && [...standing].every(([id, { at }]) => same(at, byId.get(id)!.to));

const restartsIn = ({ steps }: Night): number =>
  steps.filter((step) => step.kind === 'turn' && step.cost.restartMinutes > 0).length;

/**
 * The order in which cameras can move so that every morning leaves a legal recorder. Those that need no input turned go
 * first, from the highest input down, since they free what has to turn; those on turned inputs go last and together, so
 * that a recorder restarts seldom. A camera that must not wait goes first: what is in its way is
 * patched to a lower input, for good where that is its place at the end, for now where it is not.
 */
export function migrationOf(
  recorders: readonly Recorder[],
  movers: readonly Mover[],
  wishes: { perNight: number; first: readonly string[] },
): Migration {
  const progress = startOf(recorders, movers, wishes);
  const { nights, waiting, done, byId } = progress;
  const ordered = inOrder(progress);
  while (!isFinished(progress)) {
    const steps = [...movesTonight(progress, ordered), ...leadsHome(progress)];
    if (steps.length === 0) break;
    nights.push(nightOf(progress, steps));
  }
  for (const { need } of ordered)
    if (!done.has(need.cameraId) && !waiting.has(need.cameraId))
      waiting.set(need.cameraId, 'the cameras in its way have no input to go to meanwhile');
  return {
    nights,
    restarts: nights.reduce((sum, night) => sum + restartsIn(night), 0),
    waiting: [...waiting].map(([cameraId, why]) => ({
      cameraId,
      number: byId.get(cameraId)!.need.number,
      why,
    })),
  };
}
