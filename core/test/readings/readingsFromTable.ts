import {
  mostReading,
  quantityTests,
  testDefinition,
  type QuantityTestId,
  type WireMap,
  type Run,
  type Site,
  type TestDefinition,
} from '#core/model/site';
import { cableOf } from '#core/physics/cable';
import { parseQuantity } from '#core/shared/units';
import type { Cell, ForeignTable } from '#core/survey/lists';

/** What a table tells of a test: a figure, or how the conductors of a category cable run. */
export type TableFound = { test: QuantityTestId; value: number } | { test: 'wire-map'; found: WireMap };

/** A reading that a table tells of, ready to be taken. */
export interface TableReading {
  run: Run;
  cameraNumber: number;
  found: TableFound;
  at?: string;
  temperatureC?: number;
  instrument?: string;
  meterProved?: boolean;
}

export interface ReadingsRead {
  readings: TableReading[];
  problems: { line: number; why: string }[];
  remarks: string[];
}

const plain = (text: Cell): string =>
  String(text ?? '')
    .trim()
    .toLowerCase()
    .replace(/[^\p{L}\p{N}]+/gu, ' ')
    .trim();

const columnNames = {
  run: [
    'run',
    'camera',
    'no',
    'number',
    'channel',
    'camera number',
    'cable',
    'cable id',
    'cable label',
    'label',
    'link',
  ],
  test: ['test', 'reading', 'measurement', 'what'],
  value: ['value', 'read', 'result', 'figure'],
  unit: ['unit', 'units'],
  at: ['at', 'time', 'date', 'when', 'taken'],
  temperature: ['temperature', 'cable temperature', 'temp', 'c'],
  instrument: ['instrument', 'meter', 'with'],
  proved: ['meter proved', 'proved', 'proved on a known source'],
} as const;
type ColumnName = keyof typeof columnNames;

type TableTest = TableFound['test'];

const testByName = new Map<string, TableTest>(
  quantityTests.flatMap(({ id, label, alsoCalled }) =>
    [id, label, ...alsoCalled].map((name): [string, TableTest] => [plain(name), id]),
  ),
).set('wire map', 'wire-map');

/** The column that is called like this; of several the one whose name says it most plainly, which stands first in the list. */
function columnIndex(headings: readonly string[], name: ColumnName): number {
  const plainly = headings.map(plain);
  const known = columnNames[name].find((spelling) => plainly.includes(spelling));
  return known === undefined ? -1 : plainly.indexOf(known);
}

/** A meter at the end of its range: more ohms than it shows, or more megohms than the least of such meters reach. */
const overRange = { Ω: mostReading - 1, MΩ: 200 } as const;

/** What a meter means by `OL`, or by more than a figure; nothing where it says neither, or where that says nothing of the test. */
function overOf(text: string, unit: string): number | null {
  if (unit !== 'Ω' && unit !== 'MΩ') return null;
  if (/^(ol|o\.l|0l|over ?load|over|inf|∞)$/i.test(text)) return overRange[unit];
  const least = /^>\s*(.+)$/.exec(text);
  const parsed = least ? parseQuantity(least[1]!, unit) : null;
  if (parsed?.kind !== 'read') return null;
  // Beyond what it shows no loop of a cable goes through; of insulation the figure itself is certain.
  return unit === 'Ω' ? overRange.Ω : parsed.value;
}

function valueOf(text: Cell, test: QuantityTestId, unit: string): { value: number } | { why: string } {
  const over = overOf(String(text ?? '').trim(), testDefinition(test).asks.unit);
  if (over !== null) return { value: over };
  const parsed = parseQuantity(`${String(text ?? '').trim()} ${unit}`.trim(), testDefinition(test).asks.unit);
  if (parsed.kind === 'refused') return { why: `“${String(text ?? '')}”: ${parsed.why}` };
  return parsed.value >= 0 && parsed.value <= mostReading
    ? { value: parsed.value }
    : { why: `“${String(text ?? '')}”: from 0 to ${mostReading}` };
}

/** Milliseconds of a moment that names no zone. */
export type LocalMoment = (written: string) => number;
const universal: LocalMoment = (written) => Date.parse(`${written}Z`);

/** A moment as an instrument writes it; where no zone stands beside it, it is of the place of whoever reads it in. */
function momentOf(text: Cell, local: LocalMoment): string | null {
  const written = String(text ?? '').trim();
  const hasZone = /[zZ]|[+-]\d\d:?\d\d$/.test(written);
  const at = hasZone ? Date.parse(written) : local(written.replace(' ', 'T'));
  return Number.isFinite(at) ? new Date(at).toISOString() : null;
}

/** How testers write a wire map. What says that it passed says that it is straight. */
const mapsByName: readonly (readonly [RegExp, WireMap])[] = [
  [/split/, 'split'],
  [/revers|polarity/, 'reversed'],
  [/cross/, 'crossed'],
  [/open/, 'open'],
  [/short/, 'short'],
  [/^(?:pass|ok|good|straight|correct)/, 'straight'],
];

function mapOf(text: Cell): { found: WireMap } | { why: string } {
  const named = mapsByName.find(([name]) => name.test(plain(text)));
  return named
    ? { found: named[1] }
    : { why: `“${String(text ?? '')}”: pass, open, short, crossed, reversed or split` };
}

/** A table calls a run by its camera’s number, alone or with a name around it: “20”, “Cam 20”, “SFT-20”. */
function numberIn(text: Cell): number {
  const figures = String(text ?? '').match(/\d+/g) ?? [];
  return figures.length === 1 ? Number(figures[0]) : NaN;
}

