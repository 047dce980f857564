import type { Firm, Signature } from '#core/model/site';
import { neutralised } from '#core/survey/lists';
import type { Unit } from '#core/shared/units';

/** What stands in a cell: text, a figure in its column’s unit, or nothing. */
export type PaperCell = string | number | null;

export interface PaperColumn {
  label: string;
  /** Of a column of figures; `money` is in the paper’s currency. */
  unit?: Unit;
  /** How wide it is beside the others; left out, as wide as its text. */
  share?: number;
}

/** A piece of a paper, as data: how it looks is the layout’s affair. */
export type Block =
  | { kind: 'heading'; level: 1 | 2; text: string; newPage?: true }
  | { kind: 'text'; text: string; tone?: 'quiet' }
  | { kind: 'list'; items: readonly string[] }
  | { kind: 'caution'; items: readonly string[] }
  | { kind: 'figures'; items: readonly { label: string; value: number; unit: Unit }[] }
  | {
      kind: 'table';
      name: string;
      columns: readonly PaperColumn[];
      rows: readonly (readonly PaperCell[])[];
      /** A last row that stands out. */
      sum?: readonly PaperCell[];
    }
  /** Lines, or lines on a picture of the site: then by the file of it, and how much of the height it takes from above. */
  | { kind: 'drawing'; svg: string; caption: string; on?: { fileId: string; share: number } }
  /** A picture of the site by the id of its file; whoever lays the paper out fetches it. */
  | { kind: 'picture'; fileId: string; caption: string }
  /** What somebody ticks with a pen. */
  | { kind: 'checks'; items: readonly string[] }
  /** A sheet of labels; the code, where there is a page to lead to, is read by a phone. */
  | { kind: 'labels'; items: readonly { code?: string; title: string; lines: readonly string[] }[] }
  | {
      kind: 'signatures';
      items: readonly { role: string; name: string; on: string; strokes: Signature | null }[];
    };

/** A paper as plain data: web, command line and tables all lay out this. */
export interface Paper {
  id: string;
  title: string;
  site: string;
  address: string;
  customer: string;
  currency: string;
  /** Whose paper it is. */
  firm: Firm | null;
  /** Of which day it is. */
  on: string;
  /** What it rests on, as its first line, and what is still open. */
  restsOn: string;
  open: readonly string[];
  blocks: readonly Block[];
}

/** A table of a paper for other programs: its unit in each heading, figures as figures. */
export interface PaperTable {
  name: string;
  headings: string[];
  /** How many of the rows are the table’s own; a last one after them is their sum. */
  ownRows: number;
  rows: PaperCell[][];
}

const headingOf = ({ label, unit }: PaperColumn, currency: string): string => {
  if (unit === undefined || unit === '') return label;
  return `${label} [${unit === 'money' ? currency : unit}]`;
};

/** Text that a spreadsheet would run is made harmless. */
const harmless = (cell: PaperCell): PaperCell => (typeof cell === 'string' ? neutralised(cell) : cell);

/** Every table of a paper. */
export const tablesOf = ({ blocks, currency }: Paper): PaperTable[] =>
  blocks.flatMap((block): PaperTable[] =>
    block.kind === 'table'
      ? [
          {
            name: block.name,
            headings: block.columns.map((column) => headingOf(column, currency)),
            ownRows: block.rows.length,
            rows: [...block.rows, ...(block.sum ? [block.sum] : [])].map((row) => row.map(harmless)),
          },
        ]
      : [],
  );
