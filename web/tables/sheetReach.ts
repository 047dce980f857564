/** The farthest row and column that cells of a sheet stand in, counted from 1. */
export interface Reach {
  row: number;
  column: number;
}

const letterA = 64;

/** The number of a column by its letters: A is 1, AA is 27. */
export const columnNumber = (letters: string): number =>
  [...letters].reduce((number, letter) => number * 26 + letter.charCodeAt(0) - letterA, 0);

/**
 * How far the cells of a sheet reach, from its text alone: a reader makes a cell for every place up to the farthest, and one cell in the
 * last corner makes seventeen thousand million of them.
 */
export function reachOf(sheetXml: string): Reach {
  const reach = { row: 0, column: 0 };
  for (const [, letters = '', digits] of sheetXml.matchAll(/\br\s*=\s*["']([A-Z]{0,7})(\d{1,9})["']/g)) {
    reach.row = Math.max(reach.row, Number(digits));
    reach.column = Math.max(reach.column, columnNumber(letters));
  }
  return reach;
}
