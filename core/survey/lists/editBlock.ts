import { applyChanges, withChanges, type Change, type Site } from '#core/model/site';
import { readCell, saysAlready, type List } from './column';
import { columnOf, listOf, type ListId } from './lists';

export type CellEdit =
  { kind: 'changes'; changes: Change[]; label: string } | { kind: 'refused'; why: string };

/** What is to stand in a cell of a row, as it was typed or pasted. */
export interface TypedCell {
  rowId: string;
  key: string;
  typed: string;
}

type AnyList = List<unknown>;
const refused = (why: string): CellEdit => ({ kind: 'refused', why });

const byRow = (cells: readonly TypedCell[]): Map<string, TypedCell[]> => {
  const rows = new Map<string, TypedCell[]>();
  for (const cell of cells) rows.set(cell.rowId, [...(rows.get(cell.rowId) ?? []), cell]);
  return rows;
};

/** The row with its cells written, the same one where they say nothing new, or why one of them does not fit. */
function writtenRow(
  list: AnyList,
  cells: readonly TypedCell[],
  draft: Site,
  bareLength: 'm' | 'ft',
): { kind: 'row'; row: unknown; isNew: boolean } | { kind: 'refused'; why: string } {
  let row = list.rowAt(cells[0]!.rowId, draft);
  let isNew = false;
  for (const { key, typed } of cells) {
    const column = columnOf(list, key);
    if (!column.write) return { kind: 'refused', why: `${column.heading} is noted elsewhere` };
    const read = readCell(column.cell, typed, draft, bareLength);
    if (read.kind === 'refused') return { kind: 'refused', why: read.why };
    if (column.cell.kind === 'text' && read.value === '' && list.keys.includes(key))
      return { kind: 'refused', why: `a ${list.one} needs a ${column.heading}` };
    if (saysAlready(column.read(row, draft), read.value)) continue;
    const written = column.write(row, read.value, draft);
    if (written.kind === 'refused')
      return { kind: 'refused', why: `${list.name(row, draft)}: ${written.why}` };
    row = written.row;
    isNew = true;
  }
  return { kind: 'row', row, isNew };
}

/** Headings of the columns that are changed, and whose they are. */
function labelOf(list: AnyList, rows: ReadonlyMap<string, TypedCell[]>, site: Site): string {
  const keys = new Set([...rows.values()].flatMap((cells) => cells.map(({ key }) => key)));
  const [firstId] = rows.keys();
  const whose =
    rows.size === 1 && firstId !== undefined
      ? list.name(list.rowAt(firstId, site), site)
      : `${rows.size} ${list.label.toLowerCase()}`;
  const what = [...keys].map((key) => columnOf(list, key).heading);
  return `${what.length > 3 ? `${what.length} columns` : what.join(', ')} of ${whose}`;
}

/**
 * The changes that put values into many cells of a list, all or none. Rows that are not there any more are passed over.
 * @param bareLength the unit a length without a unit is in
 */
export function editBlock(
  site: Site,
  id: ListId,
  cells: readonly TypedCell[],
  bareLength: 'm' | 'ft' = 'm',
): CellEdit {
  const list = listOf(id);
  const there = new Set(list.rows(site).map((row) => row.id));
  const rows = byRow(cells.filter(({ rowId }) => there.has(rowId)));
  let draft = site;
  const changes = new Map<string, Change>();
  for (const mine of rows.values()) {
    // Rows of one fact follow on each other, so each is read from the draft.
    const written = writtenRow(list, mine, draft, bareLength);
    if (written.kind === 'refused') return written;
    if (!written.isNew) continue;
    const change = list.change(written.row, draft);
    // Only what a fact comes to in the end is a change of it.
    changes.set(`${change.kind}/${change.id}`, change);
    draft = withChanges(draft, [change]);
  }
  const all = [...changes.values()];
  const applied = applyChanges(site, all);
  if (all.length > 0 && applied.kind === 'refused')
    return refused(applied.problems.map(({ allowed }) => allowed).join('; '));
  return { kind: 'changes', changes: all, label: labelOf(list, rows, site) };
}
