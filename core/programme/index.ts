export { eachFrees, smallestConflict } from './conflict';
export { lpText } from './lpText';
export { costOf, heeds, without, type Programme, type Row, type Term, type Variable } from './programme';
export { solve, type SearchProgress, type Solved, type Watch } from './solve';
export { draftProgramme, type Draft } from './draft';
