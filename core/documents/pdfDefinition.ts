import { signatureSize, type Signature } from '#core/model/site';
import { formatQuantity } from '#core/shared/units';
import type { Block, Paper, PaperColumn } from './paper';
import { cellText, dateText, moneyText, type PaperStyle } from './formatCell';

/** A piece of a page as the PDF package takes it: plain data, but for the foot of a page. */
export type PdfNode = Record<string, unknown>;

/** A whole PDF as the package takes it. */
export interface PdfDefinition {
  pageSize: PaperStyle['pageSize'];
  pageMargins: [number, number, number, number];
  info: { title: string; author: string };
  defaultStyle: PdfNode;
  footer: (page: number, pages: number) => PdfNode;
  content: PdfNode[];
}

const ink = '#22303a';
const quiet = '#5b6770';
const rule = '#c9c2b4';

/** A signature as lines. */
function signatureSvg(strokes: Signature): string {
  const path = strokes
    .map((stroke) =>
      Array.from(
        { length: stroke.length / 2 },
        (_, k) => `${k === 0 ? 'M' : 'L'}${stroke[2 * k]} ${stroke[2 * k + 1]}`,
      ).join(''),
    )
    .join('');
  const { width, height } = signatureSize;
  return `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 ${width} ${height}" width="${width}" height="${height}"><path d="${path}" fill="none" stroke="${ink}" stroke-width="4" stroke-linecap="round"/></svg>`;
}

/** Between two columns. */
const gutter = 8;

/** With more columns than these its letters are smaller. */
const manyColumns = 6;

interface LinedTable {
  table: { headerRows: number; body: unknown[]; widths: unknown[] };
}

/** Lines between rows, a stronger one under the headings, none between columns. */
const lined = {
  hLineWidth: (row: number, { table }: LinedTable): number =>
    row === table.headerRows ? 1 : row === 0 || row === table.body.length ? 0 : 0.4,
  vLineWidth: (): number => 0,
  hLineColor: (row: number, { table }: LinedTable): string => (row === table.headerRows ? ink : rule),
  paddingLeft: (column: number): number => (column === 0 ? 0 : gutter / 2),
  paddingRight: (column: number, { table }: LinedTable): number =>
    column === table.widths.length - 1 ? 0 : gutter / 2,
};

const noBorder = [false, false, false, false];

/** A table; a heading right before it is its first row, so that it never stands alone at the foot of a page. */
function tableNode(
  { columns, rows, sum }: Extract<Block, { kind: 'table' }>,
  { currency }: Paper,
  style: PaperStyle,
  heading: string | null,
): PdfNode {
  const isFigure = (k: number): boolean => columns[k]?.unit !== undefined;
  const cell = (value: Parameters<typeof cellText>[0], k: number, more: PdfNode = {}): PdfNode => ({
    text: cellText(value, columns[k]!, currency, style),
    alignment: isFigure(k) ? 'right' : 'left',
    ...more,
  });
  return {
    margin: [0, 2, 0, 8],
    layout: lined,
    ...(columns.length > manyColumns ? { fontSize: 8 } : {}),
    table: {
      headerRows: heading === null ? 1 : 2,
      keepWithHeaderRows: 1,
      dontBreakRows: true,
      widths: widthsOf(columns, style),
      body: [
        ...(heading === null
          ? []
          : [
              columns.map((_, k) =>
                k === 0
                  ? { text: heading, bold: true, fontSize: 11, colSpan: columns.length, border: noBorder }
                  : {},
              ),
            ]),
        columns.map(({ label }, k) => ({
          text: label,
          bold: true,
          color: quiet,
          fontSize: 7.5,
          alignment: isFigure(k) ? 'right' : 'left',
        })),
        ...rows.map((row) => row.map((value, k) => cell(value, k))),
        ...(sum ? [sum.map((value, k) => cell(value, k, { bold: true }))] : []),
      ],
    },
  };
}

const points = (mm: number): number => (mm * 72) / 25.4;
const marginMm = 16;
const pageWidths = { A4: points(210), LETTER: 612 } as const;

/** Columns of figures are as wide as their figures; the others share what is left. */
function widthsOf(columns: readonly PaperColumn[], { pageSize }: PaperStyle): number[] {
  const figure = ({ unit, share }: PaperColumn): number | null => {
    if (unit === undefined || share !== undefined) return null;
    return unit === 'money' ? 60 : unit === '' ? 36 : 42;
  };
  const fixed = columns.map(figure);
  const taken = fixed.reduce<number>((sum, width) => sum + (width ?? 0), 0);
  const left = pageWidths[pageSize] - 2 * points(marginMm) - gutter * (columns.length - 1) - taken;
  const shares = columns.map(({ share }, k) => (fixed[k] === null ? (share ?? 1.2) : 0));
  const all = shares.reduce((sum, share) => sum + share, 0);
  return columns.map((_, k) => fixed[k] ?? (left * shares[k]!) / all);
}

