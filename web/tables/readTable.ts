import { unzipSync } from 'fflate';
import Papa from 'papaparse';
import readXlsx from 'read-excel-file/universal';
import { reachOf, type Reach } from './sheetReach';
import { choicesSheet } from './sheetChoices';
import { restored, type Cell, type FileTable } from '#core/survey/lists';

/** A file as a table, with what a person should know of how it was read; or why it is none. */
export type ReadTable =
  { kind: 'table'; table: FileTable; remarks: string[] } | { kind: 'refused'; why: string };

const mostBytes = 20_000_000;
const mostUnpackedBytes = 100_000_000;
const mostRows = 20_000;
/** A sheet may have empty rows between; its last cell is no farther out than this. */
const farthest: Reach = { row: 100_000, column: 300 };

const refused = (why: string): ReadTable => ({ kind: 'refused', why });
const startsWith = (bytes: Uint8Array, ...magic: number[]): boolean =>
  magic.every((byte, index) => bytes[index] === byte);

/** Bytes as text. What is not UTF-8 is taken for the old Western encoding, and said so. */
function decoded(bytes: Uint8Array): { text: string; remarks: string[] } | null {
  if (startsWith(bytes, 0xff, 0xfe)) return { text: new TextDecoder('utf-16le').decode(bytes), remarks: [] };
  if (startsWith(bytes, 0xfe, 0xff)) return { text: new TextDecoder('utf-16be').decode(bytes), remarks: [] };
  if (bytes.includes(0)) return null;
  try {
    return { text: new TextDecoder('utf-8', { fatal: true }).decode(bytes), remarks: [] };
  } catch {
    return {
      text: new TextDecoder('windows-1252').decode(bytes),
      remarks: [
        'The file is not UTF-8; it was read as Windows-1252. Look at letters with accents before you apply it.',
      ],
    };
  }
}

/** The first row that says anything is the headings; empty rows are passed over, their lines still counted. */
function fromRows(rows: readonly (readonly Cell[])[], remarks: string[]): ReadTable {
  const numbered = rows
    .map((cells, index) => ({ line: index + 1, cells: [...cells] }))
    .filter(({ cells }) => cells.some((cell) => cell !== null && String(cell).trim() !== ''));
  const [first, ...rest] = numbered;
  if (!first || rest.length === 0)
    return refused(
      'There is no row under the headings. The first row names the columns, each further row is one line of the list.',
    );
  if (rest.length > mostRows) return refused(`${rest.length} rows; up to ${mostRows} are taken at once.`);
  return {
    kind: 'table',
    table: {
      headings: first.cells.map((cell) => String(cell ?? '').trim()),
      headingLine: first.line,
      rows: rest,
    },
    remarks,
  };
}

/** What separates the headings most often. A tab is never part of a heading, a comma may be. */
function delimiterOf(text: string): string {
  const headings = text.split(/\r?\n/).find((line) => line.trim() !== '') ?? '';
  const count = (sign: string) => headings.split(sign).length - 1;
  return ['\t', ';', '|', ','].reduce((best, sign) => (count(sign) > count(best) ? sign : best), '\t');
}

/** Text of cells separated by commas, semicolons or tabs; which of them is found out. */
export function tableFromText(whole: string, remarks: string[] = []): ReadTable {
  // Some programs say in a line of its own what separates the cells.
  const separator = /^\ufeff?sep=(.)\r?\n/i.exec(whole);
  const text = separator ? whole.slice(separator[0].length) : whole;
  const { data, meta, errors } = Papa.parse<string[]>(text.replace(/^\ufeff/, ''), {
    delimiter: separator?.[1] ?? delimiterOf(text),
  });
  const broken = errors.find(({ type }) => type === 'Quotes');
  if (broken)
    return refused(
      `A quotation mark in line ${(broken.row ?? 0) + 1} is not closed. Was the file cut short?`,
    );
  const said =
    meta.delimiter === ';'
      ? ['Cells are separated by semicolons.']
      : meta.delimiter === '\t'
        ? ['Cells are separated by tabs.']
        : [];
  return fromRows(
    data.map((cells) => cells.map((cell) => restored(cell))),
    [...remarks, ...said],
  );
}

