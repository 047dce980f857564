import { toSiteFile, type Site } from '#core/model/site';
import type { Pictures } from '../store/pictures';
import { picturesOf } from './sitePictures';

const indented = (value: unknown): string => JSON.stringify(value, null, 1);
const noFiles = '[]\n}';

/**
 * A site file piece by piece, with one picture at a time in memory: all of them together are more than a server has to spare. The pieces
 * make the same text as the whole file written at once.
 */
export async function* siteFileText(site: Site, pictures: Pictures): AsyncGenerator<string> {
  const whole = indented(toSiteFile(site));
  const ids = [...new Set(picturesOf(site).map(({ fileId }) => fileId))].sort();
  yield whole.slice(0, -noFiles.length);
  let before = '[\n';
  for (const id of ids) {
    const picture = await pictures.read(id);
    if (!picture) continue;
    const file = { id, mediaType: picture.type, base64: picture.bytes.toString('base64') };
    yield before + indented(file).replace(/^/gm, '  ');
    before = ',\n';
  }
  yield before === '[\n' ? `${noFiles}\n` : '\n ]\n}\n';
}
