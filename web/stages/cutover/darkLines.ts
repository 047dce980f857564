import type { DarkBand } from '#core/cutover/nights';
import { linesApart } from './linesApart';

/** A stroke under a night: views that are dark from and to the same moment. */
export interface DarkLine {
  start: number;
  end: number;
  label: string;
  /** Which of the lines under each other it stands on. */
  line: number;
}

/** No more numbers than these are named at a stroke. */
const mostNamed = 3;
/** So much room a label takes, in minutes. */
const labelMinutes = 45;

/** Dark views as strokes, those that go together as one, on as few lines as keep them apart. */
export function darkLines(bands: readonly DarkBand[], numberOf: (view: string) => number): DarkLine[] {
  const together = new Map<string, DarkBand[]>();
  for (const band of bands) {
    const key = `${Math.round(band.start)} ${Math.round(band.end)}`;
    together.set(key, [...(together.get(key) ?? []), band]);
  }
  const strokes = [...together.values()].sort((a, b) => a[0]!.start - b[0]!.start);
  const lines = linesApart(strokes.map(([one]) => ({ start: one!.start, end: one!.end + labelMinutes })));
  return strokes.map((some, index) => {
    const { start, end } = some[0]!;
    const numbers = some.map(({ view }) => numberOf(view)).sort((a, b) => a - b);
    return {
      start,
      end,
      line: lines[index]!,
      label: numbers.length > mostNamed ? `${numbers.length} views` : numbers.join(', '),
    };
  });
}
