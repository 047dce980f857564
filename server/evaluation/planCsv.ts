import Papa from 'papaparse';
import { evaluateSite } from '#core/evaluate';
import { planTable } from '#core/documents';
import type { Site } from '#core/model/site';
import { neutralised } from '#core/survey/lists';

/** The plan, a line a camera, for other programs and spreadsheets. Text that a spreadsheet would run as a formula is quoted. */
export function planCsv(site: Site): string {
  const { headings, rows } = planTable(site, evaluateSite(site));
  const data = rows.map((row) => row.map((cell) => (typeof cell === 'string' ? neutralised(cell) : cell)));
  // The byte order mark tells spreadsheets that this is UTF-8.
  return `\ufeff${Papa.unparse({ fields: headings, data })}\r\n`;
}
