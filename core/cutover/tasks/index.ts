export { stepTaskOf } from './recorderTasks';
export type { Task } from './task';
export { progressOfTask, tasksDone, type TaskProgress } from './taskProgress';
export { taskKind } from './taskKinds';
export { nightTasks, tasksOf } from './tasksOf';
