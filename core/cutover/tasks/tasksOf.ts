import type { Migration } from '#core/allocate/recorder';
import type { SharedEquipment } from '#core/decide/options';
import type { RunEvaluation } from '#core/decide/runEvaluation';
import type { Site } from '#core/model/site';
import { recorderTasks } from './recorderTasks';
import { buildIdOf, swapTasks } from './swapTasks';
import { taskOf, withSetting, type Task } from './task';
import { taskKind } from './taskKinds';

/** What the tasks of a change come from. */
export interface CutoverInput {
  site: Site;
  runs: readonly RunEvaluation[];
  migration: Migration;
  shared: readonly SharedEquipment[];
  /** The dates that nights can begin on. */
  dates: readonly string[];
}

const sharedNames: Record<SharedEquipment['of'], string> = {
  'coax-unit': 'Head-end unit',
  'poe-switch': 'Switch',
};

/** Equipment that cameras share: there before the first of them. */
const buildTasks = (site: Site, shared: readonly SharedEquipment[]): Task[] =>
  shared
    .filter(({ parts }) => parts.length > 0)
    .map((one) =>
      taskOf({
        id: buildIdOf(one),
        kind: 'build',
        of: `${sharedNames[one.of]} at ${site.place[one.placeId]!.name}`,
        place: one.placeId,
      }),
    );

/** A view whose input turns under it is dark from the turn on, whether or not the recorder restarts: the turn darkens all of those together. */
const withDarkUntilChanged = (tasks: readonly Task[]): Task[] =>
  tasks.map((task) => {
    const known = new Set(task.dark.map(({ view }) => view));
    const under = tasks
      .filter(({ sameNight }) => sameNight === task.id)
      .flatMap(({ dark }) => dark.filter(({ view }) => !known.has(view)));
    return under.length > 0 ? { ...task, dark: [...task.dark, ...under] } : task;
  });

/** Everything that is done for what was decided: for each camera, for what they share, and at the recorders. */
export function tasksOf({ site, runs, migration, shared, dates }: CutoverInput): Task[] {
  const swaps = swapTasks(site, runs);
  const recorder = recorderTasks(site, migration);
  const nightOf = (date: string): number | null => {
    const index = dates.indexOf(date);
    return index < 0 ? null : index;
  };
  const all = [
    ...buildTasks(site, shared),
    ...recorder.tasks,
    ...swaps.map((task): Task => {
      const ordered = task.kind === 'swap' ? recorder.ofSwap.get(task.cameraId!) : undefined;
      return ordered
        ? { ...task, needs: [...task.needs, ...ordered.needs], sameNight: ordered.sameNight }
        : task;
    }),
  ];
  const ids = new Set(all.map(({ id }) => id));
  return withDarkUntilChanged(all).map((task) =>
    withSetting(
      // A camera that only joins has no task of its own to wait for.
      { ...task, needs: task.needs.filter((id) => ids.has(id)) },
      site.taskSetting[task.id],
      nightOf,
    ),
  );
}

/** The tasks that are still to be done in the nights, with nobody waiting for what is left out or done. */
export function nightTasks(tasks: readonly Task[], done: ReadonlySet<string> = new Set()): Task[] {
  const inNights = tasks.filter(
    ({ id, kind, excluded }) => taskKind(kind).when === 'night' && excluded === null && !done.has(id),
  );
  const ids = new Set(inNights.map(({ id }) => id));
  return inNights.map((task) => ({
    ...task,
    needs: task.needs.filter((id) => ids.has(id)),
    sameNight: task.sameNight !== null && ids.has(task.sameNight) ? task.sameNight : null,
  }));
}
