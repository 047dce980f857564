import { renameSync, rmSync, writeFileSync } from 'node:fs';
import { paperXlsx } from '../web/tables/paperXlsx';
import { command } from './command';
import { paper, paperUsage, type PaperOut } from './paper';
import { paperPictures } from './paperPictures';
import { pdfFile } from './pdfFile';
import { readSiteFile } from './readSiteFile';

async function bytesOf(out: PaperOut): Promise<string | Buffer> {
  switch (out.kind) {
    case 'text':
      return out.text;
    case 'workbook':
      return Buffer.from(await (await paperXlsx(out.tables)).arrayBuffer());
    case 'pdf':
      return pdfFile(out.layOut(await paperPictures(out.pictures)));
  }
}

/** Writes beside and renames, so that there is never half a paper. */
async function write(out: PaperOut): Promise<void> {
  const beside = `${out.file}.part`;
  try {
    writeFileSync(beside, await bytesOf(out));
    renameSync(beside, out.file);
  } catch (error) {
    rmSync(beside, { force: true });
    if (!(error instanceof Error && 'code' in error)) throw error;
    throw new Error(`${out.file} cannot be written: ${error.message}`, { cause: error });
  }
}

await command(paperUsage, async (args) => {
  const { write: out, ...said } = paper(args, readSiteFile, new Date().toISOString().slice(0, 10));
  if (out) await write(out);
  return said;
});
