export { smallestConflict } from './conflict';
export { draftProgramme, type Draft } from './draft';
export { lpText } from './lpText';
export {
  costOf,
  heeds,
  without,
  withoutCosts,
  type Programme,
  type Row,
  type Term,
  type Variable,
} from './programme';
export { solve, type SearchProgress, type Watch } from './solve';
