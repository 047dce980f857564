import { aboutOf, type AttachedFile, type Drawing, type Photo, type Site } from '#core/model/site';
import type { Problem } from '#core/shared/problems';
import type { Pictures } from '../store/pictures';
import { reimportPicture } from './takePicture';

type Picture = Pick<Drawing, 'fileId' | 'mediaType' | 'widthPx' | 'heightPx'>;

const logosOf = (site: Site): (Picture & { id: string })[] => {
  const logo = aboutOf(site).firm?.logo;
  return logo ? [{ id: 'about', ...logo }] : [];
};

/** The drawings and photos of a site, and the mark of its firm, whose pictures lie beside its facts. */
export const picturesOf = (site: Site): (Picture & { id: string })[] => [
  ...Object.values(site.drawing),
  ...Object.values(site.photo),
  ...logosOf(site),
];

/** The site's own record, with its mark under the id that it is kept by. */
function renamedAbout(site: Site, ids: ReadonlyMap<string, Picture>): Site['about'] {
  const { firm, ...rest } = aboutOf(site);
  const logo = firm?.logo && ids.get(firm.logo.fileId);
  return firm && logo ? { about: { ...rest, firm: { ...firm, logo } } } : site.about;
}

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
  const ids = new Map<string, Picture>();
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
    site: {
      ...site,
      about: renamedAbout(site, ids),
      drawing: renamed(site.drawing, ids),
      photo: renamed(site.photo, ids),
    },
  };
}
