import type { Migration, NightStep, SlotAddress } from '#core/allocate/recorder';
import type { Recorder, Site } from '#core/model/site';
import { catalogueOf } from '#core/model/catalogue';
import { recorderBuiltBefore } from './recorderBuilds';
import { taskIdOf, taskOf, workOf, type Task } from './task';

/** A recorder that is not back within twice its usual time is put back as it was. */
const patience = 2;
/** A lead that is moved leaves its view dark for so long. */
const darkAtPatch = 5;

/** A step of the order of moves, with its task and its night there. */
interface Step {
  task: string;
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
              night,
              isMove: isMove(step),
              from: step.from,
              to: 'to' in step ? step.to : null,
            },
          ],
    ),
  );

/** What has to be done before what else, as the order of moves has it. */
export interface RecorderTasks {
  tasks: Task[];
  /** Needs of a camera's own change, and what has to be in its night. */
  ofSwap: ReadonlyMap<string, { needs: string[]; sameNight: string | null }>;
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
  const ofSwap = new Map<string, { needs: string[]; sameNight: string | null }>();
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
  /** Who leaves a slot by then. Two that exchange their slots in one night cannot wait for each other. */
  const leavers = ({ to, from, task, night }: Step): Step[] =>
    moves.filter(
      (one) =>
        isSame(one.from, to) &&
        one.task !== task &&
        (one.night < night || (one.night === night && !isSame(one.to, from))),
    );
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
    const self: Step = { task: id, night, isMove: isMove(step), from, to };
    const before = leavers(self);
    const inTurn = before.filter((one) => one.night === night && leavesInTurn(one));
    const waits = before.filter((one) => !inTurn.includes(one)).map(({ task }) => task);
    const built = to ? recorderBuiltBefore(site, to.recorderId) : [];
    const needs = [...new Set([...built, ...waits, ...turnedFor(to), ...movedBefore(cameraId, id)])];
    if (isMove(step)) {
      const camera = site.camera[cameraId]!;
      const recorder = site.recorder[step.to.recorderId]!;
      tasks.push(
        taskOf(catalogueOf(site), {
          id,
          kind: step.kind === 'repatch' ? 'patch' : step.kind,
          of: `${camera.number} ${camera.name}`,
          cameraId,
          recorderId: recorder.id,
          place: recorder.placeId,
          dark: [{ view: cameraId, minutes: darkAtPatch }],
          needs,
          sameNight: inTurn[0] ? turnIn(night, inTurn[0].to) : null,
        }),
      );
      return;
    }
    // Its own input turns under it: it stays dark until it is changed.
    const sameNight = turnIn(night, from) ?? (leavesInTurn(self) ? turnIn(night, to) : null);
    ofSwap.set(cameraId, {
      needs: [...new Set([...needs, ...(sameNight === null ? [] : [sameNight])])],
      sameNight,
    });
  }
}
