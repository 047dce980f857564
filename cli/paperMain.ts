import { renameSync, writeFileSync } from 'node:fs';
import { fileURLToPath } from 'node:url';
import pdfmake from 'pdfmake';
import type { TDocumentDefinitions } from 'pdfmake/interfaces';
import { command } from './command';
import { paper, paperUsage, type PaperOut } from './paper';
import { readSiteFile } from './readSiteFile';

const face = (name: string): string =>
  fileURLToPath(import.meta.resolve(`pdfmake/fonts/Roboto/Roboto-${name}.ttf`));

/** Writes beside and renames, so that there is never half a paper. */
async function write(out: PaperOut): Promise<void> {
  const beside = `${out.file}.part`;
  if (out.kind === 'text') writeFileSync(beside, out.text);
  else {
    pdfmake.addFonts({
      Roboto: {
        normal: face('Regular'),
        bold: face('Medium'),
        italics: face('Italic'),
        bolditalics: face('MediumItalic'),
      },
    });
    const bytes = await pdfmake.createPdf(out.definition as unknown as TDocumentDefinitions).getBuffer();
    writeFileSync(beside, bytes);
  }
  renameSync(beside, out.file);
}

await command(paperUsage, async (args) => {
  const { write: out, ...said } = paper(args, readSiteFile, new Date().toISOString().slice(0, 10));
  if (out) await write(out);
  return said;
});
