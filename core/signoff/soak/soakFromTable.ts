import type { SoakSample } from './soakOf';

export type SoakTable = { ok: true; value: SoakSample[] } | { ok: false; problems: string[] };

/** The columns that a soak’s table needs, with other names that they go by. */
const columns = {
  at: ['time', 'at', 'timestamp', 'date'],
  sent: ['sent', 'packets', 'tx', 'frames'],
  lost: ['lost', 'dropped', 'errors', 'missing'],
} as const;
const upNames = ['up', 'link', 'state'];

const downWords = new Set(['down', '0', 'no', 'false', 'off']);

const find = (headings: readonly string[], names: readonly string[]): number =>
  headings.findIndex((heading) => names.includes(heading.trim().toLowerCase()));

/** Most problems that are told. */
const mostTold = 5;

/**
 * Samples from a table whose first row holds the headings: time, sent, lost, and whether the link was up where that is told.
 * Counts are those since the row before.
 */
export function soakFromTable(rows: readonly (readonly string[])[]): SoakTable {
  const [headings = [], ...lines] = rows;
  const at = {
    at: find(headings, columns.at),
    sent: find(headings, columns.sent),
    lost: find(headings, columns.lost),
    up: find(headings, upNames),
  };
  const missing = (Object.keys(columns) as (keyof typeof columns)[]).filter((name) => at[name] < 0);
  if (missing.length > 0)
    return {
      ok: false,
      problems: missing.map(
        (name) => `There is no column “${columns[name][0]}” (or ${columns[name].slice(1).join(', ')}).`,
      ),
    };
  const problems: string[] = [];
  const samples = lines.flatMap((line, index): SoakSample[] => {
    if (line.every((cell) => cell.trim() === '')) return [];
    const said = (cell: number): string => (line[cell] ?? '').trim();
    const atMs = Date.parse(said(at.at));
    const [sent, lost] = [Number(said(at.sent)), Number(said(at.lost))];
    if (Number.isNaN(atMs))
      problems.push(`Row ${index + 2}: “${said(at.at)}” is no time such as 2026-04-30T22:10.`);
    else if (said(at.sent) === '' || said(at.lost) === '' || Number.isNaN(sent) || Number.isNaN(lost))
      problems.push(`Row ${index + 2}: sent and lost have to be numbers.`);
    else return [{ atMs, sent, lost, isUp: at.up < 0 || !downWords.has(said(at.up).toLowerCase()) }];
    return [];
  });
  return problems.length > 0
    ? { ok: false, problems: problems.slice(0, mostTold) }
    : { ok: true, value: samples };
}
