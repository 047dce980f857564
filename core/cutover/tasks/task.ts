import { productOf, type Catalogue } from '#core/model/catalogue';
import type { ProductOf, TaskSetting } from '#core/model/site';
import { usualSpread, type NightJob } from '#core/cutover/nights';
import { shortId } from './shortId';
import { taskKind, type TaskKind } from './taskKinds';

/** Something that is done for the change, in a night or beside the nights. */
export interface Task extends NightJob {
  kind: TaskKind;
  /** What it is done to, in words. */
  of: string;
  cameraId: string | null;
  recorderId: string | null;
  cautions: readonly string[];
  /** Calendar days from its beginning until it holds: what waits for it waits so long. */
  days: number;
  /** Why it is left out of these nights, where somebody said so. */
  excluded: string | null;
}

type Given = Pick<Task, 'id' | 'kind' | 'of' | 'place'> & Partial<Task> & { likelyMinutes?: number };

/** The id of a task, of its kind and what it is done to; the same for as long as both are. */
export const taskIdOf = (kind: TaskKind, ...of: readonly string[]): string =>
  shortId([kind, ...of].join('-'));

/** The row of the catalogue that says what is usual of a kind. */
const workIdOf = (kind: TaskKind): string => `work-${kind.startsWith('own') ? 'own' : kind}`;

/** What is usual of a kind of task, as the firm has it in its catalogue. */
export const workOf = (catalogue: Catalogue, kind: TaskKind): ProductOf<'work'> =>
  productOf(catalogue, workIdOf(kind), 'work');

/** A task with what is usual of its kind where nothing else is given. */
export function taskOf(catalogue: Catalogue, { likelyMinutes, ...given }: Given): Task {
  const { skills, cautions } = taskKind(given.kind);
  const { people, rollBackMinutes, minutes, days } = workOf(catalogue, given.kind);
  return {
    minutes: usualSpread(likelyMinutes ?? minutes),
    rollBackMinutes,
    people,
    skills,
    days,
    dark: [],
    needs: [],
    sameNight: null,
    restarts: null,
    lift: null,
    by: [],
    pinned: null,
    allowed: null,
    window: null,
    cameraId: null,
    recorderId: null,
    cautions,
    excluded: null,
    ...given,
  };
}

/** A task as somebody has set it here; `nightOf` is the place of a date among the nights, `null` where it is none. */
export function withSetting(
  task: Task,
  setting: TaskSetting | undefined,
  nightOf: (date: string) => number | null,
): Task {
  if (!setting) return task;
  return {
    ...task,
    minutes: setting.minutes ?? task.minutes,
    people: Math.max(setting.people ?? task.people, setting.crewIds?.length ?? 0),
    by: setting.crewIds ?? task.by,
    pinned: setting.date === undefined ? task.pinned : nightOf(setting.date),
    excluded: setting.excluded ?? task.excluded,
  };
}
