import { taskKind, type Task } from '#core/cutover/tasks';

const lowerFirst = (text: string): string => text.charAt(0).toLowerCase() + text.slice(1);

/** A task in words: what is done to what. */
export const taskTitle = ({ of, kind }: Pick<Task, 'of' | 'kind'>): string =>
  `${of}: ${lowerFirst(taskKind(kind).label)}`;
