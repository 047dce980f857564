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

// An edit is a handful of statements; made by a query builder each takes longer than all of them in the database.

/** An edit that has happened already, on whichever site; ids are anybody's only once. */
export async function entryOf(em: EntityManager, id: string): Promise<LogEntry | null> {
  const [row] = await em.execute<{ entry: string }[]>('select entry from edit where id = ?', [id]);
  return row ? (JSON.parse(row.entry) as LogEntry) : null;
}

/** Appends an entry, linked to the one before it. */
export async function appendEntry(em: EntityManager, entry: LogEntry): Promise<void> {
  const { site, version, id } = entry;
  const [before] = await em.execute<{ link: string }[]>(
    'select link from edit where site = ? and version = ?',
    [site, version - 1],
  );
  const text = JSON.stringify(entry);
  await em.execute('insert into edit (site, version, id, entry, link) values (?, ?, ?, ?, ?)', [
    site,
    version,
    id,
    text,
    linkOf(before?.link ?? '', text),
  ]);
}
