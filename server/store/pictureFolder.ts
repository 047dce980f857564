import { createHash, randomUUID } from 'node:crypto';
import { existsSync, mkdirSync } from 'node:fs';
import { open, readFile, rename, utimes } from 'node:fs/promises';
import path from 'node:path';
import { pictureTypes, type PictureType } from '#core/model/site';

const endings: Record<PictureType, string> = {
  'image/png': 'png',
  'image/jpeg': 'jpg',
  'image/svg+xml': 'svg',
};

/** The pictures of a data folder, each a file named for the SHA-256 of what is in it, so that none is ever overwritten. */
export function pictureFolder(dataDir: string) {
  const folder = path.join(dataDir, 'pictures');
  mkdirSync(folder, { recursive: true });
  const fileOf = (id: string, type: PictureType) => path.join(folder, `${id}.${endings[type]}`);

  function typeOf(id: string): PictureType | null {
    return pictureTypes.find((type) => existsSync(fileOf(id, type))) ?? null;
  }

  /** Keeps a picture and gives its id. It is on the disk, whole, before this returns. */
  async function keep(bytes: Buffer, type: PictureType): Promise<string> {
    const id = createHash('sha256').update(bytes).digest('hex');
    if (typeOf(id)) {
      // Sent again it is new again: what nobody names is forgotten by its age.
      const at = new Date();
      await utimes(fileOf(id, type), at, at);
      return id;
    }
    const draft = path.join(folder, `.${randomUUID()}`);
    const file = await open(draft, 'w');
    try {
      await file.writeFile(bytes);
      await file.sync();
    } finally {
      await file.close();
    }
    await rename(draft, fileOf(id, type));
    return id;
  }

  async function read(id: string): Promise<{ bytes: Buffer; type: PictureType } | null> {
    const type = /^[0-9a-f]{64}$/.test(id) ? typeOf(id) : null;
    return type ? { bytes: await readFile(fileOf(id, type)), type } : null;
  }

  return { keep, read, has: (id: string) => typeOf(id) !== null };
}

export type PictureFolder = ReturnType<typeof pictureFolder>;
