import { randomUUID } from 'node:crypto';
import { existsSync, mkdirSync } from 'node:fs';
import { open, readFile, rename, utimes } from 'node:fs/promises';
import path from 'node:path';
import { pictureTypes, type PictureType } from '#core/model/site';
import { isPictureId, pictureIdOf, type Pictures } from './pictures';

const endings: Record<PictureType, string> = {
  'image/png': 'png',
  'image/jpeg': 'jpg',
  'image/svg+xml': 'svg',
};

/** Pictures as files of a folder. */
export function pictureFolder(folder: string): Pictures {
  mkdirSync(folder, { recursive: true });
  const fileOf = (id: string, type: PictureType) => path.join(folder, `${id}.${endings[type]}`);

  function typeOf(id: string): PictureType | null {
    return pictureTypes.find((type) => existsSync(fileOf(id, type))) ?? null;
  }

  async function keep(bytes: Buffer, type: PictureType): Promise<string> {
    const id = pictureIdOf(bytes);
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
    const type = isPictureId(id) ? typeOf(id) : null;
    return type ? { bytes: await readFile(fileOf(id, type)), type } : null;
  }

  return { keep, read, has: (id) => Promise.resolve(typeOf(id) !== null) };
}
