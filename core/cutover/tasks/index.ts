export { stepTaskOf } from './recorderTasks';
export type { Task } from './task';
export { taskKind } from './taskKinds';
export { nightTasks, tasksOf } from './tasksOf';
