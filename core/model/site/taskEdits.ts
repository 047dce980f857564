import { removing, type Change } from './change';
import { gateIdOf, type GateName, type GateRecord } from './gateRecord';
import type { Site } from './site';
import { lastTries, type TaskTry } from './taskTry';

/** Who does something, and when. */
export interface Doing {
  at: string;
  by: string;
}
type Tries = Pick<Site, 'taskTry'>;

const tried = (set: TaskTry): Change => ({ kind: 'taskTry', id: set.id, set });

/** The try of a task that is under way, if one is. */
function underWay(site: Tries, taskId: string): TaskTry | null {
  const last = lastTries(site).get(taskId);
  return last && !last.ended ? last : null;
}

/** Somebody sets about a task in a night. Nothing where somebody is at it already. */
export function beginTask(site: Tries, taskId: string, night: string, { at, by }: Doing): Change[] {
  if (underWay(site, taskId)) return [];
  const count = Object.values(site.taskTry).filter((one) => one.taskId === taskId).length;
  return [tried({ id: `${taskId}-${count + 1}`, taskId, night, beganAt: at, by })];
}

/** A task that nobody was timed at is done, or it is not after all. */
export function tickTask(
  site: Tries,
  taskId: string,
  date: string,
  isDone: boolean,
  { at, by }: Doing,
): Change[] {
  const last = lastTries(site).get(taskId);
  if (!isDone) return last ? [removing('taskTry', last.id)] : [];
  const [begun] = last && !last.ended ? [tried(last)] : beginTask(site, taskId, date, { at, by });
  return begun && 'set' in begun
    ? [tried({ ...(begun.set as TaskTry), ended: { how: 'done', at, by } })]
    : [];
}

/** What goes wrong with a task while it is under way; without words it is well again. */
export function noteTrouble(site: Tries, taskId: string, trouble: string): Change[] {
  const now = underWay(site, taskId);
  if (!now) return [];
  const { trouble: _before, ...rest } = now;
  return [tried(trouble.trim() ? { ...rest, trouble: trouble.trim() } : rest)];
}

/** Something of a task was looked at: it is so, or it is not. */
export function checkTask(site: Tries, taskId: string, check: string, isSo: boolean): Change[] {
  const now = underWay(site, taskId);
  if (!now) return [];
  const others = (now.checked ?? []).filter((id) => id !== check);
  return [tried({ ...now, checked: isSo ? [...others, check] : others })];
}

/** A task ends: it holds, or everything is back as it was. */
export function endTask(
  site: Tries,
  taskId: string,
  how: NonNullable<TaskTry['ended']>['how'],
  { at, by }: Doing,
): Change[] {
  const now = underWay(site, taskId);
  return now ? [tried({ ...now, ended: { how, at, by } })] : [];
}

type Gates = Pick<Site, 'gateRecord'>;
const gateOf = ({ gateRecord }: Gates, night: string, gate: GateName): GateRecord =>
  gateRecord[gateIdOf(night, gate)] ?? { id: gateIdOf(night, gate), night, gate, checked: [] };

/** Something was looked at at a gate of a night: it is so, or it is not. */
export function checkGate(site: Gates, night: string, gate: GateName, check: string, isSo: boolean): Change {
  const now = gateOf(site, night, gate);
  const others = now.checked.filter((id) => id !== check);
  const set = { ...now, checked: isSo ? [...others, check] : others };
  return { kind: 'gateRecord', id: set.id, set };
}

/** Somebody says at a gate of a night whether it goes on. */
export function answerGate(
  site: Gates,
  night: string,
  gate: GateName,
  { go, why }: { go: boolean; why: string },
  { at, by }: Doing,
): Change {
  const said = { go, ...(why.trim() ? { why: why.trim() } : {}), at, by };
  const set: GateRecord = { ...gateOf(site, night, gate), said };
  return { kind: 'gateRecord', id: set.id, set };
}
