/** How high a line of bars is drawn, in pixels. */
export const lineHeight = 28;

/** What begins and ends on a line of a drawing. */
interface Span {
  start: number;
  end: number;
}

/** For each of these, in the order that they begin, the first of the lines under each other on which it meets none before it. */
export function linesApart(spans: readonly Span[]): number[] {
  const ends: number[] = [];
  return spans.map(({ start, end }) => {
    const free = ends.findIndex((last) => last <= start);
    const line = free < 0 ? ends.length : free;
    ends[line] = end;
    return line;
  });
}
