import type { RunSummary } from '#core/evaluate';
import { layOut, type LineShape } from '#core/survey/lineShape';

export type BoardOrder = 'place' | 'length' | 'trouble';
export interface BoardRow {
  run: RunSummary;
  name: string;
  y: number;
  shape: LineShape;
}
export interface BoardLayout {
  narrow: boolean;
  rows: BoardRow[];
  headings: { text: string; y: number }[];
  height: number;
  pxPerM: number;
  longestM: number;
  x0: number;
}

const rank: Record<RunSummary['findings']['state'], number> = {
  stop: 0,
  fails: 1,
  close: 2,
  untested: 3,
  holds: 4,
};

/** The same runs, in the order a person asked for. */
export function ordered(runs: readonly RunSummary[], order: BoardOrder): RunSummary[] {
  const byNumber = (a: RunSummary, b: RunSummary) => a.camera.number - b.camera.number;
  if (order === 'length') return [...runs].sort((a, b) => b.lengthM - a.lengthM || byNumber(a, b));
  return [...runs].sort(
    (a, b) =>
      rank[a.findings.state] - rank[b.findings.state] ||
      (b.findings.binding.utilisation ?? 0) - (a.findings.binding.utilisation ?? 0) ||
      byNumber(a, b),
  );
}

/** A name cut to the room before its line; about 6.4 px a letter. */
function shortened(name: string, roomPx: number): string {
  const letters = Math.floor(roomPx / 6.4);
  return name.length > letters ? `${name.slice(0, letters - 1)}…` : name;
}

interface Group {
  name: string;
  runs: RunSummary[];
}

/** Narrower than this, only the metres are written behind a line. */
const narrowPx = 560;
const headingPx = 18;
const topPx = 26;

/** Lays all runs out to one scale so that they fill the height where they can, and scroll where they cannot. */
export function boardLayout(
  groups: readonly Group[],
  order: BoardOrder,
  width: number,
  height: number,
  lengthWords: (lengthM: number) => string,
): BoardLayout {
  const shown: Group[] =
    order === 'place'
      ? [...groups]
      : [
          {
            name: '',
            runs: ordered(
              groups.flatMap(({ runs }) => runs),
              order,
            ),
          },
        ];
  const count = shown.reduce((sum, { runs }) => sum + runs.length, 0);
  const headings = order === 'place' ? shown.length : 0;
  const rowPx = Math.min(26, Math.max(17, (height - topPx - 8 - headings * headingPx) / Math.max(1, count)));
  const narrow = width < narrowPx;
  const x0 = narrow ? 124 : 150;
  const wordsPx = narrow ? 66 : 170;
  const longestM = shown.reduce(
    (most, { runs }) => runs.reduce((longest, { lengthM }) => Math.max(longest, lengthM), most),
    50,
  );
  const pxPerM = Math.max(0.05, (width - x0 - wordsPx) / longestM);
  const layout: BoardLayout = { narrow, rows: [], headings: [], height: 0, pxPerM, longestM, x0 };
  let y = topPx;
  for (const { name, runs } of shown) {
    if (order === 'place') {
      layout.headings.push({ text: name, y: y + 12 });
      y += headingPx;
    }
    for (const run of runs) {
      layout.rows.push({
        run,
        name: shortened(run.camera.name, x0 - 30),
        y: y + rowPx / 2,
        shape: layOut(run.run, x0, pxPerM, lengthWords),
      });
      y += rowPx;
    }
  }
  layout.height = y + 8;
  return layout;
}
