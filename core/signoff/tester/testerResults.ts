import type { AskedThing } from '#core/signoff/asked';
import { fieldsIn, noColumn, type Cell, type ForeignTable } from '#core/survey/lists';

/** What a cable tester said of a cable, for the thing at its end. */
export interface TesterResult {
  of: AskedThing['of'];
  passed: boolean;
  /** It passed by less than the tester is sure of, which testers mark with a star. */
  isMarginal: boolean;
}

interface TesterTable {
  results: TesterResult[];
  problems: string[];
}

/** What the columns of a tester’s summary are called. */
const headings = {
  cable: [
    'cable',
    'cable id',
    'cable label',
    'link',
    'label',
    'id',
    'run',
    'camera',
    'camera number',
    'no',
    'number',
  ],
  result: ['result', 'test result', 'verdict', 'overall', 'overall result', 'status', 'pass/fail'],
} as const;
const wanted = { cable: 'which cable it is', result: 'the tester’s verdict' } as const;

const textOf = (cell: Cell | undefined): string => String(cell ?? '').trim();
const plain = (text: string): string =>
  text
    .toLowerCase()
    .replace(/[^\p{L}\p{N}]+/gu, ' ')
    .trim();

/** The verdict in a cell; `null` where it says neither that it passed nor that it failed. */
function verdictIn(text: string): Pick<TesterResult, 'passed' | 'isMarginal'> | null {
  const isMarginal = /\*|marginal/i.test(text);
  if (/^(fail|failed|no|bad)\b/i.test(text)) return { passed: false, isMarginal };
  return /^(pass|passed|ok|yes|good|marginal)\b/i.test(text) ? { passed: true, isMarginal } : null;
}

type Sought = Pick<AskedThing, 'of' | 'name' | 'number'>;

/** The things that a table may mean by a label: that are called so, or cameras of the one number that stands in it. */
function meantBy(label: string, things: readonly Sought[]): Sought[] {
  const named = things.filter(({ name }) => plain(name) === plain(label));
  if (named.length > 0) return named;
  const figures = label.match(/\d+/g) ?? [];
  return figures.length === 1 ? things.filter(({ number }) => number === Number(figures[0])) : [];
}

/**
 * What a tester’s table says of the things that are to have its verdict. A cable that stands there twice is as its last
 * row says, as it was tested again after it was mended; rows that are not understood are told, and the others taken.
 */
export function testerResults(table: ForeignTable, things: readonly Sought[]): TesterTable {
  const { at } = fieldsIn(table, headings);
  const missing = (Object.keys(wanted) as (keyof typeof wanted)[]).filter((field) => at[field] === undefined);
  if (missing.length > 0)
    return { results: [], problems: missing.map((field) => noColumn(wanted[field], headings[field], table)) };
  const problems: string[] = [];
  const results = new Map<Sought, TesterResult>();
  for (const { line, cells } of table.rows) {
    const [label, said] = [textOf(cells[at.cable!]), textOf(cells[at.result!])];
    const [verdict, meant] = [verdictIn(said), meantBy(label, things)];
    if (!verdict) problems.push(`Line ${line}: “${said}” is neither pass nor fail.`);
    else if (meant.length === 0) problems.push(`Line ${line}: nothing called “${label}” waits for a tester.`);
    else if (meant.length > 1) problems.push(`Line ${line}: “${label}” may be several things here.`);
    else results.set(meant[0]!, { of: meant[0]!.of, ...verdict });
  }
  return { results: [...results.values()], problems };
}
