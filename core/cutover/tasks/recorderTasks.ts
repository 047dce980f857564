import type { Migration, NightStep, SlotAddress } from '#core/allocate/recorder';
import type { Recorder, Site } from '#core/model/site';
import { catalogueOf } from '#core/model/catalogue';
import { recorderBuiltBefore } from './recorderBuilds';
import { listed } from '#core/shared/labels';
import { taskIdOf, taskOf, workOf, type Task } from './task';
import { taskKind } from './taskKinds';

/** A recorder that is not back within twice its usual time is put back as it was. */
const patience = 2;
/** A lead that is moved leaves its view dark for so long. */
const darkAtPatch = 5;

/** The old camera cannot simply come back onto an input that is IP by then. */
const turnedUnder =
  'Its input turns to IP under it. Put back, the old camera stays dark until the recorder has its saved settings back too.';

/** A step of the order of moves, with its task and its night there. */
interface Step {
  task: string;
  cameraId: string;
  night: number;
  /** A lead or a stream that moves, not a camera that is changed. */
  isMove: boolean;
  from: SlotAddress | null;
  to: SlotAddress | null;
}

/** Whether a step moves a lead or a stream: a task by itself, and no part of a camera's own change. */
const isMove = (step: NightStep): step is Extract<NightStep, { kind: 'repatch' | 'rejoin' }> =>
  step.kind === 'repatch' || step.kind === 'rejoin';

const placesOf = ({ nights }: Pick<Migration, 'nights'>): Step[] =>
  nights.flatMap(({ steps }, night) =>
    steps.flatMap((step): Step[] =>
      step.kind === 'turn'
        ? []
        : [
            {
              task: stepTaskOf(step, night),
              cameraId: step.cameraId,
              night,
              isMove: isMove(step),
              from: step.from,
              to: 'to' in step ? step.to : null,
            },
          ],
    ),
  );

interface OrderedSwap {
  needs: string[];
  sameNight: string | null;
  cautions: string[];
}

/** What has to be done before what else, as the order of moves has it. */
export interface RecorderTasks {
  tasks: Task[];
  /** Needs of a camera's own change, and what has to be in its night. */
  ofSwap: ReadonlyMap<string, OrderedSwap>;
}

const isSame = (a: SlotAddress | null, b: SlotAddress | null): boolean =>
  a !== null && b !== null && a.recorderId === b.recorderId && a.slot === b.slot;

/** Cameras that a recorder shows today: all of them are dark while it restarts. */
const shownBy = ({ run, networkCamera, placement }: Site, recorderId: string): string[] => [
  ...new Set([
    ...Object.values(run).flatMap(({ cameraId, patchedTo }) =>
      patchedTo?.recorderId === recorderId ? [cameraId] : [],
    ),
    ...Object.values(networkCamera).flatMap(({ id, recordedAt }) =>
      recordedAt?.recorderId === recorderId ? [id] : [],
    ),
    ...Object.values(placement).flatMap((one) => (one.recorderId === recorderId ? [one.id] : [])),
  ]),
];

function turnTask(site: Site, recorder: Recorder, night: number, restartMinutes: number): Task {
  const catalogue = catalogueOf(site);
  const { minutes, rollBackMinutes } = workOf(catalogue, 'recorder-change');
  return taskOf(catalogue, {
    id: taskIdOf('recorder-change', recorder.id, String(night + 1)),
    kind: 'recorder-change',
    of: recorder.name,
    place: recorder.placeId,
    recorderId: recorder.id,
    likelyMinutes: minutes + restartMinutes,
    rollBackMinutes: rollBackMinutes + patience * restartMinutes,
    restarts: restartMinutes > 0 ? recorder.id : null,
    dark:
      restartMinutes > 0 ? shownBy(site, recorder.id).map((view) => ({ view, minutes: restartMinutes })) : [],
  });
}

