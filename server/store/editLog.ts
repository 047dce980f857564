import type { EntityManager } from '@mikro-orm/better-sqlite';
import type { LogEntry } from '#core/model/site';
import { linkOf } from './editChain';
import { EditRow } from './entities';

/** How many edits back a window can undo. */
const tailLength = 200;

const entriesIn = (rows: readonly { entry: LogEntry }[]): LogEntry[] => rows.map(({ entry }) => entry);

/** The last edits of a site, the oldest of them first. */
export async function lastEntries(em: EntityManager, site: string): Promise<LogEntry[]> {
  const rows = await em.find(
    EditRow,
    { site },
    { orderBy: { version: 'desc' }, limit: tailLength, disableIdentityMap: true },
  );
  return entriesIn(rows).reverse();
}

/** So many edits are told at once; whoever is further behind asks again. */
export const pageLength = 200;

/** What happened to a site since it was at a version, a page of it. */
export async function entriesAfter(em: EntityManager, site: string, version: number): Promise<LogEntry[]> {
  return entriesIn(
    await em.find(
      EditRow,
      { site, version: { $gt: version } },
      { orderBy: { version: 'asc' }, limit: pageLength, disableIdentityMap: true },
    ),
  );
}

/** An edit that has happened already, on whichever site; ids are anybody's only once. */
export async function entryOf(em: EntityManager, id: string): Promise<LogEntry | null> {
  const row = await em.findOne(EditRow, { id }, { disableIdentityMap: true });
  return row && row.entry;
}

/** Appends an entry, linked to the one before it. */
export async function appendEntry(em: EntityManager, entry: LogEntry): Promise<void> {
  const { site, version, id } = entry;
  const before = await em.findOne(
    EditRow,
    { site, version: version - 1 },
    { fields: ['link'], disableIdentityMap: true },
  );
  await em.insert(EditRow, {
    site,
    version,
    id,
    entry,
    link: linkOf(before?.link ?? '', JSON.stringify(entry)),
  });
}
