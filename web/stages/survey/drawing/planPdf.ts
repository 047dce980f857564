import type { Content } from 'pdfmake/interfaces';
import { inLetters, paperFonts } from '#core/documents';
import type { onPaper, PaperId, planLists } from '#core/survey/drawing';
import { pdfMaker } from '../../../papers/pdfLetters';

const pdfMake = pdfMaker();

const [pointsPerInch, mmPerInch] = [72, 25.4];
const points = (mm: number): number => (mm / mmPerInch) * pointsPerInch;
const marginMm = 12;

/** A plan to scale on its page, and what stands on it as lists on the next. */
export function planPdf(
  svg: string,
  { widthMm }: ReturnType<typeof onPaper>,
  paper: PaperId,
  lists: ReturnType<typeof planLists>,
): Promise<Blob> {
  return pdfMake
    .createPdf({
      pageSize: paper === 'a3' ? 'A3' : 'A4',
      pageOrientation: 'landscape',
      pageMargins: points(marginMm),
      defaultStyle: { font: paperFonts.own, fontSize: 9 },
      content: [
        { svg, width: points(widthMm) },
        ...lists.map((list, index) => ({
          ...(index === 0
            ? { pageBreak: 'before' as const }
            : { margin: [0, 14, 0, 0] as [number, number, number, number] }),
          stack: [
            {
              text: list.heading,
              fontSize: 12,
              bold: true,
              margin: [0, 0, 0, 4] as [number, number, number, number],
            },
            {
              layout: 'lightHorizontalLines',
              table: {
                headerRows: 1,
                widths: list.columns.map(() => 'auto' as const),
                body: [list.columns.map((text) => ({ text, bold: true })), ...list.rows],
              },
            },
          ],
        })),
      ].map((node) => inLetters(node) as unknown as Content),
    })
    .getBlob();
}
