import { signatureSize, type Signature } from '#core/model/site';
import { quantityFor } from '#core/shared/units';
import type { Block, Paper, PaperColumn } from './paper';
import { cellText, dateText, moneyText, type PaperStyle } from './formatCell';
import { labelMargins, labelSheetNode, labelSheetOf, type LabelBlock } from './labelSheetNode';
import { inLetters, paperFonts } from './letters';
import { paperInk } from './paperInk';
import type { PdfNode } from './pdfNode';
import { withPicture } from './pictureMark';
import { points } from './points';

/** A whole PDF as the package takes it. */
export interface PdfDefinition {
  pageSize: PaperStyle['pageSize'];
  pageMargins: [number, number, number, number];
  info: { title: string; author: string };
  defaultStyle: PdfNode;
  footer?: (page: number, pages: number) => PdfNode;
  content: PdfNode[];
}

const { ink, quiet, rule } = paperInk;

/** Pictures of a paper by the ids of their files, as data addresses of JPEG or PNG. */
export type PaperPictures = Readonly<Record<string, string>>;

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

/** So many cautions stand on one page. */
const mostKeptWhole = 10;

/** How a piece of a paper looks on a page. */
function nodesOf(
  block: Block,
  paper: Paper,
  style: PaperStyle,
  pictures: PaperPictures = {},
  heading: string | null = null,
): PdfNode[] {
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
            // Half a caution at the foot of a page reads as the whole of it; a long list has to break somewhere.
            dontBreakRows: block.items.length <= mostKeptWhole,
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
                  unit === 'money'
                    ? moneyText(value, paper.currency, style)
                    : quantityFor(value, unit, style.measures),
                fontSize: 15,
              },
              { text: label, color: quiet },
            ],
          })),
        },
      ];
    case 'table':
      return [tableNode(block, paper, style, heading)];
    case 'drawing': {
      const { svg, on, caption } = block;
      const lines: PdfNode = {
        svg: on ? withPicture(svg, on.fileId, pictures[on.fileId]) : svg,
        fit: [500, 640],
        margin: [0, 0, 0, 6],
      };
      const words: PdfNode = { text: caption, color: quiet, margin: [0, 4, 0, 2] };
      return caption ? [{ unbreakable: true, stack: [words, lines] }] : [lines];
    }
    case 'picture': {
      const picture = pictures[block.fileId];
      return [
        {
          unbreakable: true,
          margin: [0, 4, 0, 6],
          stack: [
            picture
              ? { image: picture, fit: [250, 190] }
              : { text: 'The picture is not at hand.', italics: true },
            { text: block.caption, color: quiet, fontSize: 7.5 },
          ],
        },
      ];
    }
    case 'checks':
      return [
        {
          margin: [0, 1, 0, 3],
          stack: block.items.map((says) => ({
            columns: [{ text: '[   ]', width: 20 }, { text: says }],
          })),
        },
      ];
    case 'labels':
      return [
        {
          columns: [
            {
              ul: block.items.map(({ title, lines }) => `${title}: ${lines.join(', ')}`),
              fontSize: 8,
            },
          ],
        },
      ];
    case 'signatures':
      return pairs(block.items).map((two) => ({ columns: two.map(signatureNode), unbreakable: true }));
  }
}

/** What stays on one page with the small heading before it: words, and the drawing or picture that they lead to. */
const staysWith = ({ kind }: Block): boolean => kind === 'text' || kind === 'drawing' || kind === 'picture';

/** What is said of a drawing, and above all its cautions, is read beside it. */
const explains = (block: Block): boolean =>
  block.kind === 'text' ||
  ((block.kind === 'list' || block.kind === 'caution') && block.items.length <= mostKeptWhole);

/** Whether a block belongs to the group before it. */
function joins(group: readonly Block[], block: Block): boolean {
  const [first] = group;
  if (first?.kind !== 'heading' || first.level !== 2) return false;
  if (group.some(({ kind }) => kind === 'drawing')) return explains(block);
  if (group.at(-1)!.kind === 'picture') return false;
  return staysWith(block) || (block.kind === 'table' && group.length === 1);
}

