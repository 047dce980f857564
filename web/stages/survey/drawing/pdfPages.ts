import { getDocument, GlobalWorkerOptions, type PDFDocumentProxy } from 'pdfjs-dist';
import workerAddress from 'pdfjs-dist/build/pdf.worker.min.mjs?url';

GlobalWorkerOptions.workerSrc = workerAddress;

const mostPages = 400;
/** A page is drawn so that a phone can still show it and a room number can be read. */
const longestPx = 4000;
const [pointsPerInch, mmPerInch] = [72, 25.4];

export interface PdfPage {
  blob: Blob;
  paperWidthMm: number;
}
export type OpenedPdf =
  | {
      kind: 'pdf';
      pages: number;
      draw: (page: number, longest?: number) => Promise<PdfPage>;
      close: () => void;
    }
  | { kind: 'refused'; why: string };

async function drawPage(pdf: PDFDocumentProxy, number: number, longest: number): Promise<PdfPage> {
  const page = await pdf.getPage(number);
  const asPoints = page.getViewport({ scale: 1 });
  const viewport = page.getViewport({ scale: longest / Math.max(asPoints.width, asPoints.height) });
  const canvas = document.createElement('canvas');
  [canvas.width, canvas.height] = [Math.round(viewport.width), Math.round(viewport.height)];
  await page.render({ canvas, viewport, background: '#ffffff' }).promise;
  const blob = await new Promise<Blob | null>((resolve) => canvas.toBlob(resolve, 'image/png'));
  if (!blob) throw new Error('The page is too large to be drawn here.');
  return { blob, paperWidthMm: (asPoints.width / pointsPerInch) * mmPerInch };
}

const whyNot = (error: unknown): string =>
  (error as Error).name === 'PasswordException'
    ? 'The PDF has a password. Save it without one and choose it anew.'
    : 'The PDF is damaged or cut short. Save it again and choose it anew.';

/** Opens a PDF here, in the browser: none of it goes to the server but the page that is picked, as a picture. */
export async function openPdf(bytes: Uint8Array): Promise<OpenedPdf> {
  try {
    const pdf = await getDocument({ data: bytes, isEvalSupported: false }).promise;
    if (pdf.numPages > mostPages)
      return { kind: 'refused', why: `The PDF has ${pdf.numPages} pages; up to ${mostPages} are opened.` };
    return {
      kind: 'pdf',
      pages: pdf.numPages,
      draw: (page, longest = longestPx) => drawPage(pdf, page, longest),
      close: () => void pdf.destroy(),
    };
  } catch (error) {
    return { kind: 'refused', why: whyNot(error) };
  }
}
