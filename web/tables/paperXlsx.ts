import writeXlsx from 'write-excel-file/universal';
import type { PaperTable } from '#core/documents';
import { filterFeature } from './sheetChoices';

/** Longest name of a sheet that spreadsheets take, and what they refuse in it. */
const longestName = 31;
const sheetName = (name: string, at: number): string =>
  `${at + 1} ${name.replace(/[\\/?*[\]:]/g, ' ')}`.slice(0, longestName);

/** Tables of a paper as a workbook: a sheet each, figures as figures, headings with their units staying in sight and a filter each. */
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
            typeof cell === 'number' ? { value: cell, type: Number } : { value: cell ?? '', type: String },
          ),
        ),
      ],
    })),
    {
      features: [
        filterFeature(
          tables.map(({ headings, ownRows }) => ({ columnCount: headings.length, rowCount: ownRows })),
        ),
      ],
    },
  ).toBlob();
