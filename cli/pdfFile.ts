import { fileURLToPath } from 'node:url';
import pdfmake from 'pdfmake';
import type { TDocumentDefinitions } from 'pdfmake/interfaces';
import { paperFonts, type PdfDefinition } from '#core/documents';

const standIn = (name: string): string =>
  fileURLToPath(import.meta.resolve(`pdfmake/fonts/Roboto/Roboto-${name}.ttf`));
const own = (name: string): string =>
  fileURLToPath(import.meta.resolve(`@fontsource/archivo/files/archivo-latin-${name}.woff`));
const fonts = {
  [paperFonts.own]: {
    normal: own('400-normal'),
    bold: own('600-normal'),
    italics: own('400-italic'),
    bolditalics: own('600-italic'),
  },
  [paperFonts.standIn]: {
    normal: standIn('Regular'),
    bold: standIn('Medium'),
    italics: standIn('Italic'),
    bolditalics: standIn('MediumItalic'),
  },
};
const faces = Object.values(fonts).flatMap((font) => Object.values(font));

pdfmake.addFonts(fonts);
// A paper reads its letters and nothing else, neither from the network nor from the disk.
pdfmake.setUrlAccessPolicy(() => false);
pdfmake.setLocalAccessPolicy((file) => faces.includes(file));

/** The bytes of a PDF that is laid out. */
export const pdfFile = (definition: PdfDefinition): Promise<Buffer> =>
  pdfmake.createPdf(definition as unknown as TDocumentDefinitions).getBuffer();
