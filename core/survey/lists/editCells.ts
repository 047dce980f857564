import { applyChanges, withChanges, type Change, type Site } from '#core/model/site';
import { readCell, saysAlready } from './column';
import { columnOf, listOf, type ListId } from './lists';

export type CellEdit =
  { kind: 'changes'; changes: Change[]; label: string } | { kind: 'refused'; why: string };

/**
 * The changes that put one value into a column of one or many rows, all or none.
 * @param bareLength the unit a length without a unit is in
 */
export function editCells(
  site: Site,
  id: ListId,
  rowIds: readonly string[],
  key: string,
  typed: string,
  bareLength: 'm' | 'ft' = 'm',
): CellEdit {
  const list = listOf(id);
  const column = columnOf(list, key);
  const { write } = column;
  if (!write) return { kind: 'refused', why: `${column.heading} is noted elsewhere` };
  const wanted = new Set(rowIds);
  const value = readCell(column.cell, typed, site, bareLength);
  if (value.kind === 'refused') return value;
  if (column.cell.kind === 'text' && value.value === '' && list.keys.includes(key))
    return { kind: 'refused', why: `a ${list.one} needs a ${column.heading}` };
  let draft = site;
  const changes: Change[] = [];
  const rows = list.rows(site).filter((row) => wanted.has(row.id));
  for (const { id: rowId } of rows) {
    // Rows of one fact follow on each other, so each is read from the draft.
    const row = list.rowAt(rowId, draft);
    if (saysAlready(column.read(row, draft), value.value)) continue;
    const written = write(row, value.value, draft);
    if (written.kind === 'refused')
      return { kind: 'refused', why: `${list.name(row, draft)}: ${written.why}` };
    const change = list.change(written.row, draft);
    changes.push(change);
    draft = withChanges(draft, [change]);
  }
  const applied = applyChanges(site, changes);
  if (changes.length > 0 && applied.kind === 'refused')
    return { kind: 'refused', why: applied.problems.map(({ allowed }) => allowed).join('; ') };
  const first = rows[0];
  const whose =
    rows.length === 1 && first ? list.name(first.row, site) : `${rows.length} ${list.label.toLowerCase()}`;
  return { kind: 'changes', changes, label: `${column.heading} of ${whose}` };
}
