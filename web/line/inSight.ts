/** How far beyond the edges rows are drawn, so that a quick scroll shows no gap. */
const reservePx = 240;

/** What of a long column lies in sight: everything whose `y` is between the edges, with some reserve. Sorted by `y`. */
export function inSight<T extends { y: number }>(column: readonly T[], topY: number, heightPx: number): T[] {
  const first = (y: number): number => {
    let [low, high] = [0, column.length];
    while (low < high) {
      const middle = (low + high) >> 1;
      if (column[middle]!.y < y) low = middle + 1;
      else high = middle;
    }
    return low;
  };
  return column.slice(first(topY - reservePx), first(topY + heightPx + reservePx));
}
