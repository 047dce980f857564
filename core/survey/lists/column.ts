import type { Change, Site } from '#core/model/site';
import { parseQuantity, type Unit } from '#core/shared/units';
import type { Word } from './siteWords';

/** What stands in a cell: text, a figure in the column's own unit, or nothing. */
export type Cell = string | number | null;

/** What a cell may hold. A word is shown as it is said, and read as it is said or by its id. */
export type CellKind =
  | { kind: 'text'; most: number }
  | { kind: 'number'; unit: Unit; least: number; most: number; whole?: true }
  | {
      kind: 'word';
      words: (site: Site) => readonly Word[];
      alsoRead?: (text: string) => Read;
      /** A word that nobody knows may be the name of a place that is not noted yet. */
      mayBeNew?: true;
    }
  | { kind: 'words'; words: readonly Word[] }
  | { kind: 'yes-no' };

export type Written<Row> = { kind: 'row'; row: Row } | { kind: 'refused'; why: string };

export interface Column<Row> {
  key: string;
  heading: string;
  /** Other headings under which people keep this. */
  also: readonly string[];
  cell: CellKind;
  read: (row: Row, site: Site) => Cell;
  /** The row with this cell set to a value that fits the column; left out where the cell is only read. */
  write?: (row: Row, value: Cell, site: Site) => Written<Row>;
  width: number;
}

/** A kind of list: its columns, its rows, and how a row becomes changes again. */
export interface List<Row> {
  id: string;
  label: string;
  /** One row, with its number of many: `camera`, `cameras`. */
  one: string;
  columns: readonly Column<Row>[];
  /** Which columns tell a row from all others. */
  keys: readonly string[];
  rows: (site: Site) => { id: string; row: Row }[];
  rowId: (row: Row) => string;
  /** The row with this id, which is there. */
  rowAt: (id: string, site: Site) => Row;
  /** What the row is called in a sentence. */
  name: (row: Row, site: Site) => string;
  /** The change that puts a row back into its site. */
  change: (row: Row, site: Site) => Change;
  /** A row that is not there yet, from its key cells and whatever else the new row says, under an id with its maker's mark; or why there can be none. */
  start: (
    cells: ReadonlyMap<string, Cell>,
    site: Site,
    mark?: string,
  ) => { kind: 'row'; row: Row } | { kind: 'refused'; why: string };
}

export type Read = { kind: 'value'; value: Cell } | { kind: 'refused'; why: string };

const refused = (why: string): Read => ({ kind: 'refused', why });
const plain = (text: string): string => text.trim().toLowerCase().replace(/\s+/g, ' ');

const yes = new Set(['yes', 'y', 'true', '1', 'x', '✓']);
const no = new Set(['no', 'n', 'false', '0', '-', '–']);

/** A number that is written with what it is of: `CAM-01`, `Camera 7`, `#12`, `Ch 3`. */
const withName = /^(?:camera|cam|channel|chan|ch|no|nr|number|input|port|#)[\s.:_#-]*(\d+)$/i;
const withoutName = (text: string, unit: Unit, whole: true | undefined): string =>
  whole && unit === '' ? (withName.exec(text.trim())?.[1] ?? text) : text;

function readNumber(
  text: Cell,
  { unit, least, most, whole }: CellKind & { kind: 'number' },
  bareLength: 'm' | 'ft',
): Read {
  const typed = withoutName(typeof text === 'number' ? String(text) : (text ?? ''), unit, whole);
  const isBare = /^[+\-−]?[\d.,]+$/.test(typed.trim());
  const parsed = parseQuantity(unit === 'm' && bareLength === 'ft' && isBare ? `${typed} ft` : typed, unit);
  if (parsed.kind === 'refused') return refused(`“${typed}”: ${parsed.why}`);
  const { value } = parsed;
  if (value < least || value > most || (whole && !Number.isInteger(value)))
    return refused(
      `${typed}: ${whole ? 'a whole number ' : ''}from ${least} to ${most}${unit ? ` ${unit}` : ''}`,
    );
  return { kind: 'value', value };
}

const valuesOf = new WeakMap<readonly Word[], Map<string, string>>();

/** The value behind each way of writing a word. The first of two alike is taken. */
function spellings(words: readonly Word[]): Map<string, string> {
  let known = valuesOf.get(words);
  if (!known) {
    known = new Map(
      [...words].reverse().flatMap(
        ({ value, label }) =>
          [
            [value, value],
            [plain(label), value],
          ] as [string, string][],
      ),
    );
    valuesOf.set(words, known);
  }
  return known;
}

function readWord(text: string, words: readonly Word[]): Read {
  const found = spellings(words).get(plain(text));
  if (found !== undefined) return { kind: 'value', value: found };
  const shown = words
    .slice(0, 8)
    .map(({ label }) => label)
    .join('; ');
  return refused(`“${text}” is not one of: ${shown || 'there is none yet'}${words.length > 8 ? '; …' : ''}`);
}

/** What a word that stands in no list may still say. */
const readOther = (read: Read, text: string, alsoRead?: (text: string) => Read): Read =>
  read.kind === 'value' || !alsoRead ? read : alsoRead(text);

/** Reads what was typed or imported as a value that fits the column, or says why it does not. */
export function readCell(cell: CellKind, input: Cell, site: Site, bareLength: 'm' | 'ft' = 'm'): Read {
  const text = input === null ? '' : String(input).trim();
  switch (cell.kind) {
    case 'text':
      return text.length <= cell.most
        ? { kind: 'value', value: text }
        : refused(`${text.length} characters; at most ${cell.most}`);
    case 'number':
      return readNumber(input, cell, bareLength);
    case 'word':
      return readOther(readWord(text, cell.words(site)), text, cell.alsoRead);
    case 'words': {
      const read = text
        .split(/[;,]/)
        .map((part) => part.trim())
        .filter(Boolean)
        .map((part) => readWord(part, cell.words));
      const wrong = read.find((one) => one.kind === 'refused');
      return (
        wrong ?? {
          kind: 'value',
          value: read.map((one) => (one.kind === 'value' ? one.value : '')).join(', '),
        }
      );
    }
    case 'yes-no':
      return yes.has(plain(text))
        ? { kind: 'value', value: 'yes' }
        : no.has(plain(text))
          ? { kind: 'value', value: 'no' }
          : refused(`“${text}” is neither yes nor no`);
  }
}

/** Whether a cell already says this. Blanks around a text say nothing. */
export const saysAlready = (now: Cell, value: Cell): boolean =>
  now === value || (typeof now === 'string' && now.trim() === value);

const saidOf = new WeakMap<readonly Word[], Map<string, string>>();

function sayings(words: readonly Word[]): Map<string, string> {
  let known = saidOf.get(words);
  if (!known) {
    known = new Map(words.map(({ value, label }) => [value, label]));
    saidOf.set(words, known);
  }
  return known;
}

/** A value as the list shows it: words as they are said. */
export function sayCell(cell: CellKind, value: Cell, site: Site): Cell {
  if (value === null || value === '') return value;
  if (cell.kind === 'word') return sayings(cell.words(site)).get(String(value)) ?? value;
  if (cell.kind === 'words')
    return String(value)
      .split(', ')
      .map((one) => cell.words.find((word) => word.value === one)?.label ?? one)
      .join(', ');
  return value;
}