const signatureNode = ({
  role,
  name,
  on,
  strokes,
}: Extract<Block, { kind: 'signatures' }>['items'][number]): PdfNode => ({
  width: '50%',
  margin: [0, 6, 10, 6],
  stack: [
    strokes ? { svg: signatureSvg(strokes), width: 120, height: 40 } : { text: ' ', margin: [0, 16, 0, 0] },
    { canvas: [{ type: 'line', x1: 0, y1: 0, x2: 200, y2: 0, lineWidth: 0.6, lineColor: ink }] },
    { text: name || '                    ', bold: true },
    { text: [role, on].filter(Boolean).join(', '), color: quiet },
  ],
});

const pairs = <T>(all: readonly T[]): T[][] =>
  Array.from({ length: Math.ceil(all.length / 2) }, (_, k) => all.slice(2 * k, 2 * k + 2));

/** How a piece of a paper looks on a page. */
function nodesOf(block: Block, paper: Paper, style: PaperStyle, heading: string | null = null): PdfNode[] {
  switch (block.kind) {
    case 'heading':
      return [
        {
          text: block.text,
          bold: true,
          fontSize: block.level === 1 ? 15 : 11,
          margin: [0, block.level === 1 ? 0 : 8, 0, 3],
          ...(block.newPage ? { pageBreak: 'before' } : {}),
          ...(block.level === 1 ? { tocItem: true } : {}),
        },
      ];
    case 'text':
      return [
        { text: block.text, margin: [0, 1, 0, 3], ...(block.tone === 'quiet' ? { color: quiet } : {}) },
      ];
    case 'list':
      return [{ ul: [...block.items], margin: [0, 1, 0, 4] }];
    case 'caution':
      return [
        {
          margin: [0, 2, 0, 6],
          table: {
            widths: ['*'],
            body: [[{ ul: [...block.items], border: [true, false, false, false], margin: [4, 0, 0, 0] }]],
          },
          layout: { vLineWidth: () => 2.5, vLineColor: () => '#b07d1a', defaultBorder: false },
        },
      ];
    case 'figures':
      return [
        {
          margin: [0, 4, 0, 8],
          columns: block.items.map(({ label, value, unit }) => ({
            stack: [
              {
                text:
                  unit === 'money' ? moneyText(value, paper.currency, style) : formatQuantity(value, unit),
                fontSize: 15,
              },
              { text: label, color: quiet },
            ],
          })),
        },
      ];
    case 'table':
      return [tableNode(block, paper, style, heading)];
    case 'drawing':
      return [
        { text: block.caption, color: quiet, margin: [0, 4, 0, 2] },
        { svg: block.svg, fit: [500, 640], margin: [0, 0, 0, 6] },
      ];
    case 'signatures':
      return pairs(block.items).map((two) => ({ columns: two.map(signatureNode), unbreakable: true }));
  }
}

/** A small heading with a table right after it. */
const isTableHeading = (
  block: Block | undefined,
  next: Block | undefined,
): block is Extract<Block, { kind: 'heading' }> =>
  block?.kind === 'heading' && block.level === 2 && next?.kind === 'table';

/** A paper laid out on pages: its head, what it rests on, what is open, its pieces, and page numbers. */
export function pdfDefinition(paper: Paper, style: PaperStyle): PdfDefinition {
  const { title, site, address, customer, on, restsOn, open, blocks } = paper;
  const isLong = blocks.filter((block) => block.kind === 'heading' && block.level === 1).length > 3;
  return {
    pageSize: style.pageSize,
    pageMargins: [points(marginMm), points(marginMm), points(marginMm), points(18)],
    info: { title: `${title}, ${site}`, author: site },
    defaultStyle: { fontSize: 9, color: ink, lineHeight: 1.1 },
    footer: (page, pages) => ({
      margin: [points(marginMm), 6, points(marginMm), 0],
      columns: [
        { text: `${site}, ${title.toLowerCase()}, ${dateText(on, style)}`, color: quiet, fontSize: 7.5 },
        { text: `${page} of ${pages}`, alignment: 'right', color: quiet, fontSize: 7.5 },
      ],
    }),
    content: [
      { text: title, fontSize: 22, bold: true },
      { text: site, fontSize: 13 },
      {
        text: [address, customer ? `for ${customer}` : '', dateText(on, style)].filter(Boolean).join(', '),
        color: quiet,
      },
      {
        canvas: [{ type: 'line', x1: 0, y1: 4, x2: 500, y2: 4, lineWidth: 0.8, lineColor: rule }],
        margin: [0, 0, 0, 6],
      },
      { text: `Rests on ${restsOn}.`, margin: [0, 0, 0, 4] },
      ...(open.length > 0
        ? [
            { text: 'Still open', bold: true, margin: [0, 4, 0, 2] } as PdfNode,
            ...nodesOf({ kind: 'caution', items: open }, paper, style),
          ]
        : []),
      ...(isLong ? [{ toc: { title: { text: 'Contents', bold: true, fontSize: 11 } } }] : []),
      ...blocks.flatMap((block, k) => {
        if (isTableHeading(block, blocks[k + 1])) return [];
        const before = blocks[k - 1];
        const heading = isTableHeading(before, block) ? before.text : null;
        return nodesOf(block, paper, style, heading);
      }),
    ],
  };
}
