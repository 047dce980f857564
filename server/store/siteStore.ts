import type { EntityManager, MikroORM } from '@mikro-orm/better-sqlite';
import { UniqueConstraintViolationException } from '@mikro-orm/core';
import type { Problem } from '#core/shared/problems';
import {
  aboutOf,
  applyChanges,
  freeId,
  kinds,
  type Change,
  type Edit,
  type Kind,
  type LogEntry,
  type Site,
} from '#core/model/site';
import { EditRow, FactRow, SiteRow } from './entities';
import type { PictureFolder } from './pictureFolder';

export interface SiteListing {
  id: string;
  name: string;
  version: number;
  changedAt: string;
  archivedAt: string | null;
}
export interface StoredSite {
  id: string;
  version: number;
  site: Site;
  log: LogEntry[];
}

export type EditOutcome =
  | { kind: 'done'; entry: LogEntry }
  | { kind: 'no-site' }
  | { kind: 'behind'; version: number; since: LogEntry[] }
  | { kind: 'refused'; problems: Problem[] };

/** How many edits back a window can undo. */
const logTail = 200;

async function loadSite(em: EntityManager, id: string): Promise<Site> {
  const rows = await em.find(FactRow, { site: id }, { disableIdentityMap: true });
  const site = Object.fromEntries(kinds.map((kind) => [kind, {}])) as Record<Kind, Record<string, unknown>>;
  for (const row of rows) site[row.kind as Kind][row.id] = JSON.parse(row.fact);
  return site as unknown as Site;
}

const readEntries = (rows: readonly EditRow[]): LogEntry[] =>
  rows.map((row) => JSON.parse(row.entry) as LogEntry);

async function entriesAfter(em: EntityManager, site: string, version: number): Promise<LogEntry[]> {
  return readEntries(
    await em.find(
      EditRow,
      { site, version: { $gt: version } },
      { orderBy: { version: 'asc' }, disableIdentityMap: true },
    ),
  );
}

async function writeChanges(
  em: EntityManager,
  site: string,
  changes: readonly Change[],
  after: Site,
): Promise<void> {
  const touched = new Map(changes.map(({ kind, id }) => [`${kind}/${id}`, { kind, id }]));
  for (const { kind, id } of touched.values()) {
    const fact = after[kind][id];
    if (fact)
      await em
        .createQueryBuilder(FactRow)
        .insert({ site, kind, id, fact: JSON.stringify(fact) })
        .onConflict(['site', 'kind', 'id'])
        .merge(['fact'])
        .execute('run', false);
    else await em.nativeDelete(FactRow, { site, kind, id });
  }
}

const summaryOf = ({ id, name, version, changedAt, archivedAt }: SiteRow): SiteListing => ({
  id,
  name,
  version,
  changedAt,
  archivedAt: archivedAt ?? null,
});

/** Pictures that changes name and nobody has uploaded. */
function missingPictures(changes: readonly Change[], pictures: PictureFolder): Problem[] {
  return changes.flatMap((change, index) => {
    if (
      !('set' in change) ||
      (change.kind !== 'drawing' && change.kind !== 'photo') ||
      pictures.has(change.set.fileId)
    )
      return [];
    return [
      {
        path: `changes[${index}].set.fileId`,
        value: change.set.fileId,
        allowed: 'a picture that was uploaded',
      },
    ];
  });
}