/** The task that a step of the order of moves is a part of, in the night of that order that it stands in. */
export const stepTaskOf = (step: NightStep, night: number): string => {
  switch (step.kind) {
    case 'turn':
      return taskIdOf('recorder-change', step.recorderId, String(night + 1));
    case 'repatch':
      // A lead that makes way can move on in the same night.
      return taskIdOf(
        'patch',
        step.cameraId,
        String(night + 1),
        ...(step.temporary ? ['aside', String(step.to.slot)] : []),
      );
    case 'rejoin':
      return taskIdOf('rejoin', step.cameraId, String(night + 1));
    case 'join':
    case 'unplug':
      return swapOf(step.cameraId);
  }
};

/** Where the task of a step is done: a camera’s own change is the swap, whatever else is in its night. */
const swapOf = (cameraId: string): string => taskIdOf('swap', cameraId);

/**
 * Leads that move, recorders that turn inputs, and what each of them and each camera has to wait for. The order of moves is taken as the way
 * that is known to leave every recorder legal: what turns waits until its inputs are left, what comes to an input waits until it is turned
 * and whoever had it has gone; a camera whose own input turns under it is changed in that very night.
 */
export function recorderTasks(site: Site, migration: Migration): RecorderTasks {
  const { nights } = migration;
  const tasks: Task[] = [];
  const ofSwap = new Map<string, OrderedSwap>();
  const moves = placesOf(migration);
  const turns: { id: string; recorderId: string; inputs: ReadonlySet<number> }[] = [];

  /** The change of inputs of a night that a slot is turned by. */
  const turnIn = (night: number, at: SlotAddress | null): string | null => {
    const turn = nights[night]!.steps.find(
      (step) =>
        step.kind === 'turn' &&
        step.recorderId === at?.recorderId &&
        [...step.cost.toIp, ...step.cost.toCoax].includes(at.slot),
    );
    return turn ? stepTaskOf(turn, night) : null;
  };
  /** Leaves its slot to a lead in the night in which its own new slot is turned: both are of that night, and neither can wait for the other. */
  const leavesInTurn = (one: Step): boolean =>
    !one.isMove &&
    turnIn(one.night, one.to) !== null &&
    moves.some((other) => other.isMove && other.night === one.night && isSame(other.to, one.from));
  /** Others who leave by then the slot that a step comes to. */
  const leavers = ({ to, cameraId, night }: Step): Step[] =>
    moves.filter((one) => isSame(one.from, to) && one.cameraId !== cameraId && one.night <= night);
  const inTurnOf = (self: Step): Step[] =>
    leavers(self).filter((one) => one.night === self.night && leavesInTurn(one));
  /** Two that exchange their slots in one night cannot wait for each other. */
  const exchanges = (one: Step, { night, from }: Step): boolean =>
    one.night === night && isSame(one.to, from);
  /** The change of inputs that has to be in the night of a step: its own input turns under it, or it comes where another leaves in the turn. */
  const turnOf = (self: Step): string | null => {
    const { night, from, to } = self;
    if (!self.isMove) return turnIn(night, from) ?? (leavesInTurn(self) ? turnIn(night, to) : null);
    const [first] = inTurnOf(self);
    return first ? turnIn(night, first.to) : null;
  };
  /**
   * Those of a night that exchange their inputs with this one, two or more in a ring, in their order; none where an input among them turns,
   * which orders them. Nobody in a ring can wait for who is in his way: the first unplugs the next.
   */
  const ringOf = (self: Step): Step[] => {
    const round = (ring: readonly Step[]): readonly Step[] | null => {
      const { to } = ring.at(-1)!;
      if (turnIn(self.night, to) !== null) return null;
      for (const next of moves.filter((one) => one.night === self.night && isSame(one.from, to))) {
        if (next.task === self.task && ring.length > 1) return ring;
        const found = ring.some(({ task }) => task === next.task) ? null : round([...ring, next]);
        if (found) return found;
      }
      return null;
    };
    const tasksOfRing = new Set(round([self])?.map(({ task }) => task));
    return moves.filter(({ task }) => tasksOfRing.has(task));
  };
  const numbersOf = (ring: readonly Step[]): number[] =>
    [...new Set(ring.map(({ cameraId }) => site.camera[cameraId]!.number))].sort((a, b) => a - b);
  const turnedFor = (to: SlotAddress | null): string[] =>
    turns
      .filter(({ recorderId, inputs }) => to?.recorderId === recorderId && inputs.has(to.slot))
      .map(({ id }) => id);

  const lastMoves = new Map<string, string>();
  /** The move before of the same lead: it comes from where that left it. */
  const movedBefore = (cameraId: string, id: string): string[] => {
    const before = lastMoves.get(cameraId);
    lastMoves.set(cameraId, id);
    return before === undefined || before === id ? [] : [before];
  };

  nights.forEach(({ steps }, night) => {
    for (const step of steps) {
      if (step.kind === 'turn') {
        const recorder = site.recorder[step.recorderId]!;
        const inputs = new Set([...step.cost.toIp, ...step.cost.toCoax]);
        const task = turnTask(site, recorder, night, step.cost.restartMinutes);
        // Whoever has an input that turns leaves it before; or in the same night, if his lead comes to another one.
        const freed = moves.filter(
          (one) =>
            one.from?.recorderId === recorder.id &&
            inputs.has(one.from.slot) &&
            (one.night < night || (one.night === night && one.isMove)),
        );
        const previous = turns.filter(({ recorderId }) => recorderId === recorder.id).map(({ id }) => id);
        const built = recorderBuiltBefore(site, recorder.id);
        tasks.push({
          ...task,
          needs: [...new Set([...built, ...freed.map((one) => one.task), ...previous])],
        });
        turns.push({ id: task.id, recorderId: recorder.id, inputs });
      } else placeStep(step, night);
    }
  });
  return { tasks, ofSwap };

  function placeStep(step: Exclude<NightStep, { kind: 'turn' }>, night: number): void {
    const { cameraId, from } = step;
    const to = 'to' in step ? step.to : null;
    const id = stepTaskOf(step, night);
    const self: Step = { task: id, cameraId, night, isMove: isMove(step), from, to };
    const ring = ringOf(self);
    // Where one of a ring is held to a turn, all are; else to the first of them.
    const turn = turnOf(self);
    const first = ring[0] && ring[0].task !== id ? ring[0].task : null;
    const sameNight = turn ?? ring.map(turnOf).find((one) => one !== null) ?? first;
    const exchange =
      ring.length > 0
        ? [
            `Inputs are exchanged in this night, of cameras ${listed(numbersOf(ring))}: each is dark from when another comes to its input until its own lead is plugged in.`,
          ]
        : [];
    const before = leavers(self).filter(
      (one) => !exchanges(one, self) && !ring.some(({ task }) => task === one.task),
    );
    const inTurn = inTurnOf(self);
    const waits = before.filter((one) => !inTurn.includes(one)).map(({ task }) => task);
    const built = to ? recorderBuiltBefore(site, to.recorderId) : [];
    const needs = [
      ...new Set([
        ...built,
        ...waits,
        ...turnedFor(to),
        ...movedBefore(cameraId, id),
        ...(first === null ? [] : [first]),
      ]),
    ];
    if (isMove(step)) {
      const camera = site.camera[cameraId]!;
      const recorder = site.recorder[step.to.recorderId]!;
      const kind = step.kind === 'repatch' ? 'patch' : step.kind;
      tasks.push(
        taskOf(catalogueOf(site), {
          id,
          kind,
          of: `${camera.number} ${camera.name}`,
          cameraId,
          recorderId: recorder.id,
          place: recorder.placeId,
          dark: [{ view: cameraId, minutes: darkAtPatch }],
          needs,
          sameNight,
          cautions: [...taskKind(kind).cautions, ...exchange],
        }),
      );
      return;
    }
    // Its own input turns under it: it stays dark until it is changed.
    ofSwap.set(cameraId, {
      needs: [...new Set([...needs, ...(turn === null ? [] : [turn])])],
      sameNight,
      cautions: [...(turn === null ? [] : [turnedUnder]), ...exchange],
    });
  }
}
