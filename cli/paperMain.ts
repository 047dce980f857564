import { renameSync, writeFileSync } from 'node:fs';
import { command } from './command';
import { paper, paperUsage, type PaperOut } from './paper';
import { paperPictures } from './paperPictures';
import { pdfFile } from './pdfFile';
import { readSiteFile } from './readSiteFile';

/** Writes beside and renames, so that there is never half a paper. */
async function write(out: PaperOut): Promise<void> {
  const beside = `${out.file}.part`;
  if (out.kind === 'text') writeFileSync(beside, out.text);
  else writeFileSync(beside, await pdfFile(out.layOut(await paperPictures(out.pictures))));
  renameSync(beside, out.file);
}

await command(paperUsage, async (args) => {
  const { write: out, ...said } = paper(args, readSiteFile, new Date().toISOString().slice(0, 10));
  if (out) await write(out);
  return said;
});
