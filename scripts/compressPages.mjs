// Packs what the pages are made of once, after they are built, so that the server does not do it for every visitor anew.
import { readdirSync, readFileSync, writeFileSync } from 'node:fs';
import path from 'node:path';
import { promisify } from 'node:util';
import { brotliCompress, constants, gzip } from 'node:zlib';

/** What packing makes smaller; fonts and pictures are packed as they are. */
const packable = /\.(?:js|mjs|css|html|svg|wasm|json|webmanifest)$/;
/** Smaller is not worth the wait. */
const fewBytes = 1024;

const withBrotli = (bytes) =>
  promisify(brotliCompress)(bytes, { params: { [constants.BROTLI_PARAM_QUALITY]: 9 } });
const withGzip = (bytes) => promisify(gzip)(bytes, { level: 9 });

/** Puts `NAME.br` and `NAME.gz` beside every file of a folder that is better sent packed. */
export async function compressPages(folder) {
  const files = readdirSync(folder, { recursive: true, withFileTypes: true })
    .filter((entry) => entry.isFile() && packable.test(entry.name))
    .map((entry) => path.join(entry.parentPath, entry.name));
  await Promise.all(
    files.map(async (file) => {
      const bytes = readFileSync(file);
      if (bytes.length < fewBytes) return;
      const [br, gz] = await Promise.all([withBrotli(bytes), withGzip(bytes)]);
      writeFileSync(`${file}.br`, br);
      writeFileSync(`${file}.gz`, gz);
    }),
  );
}