/** A date of a sheet, with its time where it has one. Sheets know no time zones: what stands there is what the clock said. */
const momentText = (at: Date): string => {
  const text = at.toISOString();
  return text.slice(11, 16) === '00:00' ? text.slice(0, 10) : `${text.slice(0, 10)} ${text.slice(11, 16)}`;
};

/** The sheets of a workbook that was found to be one, as text. */
function sheetsOf(bytes: Uint8Array): string[] {
  const files = unzipSync(bytes, { filter: ({ name }) => /^xl\/worksheets\/[^/]+\.xml$/i.test(name) });
  return Object.values(files).map((file) => new TextDecoder().decode(file));
}

async function fromWorkbook(bytes: Uint8Array): Promise<ReadTable> {
  const names: string[] = [];
  let unpackedBytes = 0;
  try {
    unzipSync(bytes, {
      filter: ({ name, originalSize }) => {
        names.push(name);
        unpackedBytes += originalSize;
        return false;
      },
    });
  } catch {
    return refused('The file starts like a workbook but is damaged. Save it again as XLSX or CSV.');
  }
  if (!names.includes('xl/workbook.xml'))
    return refused(
      'This is a ZIP archive, not an XLSX workbook. Unpack it and choose the table inside, or save the table as XLSX or CSV.',
    );
  if (unpackedBytes > mostUnpackedBytes)
    return refused('Unpacked this workbook would be larger than 100 MB. Save the one sheet as CSV.');
  const tooFar = sheetsOf(bytes)
    .map(reachOf)
    .find(({ row, column }) => row > farthest.row || column > farthest.column);
  if (tooFar)
    return refused(
      `A sheet of this workbook has a cell in row ${tooFar.row}, column ${tooFar.column}; up to ${farthest.row} rows and ${farthest.column} columns are taken. Delete what stands far out, or save the one sheet as CSV.`,
    );
  try {
    const sheets = await readXlsx(bytes.slice().buffer);
    const [sheet] = sheets;
    const others = sheets.slice(1).filter((one) => one.sheet !== choicesSheet);
    const remarks =
      others.length > 0
        ? [`The workbook has ${sheets.length} sheets; the first, “${sheet?.sheet}”, was read.`]
        : [];
    return fromRows(
      (sheet?.data ?? []).map((row) =>
        row.map((cell): Cell => {
          if (cell === null || typeof cell === 'number' || typeof cell === 'string') return cell;
          if (typeof cell === 'boolean') return cell ? 'yes' : 'no';
          return cell instanceof Date ? momentText(cell) : String(cell);
        }),
      ),
      remarks,
    );
  } catch {
    return refused('The workbook could not be read. Save it again as XLSX or CSV.');
  }
}

/** Reads a CSV, TSV or XLSX file, told apart by what is in it and not by its name. */
export async function readTable(bytes: Uint8Array): Promise<ReadTable> {
  if (bytes.length === 0) return refused('The file is empty.');
  if (bytes.length > mostBytes)
    return refused(`The file has ${(bytes.length / 1e6).toFixed(0)} MB; up to ${mostBytes / 1e6} are taken.`);
  if (startsWith(bytes, 0x50, 0x4b, 0x03, 0x04)) return fromWorkbook(bytes);
  if (startsWith(bytes, 0xd0, 0xcf, 0x11, 0xe0))
    return refused('This is a workbook in the old XLS format. Save it as XLSX or CSV.');
  const text = decoded(bytes);
  return text
    ? tableFromText(text.text, text.remarks)
    : refused('This is neither a CSV file nor an XLSX workbook.');
}
