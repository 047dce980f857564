import type { Cell } from './column';
import { matchColumns } from './matchColumns';
import type { ListId } from './lists';
import type { ForeignTable } from './preview';

/** A table as it stands in a file. */
export interface FileTable extends ForeignTable {
  /** In which line of the file the headings stand. */
  headingLine: number;
}

/** Headings stand among the first so many rows; what is above them is a title. */
const lookedThrough = 25;
const text = (cell: Cell | undefined): string => String(cell ?? '').trim();

/** Every row of a table with its line in the file, the headings as they stand first among them. */
export const rowsOf = ({ headings, headingLine, rows }: FileTable): ForeignTable['rows'] => [
  { line: headingLine, cells: headings },
  ...rows,
];

/** The table with the headings that stand in a certain line; what is above them is left out. */
export function withHeadingsAt(rows: ForeignTable['rows'], line: number): FileTable {
  const at = Math.max(
    0,
    rows.findIndex((row) => row.line === line),
  );
  return { headings: rows[at]!.cells.map(text), headingLine: rows[at]!.line, rows: rows.slice(at + 1) };
}

/** Which line of a table holds the headings of a list: the one that names most of its columns, the first of those alike. */
export function headingLineFor(id: ListId, rows: ForeignTable['rows']): number {
  const named = rows.slice(0, lookedThrough).map(({ line, cells }) => ({
    line,
    count: matchColumns(id, cells.map(text)).filter(({ key }) => key !== null).length,
  }));
  return named.reduce((best, one) => (one.count > best.count ? one : best), named[0]!).line;
}