/** Small headings with what stays with them, and every other piece by itself. */
function keptTogether(blocks: readonly Block[]): Block[][] {
  const groups: Block[][] = [];
  for (const block of blocks) {
    const last = groups.at(-1);
    if (last && joins(last, block)) last.push(block);
    else groups.push([block]);
  }
  return groups;
}

/** A group on a page: a table bears its heading itself, so that it may break; all else stays whole. */
function groupNodes(
  group: readonly Block[],
  paper: Paper,
  style: PaperStyle,
  pictures: PaperPictures,
): PdfNode[] {
  const [first, second] = group;
  if (first?.kind === 'heading' && second?.kind === 'table')
    return nodesOf(second, paper, style, pictures, first.text);
  const nodes = group.flatMap((block) => nodesOf(block, paper, style, pictures));
  return group.length > 1 ? [{ unbreakable: true, stack: nodes }] : nodes;
}

/** Who it comes from, at the upper right of the first page. */
function firmNode({ firm }: Paper, pictures: PaperPictures): PdfNode | null {
  if (!firm) return null;
  const logo = firm.logo && pictures[firm.logo.fileId];
  return {
    width: 170,
    alignment: 'right',
    stack: [
      ...(logo ? [{ image: logo, fit: [150, 46], margin: [0, 0, 0, 3] }] : []),
      { text: firm.name, bold: true },
      { text: firm.address, color: quiet, fontSize: 8 },
    ],
  };
}

function headNode(paper: Paper, style: PaperStyle, pictures: PaperPictures): PdfNode {
  const { title, site, address, customer, on } = paper;
  const firm = firmNode(paper, pictures);
  return {
    columns: [
      {
        width: '*',
        stack: [
          { text: title, fontSize: 22, bold: true },
          { text: site, fontSize: 13 },
          {
            text: [address, customer ? `for ${customer}` : '', dateText(on, style)]
              .filter(Boolean)
              .join(', '),
            color: quiet,
          },
        ],
      },
      ...(firm ? [firm] : []),
    ],
  };
}

const footerOf =
  ({ site, title, on, firm }: Paper, style: PaperStyle) =>
  (page: number, pages: number): PdfNode =>
    inLetters({
      margin: [points(marginMm), 6, points(marginMm), 0],
      columns: [
        {
          text: [firm?.name, site, title.toLowerCase(), dateText(on, style)].filter(Boolean).join(', '),
          color: quiet,
          fontSize: 7.5,
        },
        { text: `${page} of ${pages}`, alignment: 'right', color: quiet, fontSize: 7.5, width: 60 },
      ],
    });

/** Letters of every page. */
const letters = { font: paperFonts.own, fontSize: 9, color: ink, lineHeight: 1.1 };

/** Sheets of labels have nothing on them but labels. */
function labelDefinition(
  { title, site }: Paper,
  block: LabelBlock,
  { labelSheet }: PaperStyle,
): PdfDefinition {
  const sheet = labelSheetOf(labelSheet);
  return {
    pageSize: 'A4',
    pageMargins: labelMargins(sheet),
    info: { title: `${title}, ${site}`, author: site },
    defaultStyle: letters,
    content: [inLetters(labelSheetNode(block, sheet))],
  };
}

/** A paper laid out on pages: its head, what it rests on, what is open, its pieces, and page numbers. */
export function pdfDefinition(paper: Paper, style: PaperStyle, pictures: PaperPictures = {}): PdfDefinition {
  const { title, site, restsOn, open, blocks, firm } = paper;
  const [first] = blocks;
  if (first?.kind === 'labels' && first.items.length > 0) return labelDefinition(paper, first, style);
  const isLong = blocks.filter((block) => block.kind === 'heading' && block.level === 1).length > 3;
  return {
    pageSize: style.pageSize,
    pageMargins: [points(marginMm), points(marginMm), points(marginMm), points(18)],
    info: { title: `${title}, ${site}`, author: firm?.name ?? site },
    defaultStyle: letters,
    footer: footerOf(paper, style),
    content: [
      headNode(paper, style, pictures),
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
      ...keptTogether(blocks).flatMap((group) => groupNodes(group, paper, style, pictures)),
    ].map(inLetters),
  };
}
