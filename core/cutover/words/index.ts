export { clockAt } from './clockAt';
export { conflictInWords } from './conflictInWords';
export { objectionInWords } from './objectionInWords';
export { taskTitle } from './taskTitle';
export { proofInWords } from './proofInWords';
