import { strFromU8, strToU8, unzipSync, zipSync } from 'fflate';
import { describe, expect, it } from 'vitest';
import { matchColumns, previewImport, tableOf, type ListId, listIds } from '#core/survey/lists';
import { withChanges, type Site } from '#core/model/site';
import { saltmarrowSite } from '../../core/model/site/testSite';
import { readTable, type ReadTable } from './readTable';
import { paperXlsx } from './paperXlsx';
import { columnLetters } from './sheetChoices';
import { csvOf, xlsxOf } from './writeTable';

const demo = saltmarrowSite();
/** The demo with text that a spreadsheet would run, quote or break up. */
const site: Site = withChanges(
  demo,
  ['=cmd()', '+1', '-note', '@sum', "'=1+1", 'two\nlines', 'a;b,"c"\td', 'Größe – ½ Ω'].map((note, index) => {
    const id = `c0${index + 1}`;
    return { kind: 'camera' as const, id, set: { ...demo.camera[id]!, note } };
  }),
);
const bytes = (text: string) => new TextEncoder().encode(text);
async function read(input: Uint8Array): Promise<Extract<ReadTable, { kind: 'table' }>> {
  const table = await readTable(input);
  if (table.kind === 'refused') throw new Error(table.why);
  return table;
}
const why = async (input: Uint8Array) => {
  const table = await readTable(input);
  return table.kind === 'refused' ? table.why : 'read';
};

describe('tables of a paper', () => {
  it('are a sheet each with a filter over its rows, the sum left out', async () => {
    const table = (name: string, ownRows: number) => ({
      name,
      headings: ['What', 'Cost [EUR]'],
      ownRows,
      rows: [
        ['Camera', 100],
        ['Lead', 4],
      ],
    });
    const workbook = await paperXlsx([table('Parts', 1), table('Others', 2)]);
    const files = unzipSync(new Uint8Array(await workbook.arrayBuffer()));
    const text = (name: string) => strFromU8(files[name]!);
    expect(text('xl/worksheets/sheet1.xml')).toContain('<autoFilter ref="A1:B2"/>');
    expect(text('xl/worksheets/sheet2.xml')).toContain('<autoFilter ref="A1:B3"/>');
  });
});