/** Reads and writes sites. Every change is one transaction that either happened whole or not at all. */
export function siteStore(orm: MikroORM, pictures: PictureFolder, now: () => string) {
  /** The last state of each site in use, so that an edit does not read the whole site again. */
  const held = new Map<string, { version: number; site: Site }>();

  async function current(em: EntityManager, row: SiteRow): Promise<Site> {
    const known = held.get(row.id);
    if (known?.version === row.version) return known.site;
    const site = await loadSite(em, row.id);
    held.set(row.id, { version: row.version, site });
    return site;
  }

  const findSite = (em: EntityManager, id: string) =>
    em.findOne(SiteRow, { id }, { disableIdentityMap: true });

  async function list(): Promise<SiteListing[]> {
    const rows = await orm.em.fork().find(SiteRow, {}, { orderBy: { name: 'asc', id: 'asc' } });
    return rows.map(summaryOf);
  }

  async function read(id: string): Promise<StoredSite | null> {
    const em = orm.em.fork();
    return em.transactional(async (tx) => {
      const row = await findSite(tx, id);
      if (!row) return null;
      const rows = await tx.find(
        EditRow,
        { site: id },
        { orderBy: { version: 'desc' }, limit: logTail, disableIdentityMap: true },
      );
      return { id, version: row.version, site: await current(tx, row), log: readEntries(rows).reverse() };
    });
  }

  async function since(id: string, version: number): Promise<LogEntry[] | null> {
    const em = orm.em.fork();
    return (await findSite(em, id)) ? entriesAfter(em, id, version) : null;
  }

  /** Puts a site into the store under an id of its own. Its pictures are kept already. */
  async function create(site: Site): Promise<SiteListing> {
    const { name } = aboutOf(site);
    return orm.em.fork().transactional(async (tx) => {
      const taken = new Set((await tx.find(SiteRow, {}, { fields: ['id'] })).map((row) => row.id));
      const id = freeId((wanted) => taken.has(wanted), name);
      const row = { id, name, version: 0, createdAt: now(), changedAt: now(), archivedAt: null };
      await tx.insert(SiteRow, row);
      const facts = kinds.flatMap((kind) =>
        Object.values(site[kind]).map((fact) => ({
          site: id,
          kind,
          id: fact.id,
          fact: JSON.stringify(fact),
        })),
      );
      for (let start = 0; start < facts.length; start += 500)
        await tx.insertMany(FactRow, facts.slice(start, start + 500));
      return summaryOf(row);
    });
  }

  /** A site again under another name, with everything that is noted on it and an empty log. */
  async function duplicate(id: string, name: string): Promise<SiteListing | null> {
    const stored = await read(id);
    return stored && create({ ...stored.site, about: { about: { ...aboutOf(stored.site), name } } });
  }

  /** Puts a site out of the way, or back. */
  async function archive(id: string, archived: boolean): Promise<SiteListing | null> {
    const em = orm.em.fork();
    await em.nativeUpdate(SiteRow, { id }, { archivedAt: archived ? now() : null });
    const row = await findSite(em, id);
    return row && summaryOf(row);
  }

  /** An edit on an old version may be one whose answer was lost on the way: it has happened, and is answered so again. */
  async function behindOrDone(tx: EntityManager, edit: Edit, version: number): Promise<EditOutcome> {
    const sentBefore = await tx.findOne(
      EditRow,
      { id: edit.id, site: edit.site },
      { disableIdentityMap: true },
    );
    if (sentBefore) return { kind: 'done', entry: JSON.parse(sentBefore.entry) as LogEntry };
    return { kind: 'behind', version, since: await entriesAfter(tx, edit.site, edit.baseVersion) };
  }

  async function tryEdit(edit: Edit): Promise<EditOutcome> {
    const outcome = await orm.em.fork().transactional(async (tx): Promise<EditOutcome & { site?: Site }> => {
      const known = held.get(edit.site);
      let base = known?.version === edit.baseVersion ? known.site : undefined;
      if (!base) {
        const row = await findSite(tx, edit.site);
        if (!row) return { kind: 'no-site' };
        if (edit.baseVersion !== row.version) return behindOrDone(tx, edit, row.version);
        base = await current(tx, row);
      }
      const applied = applyChanges(base, edit.changes);
      if (applied.kind === 'refused') return { kind: 'refused', problems: applied.problems };
      const missing = missingPictures(edit.changes, pictures);
      if (missing.length > 0) return { kind: 'refused', problems: missing };
      const { site, inverse } = applied.value;
      const entry: LogEntry = { ...edit, version: edit.baseVersion + 1, at: now(), inverse };
      await writeChanges(tx, edit.site, edit.changes, site);
      await tx.insert(EditRow, {
        site: edit.site,
        version: entry.version,
        id: edit.id,
        entry: JSON.stringify(entry),
      });
      await tx.nativeUpdate(
        SiteRow,
        { id: edit.site },
        { version: entry.version, changedAt: entry.at, name: aboutOf(site).name },
      );
      return { kind: 'done', entry, site };
    });
    const { site, ...answer } = outcome as EditOutcome & { site?: Site };
    // Only once the transaction has been committed may later edits build on it.
    if (site && answer.kind === 'done') held.set(edit.site, { version: answer.entry.version, site });
    return answer;
  }

  /**
   * Applies an edit, or says why not. Another process on the same file may have moved the site on from what is held
   * here; the key of the log lets only one edit through as each version, and the other looks again.
   */
  async function edit(request: Edit): Promise<EditOutcome> {
    try {
      return await tryEdit(request);
    } catch (error) {
      if (!(error instanceof UniqueConstraintViolationException)) throw error;
      held.delete(request.site);
      return tryEdit(request);
    }
  }

  return { list, read, since, create, duplicate, archive, edit };
}

export type SiteStore = ReturnType<typeof siteStore>;
