import Papa from 'papaparse';
import writeXlsx from 'write-excel-file/universal';
import type { PaperCell, PaperTable } from '#core/documents';
import { neutralised } from '#core/survey/lists';

/** Text that a spreadsheet would run is made harmless. */
const safe = (cell: PaperCell): PaperCell => (typeof cell === 'string' ? neutralised(cell) : cell);

/** Tables of a paper one under the other, each under its name. The byte order mark tells spreadsheets that it is UTF-8. */
export const paperCsv = (tables: readonly PaperTable[]): string =>
  `\ufeff${tables
    .map(
      ({ name, headings, rows }) =>
        `${name}\r\n${Papa.unparse({ fields: headings, data: rows.map((row) => row.map(safe)) })}`,
    )
    .join('\r\n\r\n')}\r\n`;

/** Longest name of a sheet that spreadsheets take, and what they refuse in it. */
const longestName = 31;
const sheetName = (name: string, at: number): string =>
  `${at + 1} ${name.replace(/[\\/?*[\]:]/g, ' ')}`.slice(0, longestName);

/** Tables of a paper as a workbook: a sheet each, figures as figures, headings with their units staying in sight. */
export const paperXlsx = (tables: readonly PaperTable[]): Promise<Blob> =>
  writeXlsx(
    tables.map(({ name, headings, rows }, at) => ({
      sheet: sheetName(name, at),
      stickyRowsCount: 1,
      columns: headings.map((heading) => ({ width: Math.max(12, heading.length + 2) })),
      data: [
        headings.map((value) => ({ value, fontWeight: 'bold' as const })),
        ...rows.map((row) =>
          row.map((cell) =>
            typeof cell === 'number'
              ? { value: cell, type: Number }
              : { value: String(safe(cell) ?? ''), type: String },
          ),
        ),
      ],
    })),
    {},
  ).toBlob();
