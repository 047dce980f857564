/** The middle of a list of times. */
export function median(times: readonly number[]): number {
  const sorted = [...times].sort((a, b) => a - b);
  return sorted[Math.floor(sorted.length / 2)] ?? NaN;
}

function once(work: () => unknown): number {
  const start = performance.now();
  work();
  return performance.now() - start;
}

/** Milliseconds that `work` takes, the median of `rounds` after as many to warm up. */
export function timed(rounds: number, work: () => unknown): number {
  for (let k = 0; k < rounds; k += 1) work();
  return median(Array.from({ length: rounds }, () => once(work)));
}

/** How many times longer `big` takes than `small`, by the quickest round of each, taken in turns. */
export function timesLonger(rounds: number, small: () => unknown, big: () => unknown): number {
  let [least, most] = [Infinity, Infinity];
  for (let k = 0; k < rounds; k += 1) {
    least = Math.min(least, once(small));
    most = Math.min(most, once(big));
  }
  return most / least;
}

export interface Row {
  figure: string;
  measured: string;
  wanted: string;
  holds: boolean;
}

export function printTable(rows: readonly Row[]): void {
  const columns = (['figure', 'measured', 'wanted'] as const).map((key) =>
    Math.max(key.length, ...rows.map((row) => row[key].length)),
  );
  const line = (cells: readonly string[]) =>
    cells.map((cell, index) => cell.padEnd(columns[index] ?? 0)).join('  ');
  console.log(line(['figure', 'measured', 'wanted']));
  for (const row of rows)
    console.log(`${line([row.figure, row.measured, row.wanted])}  ${row.holds ? 'holds' : 'MISSED'}`);
}

/** A figure held against the reference of the same run: at most so many times as long. */
export const against = (referenceMs: number, figure: string, measuredMs: number, most: number): Row => ({
  figure,
  measured: `${measuredMs.toFixed(0)} ms, ${(measuredMs / referenceMs).toFixed(1)} times the reference`,
  wanted: `at most ${most} times`,
  holds: measuredMs <= most * referenceMs,
});
