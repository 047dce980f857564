import type { Site } from '#core/model/site';
import type { Unit } from '#core/shared/units';
import type { Cell, CellKind, Column, Read, Written } from './column';
import type { Word } from './siteWords';

interface Saying {
  width?: number;
  also?: string[];
  mayBeNew?: true;
}

const row = <Row>(set: Row): Written<Row> => ({ kind: 'row', row: set });

function column<Row>(
  key: string,
  heading: string,
  cell: CellKind,
  read: (row: Row, site: Site) => Cell,
  write: Column<Row>['write'],
  { width = 110, also = [] }: Saying = {},
): Column<Row> {
  return { key, heading, also, cell, read, width, ...(write ? { write } : {}) };
}

/** A column that only shows what is noted elsewhere. */
export const shownColumn = <Row>(
  key: string,
  heading: string,
  read: (row: Row, site: Site) => Cell,
  saying?: Saying,
): Column<Row> => column(key, heading, { kind: 'text', most: 10_000 }, read, undefined, saying);

export const textColumn = <Row>(
  key: string,
  heading: string,
  most: number,
  read: (row: Row) => string | undefined,
  set: (row: Row, text: string) => Row,
  saying?: Saying,
): Column<Row> =>
  column(
    key,
    heading,
    { kind: 'text', most },
    (one) => read(one) ?? '',
    (one, value) => row(set(one, String(value ?? ''))),
    { width: 160, ...saying },
  );

interface Range {
  unit?: Unit;
  least: number;
  most: number;
  whole?: true;
}

export const numberColumn = <Row>(
  key: string,
  heading: string,
  { unit = '', ...range }: Range,
  read: (row: Row) => number | undefined,
  set: (row: Row, value: number) => Row,
  saying?: Saying,
): Column<Row> =>
  column(
    key,
    unit && unit !== 'money' ? `${heading} ${unit}` : heading,
    { kind: 'number', unit, ...range },
    (one) => read(one) ?? null,
    (one, value) => row(set(one, Number(value))),
    { width: 84, ...saying },
  );

export const wordColumn = <Row>(
  key: string,
  heading: string,
  words: readonly Word[],
  read: (row: Row) => string | undefined,
  set: (row: Row, value: string) => Row,
  saying?: Saying,
): Column<Row> =>
  column(
    key,
    heading,
    { kind: 'word', words: () => words },
    (one) => read(one) ?? '',
    (one, value) => row(set(one, String(value))),
    { width: 130, ...saying },
  );

/** A word out of what the site itself has, such as its places. */
export const siteWordColumn = <Row>(
  key: string,
  heading: string,
  words: (site: Site) => readonly Word[],
  read: (row: Row) => string | undefined,
  set: NonNullable<Column<Row>['write']>,
  saying?: Saying,
): Column<Row> =>
  column(
    key,
    heading,
    { kind: 'word', words, ...(saying?.mayBeNew ? { mayBeNew: true } : {}) },
    (one) => read(one) ?? '',
    set,
    { width: 140, ...saying },
  );

export const wordsColumn = <Row>(
  key: string,
  heading: string,
  words: readonly Word[],
  read: (row: Row) => readonly string[],
  set: (row: Row, values: string[]) => Row,
  saying?: Saying,
): Column<Row> =>
  column(
    key,
    heading,
    { kind: 'words', words },
    (one) => read(one).join(', '),
    (one, value) =>
      row(
        set(
          one,
          String(value ?? '')
            .split(', ')
            .filter(Boolean),
        ),
      ),
    { width: 150, ...saying },
  );

export const yesNoColumn = <Row>(
  key: string,
  heading: string,
  read: (row: Row) => boolean,
  set: (row: Row, value: boolean) => Row,
  saying?: Saying,
): Column<Row> =>
  column(
    key,
    heading,
    { kind: 'yes-no' },
    (one) => (read(one) ? 'yes' : 'no'),
    (one, value) => row(set(one, value === 'yes')),
    { width: 76, ...saying },
  );

/** A column of words that reads more than its words. */
export const readAlso = <Row>(of: Column<Row>, alsoRead: (text: string) => Read): Column<Row> =>
  of.cell.kind === 'word' ? { ...of, cell: { ...of.cell, alsoRead } } : of;

/** A text that may be left out altogether. */
export const optionalText = <Row extends object>(one: Row, key: keyof Row & string, text: string): Row => {
  const { [key]: _, ...rest } = one;
  return (text ? { ...rest, [key]: text } : rest) as Row;
};
