import { attachedTo, fromSiteFile, toSiteFile } from '#core/model/site';
import { holdsMoreValues, isSoundText, nestsDeeper, type Problem } from '#core/shared/problems';
import type { Pictures } from '../store/pictures';
import { keepAttached } from './sitePictures';

/** More than any site that can be taken has: a camera and its run are some hundred. */
const mostValues = 5_000_000;

/** What came of a site file: the site as a file of today, as text, its pictures kept; or why not. */
export type TakenSite =
  | { kind: 'taken'; file: string }
  | { kind: 'not-json'; why: string }
  | { kind: 'refused'; why: string; problems: Problem[] };

const notJson = (why: string): TakenSite => ({ kind: 'not-json', why });

/** Takes in the bytes of a site file, which may be anybody's. Only what was found sound is kept. */
export async function takeSiteFile(bytes: Uint8Array, pictures: Pictures): Promise<TakenSite> {
  const text = Buffer.from(bytes.buffer, bytes.byteOffset, bytes.byteLength)
    .toString('utf8')
    .replace(/^\ufeff/, '');
  if (nestsDeeper(text)) return notJson('The file nests deeper than any site file does.');
  if (holdsMoreValues(text, mostValues)) return notJson('The file holds more values than any site has.');
  if (!isSoundText(text))
    return notJson('The file has a character in it that is none (NUL, or half of a pair).');
  let body: unknown;
  try {
    body = JSON.parse(text);
  } catch (error) {
    return notJson(`The file is not JSON (${(error as Error).message}). Was it cut short?`);
  }
  const read = fromSiteFile(body);
  if (read.kind === 'refused')
    return { kind: 'refused', why: 'This is not a sound site file.', problems: read.problems };
  const kept = await keepAttached(read.value, attachedTo(body), pictures);
  return kept.kind === 'refused'
    ? { kind: 'refused', why: 'Not every picture of this site file is sound.', problems: kept.problems }
    : { kind: 'taken', file: JSON.stringify(toSiteFile(kept.site)) };
}
