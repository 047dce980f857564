import type { Site } from '#core/model/site';
import { fieldText, shownUnit, type Measures } from '#core/shared/units';
import { sayCell, type Cell, type CellKind, type Column, type List } from './column';
import { addressList } from './addresses';
import { cameraList } from './cameras';
import { placeList } from './places';
import { runList } from './runs';
import { segmentList } from './segments';

export const listIds = ['place', 'camera', 'run', 'segment', 'address'] as const;
export type ListId = (typeof listIds)[number];

/** Rows are opaque to whoever shows a list: they go in and out of their own list only. */
type AnyList = List<unknown>;
const lists = {
  place: placeList,
  camera: cameraList,
  run: runList,
  segment: segmentList,
  address: addressList,
} as unknown as Record<ListId, AnyList>;

export const listOf = (id: ListId): AnyList => lists[id];

export function columnOf(list: AnyList, key: string): Column<unknown> {
  const column = list.columns.find((one) => one.key === key);
  if (!column) throw new Error(`no column ${key} in ${list.label}`);
  return column;
}

export interface ShownColumn {
  key: string;
  heading: string;
  cell: CellKind;
  width: number;
  editable: boolean;
  isKey: boolean;
}
export interface ShownRow {
  id: string;
  cells: Record<string, Cell>;
}
export interface Table {
  id: ListId;
  label: string;
  columns: readonly ShownColumn[];
  rows: ShownRow[];
}

/** What tells a run or a segment is noted elsewhere, at its camera and by its order; a place's name and a camera's number are their own. */
const keysAreOwn = (id: ListId): boolean => id === 'place' || id === 'camera';

/** The columns of each list as they are shown; the same ones every time. */
const shownColumns = Object.fromEntries(
  listIds.map((id) => [
    id,
    lists[id].columns.map(({ key, heading, cell, width, write }): ShownColumn => {
      const isKey = lists[id].keys.includes(key);
      return {
        key,
        heading,
        cell,
        width,
        isKey,
        editable: write !== undefined && (!isKey || keysAreOwn(id)),
      };
    }),
  ]),
) as unknown as Record<ListId, readonly ShownColumn[]>;

const cellsOf = (list: AnyList, row: unknown, site: Site): Record<string, Cell> =>
  Object.fromEntries(list.columns.map(({ key, cell, read }) => [key, sayCell(cell, read(row, site), site)]));

/** A list of a site as it is shown and exported: words as they are said, figures in the columns' units. */
export function tableOf(site: Site, id: ListId): Table {
  const list = listOf(id);
  return {
    id,
    label: list.label,
    columns: shownColumns[id],
    rows: list.rows(site).map(({ id: rowId, row }) => ({ id: rowId, cells: cellsOf(list, row, site) })),
  };
}

const isLength = ({ cell }: ShownColumn): boolean => cell.kind === 'number' && cell.unit === 'm';

/** A column's heading for a person who likes lengths in this unit. Files keep metres. */
export const headingFor = (column: ShownColumn, measures: Pick<Measures, 'length'>): string =>
  isLength(column) ? column.heading.replace(/ m$/, ` ${shownUnit('m', measures)}`) : column.heading;

/** What a cell shows such a person. */
export const cellFor = (column: ShownColumn, cell: Cell, measures: Pick<Measures, 'length'>): Cell =>
  isLength(column) && typeof cell === 'number' ? fieldText(cell, 'm', measures) : cell;

/** Rows as they are now, those that say what they said before being the very same, so that nobody has to draw them again. */
export function steadyRows(before: readonly ShownRow[], now: readonly ShownRow[]): readonly ShownRow[] {
  const known = new Map(before.map((row) => [row.id, row]));
  const same = (a: ShownRow, b: ShownRow): boolean =>
    Object.entries(b.cells).every(([key, cell]) => a.cells[key] === cell);
  const steady = now.map((row) => {
    const old = known.get(row.id);
    return old && same(old, row) ? old : row;
  });
  return steady.length === before.length && steady.every((row, index) => row === before[index])
    ? before
    : steady;
}

/** Rows by a column, those that say nothing there last; rows that say the same stay in their order. */
export function sortedRows(rows: readonly ShownRow[], key: string, isDown: boolean): ShownRow[] {
  const words = new Intl.Collator('en', { numeric: true });
  const isEmpty = (cell: Cell | undefined) => cell === null || cell === undefined || cell === '';
  const way = isDown ? -1 : 1;
  return [...rows].sort((one, other) => {
    const [a, b] = [one.cells[key], other.cells[key]];
    if (isEmpty(a) || isEmpty(b)) return Number(isEmpty(a)) - Number(isEmpty(b));
    return (
      way * (typeof a === 'number' && typeof b === 'number' ? a - b : words.compare(String(a), String(b)))
    );
  });
}

/** The rows in which every word of the search stands somewhere. */
export function matching(rows: readonly ShownRow[], search: string): readonly ShownRow[] {
  const words = search.toLowerCase().split(/\s+/).filter(Boolean);
  if (words.length === 0) return rows;
  return rows.filter(({ cells }) => {
    const text = Object.values(cells).join(' ').toLowerCase();
    return words.every((word) => text.includes(word));
  });
}
