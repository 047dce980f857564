import { taskKind, type Task } from '#core/cutover/tasks';

/** A task in words: what is done to what. */
export const taskTitle = ({ of, kind }: Pick<Task, 'of' | 'kind'>): string =>
  `${of}: ${taskKind(kind).label.toLowerCase()}`;
