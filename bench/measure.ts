/** The middle of a list of times. */
export function median(times: readonly number[]): number {
  const sorted = [...times].sort((a, b) => a - b);
  return sorted[Math.floor(sorted.length / 2)] ?? NaN;
}

function times(rounds: number, work: () => unknown): number[] {
  for (let k = 0; k < rounds; k += 1) work();
  return Array.from({ length: rounds }, () => {
    const start = performance.now();
    work();
    return performance.now() - start;
  });
}

/** Milliseconds that `work` takes, the median of `rounds` after as many to warm up. */
export const timed = (rounds: number, work: () => unknown): number => median(times(rounds, work));

/** The quickest of `rounds`: what the work itself costs, less what else the machine was doing. For comparing two sizes. */
export const quickest = (rounds: number, work: () => unknown): number => Math.min(...times(rounds, work));

export interface Row { figure: string; measured: string; wanted: string; holds: boolean }

export function printTable(rows: readonly Row[]): void {
  const columns = (['figure', 'measured', 'wanted'] as const).map((key) => Math.max(key.length, ...rows.map((row) => row[key].length)));
  const line = (cells: readonly string[]) => cells.map((cell, index) => cell.padEnd(columns[index] ?? 0)).join('  ');
  console.log(line(['figure', 'measured', 'wanted']));
  for (const row of rows) console.log(`${line([row.figure, row.measured, row.wanted])}  ${row.holds ? 'holds' : 'MISSED'}`);
}
