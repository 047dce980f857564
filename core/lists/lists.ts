import type { Site } from '#core/site';
import { sayCell, type Cell, type CellKind, type Column, type List } from './column';
import { cameraList } from './cameras';
import { placeList } from './places';
import { runList } from './runs';
import { segmentList } from './segments';

export const listIds = ['place', 'camera', 'run', 'segment'] as const;
export type ListId = (typeof listIds)[number];

/** Rows are opaque to whoever shows a list: they go in and out of their own list only. */
type AnyList = List<unknown>;
const lists = { place: placeList, camera: cameraList, run: runList, segment: segmentList } as unknown as Record<ListId, AnyList>;

export const listOf = (id: ListId): AnyList => lists[id];

export function columnOf(list: AnyList, key: string): Column<unknown> {
  const column = list.columns.find((one) => one.key === key);
  if (!column) throw new Error(`no column ${key} in ${list.label}`);
  return column;
}

export interface ShownColumn { key: string; heading: string; cell: CellKind; width: number; editable: boolean; isKey: boolean }
export interface ShownRow { id: string; cells: Record<string, Cell> }
export interface Table { id: ListId; label: string; columns: ShownColumn[]; rows: ShownRow[] }

const cellsOf = (list: AnyList, row: unknown, site: Site): Record<string, Cell> =>
  Object.fromEntries(list.columns.map(({ key, cell, read }) => [key, sayCell(cell, read(row, site), site)]));

/** A list of a site as it is shown and exported: words as they are said, figures in the columns' units. */
export function tableOf(site: Site, id: ListId): Table {
  const list = listOf(id);
  return {
    id, label: list.label,
    columns: list.columns.map(({ key, heading, cell, width, write }) => ({ key, heading, cell, width, editable: write !== undefined && !(list.keys.includes(key) && id !== 'place' && id !== 'camera'), isKey: list.keys.includes(key) })),
    rows: list.rows(site).map(({ id: rowId, row }) => ({ id: rowId, cells: cellsOf(list, row, site) })),
  };
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
