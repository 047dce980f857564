import { isOwnKind, taskKind, type Task } from '#core/cutover/tasks';

const lowerFirst = (text: string): string => text.charAt(0).toLowerCase() + text.slice(1);

/** A task in words: what is done to what; one of one’s own by the name that it was given. */
export const taskTitle = ({ of, kind }: Pick<Task, 'of' | 'kind'>): string =>
  isOwnKind(kind) ? of : `${of}: ${lowerFirst(taskKind(kind).label)}`;
