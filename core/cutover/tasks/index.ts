export { stepTaskOf } from './recorderTasks';
export type { Task } from './task';
export { progressOfTask, tasksDone, type TaskProgress } from './taskProgress';
export { isOwnKind, taskKind } from './taskKinds';
export { followsNight } from './followsNight';
export { startBy } from './startBy';
export { waitingLoop } from './waitingLoop';
export type { Calendar } from './heldTo';
export { nightTasks, tasksOf } from './tasksOf';
