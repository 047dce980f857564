import type { Feature } from 'write-excel-file/universal';

/** Words that one column takes, and where they stand on the sheet of choices. */
export interface ColumnChoices {
  /** The column of the table, from 0. */
  at: number;
  words: readonly string[];
}

export const choicesSheet = 'Choices';

/** `A`, `B`, … `AA`: a column of a sheet, from 0. */
export const columnLetters = (index: number): string =>
  (index >= 26 ? columnLetters(Math.floor(index / 26) - 1) : '') + String.fromCharCode(65 + (index % 26));

/** Rows that may be added below what is there and still offer their choices. */
const roomBelow = 500;

/** `words` are on the sheet of choices, one column each, in the order in which they are given here. */
function validations(choices: readonly ColumnChoices[], rowCount: number): string {
  const one = ({ at, words }: ColumnChoices, index: number): string => {
    const [column, list] = [columnLetters(at), columnLetters(index)];
    return `<dataValidation type="list" allowBlank="1" showErrorMessage="0" sqref="${column}2:${column}${rowCount + 1 + roomBelow}"><formula1>${choicesSheet}!$${list}$1:$${list}$${words.length}</formula1></dataValidation>`;
  };
  return choices.length === 0
    ? ''
    : `<dataValidations count="${choices.length}">${choices.map(one).join('')}</dataValidations>`;
}

const autoFilter = (columnCount: number, rowCount: number): string =>
  `<autoFilter ref="A1:${columnLetters(columnCount - 1)}${rowCount + 1}"/>`;

/** Filters on the headings of every sheet, each over so many rows. */
export const filterFeature = (
  sheets: readonly { columnCount: number; rowCount: number }[],
): Feature<Blob> => ({
  files: {
    transform: {
      'xl/worksheets/sheet{id}.xml': {
        transform: (xml, _options, { sheetIndex }) => {
          const { columnCount, rowCount } = sheets[sheetIndex]!;
          return xml.replace('</sheetData>', `</sheetData>${autoFilter(columnCount, rowCount)}`);
        },
      },
    },
  },
});

/** Filters on the headings of the first sheet, and lists to pick from in its columns of words. A word of one's own may still be typed. */
export function choicesFeature(
  columnCount: number,
  rowCount: number,
  choices: readonly ColumnChoices[],
): Feature<Blob> {
  const filter = autoFilter(columnCount, rowCount);
  return {
    files: {
      transform: {
        'xl/worksheets/sheet{id}.xml': {
          transform: (xml, _options, { sheetIndex }) =>
            sheetIndex === 0
              ? xml.replace('</sheetData>', `</sheetData>${filter}${validations(choices, rowCount)}`)
              : xml,
        },
        'xl/workbook.xml': {
          transformElementAttributes: (tag, attributes) =>
            tag === 'sheet' && attributes['name'] === choicesSheet
              ? { ...attributes, state: 'hidden' }
              : attributes,
        },
      },
    },
  };
}
