import { createHash } from 'node:crypto';
import type { PictureType } from '#core/model/site';

/** Where pictures are kept, each named for the SHA-256 of what is in it, so that none is ever overwritten. */
export interface Pictures {
  /** Keeps a picture and gives its id. It is kept, whole, before this resolves. */
  keep: (bytes: Buffer, type: PictureType) => Promise<string>;
  read: (id: string) => Promise<{ bytes: Buffer; type: PictureType } | null>;
  has: (id: string) => Promise<boolean>;
}

export const pictureIdOf = (bytes: Buffer): string => createHash('sha256').update(bytes).digest('hex');

export const isPictureId = (id: string): boolean => /^[0-9a-f]{64}$/.test(id);
