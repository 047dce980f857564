import type { Migration, NightStep, SlotAddress } from '#core/allocate/recorder';
import type { Recorder, Site } from '#core/model/site';
import { catalogueOf } from '#core/model/catalogue';
import { recorderBuiltBefore } from './recorderBuilds';
import { listed } from '#core/shared/labels';
import { isMove, movesOf, stepOf, type Step } from './moves';
import { taskIdOf, taskOf, workOf, type Task } from './task';
import { taskKind } from './taskKinds';

/** A recorder that is not back within twice its usual time is put back as it was. */
const patience = 2;
/** A lead that is moved leaves its view dark for so long. */
const darkAtPatch = 5;

/** The old camera cannot simply come back onto an input that is IP by then. */
const turnedUnder =
  'Its input turns to IP under it. Put back, the old camera stays dark until the recorder has its saved settings back too.';

/** What the order of moves asks of a camera's own change. */
interface OrderedSwap {
  needs: string[];
  /** What has to be in its night. */
  sameNight: string | null;
  cautions: string[];
}

/** What has to be done before what else, as the order of moves has it. */
export interface RecorderTasks {
  tasks: Task[];
  /** By camera. */
  ofSwap: ReadonlyMap<string, OrderedSwap>;
}

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

/**
 * Leads that move, recorders that turn inputs, and what each of them and each camera has to wait for. The order of moves is taken as the way
 * that is known to leave every recorder legal: what turns waits until its inputs are left, what comes to an input waits until it is turned
 * and whoever had it has gone; a camera whose own input turns under it is changed in that very night.
 */
export function recorderTasks(site: Site, migration: Migration): RecorderTasks {
  const { nights } = migration;
  const tasks: Task[] = [];
  const ofSwap = new Map<string, OrderedSwap>();
  const moves = movesOf(migration);
  const turns: { id: string; recorderId: string; inputs: ReadonlySet<number> }[] = [];

  const numbersOf = (ring: readonly Step[]): number[] =>
    [...new Set(ring.map(({ cameraId }) => site.camera[cameraId]!.number))].sort((a, b) => a - b);
  const turnedFor = (to: SlotAddress | null): string[] =>
    turns
      .filter(({ recorderId, inputs }) => to?.recorderId === recorderId && inputs.has(to.slot))
      .map(({ id }) => id);

  /** The task of the last step of each camera so far: the next one comes from where that left it. */
  const lastOf = new Map<string, string>();

  nights.forEach(({ steps }, night) => {
    for (const step of steps) {
      if (step.kind === 'turn') {
        const recorder = site.recorder[step.recorderId]!;
        const inputs = new Set([...step.cost.toIp, ...step.cost.toCoax]);
        const task = turnTask(site, recorder, night, step.cost.restartMinutes);
        // Whoever has an input that turns leaves it before; or in the same night, if his lead comes to another one.
        const freed = moves.all.filter(
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
    const self = stepOf(step, night);
    const { task: id, cameraId, to } = self;
    const ring = moves.ringOf(self);
    // Where one of a ring is held to a turn, all are; else to the first of them.
    const turn = moves.turnOf(self);
    const first = ring[0] && ring[0].task !== id ? ring[0].task : null;
    const sameNight = turn ?? ring.map(moves.turnOf).find((one) => one !== null) ?? first;
    const exchange =
      ring.length > 0
        ? [
            `Inputs are exchanged in this night, of cameras ${listed(numbersOf(ring))}: each is dark from when another comes to its input until its own lead is plugged in.`,
          ]
        : [];
    const before = lastOf.get(cameraId);
    lastOf.set(cameraId, id);
    const waits = moves.waitsFor(self).map(({ task }) => task);
    const built = to ? recorderBuiltBefore(site, to.recorderId) : [];
    const needs = [
      ...new Set([
        ...built,
        ...waits,
        ...turnedFor(to),
        ...(before === undefined || before === id ? [] : [before]),
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
