import { linesIn, picturesIn, type Paper, type PaperPictures } from '#core/documents';
import { pictureAddress } from '../stores/api';

/** No paper shows more of a picture than this. */
const mostPx = 1200;

/** A picture as a page takes it; `null` where it cannot be had. */
async function onPage(fileId: string, type: 'image/jpeg' | 'image/png'): Promise<string | null> {
  const picture = new Image();
  picture.src = pictureAddress(fileId);
  try {
    await picture.decode();
  } catch {
    return null;
  }
  const [width, height] = [picture.naturalWidth || mostPx, picture.naturalHeight || mostPx];
  const scale = Math.min(1, mostPx / Math.max(width, height));
  const canvas = document.createElement('canvas');
  [canvas.width, canvas.height] = [Math.round(width * scale), Math.round(height * scale)];
  canvas.getContext('2d')?.drawImage(picture, 0, 0, canvas.width, canvas.height);
  return canvas.toDataURL(type, 0.8);
}

/** The pictures that a paper shows, by the ids of their files; one that cannot be had is left out, and the page says so. */
export async function paperPictures(paper: Paper): Promise<PaperPictures> {
  const lines = new Set(linesIn(paper));
  const pages = await Promise.all(
    picturesIn(paper).map(
      async (id) => [id, await onPage(id, lines.has(id) ? 'image/png' : 'image/jpeg')] as const,
    ),
  );
  return Object.fromEntries(pages.flatMap(([id, page]) => (page === null ? [] : [[id, page]])));
}
