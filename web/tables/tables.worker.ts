import { expose } from 'comlink';
import {
  headingLineFor,
  matchColumns,
  previewImport,
  tableOf,
  type Decided,
  type ForeignTable,
  type ListId,
  type Match,
  type Preview,
} from '#core/survey/lists';
import { paperCsv, type Paper, type PaperTable } from '#core/documents';
import type { Site } from '#core/model/site';
import { readTable, tableFromText, type ReadTable } from './readTable';
import { paperXlsx } from './paperXlsx';
import { csvOf, csvOfRows, xlsxOf, xlsxOfRows } from './writeTable';

/** Tables come in and go out beside the page's own thread: a thousand rows must not hold up a key. */
const tables = {
  read: (bytes: Uint8Array): Promise<ReadTable> => readTable(bytes),
  readText: (text: string): ReadTable => tableFromText(text),
  match: (id: ListId, headings: string[]): Match[] => matchColumns(id, headings),
  headingLine: (id: ListId, rows: ForeignTable['rows']): number => headingLineFor(id, rows),
  preview: (
    site: Site,
    id: ListId,
    table: ForeignTable,
    matches: Match[],
    mark: string,
    decided: Decided,
  ): Preview => previewImport(site, id, table, matches, mark, decided),
  csv: (site: Site, id: ListId): string => csvOf(tableOf(site, id)),
  rowsCsv: (headings: string[], rows: Record<string, string>[]): string => csvOfRows(headings, rows),
  rowsXlsx: (sheet: string, headings: string[], rows: Record<string, string | number>[]): Promise<Blob> =>
    xlsxOfRows(sheet, headings, rows),
  paperCsv: (of: Paper): string => paperCsv(of),
  paperXlsx: (of: readonly PaperTable[]): Promise<Blob> => paperXlsx(of),
  xlsx: (site: Site, id: ListId): Promise<Blob> => xlsxOf(tableOf(site, id), site),
};

export type Tables = typeof tables;
expose(tables);
