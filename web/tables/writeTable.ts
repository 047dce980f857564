import Papa from 'papaparse';
import writeXlsx from 'write-excel-file/universal';
import type { Site } from '#core/model/site';
import { neutralised, type Cell, type Table } from '#core/survey/lists';
import { choicesFeature, choicesSheet, type ColumnChoices } from './sheetChoices';

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

/** The same as a workbook: figures as figures, text as text. */
export const xlsxOfRows = (
  sheet: string,
  headings: readonly string[],
  rows: readonly Readonly<Record<string, string | number>>[],
): Promise<Blob> =>
  writeXlsx(
    [
      {
        data: [
          headings.map((value) => ({ value, fontWeight: 'bold' as const })),
          ...rows.map((row) =>
            headings.map((heading) => {
              const value = row[heading] ?? '';
              return typeof value === 'number' ? { value, type: Number } : { value, type: String };
            }),
          ),
        ],
        sheet,
        columns: headings.map((_, at) => ({ width: at === 0 ? 46 : 14 })),
        stickyRowsCount: 1,
      },
    ],
    {},
  ).toBlob();

/** The words that each column of words takes. */
function choicesOf({ columns }: Table, site: Site): ColumnChoices[] {
  return columns.flatMap(({ cell, editable }, at): ColumnChoices[] => {
    if (!editable) return [];
    if (cell.kind === 'yes-no') return [{ at, words: ['yes', 'no'] }];
    const words = cell.kind === 'word' ? cell.words(site).map(({ label }) => label) : [];
    return words.length > 0 ? [{ at, words }] : [];
  });
}

/**
 * A list as a workbook: headings that stay and filter, figures as figures, and choices to pick from, which stand on a sheet of their own that
 * is hidden. Text stays text there, so a formula in it is never run.
 */
export async function xlsxOf(table: Table, site: Site): Promise<Blob> {
  const { label, columns, rows } = table;
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
  const choices = choicesOf(table, site);
  const longest = Math.max(0, ...choices.map(({ words }) => words.length));
  const lists = Array.from({ length: longest }, (_, row) =>
    choices.map(({ words }) => {
      const word = words[row];
      return word === undefined ? null : { value: word, type: String };
    }),
  );
  return writeXlsx(
    [
      {
        data: [head, ...body],
        sheet: label,
        columns: columns.map(({ width }) => ({ width: Math.round(width / 7) })),
        stickyRowsCount: 1,
      },
      ...(lists.length > 0 ? [{ data: lists, sheet: choicesSheet }] : []),
    ],
    { features: [choicesFeature(columns.length, rows.length, choices)] },
  ).toBlob();
}
