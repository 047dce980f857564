import { fieldsIn, figureIn, noColumn, type ForeignTable } from '#core/survey/lists';
import type { SoakSample } from './soakOf';

export type SoakTable = { ok: true; value: SoakSample[] } | { ok: false; problems: string[] };

/** What the columns of a soak’s table are called. Whether the link was up need not be told. */
const headings = {
  at: ['time', 'at', 'timestamp', 'date', 'date time'],
  sent: ['sent', 'packets', 'tx', 'frames'],
  lost: ['lost', 'dropped', 'missing'],
  isUp: ['up', 'link', 'state'],
} as const;
const wanted = { at: 'the time', sent: 'packets sent', lost: 'packets lost' } as const;

const downWords = new Set(['down', '0', 'no', 'false', 'off']);

/** Most problems that are told. */
const mostTold = 5;

/** Samples from a table of a port’s counters, each since the row before. All or nothing is taken. */
export function soakFromTable(table: ForeignTable): SoakTable {
  const { at } = fieldsIn(table, headings);
  const missing = (Object.keys(wanted) as (keyof typeof wanted)[]).filter((field) => at[field] === undefined);
  if (missing.length > 0)
    return { ok: false, problems: missing.map((field) => noColumn(wanted[field], headings[field], table)) };
  const problems: string[] = [];
  const value = table.rows.flatMap(({ line, cells }): SoakSample[] => {
    const time = String(cells[at.at!] ?? '').trim();
    const atMs = Date.parse(time);
    const [sent, lost] = [figureIn(cells[at.sent!]), figureIn(cells[at.lost!])];
    if (Number.isNaN(atMs)) problems.push(`Line ${line}: “${time}” is no time such as 2026-04-30 22:10.`);
    else if (sent === null || lost === null)
      problems.push(`Line ${line}: packets sent and lost have to be numbers.`);
    else {
      const up = at.isUp === undefined ? 'up' : String(cells[at.isUp] ?? '').trim();
      return [{ atMs, sent, lost, isUp: !downWords.has(up.toLowerCase()) }];
    }
    return [];
  });
  return problems.length > 0 ? { ok: false, problems: problems.slice(0, mostTold) } : { ok: true, value };
}
