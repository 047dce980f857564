/** The cell that an arrow, Home or End leads to from this one, among those that are drawn. */
export function neighbour(cell: HTMLElement | null | undefined, key: string): HTMLElement | null {
  const row = cell?.closest('tr');
  if (!cell || !row) return null;
  const cells = [...row.querySelectorAll<HTMLElement>('[data-cell]')];
  const at = cells.indexOf(cell);
  const above = (other: Element | null): HTMLElement | null => other?.querySelectorAll<HTMLElement>('[data-cell]')[at] ?? null;
  switch (key) {
    case 'ArrowRight': return cells[at + 1] ?? null;
    case 'ArrowLeft': return cells[at - 1] ?? null;
    case 'ArrowDown': return above(row.nextElementSibling);
    case 'ArrowUp': return above(row.previousElementSibling);
    case 'Home': return cells[0] ?? null;
    case 'End': return cells.at(-1) ?? null;
    default: return null;
  }
}
