import Papa from 'papaparse';
import writeXlsx from 'write-excel-file/universal';
import { neutralised, type Cell, type Table } from '#core/survey/lists';

const safe = (cell: Cell): Cell => (typeof cell === 'string' ? neutralised(cell) : cell);

/** A list as CSV. The byte order mark tells spreadsheets that it is UTF-8; text that one would run is made harmless. */
export function csvOf({ columns, rows }: Table): string {
  const data = rows.map(({ cells }) => columns.map(({ key }) => safe(cells[key] ?? null)));
  return `\ufeff${Papa.unparse({ fields: columns.map(({ heading }) => heading), data })}\r\n`;
}

/** Rows under headings as CSV, for what is no list of the survey. */
export const csvOfRows = (
  headings: readonly string[],
  rows: readonly Readonly<Record<string, string>>[],
): string =>
  `\ufeff${Papa.unparse({ fields: [...headings], data: rows.map((row) => headings.map((heading) => safe(row[heading] ?? ''))) })}\r\n`;

/** A list as a workbook of one sheet. Text stays text there, so a formula in it is never run. */
export async function xlsxOf({ label, columns, rows }: Table): Promise<Blob> {
  const head = columns.map(({ heading }) => ({ value: heading, fontWeight: 'bold' as const }));
  const body = rows.map(({ cells }) =>
    columns.map(({ key }) => {
      const cell = cells[key] ?? null;
      return cell === null || cell === ''
        ? null
        : typeof cell === 'number'
          ? { value: cell, type: Number }
          : { value: cell, type: String };
    }),
  );
  return writeXlsx([head, ...body], {
    sheet: label,
    columns: columns.map(({ width }) => ({ width: Math.round(width / 7) })),
    stickyRowsCount: 1,
  }).toBlob();
}
