import type { EntityManager } from './orm';
import type { LogEntry } from '#core/model/site';
import { linkOf } from './editChain';
import { blockLength, packedText, withTexts, type EditBlock } from './editBlocks';

// An edit is a handful of statements; made by a query builder each takes longer than all of them in the database.

/** How many edits back a window can undo. */
const tailLength = 200;

interface EntryText {
  version: number;
  entry: string;
}

/** Entries from their rows, from packed blocks where they are that old. */
async function entriesIn(em: EntityManager, site: string, rows: readonly EntryText[]): Promise<LogEntry[]> {
  const old = rows.filter(({ entry }) => entry === packedText).map(({ version }) => version);
  const blocks =
    old.length === 0
      ? []
      : await em.execute<EditBlock[]>(
          'select first, texts from edit_block where site = ? and first between ? and ?',
          [site, Math.min(...old) - blockLength + 1, Math.max(...old)],
        );
  return withTexts(rows, blocks).map(({ entry }) => JSON.parse(entry) as LogEntry);
}

/** The last edits of a site, the oldest of them first. */
export async function lastEntries(em: EntityManager, site: string): Promise<LogEntry[]> {
  const rows = await em.execute<EntryText[]>(
    'select version, entry from edit where site = ? order by version desc limit ?',
    [site, tailLength],
  );
  return entriesIn(em, site, rows.reverse());
}

/** So many edits are told at once; whoever is further behind asks again. */
export const pageLength = 200;

/** What happened to a site since it was at a version, a page of it. */
export async function entriesAfter(em: EntityManager, site: string, version: number): Promise<LogEntry[]> {
  const rows = await em.execute<EntryText[]>(
    'select version, entry from edit where site = ? and version > ? order by version limit ?',
    [site, version, pageLength],
  );
  return entriesIn(em, site, rows);
}

/** An edit that has happened already, on whichever site; ids are anybody's only once. */
export async function entryOf(em: EntityManager, id: string): Promise<LogEntry | null> {
  const [row] = await em.execute<(EntryText & { site: string })[]>(
    'select site, version, entry from edit where id = ?',
    [id],
  );
  if (!row) return null;
  const [entry] = await entriesIn(em, row.site, [row]);
  return entry!;
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
