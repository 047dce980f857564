import type { Measures } from '#core/shared/units';
import type { TypedCell } from './editBlock';
import { cellFor, type ListId, type ShownColumn, type ShownRow } from './lists';
import { matchColumns } from './matchColumns';

/** Cells that stand beside and below each other, as a list shows them. */
export interface Block {
  rows: readonly ShownRow[];
  columns: readonly ShownColumn[];
}

const typedOf = (row: ShownRow, column: ShownColumn, measures: Pick<Measures, 'length'>): string =>
  String(cellFor(column, row.cells[column.key] ?? null, measures) ?? '');

/** What a block says, row by row, as it would be typed back. */
export const wordsOfBlock = ({ rows, columns }: Block, measures: Pick<Measures, 'length'>): string[][] =>
  rows.map((row) => columns.map((column) => typedOf(row, column, measures)));

/**
 * Where what was pasted goes: over the block in hand, again and again where it is larger than what was pasted, and beyond it where it is
 * smaller. An empty cell leaves what is noted, as in an import. `all` is the list as it is shown, in which the block begins at its first row and column. What would hang over its edge is cut off.
 */
export function pasteInto(all: Block, block: Block, pasted: readonly (readonly string[])[]): TypedCell[] {
  const [firstRow, firstColumn] = [block.rows[0], block.columns[0]];
  const wide = Math.max(0, ...pasted.map((line) => line.length));
  if (!firstRow || !firstColumn || wide === 0) return [];
  const top = all.rows.indexOf(firstRow);
  const left = all.columns.indexOf(firstColumn);
  // A block is filled in whole turns only: half a turn would be a slip.
  const turns = (inHand: number, given: number): number =>
    inHand > given && inHand % given === 0 ? inHand : given;
  const rows = all.rows.slice(top, top + turns(block.rows.length, pasted.length));
  const columns = all.columns.slice(left, left + turns(block.columns.length, wide));
  return rows.flatMap((row, down) =>
    columns.flatMap((column, right) => {
      const typed = (pasted[down % pasted.length]![right % wide] ?? '').trim();
      return typed === '' ? [] : [{ rowId: row.id, key: column.key, typed }];
    }),
  );
}

/** The first row of a block in all rows below it. */
export function fillDown({ rows, columns }: Block, measures: Pick<Measures, 'length'>): TypedCell[] {
  const [first, ...below] = rows;
  if (!first) return [];
  return below.flatMap((row) =>
    columns.flatMap((column) => {
      const typed = typedOf(first, column, measures);
      return typed === '' ? [] : [{ rowId: row.id, key: column.key, typed }];
    }),
  );
}

/** Whether a pasted table begins with its headings: then its rows find their own places. */
export function hasHeadings(id: ListId, [first = []]: readonly (readonly string[])[]): boolean {
  const named = first.filter((heading) => heading.trim() !== '');
  return (
    named.length > 1 && matchColumns(id, named).filter(({ key }) => key !== null).length > named.length / 2
  );
}
