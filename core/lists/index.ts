export type { Cell, CellKind } from './column';
export { editCells, type CellEdit } from './editCells';
export { neutralised, restored } from './formulae';
export {
  cellFor,
  columnOf,
  headingFor,
  listIds,
  listOf,
  matching,
  sortedRows,
  steadyRows,
  tableOf,
  type ListId,
  type ShownColumn,
  type ShownRow,
  type Table,
} from './lists';
export { matchColumns, type Match } from './matchColumns';
export { readingsFromTable, type ReadingsRead, type TableReading } from './readingsFromTable';
export { removeRows } from './removeRows';
export { previewImport, type ForeignTable, type Preview, type RowNews } from './preview';
