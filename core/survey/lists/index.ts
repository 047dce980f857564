export type { Cell } from './column';
export type { AskedWord, Decided } from './tableWords';
export { headingLineFor, rowsOf, withHeadingsAt, type FileTable } from './headingRow';
export { fillDown, hasHeadings, pasteInto, wordsOfBlock, type Block } from './block';
export { editBlock, type TypedCell } from './editBlock';
export { editCells } from './editCells';
export { fieldsIn, figureIn, noColumn } from './fieldsIn';
export { neutralised, restored } from './formulae';
export {
  cellFor,
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
export { previewImport, type ForeignTable, type Preview, type RowNews } from './preview';
export { removeRows } from './removeRows';
