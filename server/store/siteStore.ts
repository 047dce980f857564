import { UniqueConstraintViolationException } from '@mikro-orm/core';
import type { Orm } from './orm';
import type { SiteListing as ListingForSomebody } from '#contract';
import { aboutOf, freeId, type Edit, type LogEntry, type Site } from '#core/model/site';
import { eraseSite } from './bin';
import { entriesAfter, lastEntries } from './editLog';
import { editInTurn, editSite, rehearseEdit, type EditOutcome } from './editSite';
import { SiteRow } from './entities';
import { insertFacts } from './facts';
import type { Pictures } from './pictures';
import { recentSites } from './recentSites';
import { currentSite, findSite, type StoreState } from './storeState';
import { whenFree } from './whenFree';

/** A site in the list of all of them, whoever asks. */
export type SiteListing = Omit<ListingForSomebody, 'role'>;

export interface StoredSite {
  id: string;
  version: number;
  site: Site;
  log: LogEntry[];
}

/** A page of what happened to a site since a version. */
export interface Since {
  entries: LogEntry[];
  more: boolean;
}

const listingOf = ({ id, name, version, changedAt, archivedAt, binnedAt }: SiteRow): SiteListing => ({
  id,
  name,
  version,
  changedAt,
  archivedAt: archivedAt ?? null,
  binnedAt: binnedAt ?? null,
});

async function listSites({ orm }: StoreState): Promise<SiteListing[]> {
  const rows = await orm.em.fork().find(SiteRow, {}, { orderBy: { name: 'asc', id: 'asc' } });
  return rows.map(listingOf);
}

const readSite = (state: StoreState, id: string): Promise<StoredSite | null> =>
  state.orm.em.fork().transactional(async (tx) => {
    const row = await findSite(tx, id);
    if (!row) return null;
    return {
      id,
      version: row.version,
      site: await currentSite(state, tx, row),
      log: await lastEntries(tx, id),
    };
  });

async function editsSince({ orm }: StoreState, id: string, version: number): Promise<Since | null> {
  const em = orm.em.fork();
  const row = await findSite(em, id);
  if (!row) return null;
  const entries = await entriesAfter(em, id, version);
  return { entries, more: (entries.at(-1)?.version ?? row.version) < row.version };
}

const createOnce = ({ orm, now }: StoreState, site: Site): Promise<SiteListing> =>
  orm.em.fork().transactional(async (tx) => {
    const { name } = aboutOf(site);
    const ids = await tx.execute<{ id: string }[]>('select id from site union select id from erased_site');
    const taken = new Set(ids.map((row) => row.id));
    const id = freeId((wanted) => taken.has(wanted), name);
    const row = {
      id,
      name,
      version: 0,
      createdAt: now(),
      changedAt: now(),
      archivedAt: null,
      binnedAt: null,
    };
    await tx.insert(SiteRow, row);
    await insertFacts(tx, id, site);
    return listingOf(row);
  });

/** Puts a site into the store; where another server gave its id away meanwhile, under the next. */
const createSite = (state: StoreState, site: Site): Promise<SiteListing> =>
  createOnce(state, site).catch((error: unknown) => {
    if (error instanceof UniqueConstraintViolationException) return createOnce(state, site);
    throw error;
  });

async function duplicateSite(state: StoreState, id: string, name: string): Promise<SiteListing | null> {
  const stored = await readSite(state, id);
  if (!stored) return null;
  const { site } = stored;
  return createSite(state, { ...site, about: { about: { ...aboutOf(site), name } } });
}

async function archiveSite(
  { orm, now, recent }: StoreState,
  id: string,
  archived: boolean,
): Promise<SiteListing | null> {
  const em = orm.em.fork();
  await em.nativeUpdate(SiteRow, { id }, { archivedAt: archived ? now() : null });
  recent.delete(id);
  const row = await findSite(em, id);
  return row && listingOf(row);
}

/** Puts a site into the bin, or back out of it. */
async function binSite(
  { orm, now, recent }: StoreState,
  id: string,
  binned: boolean,
): Promise<SiteListing | null> {
  const em = orm.em.fork();
  await em.nativeUpdate(SiteRow, { id }, { binnedAt: binned ? now() : null });
  recent.delete(id);
  const row = await em.findOne(SiteRow, { id });
  return row && listingOf(row);
}

/** Deletes for good what is in the bin, and nothing else. */
async function eraseFromBin({ orm, now }: StoreState, id: string): Promise<'erased' | 'not-in-bin'> {
  const row = await orm.em.fork().findOne(SiteRow, { id, binnedAt: { $ne: null } });
  if (!row) return 'not-in-bin';
  await eraseSite(orm, id, now());
  return 'erased';
}

/** Reads and writes sites. Every change is one transaction that either happened whole or not at all. */
export interface SiteStore {
  list: () => Promise<SiteListing[]>;
  /** `null` where there is no such site, or it is in the bin. */
  nameOf: (id: string) => Promise<string | null>;
  has: (id: string) => Promise<boolean>;
  read: (id: string) => Promise<StoredSite | null>;
  since: (id: string, version: number) => Promise<Since | null>;
  /** Puts a site into the store under an id of its own. Its pictures are kept already. */
  create: (site: Site) => Promise<SiteListing>;
  /** A site again under another name, with everything that is noted on it and an empty log. */
  duplicate: (id: string, name: string) => Promise<SiteListing | null>;
  /** Puts a site out of the way, or back. */
  archive: (id: string, archived: boolean) => Promise<SiteListing | null>;
  /** Puts a site into the bin, or back; what is in it is not read and takes no edits. */
  bin: (id: string, binned: boolean) => Promise<SiteListing | null>;
  /** Deletes what is in the bin for good. */
  erase: (id: string) => Promise<'erased' | 'not-in-bin'>;
  edit: (edit: Edit) => Promise<EditOutcome>;
  /** Edits of one site, each on the one before, until one does not go through. */
  editInTurn: (edits: readonly Edit[]) => Promise<EditOutcome[]>;
  /** Goes through an edit of which nothing is kept. */
  rehearse: (edit: Edit) => Promise<void>;
}

export function siteStore(orm: Orm, pictures: Pictures, now: () => string): SiteStore {
  const state: StoreState = { orm, pictures, now, recent: recentSites() };
  return {
    list: () => listSites(state),
    nameOf: async (id) => (await findSite(orm.em.fork(), id))?.name ?? null,
    has: async (id) => (await findSite(orm.em.fork(), id)) !== null,
    read: (id) => readSite(state, id),
    since: (id, version) => editsSince(state, id, version),
    create: (site) => whenFree(() => createSite(state, site)),
    duplicate: (id, name) => whenFree(() => duplicateSite(state, id, name)),
    archive: (id, archived) => whenFree(() => archiveSite(state, id, archived)),
    bin: (id, binned) => whenFree(() => binSite(state, id, binned)),
    erase: (id) => whenFree(() => eraseFromBin(state, id)),
    edit: (edit) => whenFree(() => editSite(state, edit)),
    editInTurn: (edits) => whenFree(() => editInTurn(state, edits)),
    rehearse: (edit) => whenFree(() => rehearseEdit(state, edit)),
  };
}
