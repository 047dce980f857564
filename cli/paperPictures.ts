import sharp from 'sharp';
import type { PaperPictures } from '#core/documents';
import type { AttachedFile } from '#core/model/site';

/** No paper shows more of a picture than this. */
const mostPx = 1200;

/** A picture as a page takes it: photos as JPEG, drawings and marks as PNG. */
async function onPage({ mediaType, base64 }: AttachedFile): Promise<string> {
  const picture = sharp(Buffer.from(base64, 'base64'))
    .rotate()
    .resize({ width: mostPx, height: mostPx, fit: 'inside', withoutEnlargement: true });
  const isPhoto = mediaType === 'image/jpeg';
  const bytes = await (isPhoto ? picture.jpeg({ quality: 80 }) : picture.png()).toBuffer();
  return `data:image/${isPhoto ? 'jpeg' : 'png'};base64,${bytes.toString('base64')}`;
}

/** The pictures of a paper, by the ids of their files. */
export async function paperPictures(files: readonly AttachedFile[]): Promise<PaperPictures> {
  const pages = await Promise.all(files.map(async (file) => [file.id, await onPage(file)] as const));
  return Object.fromEntries(pages);
}
