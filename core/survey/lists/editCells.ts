import type { Site } from '#core/model/site';
import { editBlock, type CellEdit } from './editBlock';
import type { ListId } from './lists';

/**
 * The changes that put one value into a column of one or many rows, all or none.
 * @param bareLength the unit a length without a unit is in
 */
export const editCells = (
  site: Site,
  id: ListId,
  rowIds: readonly string[],
  key: string,
  typed: string,
  bareLength: 'm' | 'ft' = 'm',
): CellEdit =>
  editBlock(
    site,
    id,
    rowIds.map((rowId) => ({ rowId, key, typed })),
    bareLength,
  );
