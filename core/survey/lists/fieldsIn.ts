import type { Cell } from './column';
import type { ForeignTable } from './preview';

const plain = (text: string): string =>
  text
    .toLowerCase()
    .replace(/[()[\]_]/g, ' ')
    .replace(/\s+/g, ' ')
    .trim();

/** In which column of a foreign table each field stands, by what it may be headed; columns that are none of them are left unread. */
export function fieldsIn<Field extends string>(
  { headings }: ForeignTable,
  known: Readonly<Record<Field, readonly string[]>>,
): { at: Partial<Record<Field, number>>; unread: string[] } {
  const at: Partial<Record<Field, number>> = {};
  const unread: string[] = [];
  headings.forEach((heading, index) => {
    const field = (Object.keys(known) as Field[]).find((one) => known[one].includes(plain(heading)));
    if (field && at[field] === undefined) at[field] = index;
    else unread.push(heading);
  });
  return { at, unread };
}

/** A figure with or without its unit, with a typographic minus or a decimal comma: `-61`, `−61 dBm`, `6,4 W`; `null` where it is none. */
export function figureIn(cell: Cell | undefined): number | null {
  const text = String(cell ?? '')
    .replace(/[−–]/g, '-')
    .trim();
  const told = /^(-?\d+(?:[.,]\d+)?)\s*(?:[A-Za-z][A-Za-z/]*)?$/.exec(text);
  return told ? Number(told[1]!.replace(',', '.')) : null;
}

/** Why a table without a column for something is not taken, with what it would be headed and what there is. */
export const noColumn = (what: string, names: readonly string[], { headings }: ForeignTable): string =>
  `No column tells ${what}: it would be headed ${names.map((one) => `“${one}”`).join(', ')}. The file has ${headings.map((one) => `“${one}”`).join(', ')}.`;
