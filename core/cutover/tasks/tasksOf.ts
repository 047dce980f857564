import type { Migration } from '#core/allocate/recorder';
import { catalogueOf } from '#core/model/catalogue';
import {
  liftHire,
  portKinds,
  type FeasibleOption,
  type SharedEquipment,
  type Total,
} from '#core/decide/options';
import { chosenOption, type RunEvaluation } from '#core/decide/runEvaluation';
import { aboutOf, type Site } from '#core/model/site';
import { heldTo, type Calendar } from './heldTo';
import { linkTasksTo, networkTasks } from './networkTasks';
import { orderIdOf, ordersFor, orderTasks } from './orderTasks';
import { permitTasks } from './permitTasks';
import { ownTasks } from './ownTasks';
import { prepared } from './prepared';
import { recorderBuilds } from './recorderBuilds';
import { recorderTasks } from './recorderTasks';
import { buildIdOf } from './buildId';
import { madeBeforeUnit, sharedTasks } from './sharedTasks';
import { swapTasks, witnessTask } from './swapTasks';
import { taskOf, withSetting, type Task } from './task';
import { taskKind } from './taskKinds';
import { tasksDone } from './taskProgress';

/** What the tasks of a change come from. */
export interface CutoverInput {
  site: Site;
  runs: readonly RunEvaluation[];
  migration: Migration;
  total: Pick<Total, 'parts' | 'shared'>;
  /** What the nights are held to; `null` where only the tasks are asked for, whenever they are. */
  calendar: Calendar | null;
}

/** Equipment that cameras share: there before the first of them. */
const buildTasks = (
  site: Site,
  shared: readonly SharedEquipment[],
  chosen: readonly FeasibleOption[],
  orders: readonly Task[],
): Task[] =>
  shared
    .filter(({ parts }) => parts.length > 0)
    .map((one) =>
      taskOf(catalogueOf(site), {
        id: buildIdOf(one),
        kind: 'build',
        of: `${portKinds[one.of].unit} at ${site.place[one.placeId]!.name}`,
        place: one.placeId,
        needs: [
          ...ordersFor(one.parts, orders),
          ...madeBeforeUnit(chosen, one.placeId),
          ...linkTasksTo(site, one.placeId),
        ],
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

/** A lift is there once it is hired. */
const withLiftHired = (task: Task): Task =>
  task.lift === null ? task : { ...task, needs: [...task.needs, orderIdOf(liftHire)] };

/** Views that somebody watches by another one wait until that one is changed and proven. */
function withCovers(tasks: readonly Task[], { viewRule }: Pick<Site, 'viewRule'>): Task[] {
  const swapOf = new Map(
    tasks.flatMap(({ kind, cameraId, id }) => (kind === 'swap' ? [[cameraId, id]] : [])),
  );
  const covers = Object.values(viewRule).flatMap(({ cameraIds, coverId }) => {
    const cover = coverId === undefined ? undefined : swapOf.get(coverId);
    return cover ? cameraIds.map((id) => ({ waits: swapOf.get(id), cover })) : [];
  });
  return tasks.map((task) => {
    const first = covers.flatMap(({ waits, cover }) => (waits === task.id ? [cover] : []));
    return first.length > 0 ? { ...task, needs: [...new Set([...task.needs, ...first])] } : task;
  });
}

/** Where what is no one place’s is done: where the recorders are. */
const headEndOf = ({ recorder, place }: Site): string =>
  Object.values(recorder)[0]?.placeId ?? Object.keys(place)[0] ?? '';

/** Everything that is done for what was decided: for each camera, for what they share, at the recorders, and what people have added. */
export function tasksOf({ site, runs, migration, total, calendar }: CutoverInput): Task[] {
  const headEnd = headEndOf(site);
  const orders = orderTasks(site, total, headEnd);
  const leaving = new Set(
    migration.nights.flatMap(({ steps }) =>
      steps.flatMap((step) => (step.kind === 'unplug' ? [step.cameraId] : [])),
    ),
  );
  const swaps = swapTasks(site, runs, orders, leaving);
  const recorder = recorderTasks(site, migration);
  /** What the order of moves asks of the change of a camera; a new view, which has none, is proved once the input that it comes to is turned. */
  const inOrder = (task: Task): Task => {
    const ordered = recorder.ofSwap.get(task.cameraId ?? '');
    if (!ordered) return task;
    const needs = [...task.needs, ...ordered.needs];
    if (task.kind === 'swap')
      return {
        ...task,
        needs,
        sameNight: ordered.sameNight,
        cautions: [...ordered.cautions, ...task.cautions],
      };
    const isOfNewView = site.networkCamera[task.cameraId!]?.state === 'planned';
    return task.kind === 'dusk-check' && isOfNewView ? { ...task, needs } : task;
  };
  const chosen = runs.flatMap((one) => chosenOption(one) ?? []);
  const builds = buildTasks(site, total.shared, chosen, orders);
  const network = networkTasks(site, orders, new Set(builds.map(({ id }) => id))).map(inOrder);
  const nightOf = (date: string): number | null => {
    const index = calendar?.dates.indexOf(date) ?? -1;
    return index < 0 ? null : index;
  };
  const all = [
    ...orders,
    ...sharedTasks(site, chosen, orders),
    ...builds,
    ...recorderBuilds(site, orders),
    ...network,
    ...recorder.tasks,
    ...permitTasks(catalogueOf(site), site.place, [...network, ...swaps]),
    ...swaps.map(inOrder),
    ...witnessTask(site, [...network, ...swaps], { of: aboutOf(site).name, place: headEnd }),
    ...ownTasks(site),
  ];
  const ids = new Set(all.map(({ id }) => id));
  const isPrior = new Map(all.map(({ id, kind }) => [id, taskKind(kind).when === 'before']));
  const set = withDarkUntilChanged(withCovers(all, site))
    .map(withLiftHired)
    // A camera that only joins has no task of its own to wait for.
    .map((task) => ({ ...task, needs: task.needs.filter((id) => ids.has(id)) }))
    .map((task) => withSetting(task, site.taskSetting[task.id], nightOf))
    .flatMap((task) =>
      prepared(
        site,
        task,
        task.needs.filter((id) => isPrior.get(id)),
      ),
    );
  return calendar ? heldTo(set, site, calendar, tasksDone(site)) : set;
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
