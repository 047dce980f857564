import { pictureFolder } from '../store/pictureFolder';
import type { Pictures } from '../store/pictures';

/** Where pictures are kept, said so that a thread can be told. */
export type PicturePlace = { kind: 'folder'; folder: string } | { kind: 'database'; url: string };

/** The pictures of a place. What a database needs is loaded only where there is one. */
export async function picturesAt(place: PicturePlace): Promise<Pictures> {
  if (place.kind === 'folder') return pictureFolder(place.folder);
  const { picturesInDatabase } = await import('../sharedStore/picturesInDatabase');
  return picturesInDatabase(place.url);
}
