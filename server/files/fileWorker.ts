import { workerData } from 'node:worker_threads';
import type { KeptPicture } from '#contract';
import { picturesAt, type PicturePlace } from './picturePlace';
import { takePicture, type PictureUse } from './takePicture';
import { takeSiteFile, type TakenSite } from './takeSiteFile';

// A thread beside the one that answers: what comes from outside is unpacked, cleaned and drawn anew here.

const pictures = await picturesAt((workerData as { picturePlace: PicturePlace }).picturePlace);

export const siteFile = (bytes: Uint8Array): Promise<TakenSite> => takeSiteFile(bytes, pictures);

export type KeptUpload = { kind: 'kept'; picture: KeptPicture } | { kind: 'refused'; why: string };

export async function picture({ bytes, use }: { bytes: Uint8Array; use: PictureUse }): Promise<KeptUpload> {
  const taken = await takePicture(Buffer.from(bytes.buffer, bytes.byteOffset, bytes.byteLength), use);
  if (taken.kind === 'refused') return taken;
  const { bytes: kept, ...rest } = taken.picture;
  return { kind: 'kept', picture: { fileId: await pictures.keep(kept, rest.mediaType), ...rest } };
}
