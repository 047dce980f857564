import same from 'fast-deep-equal';
import {
  applyChanges,
  changesBetween,
  placeNamed,
  withChanges,
  type Change,
  type Site,
} from '#core/model/site';
import { readCell, sayCell, saysAlready, type Cell, type List } from './column';
import { columnOf, listOf, type ListId } from './lists';
import type { Match } from './matchColumns';
import { tableWords, type AskedWord, type Decided, type TableWords } from './tableWords';

/** A table from outside: its headings, and its rows as they stood in the file. */
export interface ForeignTable {
  headings: string[];
  rows: { line: number; cells: Cell[] }[];
}

export interface CellNews {
  heading: string;
  before: Cell;
  after: Cell;
}

/** What becomes of one row of the file. */
export type RowNews =
  | { line: number; kind: 'new' | 'changed'; what: string; cells: CellNews[] }
  | { line: number; kind: 'same'; what: string }
  | { line: number; kind: 'refused'; what: string; why: string[] }
  /** A total, a floor between rows, or whatever else a person left out. */
  | { line: number; kind: 'left-out'; what: string };

/** What an import would do. It can be applied only where no row is refused. */
export interface Preview {
  asked: AskedWord[];
  rows: RowNews[];
  counts: Record<RowNews['kind'], number>;
  changes: Change[];
  problems: string[];
}

/** A row of the file that found its place in the list, or why it did not. */
interface Incoming {
  line: number;
  values: Map<string, Cell>;
  id: string | null;
  isNew: boolean;
  what: string;
  why: string[];
}

type AnyList = List<unknown>;

function valuesOf(
  list: AnyList,
  cells: readonly Cell[],
  matches: readonly Match[],
  site: Site,
  words: TableWords,
): { values: Map<string, Cell>; why: string[] } {
  const values = new Map<string, Cell>();
  const why: string[] = [];
  matches.forEach(({ key, length }, index) => {
    const cell = cells[index] ?? null;
    // An empty cell leaves what is noted as it is.
    if (key === null || cell === null || String(cell).trim() === '') return;
    const column = columnOf(list, key);
    if (!column.write && !list.keys.includes(key)) return;
    const read = readCell(column.cell, words.meaning(key, cell), site, length);
    if (read.kind === 'refused') {
      why.push(`${column.heading}: ${read.why}`);
      words.ask(column, cell, site);
    }
    if (read.kind === 'value') values.set(key, read.value);
  });
  return { values, why };
}

/** What tells a row from all others; `null` where a key cell is missing. */
function keyText(list: AnyList, of: (key: string) => Cell): string | null {
  const parts = list.keys.map((key) => of(key));
  return parts.some((part) => part === null || part === '')
    ? null
    : parts.map((part) => String(part).toLowerCase()).join(' / ');
}

const keyed = (list: AnyList, site: Site): Map<string, { id: string; row: unknown }> =>
  new Map(
    list.rows(site).flatMap(({ id, row }) => {
      const key = keyText(list, (one) => columnOf(list, one).read(row, site));
      return key === null ? [] : [[key, { id, row }]];
    }),
  );

/** First pass: every row finds its fact, or starts one. New facts are in the draft when the cells are written. */
function findRows(
  list: AnyList,
  table: ForeignTable,
  matches: readonly Match[],
  site: Site,
  words: TableWords,
  mark?: string,
): { incoming: Incoming[]; draft: Site } {
  let draft = site;
  const known = keyed(list, site);
  const seen = new Map<string, number>();
  const incoming = table.rows.map(({ line, cells }): Incoming => {
    const { values, why } = valuesOf(list, cells, matches, draft, words);
    const key = keyText(list, (one) => values.get(one) ?? null);
    const what = key ?? `line ${line}`;
    if (key === null && why.length === 0)
      why.push(
        `no ${list.keys.map((one) => columnOf(list, one).heading).join(' and ')} to tell which ${list.one} this is`,
      );
    const first = key === null ? undefined : seen.get(key);
    if (first !== undefined) why.push(`line ${first} is the same ${list.one}`);
    else if (key !== null) seen.set(key, line);
    if (why.length > 0 || key === null) return { line, values, id: null, isNew: false, what, why };
    const found = known.get(key);
    if (found) return { line, values, id: found.id, isNew: false, what: list.name(found.row, site), why };
    const started = list.start(values, draft, mark);
    if (started.kind === 'refused') return { line, values, id: null, isNew: true, what, why: [started.why] };
    const change = list.change(started.row, draft);
    draft = withChanges(draft, [change]);
    const id = list.rowId(started.row);
    return { line, values, id, isNew: true, what: list.name(started.row, draft), why };
  });
  return { incoming, draft };
}

