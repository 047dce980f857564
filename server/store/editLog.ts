import type { EntityManager } from '@mikro-orm/better-sqlite';
import type { LogEntry } from '#core/model/site';
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

/** What happened to a site since it was at a version. */
export async function entriesAfter(em: EntityManager, site: string, version: number): Promise<LogEntry[]> {
  return entriesIn(
    await em.find(
      EditRow,
      { site, version: { $gt: version } },
      { orderBy: { version: 'asc' }, disableIdentityMap: true },
    ),
  );
}

/** The entry of an edit, where it has happened already. */
export async function entryOf(em: EntityManager, site: string, id: string): Promise<LogEntry | null> {
  const row = await em.findOne(EditRow, { id, site }, { disableIdentityMap: true });
  return row && row.entry;
}

export async function appendEntry(em: EntityManager, entry: LogEntry): Promise<void> {
  const { site, version, id } = entry;
  await em.insert(EditRow, { site, version, id, entry });
}