describe('an export', () => {
  it.each(listIds)('of %ss comes in again without a difference, as CSV and as XLSX', async (id: ListId) => {
    const table = tableOf(site, id);
    const files = [bytes(csvOf(table)), new Uint8Array(await (await xlsxOf(table, site)).arrayBuffer())];
    for (const file of files) {
      const { table: back } = await read(file);
      const { changes, counts } = previewImport(site, id, back, matchColumns(id, back.headings));
      expect([changes, counts.same, counts.refused]).toEqual([[], table.rows.length, 0]);
    }
  });
  it('as a workbook has filters, headings that stay, figures that are figures, and choices to pick from', async () => {
    const table = tableOf(site, 'camera');
    const files = unzipSync(new Uint8Array(await (await xlsxOf(table, site)).arrayBuffer()));
    const text = (name: string) => strFromU8(files[name]!);
    const [list, choices] = [text('xl/worksheets/sheet1.xml'), text('xl/worksheets/sheet2.xml')];
    expect(list).toContain(`<autoFilter ref="A1:${columnLetters(table.columns.length - 1)}26"/>`);
    expect(list).toMatch(/<pane [^>]*state="frozen"/);
    expect(list).toMatch(/<c r="A2"[^>]*><v>1<\/v>/);
    const lamps = table.columns.findIndex(({ key }) => key === 'lamps');
    const [, column, from] =
      new RegExp(
        `sqref="${columnLetters(lamps)}2:${columnLetters(lamps)}526"><formula1>Choices!\\$([A-Z]+)\\$(\\d)`,
      ).exec(list) ?? [];
    expect(from).toBe('1');
    // The words themselves stand in that column.
    const first = new RegExp(`<c r="${column}1"[^>]*>.*?</c>`).exec(choices)?.[0] ?? '';
    const shared = /<v>(\d+)<\/v>/.exec(first)?.[1];
    expect(shared === undefined ? first : text('xl/sharedStrings.xml')).toContain('No lamps');
    expect(text('xl/workbook.xml')).toMatch(
      /<sheet [^>]*name="Choices"[^>]*state="hidden"|state="hidden"[^>]*name="Choices"/,
    );
  });
  it('never begins a cell of text with what a spreadsheet runs', () => {
    const cells = csvOf(tableOf(site, 'camera'))
      .split(/\r\n/)
      .flatMap((line) => line.split(','));
    expect(cells.filter((cell) => /^"?[=@+-](?!\d)/.test(cell))).toEqual([]);
  });
});

describe('a file from elsewhere', () => {
  it.each<[string, string, string[]]>([
    ['commas', 'number,view\n8,"Weighbridge, north"\n', []],
    [
      'semicolons and a decimal comma',
      'number;view;night\n8;"Weighbridge, north";3,5\n',
      ['Cells are separated by semicolons.'],
    ],
    ['tabs', 'number\tview\n8\tWeighbridge, north\n', ['Cells are separated by tabs.']],
  ])('with %s', async (_, text, remarks) => {
    const { table, remarks: said } = await read(bytes(text));
    expect([table.headings.slice(0, 2), table.rows[0]!.cells.slice(0, 2), said]).toEqual([
      ['number', 'view'],
      ['8', 'Weighbridge, north'],
      remarks,
    ]);
  });
  it('in UTF-16, or in the old Western encoding', async () => {
    const utf16 = new Uint8Array([
      0xff,
      0xfe,
      ...[...'place,note\nKäi,é'].flatMap((letter) => [
        letter.charCodeAt(0) & 255,
        letter.charCodeAt(0) >> 8,
      ]),
    ]);
    expect((await read(utf16)).table.rows[0]!.cells).toEqual(['Käi', 'é']);
    const western = await read(
      new Uint8Array(
        [...'place,note\nK'].map((letter) => letter.charCodeAt(0)).concat([0xe4, 0x69, 0x2c, 0xdf]),
      ),
    );
    expect(western.table.rows[0]!.cells).toEqual(['Käi', 'ß']);
    expect(western.remarks[0]).toMatch(/not UTF-8/);
  });
  it('counts the lines as the file does, past empty ones', async () => {
    const { table } = await read(bytes('\n\nnumber,view\n\n8,x\n,\n9,y\n'));
    expect(table.rows.map(({ line }) => line)).toEqual([5, 7]);
  });
  it('is refused in words where it is no table', async () => {
    expect(await why(new Uint8Array())).toMatch(/empty/);
    expect(await why(zipSync({ 'holiday.txt': strToU8('sand') }))).toMatch(/ZIP archive, not an XLSX/);
    expect(await why(zipSync({ 'xl/workbook.xml': strToU8('<nonsense') }))).toMatch(
      /could not be read|no row under/,
    );
    // One kilobyte that asks for a cell in the last corner.
    const sheet = (cells: string) =>
      zipSync({
        'xl/workbook.xml': strToU8('<workbook/>'),
        'xl/worksheets/sheet1.xml': strToU8(`<worksheet><sheetData>${cells}</sheetData></worksheet>`),
      });
    for (const cells of [
      '<row r="1"><c r="A1"/></row><row r="1048576"><c r="XFD1048576"><v>1</v></c></row>',
      "<row r = '900000'></row>",
      '<row r="1"><c r="XFD1"><v>1</v></c></row>',
    ])
      expect(await why(sheet(cells))).toMatch(/far out, or save the one sheet as CSV/);
    expect(await why(new Uint8Array([0x50, 0x4b, 3, 4, 9, 9]))).toMatch(/damaged/);
    expect(await why(new Uint8Array([0xd0, 0xcf, 0x11, 0xe0]))).toMatch(/old XLS/);
    expect(await why(new Uint8Array([0x89, 0x50, 0x4e, 0x47, 0, 0, 1]))).toMatch(/neither/);
    expect(await why(bytes('number,view\n'))).toMatch(/no row under/);
    expect(await why(bytes('number,view\n8,"Weighbr'))).toMatch(/cut short/);
  });
});
