import type { Pool } from 'pg';
import { pictureTypes, type PictureType } from '#core/model/site';
import { isPictureId, pictureIdOf, type Pictures } from '../store/pictures';

interface PictureRow {
  type: string;
  bytes: Buffer;
}

/** Pictures in the database, where servers have no folder in common. */
export function pictureTable(pool: Pool): Pictures {
  const isThere = async (id: string): Promise<boolean> =>
    (await pool.query('select from picture where id = $1', [id])).rowCount === 1;
  return {
    keep: async (bytes, type) => {
      const id = pictureIdOf(bytes);
      // Sent again it is new again.
      await pool.query(
        'insert into picture (id, type, bytes) values ($1, $2, $3) on conflict (id) do update set kept_at = now()',
        [id, type, bytes],
      );
      return id;
    },
    read: async (id) => {
      if (!isPictureId(id)) return null;
      const { rows } = await pool.query<PictureRow>('select type, bytes from picture where id = $1', [id]);
      const type: PictureType | undefined = pictureTypes.find((one) => one === rows[0]?.type);
      return type ? { bytes: rows[0]!.bytes, type } : null;
    },
    has: async (id) => isPictureId(id) && isThere(id),
  };
}
