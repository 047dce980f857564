export { clockAt } from './clockAt';
export { objectionInWords } from './objectionInWords';
export { taskTitle } from './taskTitle';
export { proofInWords } from './proofInWords';
