import pdfMake from 'pdfmake/build/pdfmake';
import fonts from 'pdfmake/build/vfs_fonts';
import type { Content, TableCell } from 'pdfmake/interfaces';
import type { labelSheets } from '#core/cutover/lists';
import { type RunLabel } from '#core/cutover/lists';
import type { NightCard } from '#core/cutover/card';

pdfMake.addVirtualFileSystem(fonts);

const points = (mm: number): number => (mm * 72) / 25.4;
const [pageWidthMm, pageHeightMm] = [210, 297];
const insetMm = 2.5;

type Sheet = (typeof labelSheets)[number];

function labelCell(label: RunLabel, { heightMm, widthMm }: Sheet, address: string): Content {
  const side = points(Math.min(heightMm - 2 * insetMm, widthMm * 0.4));
  const size = heightMm < 33 ? 6.5 : 8;
  return {
    margin: [points(insetMm), points(insetMm), points(insetMm), 0],
    columns: [
      { qr: address, fit: side, width: side },
      {
        margin: [5, 0, 0, 0],
        fontSize: size,
        stack: [
          { text: `${label.number} ${label.name}`, bold: true, fontSize: size + 2 },
          { text: label.end },
          { text: `to ${label.goesTo}` },
          ...(label.address ? [{ text: label.address }] : []),
          ...(label.channel ? [{ text: label.channel }] : []),
        ],
      },
    ],
  };
}

/** Labels for both ends of runs on a sheet of labels, each with the address of its run as a square that a phone reads. */
export function labelPdf(
  labels: readonly RunLabel[],
  sheet: Sheet,
  addressOf: (runId: string) => string,
): Promise<Blob> {
  const rows: TableCell[][] = [];
  for (let at = 0; at < labels.length; at += sheet.columns) {
    const some = labels.slice(at, at + sheet.columns);
    const cells: TableCell[] = some.map(
      (label) => labelCell(label, sheet, addressOf(label.runId)) as TableCell,
    );
    rows.push([...cells, ...Array.from({ length: sheet.columns - some.length }, () => '')]);
  }
  return pdfMake
    .createPdf({
      pageSize: 'A4',
      pageMargins: [
        points((pageWidthMm - sheet.columns * sheet.widthMm) / 2),
        points((pageHeightMm - sheet.rows * sheet.heightMm) / 2),
        0,
        0,
      ],
      content: [
        {
          layout: {
            defaultBorder: false,
            paddingLeft: () => 0,
            paddingRight: () => 0,
            paddingTop: () => 0,
            paddingBottom: () => 0,
          },
          table: {
            dontBreakRows: true,
            widths: Array.from({ length: sheet.columns }, () => points(sheet.widthMm)),
            // A hair less, so that the last row of a page is not pushed to the next.
            heights: points(sheet.heightMm) - 0.01,
            body: rows,
          },
        },
      ],
    })
    .getBlob();
}

/** A task of a printed night. */
export interface PaperTask {
  title: string;
  /** When it begins, by whom, and when it is too late. */
  when: string;
  card: NightCard | null;
  /** What the card expects, in words and figures. */
  lines: readonly { label: string; words: string }[];
}

export interface NightPaper {
  site: string;
  title: string;
  shift: string;
  gates: readonly { label: string; checks: readonly string[] }[];
  tasks: readonly PaperTask[];
  picks: readonly { label: string; count: number; spare: number }[];
}

const heading = (text: string): Content => ({ text, fontSize: 11, bold: true, margin: [0, 10, 0, 3] });

const taskBlock = ({ title, when, card, lines }: PaperTask): Content => ({
  unbreakable: true,
  margin: [0, 0, 0, 8],
  table: {
    widths: ['*', 150],
    body: [
      [
        {
          border: [true, true, false, true],
          margin: [4, 3, 4, 3],
          stack: [
            { text: title, bold: true, fontSize: 11 },
            { text: when, color: '#333333' },
            ...(card?.steps ?? []).map((text) => ({ text })),
            ...(card?.otherwise ?? []).map((text) => ({ text, color: '#444444' })),
            ...(card?.cautions ?? []).map((text) => ({ text, italics: true })),
            {
              text: [...(card?.proofs ?? []).map(({ says }) => `[  ] ${says}`)].join('\n'),
              margin: [0, 3, 0, 0],
            },
            {
              text: 'began ________   done ________   put back ________   by ______________',
              margin: [0, 6, 0, 0],
            },
          ],
        },
        {
          border: [false, true, true, true],
          margin: [0, 3, 4, 3],
          stack: lines.map(({ label, words }) => ({
            text: [{ text: `${label}: `, color: '#555555' }, words],
          })),
        },
      ],
    ],
  },
});

/** The card of a night on paper: gates, tasks in their order with what to expect, and what is taken along. */
export function nightPdf({ site, title, shift, gates, tasks, picks }: NightPaper): Promise<Blob> {
  return pdfMake
    .createPdf({
      pageSize: 'A4',
      pageMargins: [points(14), points(14), points(14), points(14)],
      defaultStyle: { fontSize: 9 },
      footer: (page, pages) => ({
        text: `${site}, ${title}, page ${page} of ${pages}`,
        alignment: 'center',
        fontSize: 8,
      }),
      content: [
        { text: site, color: '#555555' },
        { text: title, fontSize: 16, bold: true },
        { text: shift, margin: [0, 0, 0, 4] },
        ...gates.flatMap(({ label, checks }): Content[] => [
          heading(label),
          { stack: checks.map((says) => ({ text: `[  ] ${says}` })) },
          { text: 'go ____   no go ____   said by ______________   at ________', margin: [0, 3, 0, 0] },
        ]),
        heading('Tasks'),
        ...tasks.map(taskBlock),
        heading('Taken along'),
        {
          layout: 'lightHorizontalLines',
          table: {
            headerRows: 1,
            widths: [30, '*', 60],
            body: [
              [
                { text: 'of', bold: true },
                { text: 'what', bold: true },
                { text: 'spare of it', bold: true },
              ],
              ...picks.map(({ label, count, spare }) => [
                String(count),
                label,
                spare > 0 ? String(spare) : '',
              ]),
            ],
          },
        },
        {
          margin: [0, 10, 0, 0],
          text: 'Work at height, on the mains and on fixed wiring by licensed people, by local code, never alone. This card does not stand in for either.',
          italics: true,
        },
      ],
    })
    .getBlob();
}
