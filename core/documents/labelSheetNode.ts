import { labelSheets } from '#core/cutover/lists';
import type { Block } from './paper';
import type { PdfNode } from './pdfNode';
import { points } from './points';

export type LabelBlock = Extract<Block, { kind: 'labels' }>;
type Sheet = (typeof labelSheets)[number];

const insetMm = 2.5;
const [pageWidthMm, pageHeightMm] = [210, 297];

/** The sheet by its id; the first where nobody picked one. */
export const labelSheetOf = (id: string | undefined): Sheet =>
  labelSheets.find((one) => one.id === id) ?? labelSheets[0]!;

function labelCell(
  { code, title, lines }: LabelBlock['items'][number],
  { heightMm, widthMm }: Sheet,
): PdfNode {
  const side = points(Math.min(heightMm - 2 * insetMm, widthMm * 0.4));
  const fontSize = heightMm < 33 ? 6.5 : 8;
  return {
    margin: [points(insetMm), points(insetMm), points(insetMm), 0],
    columns: [
      ...(code === undefined ? [] : [{ qr: code, fit: side, width: side }]),
      {
        margin: [5, 0, 0, 0],
        fontSize,
        stack: [{ text: title, bold: true, fontSize: fontSize + 2 }, ...lines.map((text) => ({ text }))],
      },
    ],
  };
}

/** Margins that put the first label where the sheet has it. */
export const labelMargins = ({
  columns,
  rows,
  widthMm,
  heightMm,
}: Sheet): [number, number, number, number] => [
  points((pageWidthMm - columns * widthMm) / 2),
  points((pageHeightMm - rows * heightMm) / 2),
  0,
  0,
];

/** Labels in the rows and columns of a sheet as it is sold. */
export function labelSheetNode({ items }: LabelBlock, sheet: Sheet): PdfNode {
  const { columns, widthMm, heightMm } = sheet;
  const rows = Array.from({ length: Math.ceil(items.length / columns) }, (_, row) =>
    Array.from({ length: columns }, (__, column): PdfNode | string => {
      const item = items[row * columns + column];
      return item ? labelCell(item, sheet) : '';
    }),
  );
  const none = (): number => 0;
  return {
    layout: {
      defaultBorder: false,
      paddingLeft: none,
      paddingRight: none,
      paddingTop: none,
      paddingBottom: none,
    },
    table: {
      dontBreakRows: true,
      widths: Array.from({ length: columns }, () => points(widthMm)),
      // A hair less, so that the last row of a page is not pushed to the next.
      heights: points(heightMm) - 0.01,
      body: rows,
    },
  };
}
