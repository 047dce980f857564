import { fileURLToPath } from 'node:url';
import pdfmake from 'pdfmake';
import type { TDocumentDefinitions } from 'pdfmake/interfaces';
import type { PdfDefinition } from '#core/documents';

const face = (name: string): string =>
  fileURLToPath(import.meta.resolve(`pdfmake/fonts/Roboto/Roboto-${name}.ttf`));
const faces = {
  normal: face('Regular'),
  bold: face('Medium'),
  italics: face('Italic'),
  bolditalics: face('MediumItalic'),
};

pdfmake.addFonts({ Roboto: faces });
// A paper reads its letters and nothing else, neither from the network nor from the disk.
pdfmake.setUrlAccessPolicy(() => false);
pdfmake.setLocalAccessPolicy((file) => Object.values(faces).includes(file));

/** The bytes of a PDF that is laid out. */
export const pdfFile = (definition: PdfDefinition): Promise<Buffer> =>
  pdfmake.createPdf(definition as unknown as TDocumentDefinitions).getBuffer();
