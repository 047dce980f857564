import { pdfDefinition, type Paper, type PaperPictures, type PaperStyle } from '#core/documents';
import { pdfMaker } from './pdfLetters';

const pdfMake = pdfMaker();

/** Pages are laid out beside the page’s own thread, which can end this one at any time. */
self.onmessage = ({
  data,
}: MessageEvent<{ paper: Paper; style: PaperStyle; pictures: PaperPictures }>): void => {
  void (async () => {
    try {
      const definition = pdfDefinition(data.paper, data.style, data.pictures);
      const pdf = pdfMake.createPdf(definition as unknown as Parameters<typeof pdfMake.createPdf>[0]);
      self.postMessage({ kind: 'done', blob: await pdf.getBlob() });
    } catch (error) {
      self.postMessage({ kind: 'failed', why: error instanceof Error ? error.message : String(error) });
    }
  })();
};