type About = Pick<TableReading, 'at' | 'temperatureC' | 'instrument' | 'meterProved'>;
type Columns = Record<ColumnName, number>;
interface Wide {
  index: number;
  test: TableTest;
}

const cellAt = (cells: readonly Cell[], index: number): Cell => (index < 0 ? null : (cells[index] ?? null));

/** When, how warm and with what a row was read; what is not understood is told. */
function aboutOf(
  cells: readonly Cell[],
  columns: Columns,
  local: LocalMoment,
  problem: (why: string) => void,
): About {
  const about: About = {};
  const [when, warm, instrument] = [
    cellAt(cells, columns.at),
    cellAt(cells, columns.temperature),
    cellAt(cells, columns.instrument),
  ];
  if (plain(when) !== '') {
    const at = momentOf(when, local);
    if (at === null) problem(`Date “${String(when)}” not understood; use 2026-03-12 08:15`);
    else about.at = at;
  }
  if (plain(warm) !== '') {
    const parsed = parseQuantity(String(warm), '°C');
    if (parsed.kind === 'refused') problem(`“${String(warm)}”: ${parsed.why}`);
    else about.temperatureC = parsed.value;
  }
  if (plain(instrument) !== '') about.instrument = String(instrument).trim().slice(0, 80);
  if (/^(yes|y|true|1|x)$/.test(plain(cellAt(cells, columns.proved)))) about.meterProved = true;
  return about;
}

/** The readings of one row: one where a column names the test, else one for each test that is a column. */
function rowOf(
  cells: readonly Cell[],
  columns: Columns,
  wide: readonly Wide[],
  problem: (why: string) => void,
): TableFound[] {
  const told =
    columns.test >= 0
      ? [{ index: columns.value, test: testByName.get(plain(cellAt(cells, columns.test))) }]
      : wide.filter(({ index }) => plain(cellAt(cells, index)) !== '');
  return told.flatMap(({ index, test }): TableFound[] => {
    if (!test) {
      problem(`“${String(cellAt(cells, columns.test) ?? '')}” is no test with a figure`);
      return [];
    }
    const cell = cellAt(cells, index);
    if (test === 'wire-map') {
      const map = mapOf(cell);
      if ('found' in map) return [{ test, found: map.found }];
      problem(map.why);
      return [];
    }
    const unit = columns.test >= 0 ? String(cellAt(cells, columns.unit) ?? '').trim() : '';
    const read = valueOf(cell, test, unit);
    if ('value' in read) return [{ test, value: read.value }];
    problem(read.why);
    return [];
  });
}

/** What a cable tester reads of a run that is no category cable is another cable's: its row names the wrong run. */
function doubtOf({ test }: TableFound, { segments }: Run): string | null {
  const { appliesTo, label }: Pick<TestDefinition, 'appliesTo' | 'label'> = testDefinition(test);
  const isPair = segments.every((segment) => cableOf(segment).kind === 'pair');
  return appliesTo === 'pair-throughout' && !isPair
    ? `${label.toLowerCase()}: the run is not category cable all the way`
    : null;
}

/** What keeps a table from being read at all. */
function unreadable({ run, test, value }: Columns, wide: readonly Wide[]): string | null {
  if (run < 0) return 'no column names the run; call it “run” or “camera”';
  if (test >= 0 && value < 0) return 'no column holds the value; call it “value”';
  if (test >= 0 || wide.length > 0) return null;
  return `no column names the test, and none is called like one: ${quantityTests.map(({ label }) => label).join('; ')}`;
}

/**
 * Readings from a table: a row for each (run, test, value), or a row for each run with a column for each test. Nothing is
 * guessed: what is not understood is a problem with its line.
 */
export function readingsFromTable(
  site: Site,
  { headings, rows }: ForeignTable,
  local: LocalMoment = universal,
): ReadingsRead {
  const columns = Object.fromEntries(
    (Object.keys(columnNames) as ColumnName[]).map((name) => [name, columnIndex(headings, name)]),
  ) as Columns;
  const wide = headings.flatMap((heading, index): Wide[] => {
    const test = testByName.get(plain(heading));
    return test && columns.test < 0 ? [{ index, test }] : [];
  });
  const why = unreadable(columns, wide);
  if (why) return { readings: [], problems: [{ line: 1, why }], remarks: [] };
  const runs = new Map(Object.values(site.run).map((run) => [site.camera[run.cameraId]!.number, run]));
  const problems: ReadingsRead['problems'] = [];
  const readings = rows.flatMap(({ line, cells }): TableReading[] => {
    const problem = (words: string): void => void problems.push({ line, why: words });
    const cameraNumber = numberIn(cellAt(cells, columns.run));
    const run = runs.get(cameraNumber);
    if (!run) {
      problem(`there is no run ${String(cellAt(cells, columns.run) ?? '')}`);
      return [];
    }
    const about = aboutOf(cells, columns, local, problem);
    return rowOf(cells, columns, wide, problem).flatMap((found): TableReading[] => {
      const doubt = doubtOf(found, run);
      if (doubt) problem(doubt);
      return doubt ? [] : [{ run, cameraNumber, found, ...about }];
    });
  });
  const ignored = headings.filter(
    (heading, index) =>
      heading !== '' && !Object.values(columns).includes(index) && !wide.some((one) => one.index === index),
  );
  return {
    readings,
    problems,
    remarks: ignored.length > 0 ? [`Not understood and left out: ${ignored.join(', ')}.`] : [],
  };
}
