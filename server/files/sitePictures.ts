import type { AttachedFile, Drawing, Photo, Site } from '#core/model/site';
import type { Problem } from '#core/shared/problems';
import type { Pictures } from '../store/pictures';
import { reimportPicture } from './takePicture';

/** The drawings and photos of a site, whose pictures lie beside its facts. */
export const picturesOf = (site: Site): (Drawing | Photo)[] => [
  ...Object.values(site.drawing),
  ...Object.values(site.photo),
];

const renamed = <F extends Drawing | Photo>(
  facts: Readonly<Record<string, F>>,
  ids: ReadonlyMap<string, Pick<F, 'fileId' | 'mediaType' | 'widthPx' | 'heightPx'>>,
): Record<string, F> =>
  Object.fromEntries(Object.entries(facts).map(([id, fact]) => [id, { ...fact, ...ids.get(fact.fileId) }]));

/**
 * Keeps the pictures that came with a site file. Each is looked at as if it came from outside, so one that was tampered
 * with comes out under another id and the facts follow it.
 */
export async function keepAttached(
  site: Site,
  files: readonly AttachedFile[],
  pictures: Pictures,
): Promise<{ kind: 'kept'; site: Site } | { kind: 'refused'; problems: Problem[] }> {
  const problems: Problem[] = [];
  const wanted = new Set(picturesOf(site).map(({ fileId }) => fileId));
  const ids = new Map<string, Pick<Drawing, 'fileId' | 'mediaType' | 'widthPx' | 'heightPx'>>();
  for (const [index, { id, base64 }] of files.entries()) {
    if (!wanted.has(id)) continue;
    const taken = await reimportPicture(Buffer.from(base64, 'base64'));
    if (taken.kind === 'refused') {
      problems.push({ path: `files[${index}]`, value: id, allowed: taken.why });
      continue;
    }
    const { bytes, mediaType, widthPx, heightPx } = taken.picture;
    ids.set(id, { fileId: await pictures.keep(bytes, mediaType), mediaType, widthPx, heightPx });
  }
  for (const { id, fileId } of picturesOf(site))
    if (!ids.has(fileId) && problems.length === 0 && !(await pictures.has(fileId)))
      problems.push({ path: `files`, value: fileId, allowed: `the picture that ${id} shows` });
  if (problems.length > 0) return { kind: 'refused', problems };
  return {
    kind: 'kept',
    site: { ...site, drawing: renamed(site.drawing, ids), photo: renamed(site.photo, ids) },
  };
}
