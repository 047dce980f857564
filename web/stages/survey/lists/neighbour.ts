import type { Then } from './listEditing';

/** The cell below or to the right of this one, among those that are drawn. */
export function neighbour(cell: HTMLElement | null | undefined, then: Then): HTMLElement | null {
  // Rows stand in the document in the order in which they are seen.
  const row = cell?.closest('[role=row]');
  if (!cell || !row || then === 'stay') return null;
  const [, columnKey] = (cell.dataset['cell'] ?? '').split(' ');
  if (then === 'down')
    return row.nextElementSibling?.querySelector<HTMLElement>(`[data-cell$=" ${columnKey}"]`) ?? null;
  const cells = [...row.querySelectorAll<HTMLElement>('[data-cell]')];
  return cells[cells.indexOf(cell) + 1] ?? null;
}
