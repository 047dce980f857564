import type { Recorder } from '#core/model/site';
import { changeCost } from './changeCost';
import {
  toComeBefore,
  inOrder,
  ipInputsAfter,
  isFinished,
  occupiedBy,
  startOf,
  type Progress,
} from './moveProgress';
import { leadsAhead, movesTonight } from './nightByMakingWay';
import { nightByRoom } from './nightByRoom';
import {
  afterAnother,
  type Migration,
  type MoveWishes,
  type Mover,
  type Night,
  type NightStep,
} from './nightSteps';
import { recorderState } from './recorderState';
import { oneToASlot } from './sameSlot';
import { isAt, type SlotAddress } from './slotRequest';

/** How a night is filled: by what each camera asks to make way, that or all that will be turned, or by what the recorders can carry. */
type NightWay = 'tonight' | 'ahead' | 'room';
const nightWays: readonly NightWay[] = ['tonight', 'ahead', 'room'];

function stepsTonight(progress: Progress, ordered: readonly Mover[], way: NightWay): NightStep[] {
  if (way === 'room') return nightByRoom(progress, ordered);
  const { steps, joined } = movesTonight(progress, ordered);
  return way === 'ahead' ? [...steps, ...leadsAhead(progress, joined)] : steps;
}

/** Leads whose inputs at the end are free, or held only by leads that go as well: those are pulled together and plugged anew. */
function leadsThatCanGo({ movers, done, standing }: Progress, mayGo: (mover: Mover) => boolean): Mover[] {
  let going = movers.filter(
    (mover) =>
      done.has(mover.need.cameraId) &&
      mover.need.signal.kind === 'coax' &&
      standing.has(mover.need.cameraId) &&
      !isAt(standing.get(mover.need.cameraId)!.at, mover.to) &&
      mayGo(mover),
  );
  for (;;) {
    const ids = new Set(going.map(({ need }) => need.cameraId));
    const can = going.filter(({ to }) => ![...standing].some(([id, { at }]) => !ids.has(id) && isAt(at, to)));
    if (can.length === going.length) return can;
    going = can;
  }
}

/** Whether an input will be IP in the morning, as those who stand on its recorder ask for. */
const willBeIp = (progress: Progress, { recorderId, slot }: SlotAddress): boolean =>
  ipInputsAfter(progress, progress.recorderOf.get(recorderId)!).has(slot);

/** Leads that can be plugged where they belong. They go together: one may leave what another comes to. */
function leadsHome(progress: Progress, way: NightWay): NightStep[] {
  const { standing, done, movers } = progress;
  const isOver = done.size === movers.length;
  // Going home to an input that is IP meanwhile would turn it back for it.
  const leads = leadsThatCanGo(progress, ({ to }) => way !== 'room' || isOver || !willBeIp(progress, to));
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
      ...steps.filter(({ kind }) => kind === 'join' || kind === 'rejoin'),
      ...steps.filter((step) => step.kind === 'repatch' && step.makesWayFor === null),
    ],
    occupied,
    ipInputs: Object.fromEntries(
      recorders.map(({ id }) => [id, [...progress.ipInputs.get(id)!].sort((a, b) => a - b)]),
    ),
    broken: recorders.flatMap((recorder) =>
      recorderState(recorder, occupied[recorder.id]!).broken.map(({ why }) => why),
    ),
  };
}

const restartsIn = ({ steps }: Night): number =>
  steps.filter((step) => step.kind === 'turn' && step.cost.restartMinutes > 0).length;

/** The order of moves with its nights filled in one way. */
function orderOf(
  recorders: readonly Recorder[],
  movers: readonly Mover[],
  wishes: MoveWishes,
  way: NightWay,
): Migration {
  const progress = startOf(recorders, movers, wishes);
  const { nights, waiting, done, byId } = progress;
  const ordered = inOrder(progress);
  while (!isFinished(progress)) {
    const steps = stepsTonight(progress, ordered, way);
    const all = [...steps, ...leadsHome(progress, way)];
    if (all.length === 0) break;
    nights.push(nightOf(progress, all));
  }
  for (const mover of ordered) {
    const { cameraId } = mover.need;
    if (done.has(cameraId) || waiting.has(cameraId)) continue;
    const [first] = toComeBefore(progress, mover);
    const why = first
      ? afterAnother(first.need.number)
      : 'the cameras in its way have no input to go to meanwhile';
    waiting.set(cameraId, why);
  }
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

/** What makes one order better than another, what weighs most first: nobody waits, every morning is legal, few restarts, few nights, few leads moved twice. */
const figuresOf = ({ waiting, nights, restarts }: Migration): number[] => [
  waiting.length,
  nights.reduce((sum, { broken }) => sum + broken.length, 0),
  restarts,
  nights.length,
  nights.flatMap(({ steps }) => steps).filter((step) => step.kind === 'repatch' && step.temporary).length,
];

const isBetter = (a: Migration, b: Migration): boolean => {
  const [ours, theirs] = [figuresOf(a), figuresOf(b)];
  const at = ours.findIndex((figure, index) => figure !== theirs[index]);
  return at >= 0 && ours[at]! < theirs[at]!;
};

/**
 * The order in which cameras can move so that every morning leaves a legal recorder. Those that need no input turned go
 * first, from the highest input down, since they free what has to turn; those on turned inputs go last and together, so
 * that a recorder restarts seldom. A camera that must not wait goes first: what is in its way is
 * patched to a lower input, for good where that is its place at the end, for now where it is not. Where a recorder restarts it turns
 * ahead what others will need, if the leads there have somewhere to go.
 */
export function migrationOf(
  recorders: readonly Recorder[],
  movers: readonly Mover[],
  wishes: MoveWishes,
): Migration {
  const { movers: going, waiting } = oneToASlot(movers, wishes.after);
  const best = nightWays
    .map((way) => orderOf(recorders, going, wishes, way))
    .reduce((so, one) => (isBetter(one, so) ? one : so));
  return { ...best, waiting: [...waiting, ...best.waiting] };
}
