import type { EntityManager, Orm } from './orm';
import { blockLength, keptAtHand, packed, packedText } from './editBlocks';

interface NextBlock {
  site: string;
  version: number;
  /** The first version that is not packed. */
  next: number;
}

const nextBlocks = (em: EntityManager): Promise<NextBlock[]> =>
  em.execute<NextBlock[]>(
    'select id as site, version, coalesce((select max(first) + ? from edit_block where site = id), 1) as next from site',
    [blockLength],
  );

/** Packs a block of a site's log: its texts go into one piece, its rows stay. Nothing is lost, and what was linked stays linked. */
async function packBlock(tx: EntityManager, site: string, first: number): Promise<void> {
  const last = first + blockLength - 1;
  const rows = await tx.execute<{ entry: string }[]>(
    'select entry from edit where site = ? and version between ? and ? order by version',
    [site, first, last],
  );
  await tx.execute('insert into edit_block (site, first, texts) values (?, ?, ?)', [
    site,
    first,
    packed(rows.map(({ entry }) => entry)),
  ]);
  await tx.execute('update edit set entry = ? where site = ? and version between ? and ?', [
    packedText,
    site,
    first,
    last,
  ]);
}

/**
 * Packs what of the logs is older than anybody takes back, block by block, each in a transaction of its own so that edits go on between
 * them.
 * @returns how many edits were packed
 */
export async function packEdits(orm: Orm): Promise<number> {
  let blocks = 0;
  for (const { site, version, next } of await nextBlocks(orm.em.fork()))
    for (let first = next; first + blockLength - 1 <= version - keptAtHand; first += blockLength) {
      await orm.em.fork().transactional((tx) => packBlock(tx, site, first));
      blocks += 1;
    }
  return blocks * blockLength;
}
