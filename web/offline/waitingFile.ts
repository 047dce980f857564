import { z } from 'zod';
import { logEntrySchema, photoSchema, siteIdSchema, upgradeEntry, type LogEntry } from '#core/model/site';
import type { WaitingPhoto } from '../stores/waitingPhotos';

/** A photo as a file carries it. */
const photoInFileSchema = z.strictObject({
  of: photoSchema.shape.of,
  what: z.string(),
  at: z.string(),
  by: z.string(),
  mediaType: z.string(),
  base64: z.string(),
});

/** What waits on a device for the server, as a file to be carried by hand. */
const waitingFileSchema = z.strictObject({
  format: z.literal('neotrope-waiting'),
  version: z.literal(1),
  site: siteIdSchema,
  edits: z.array(z.unknown().transform(upgradeEntry).pipe(logEntrySchema)),
  photos: z.array(photoInFileSchema),
});

export type CarriedPhoto = Pick<WaitingPhoto, 'of' | 'what' | 'at' | 'by' | 'picture'>;
export interface Waiting {
  site: string;
  edits: readonly LogEntry[];
  photos: CarriedPhoto[];
}

const base64Of = (bytes: Uint8Array): string => {
  let text = '';
  for (const byte of bytes) text += String.fromCharCode(byte);
  return btoa(text);
};
const bytesOf = (base64: string): Uint8Array<ArrayBuffer> =>
  Uint8Array.from(atob(base64), (letter) => letter.charCodeAt(0));

export async function toWaitingFile({ site, edits, photos }: Waiting): Promise<string> {
  const carried = await Promise.all(
    photos.map(async ({ of, what, at, by, picture }) => ({
      of,
      what,
      at,
      by,
      mediaType: picture.type,
      base64: base64Of(new Uint8Array(await picture.arrayBuffer())),
    })),
  );
  return JSON.stringify({ format: 'neotrope-waiting', version: 1, site, edits, photos: carried });
}

/** Reads such a file; `null` where it is none, or was cut short. */
export function fromWaitingFile(text: string): Waiting | null {
  try {
    const { site, edits, photos } = waitingFileSchema.parse(JSON.parse(text));
    return {
      site,
      edits,
      photos: photos.map(({ of, what, at, by, mediaType, base64 }) => ({
        of,
        what,
        at,
        by,
        picture: new Blob([bytesOf(base64)], { type: mediaType }),
      })),
    };
  } catch {
    return null;
  }
}
