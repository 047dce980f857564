/** The cell that an arrow, Home or End leads to from this one, among those that are drawn. */
export function neighbour(cell: HTMLElement | null | undefined, key: string): HTMLElement | null {
  // Rows stand in the document in the order in which they are seen.
  const row = cell?.closest('[role=row]');
  if (!cell || !row) return null;
  const cells = [...row.querySelectorAll<HTMLElement>('[data-cell]')];
  const at = cells.indexOf(cell);
  const [, columnKey] = (cell.dataset['cell'] ?? '').split(' ');
  const above = (other: Element | null): HTMLElement | null =>
    other?.querySelector<HTMLElement>(`[data-cell$=" ${columnKey}"]`) ?? null;
  switch (key) {
    case 'ArrowRight':
      return cells[at + 1] ?? null;
    case 'ArrowLeft':
      return cells[at - 1] ?? null;
    case 'ArrowDown':
      return above(row.nextElementSibling);
    case 'ArrowUp':
      return above(row.previousElementSibling);
    case 'Home':
      return cells[0] ?? null;
    case 'End':
      return cells.at(-1) ?? null;
    default:
      return null;
  }
}
