import Papa from 'papaparse';
import { evaluateSite } from '#core/evaluate';
import { planSheet, type PlanRow } from '#core/documents';
import type { Site } from '#core/model/site';
import { neutralised } from '#core/survey/lists';

const headings: Record<keyof PlanRow, string> = {
  number: 'camera',
  camera: 'name',
  place: 'place',
  cable: 'run',
  choice: 'choice',
  margin: 'binding margin',
  rests: 'rests on',
  slot: 'recorder slot',
  hours: 'hours',
  darkHours: 'dark hours',
  cost: 'cost',
  decidedBy: 'decided by',
  remark: 'remark',
};

const digits = (value: PlanRow[keyof PlanRow]): string | number =>
  typeof value === 'number' ? Math.round(value * 100) / 100 : (value ?? '');

const safe = (cell: string | number): string | number =>
  typeof cell === 'string' ? neutralised(cell) : cell;

/** The plan, a line a camera, for a spreadsheet. Text that a spreadsheet would run as a formula is quoted. */
export function planCsv(site: Site): string {
  const keys = Object.keys(headings) as (keyof PlanRow)[];
  const data = planSheet(site, evaluateSite(site)).rows.map((row) =>
    keys.map((key) => safe(digits(row[key]))),
  );
  // The byte order mark tells spreadsheets that this is UTF-8.
  return `\ufeff${Papa.unparse({ fields: keys.map((key) => headings[key]), data })}\r\n`;
}
