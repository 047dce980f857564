import type { Site } from '#core/model/site';
import type { Cell, Column } from './column';
import type { Word } from './siteWords';

/** A word that a column does not know, in so many rows, and the words that it may stand for. */
export interface AskedWord {
  key: string;
  heading: string;
  text: string;
  rows: number;
  words: readonly Word[];
  /** Whether it may be the name of a place that is not noted yet. */
  mayBeNew: boolean;
}

/** What a person decided about a table: rows that are left out, and what its own words stand for. */
export interface Decided {
  leftOut?: readonly number[];
  meanings?: readonly { key: string; text: string; value: string }[];
  /** Names of places that are noted in the same import. */
  newPlaces?: readonly string[];
}

/** One spelling of a word: case and blanks do not tell two apart. */
const spelt = (cell: Cell): string =>
  String(cell ?? '')
    .trim()
    .toLowerCase()
    .replace(/\s+/g, ' ');

/** The words of a table as it is read: what they stand for, and which of them nobody knows. */
export interface TableWords {
  /** What a cell stands for by what a person said; else the cell. */
  meaning: (key: string, cell: Cell) => Cell;
  /** Notes a cell that its column does not know. */
  ask: (column: Column<unknown>, cell: Cell, site: Site) => void;
  /** What was noted, what stands in most rows first. */
  asked: () => AskedWord[];
}

export function tableWords({ meanings = [] }: Decided): TableWords {
  const known = new Map(meanings.map(({ key, text, value }) => [`${key} ${spelt(text)}`, value]));
  const asked = new Map<string, AskedWord>();
  return {
    meaning: (key, cell) => known.get(`${key} ${spelt(cell)}`) ?? cell,
    ask: ({ key, heading, cell: kind }, cell, site) => {
      if (kind.kind !== 'word') return;
      const at = `${key} ${spelt(cell)}`;
      const text = asked.get(at)?.text ?? String(cell).trim();
      asked.set(at, {
        key,
        heading,
        text,
        rows: (asked.get(at)?.rows ?? 0) + 1,
        words: kind.words(site),
        mayBeNew: kind.mayBeNew === true,
      });
    },
    asked: () => [...asked.values()].sort((a, b) => b.rows - a.rows),
  };
}
