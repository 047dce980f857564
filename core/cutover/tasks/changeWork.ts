import { camerasToHang, viewWork, type FeasibleOption, type Part } from '#core/decide/options';
import { chosenOption, type RunEvaluation } from '#core/decide/runEvaluation';
import type { Site } from '#core/model/site';
import { onOldCoax } from './sharedTasks';

/** The camera in whose night the converters go on each old coax that several go over, by the key of that. */
export type CoaxCarriers = ReadonlyMap<string, string>;

/** The camera that has the coax today, where it goes over it too; else the first of those that do. */
export function coaxCarriers(runs: readonly RunEvaluation[]): CoaxCarriers {
  const carriers = new Map<string, string>();
  for (const evaluation of runs) {
    const option = chosenOption(evaluation);
    const coax = option && onOldCoax(option);
    if (!coax) continue;
    const { id } = evaluation.camera;
    if (option.onCoaxOf === id || !carriers.has(coax.key)) carriers.set(coax.key, id);
  }
  return carriers;
}

/** What one camera's change takes: what its option says, and the converters of an old coax where they are fitted with it. */
export interface ChangeWork {
  parts: readonly Part[];
  tasks: readonly Part[];
  /** Cameras that are changed before it. */
  afterIds: string[];
}

/** The parts and tasks of a camera that goes over by an option. */
export function changeWork(cameraId: string, option: FeasibleOption, carriers: CoaxCarriers): ChangeWork {
  const { parts, tasks, onCoaxOf } = option;
  const coax = onOldCoax(option);
  const carrierId = coax && carriers.get(coax.key);
  // Whose coax carries the switch leaves it first, and the converters are on it before anybody else goes over it.
  const afterIds = [...new Set([onCoaxOf, carrierId])].filter((id) => id && id !== cameraId) as string[];
  return coax && carrierId === cameraId
    ? { parts: [...parts, ...coax.parts], tasks: [...tasks, ...coax.tasks], afterIds }
    : { parts, tasks, afterIds };
}

/** Cameras that are changed after others, with the ids of those. */
export function changedAfter(runs: readonly RunEvaluation[]): Readonly<Record<string, readonly string[]>> {
  const carriers = coaxCarriers(runs);
  return Object.fromEntries(
    runs.flatMap((run) => {
      const option = chosenOption(run);
      const afterIds = option ? changeWork(run.camera.id, option, carriers).afterIds : [];
      return afterIds.length > 0 ? [[run.camera.id, afterIds]] : [];
    }),
  );
}

/** Parts and tasks of each camera that is changed in a night, by its id. */
export function changesByCamera(
  site: Site,
  runs: readonly RunEvaluation[],
): ReadonlyMap<string, Pick<ChangeWork, 'parts' | 'tasks'>> {
  const carriers = coaxCarriers(runs);
  return new Map<string, Pick<ChangeWork, 'parts' | 'tasks'>>([
    ...runs.flatMap((run) => {
      const option = chosenOption(run);
      return option ? [[run.camera.id, changeWork(run.camera.id, option, carriers)] as const] : [];
    }),
    ...camerasToHang(site).flatMap(({ id, replaced }) =>
      replaced ? [[id, viewWork(site, id)] as const] : [],
    ),
  ]);
}