/** Second pass: the cells are written into their facts. What a row shows before and after is its news. */
function writeRows(
  list: AnyList,
  incoming: readonly Incoming[],
  site: Site,
  started: Site,
): { rows: RowNews[]; draft: Site; owner: Map<string, number> } {
  let draft = started;
  const owner = new Map<string, number>();
  const rows = incoming.map(({ line, values, id, isNew, what, why }, index): RowNews => {
    if (id === null || why.length > 0) return { line, kind: 'refused', what, why };
    let row = list.rowAt(id, draft);
    const before = isNew ? null : list.rowAt(id, site);
    const wrong: string[] = [];
    let isWritten = isNew;
    for (const [key, value] of values) {
      const column = columnOf(list, key);
      if (!column.write || list.keys.includes(key) || saysAlready(column.read(row, draft), value)) continue;
      const written = column.write(row, value, draft);
      if (written.kind === 'refused') wrong.push(`${column.heading}: ${written.why}`);
      else {
        row = written.row;
        isWritten = true;
      }
    }
    if (wrong.length > 0) return { line, kind: 'refused', what, why: wrong };
    // What says what it said before changes nothing: not every row is a fact of its own yet.
    if (!isWritten) return { line, kind: 'same', what };
    const change = list.change(row, draft);
    owner.set(`${change.kind}/${change.id}`, index);
    draft = withChanges(draft, [change]);
    const cells = list.columns.flatMap(({ key, heading, cell, read }): CellNews[] => {
      if (!values.has(key)) return [];
      const [old, now] = [before === null ? null : read(before, site), read(row, draft)];
      return old === now
        ? []
        : [{ heading, before: sayCell(cell, old, site), after: sayCell(cell, now, draft) }];
    });
    return cells.length === 0
      ? { line, kind: 'same', what }
      : { line, kind: isNew ? 'new' : 'changed', what, cells };
  });
  return { rows, draft, owner };
}

/** Lays what does not fit together at the row whose fact it is; the rest is said for the whole file. */
function placeProblems(
  rows: RowNews[],
  owner: ReadonlyMap<string, number>,
  site: Site,
  changes: readonly Change[],
): string[] {
  const applied = changes.length > 0 ? applyChanges(site, changes) : null;
  if (applied?.kind !== 'refused') return [];
  return applied.problems.flatMap(({ path, allowed }) => {
    const [kind, id, field = ''] = path.split('/');
    const index = owner.get(`${kind}/${id}`);
    const row = index === undefined ? undefined : rows[index];
    if (index === undefined || !row) return [`${path}: ${allowed}`];
    const said = `${field}: ${allowed}`;
    rows[index] = {
      line: row.line,
      kind: 'refused',
      what: row.what,
      why: row.kind === 'refused' ? [...row.why, said] : [said],
    };
    return [];
  });
}

/** What a row says, for whoever decides to leave it out. */
const wordsOf = (cells: readonly Cell[]): string =>
  cells
    .filter((cell) => cell !== null && cell !== '')
    .join(' ')
    .slice(0, 60);

/** The site with places of which a table knows the names only. */
const withPlaces = (site: Site, names: readonly string[], mark?: string): Site =>
  names.reduce((now, name) => withChanges(now, placeNamed(now, name, mark).changes), site);

/** What importing a table would do to a site, row by row. Nothing is changed by looking. */
export function previewImport(
  site: Site,
  id: ListId,
  table: ForeignTable,
  matches: readonly Match[],
  mark?: string,
  decided: Decided = {},
): Preview {
  const list = listOf(id);
  const leftOut = new Set(decided.leftOut);
  const words = tableWords(decided);
  const taken = { ...table, rows: table.rows.filter(({ line }) => !leftOut.has(line)) };
  const from = withPlaces(site, decided.newPlaces ?? [], mark);
  const found = findRows(list, taken, matches, from, words, mark);
  const { rows, draft, owner } = writeRows(list, found.incoming, from, found.draft);
  const changes = changesBetween(site, draft).filter(
    (change) => !('set' in change) || !same(change.set, site[change.kind][change.id]),
  );
  const problems = placeProblems(rows, owner, site, changes);
  const counts = { new: 0, changed: 0, same: 0, refused: 0, 'left-out': leftOut.size };
  for (const { kind } of rows) counts[kind] += 1;
  const out = table.rows.flatMap(({ line, cells }): RowNews[] =>
    leftOut.has(line) ? [{ line, kind: 'left-out', what: wordsOf(cells) }] : [],
  );
  return {
    rows: [...rows, ...out].sort((a, b) => a.line - b.line),
    counts,
    changes,
    problems,
    asked: words.asked(),
  };
}
