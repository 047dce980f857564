import { Readable } from 'node:stream';
import Router from '@koa/router';
import type { Context } from 'koa';
import { downloads, siteRoleDefinitions, sites, type FileAddress, type SiteListing } from '#contract';
import {
  areaOf,
  siteFromTrusted,
  toSiteFile,
  type Change,
  type Edit,
  type LogEntry,
  type Site,
  type SiteFile,
} from '#core/model/site';
import type { Work } from '../evaluation/work';
import type { FileWorkers } from '../files/fileWorkers';
import { siteFileText } from '../files/siteFileText';
import type { ApplyingRecords } from '../recorders/applyingRecords';
import type { LiveSites } from '../live/liveSites';
import type { FirmRecord } from '../store/firmRecord';
import type { Pictures } from '../store/pictures';
import type { EditOutcome } from '../store/editSite';
import type { SiteListing as StoredListing, SiteStore, StoredSite } from '../store/siteStore';
import { startedSite } from './startedSite';
import { keepPace, paces } from './pace';
import { notFound, notRight, Refused } from './refused';
import { serveDownload, serveEndpoint, serveFile, type Asked } from './serveEndpoint';
import { nameOf, siteRoleOf, visitorOf } from './visitor';
import type { Accounts } from '../accounts/accounts';
import { rolesOf, setMember } from '../accounts/members';

/** An import of a few thousand rows is one edit. */
const editLimit = '24mb';
/** A site file brings its drawings and photos along. */
const mostFileBytes = 160_000_000;

/** What the addresses speak of: sites, their pictures, and the demo as it ships. */
export interface Kept {
  store: SiteStore;
  accounts: Accounts;
  live: LiveSites;
  pictures: Pictures;
  files: FileWorkers;
  work: Work;
  applying: ApplyingRecords;
  firm: FirmRecord;
  demo: () => Promise<Site>;
}

const noSite = (id: string): Refused => notFound(`There is no site ${id} here, unless it is in the bin.`);

/** What was found of a site; ends the request where there is no such site. */
export function orNoSite<T>(id: string, found: T | null): T {
  if (found === null) throw noSite(id);
  return found;
}

/** The site of a file of today that was found sound. */
const siteIn = (file: string): Site => siteFromTrusted(JSON.parse(file) as SiteFile);

/** A listing of the store, with the role of whoever asks. */
async function listingFor(context: Context, listing: StoredListing): Promise<SiteListing> {
  return { ...listing, role: await siteRoleOf(context, listing.id) };
}

/** The sites that whoever asks has a role on; all where there are no accounts, and for whoever administers them. */
async function listFor(context: Context, { store, accounts }: Kept): Promise<SiteListing[]> {
  const visitor = visitorOf(context);
  const listings = await store.list();
  if (visitor.kind !== 'person') return listings.map((listing) => ({ ...listing, role: null }));
  const { id, role: firmRole } = visitor.person;
  if (firmRole === 'admin') return listings.map((listing) => ({ ...listing, role: 'owner' as const }));
  const roles = await rolesOf(accounts, id);
  return listings.flatMap((listing) => {
    const role = roles.get(listing.id);
    return role ? [{ ...listing, role }] : [];
  });
}

/** A site that somebody started is his. */
async function owned(context: Context, { accounts }: Kept, listing: StoredListing): Promise<SiteListing> {
  const visitor = visitorOf(context);
  if (visitor.kind === 'person') await setMember(accounts, listing.id, visitor.person.id, 'owner');
  return listingFor(context, listing);
}

/** Ends the request where changes are none of the role's of whoever makes them. */
async function checkAreas(context: Context, site: string, changes: readonly Change[]): Promise<void> {
  const role = await siteRoleOf(context, site);
  if (role === null) return;
  const { label, areas } = siteRoleDefinitions[role];
  const beyond = changes.find(({ kind }) => !areas.includes(areaOf(kind)));
  if (!beyond) return;
  throw new Refused({
    status: 403,
    title: 'Not allowed',
    detail: `${label} is your role here, and it does not change this (${beyond.kind} ${beyond.id}). Nothing was changed.`,
  });
}

async function importSite({ store, files }: Kept, bytes: Buffer) {
  const taken = await files.siteFile(bytes);
  switch (taken.kind) {
    case 'not-json':
      throw notRight(400, taken.why, []);
    case 'refused':
      throw notRight(422, taken.why, taken.problems);
    case 'taken':
      return store.create(siteIn(taken.file));
  }
}

/** Ends the request where an edit did not go through. */
export function entryOf(outcome: EditOutcome, edit: Edit): LogEntry {
  switch (outcome.kind) {
    case 'done':
      return outcome.entry;
    case 'no-site':
      throw noSite(edit.site);
    case 'archived':
      throw new Refused({
        status: 422,
        title: 'Put away',
        detail: 'This site was put away. Put it back before you change it; nothing was changed.',
      });
    case 'of-another-site':
      throw notRight(422, 'This edit was made on another site.', [
        { path: 'id', value: JSON.stringify(edit.id), allowed: 'an id that no edit has yet' },
      ]);
    case 'behind': {
      const { version, since } = outcome;
      throw new Refused({
        status: 409,
        title: 'Changed meanwhile',
        detail: `The site is at version ${version}, this edit was made on ${edit.baseVersion}. Nothing was changed.`,
        version,
        since,
      });
    }
    case 'refused':
      throw notRight(422, 'This edit does not fit the site.', outcome.problems);
  }
}

/** An edit under the name of whoever makes it; ends the request where it is not his to make, or for another site. */
async function signed(context: Context, site: string, edit: Edit): Promise<Edit> {
  if (edit.site !== site)
    throw notRight(400, 'This edit is for another site.', [
      { path: 'site', value: JSON.stringify(edit.site), allowed: site },
    ]);
  await checkAreas(context, site, edit.changes);
  return { ...edit, by: nameOf(context, edit.by) };
}

async function editSite({ store, live }: Kept, { params, body, context }: Asked<typeof sites.edit>) {
  const edit = await signed(context, params.id, body);
  const entry = entryOf(await store.edit(edit), edit);
  live.edited(params.id, entry.version);
  return { entry };
}

async function editInTurn({ store, live }: Kept, { params, body, context }: Asked<typeof sites.editInTurn>) {
  const edits = [await signed(context, params.id, body.edits[0]!)];
  // One further on that is not his to make is told of when it comes first.
  for (const edit of body.edits.slice(1)) {
    const next = await signed(context, params.id, edit).catch(() => null);
    if (!next) break;
    edits.push(next);
  }
  const [first, ...further] = await store.editInTurn(edits);
  const entries = [entryOf(first!, edits[0]!)];
  for (const outcome of further) if (outcome.kind === 'done') entries.push(outcome.entry);
  live.edited(params.id, entries.at(-1)!.version);
  return { entries };
}

async function planOf(work: Work, { version, site }: StoredSite, seconds: number) {
  const planning = await work.plan(site, seconds);
  if (planning !== 'busy') return { version, planning: { ...planning } };
  throw new Refused(
    {
      status: 503,
      title: 'Busy planning',
      detail: 'Other sites are being planned just now. Ask again in a moment.',
    },
    10,
  );
}

function saveAs(context: Context, name: string, type: string, text: string | Readable): void {
  context.attachment(name);
  context.type = type;
  context.body = text;
}

/** Files of a site that a browser saves. */
function downloadRoutes(router: Router, { store, pictures, work }: Kept): void {
  const download = (
    address: FileAddress,
    send: (context: Context, stored: StoredSite) => Promise<void> | void,
  ) =>
    serveDownload(router, address, async (context) => {
      const id = context.params['id']!;
      await send(context, orNoSite(id, await store.read(id)));
    });
  download(downloads.file, (context, { id, site }) => {
    saveAs(context, `${id}.neotrope.json`, 'application/json', Readable.from(siteFileText(site, pictures)));
  });
  download(downloads.planCsv, async (context, { id, site }) => {
    const csv = await work.evaluate('planCsv', site, {});
    saveAs(context, `${id}-plan.csv`, 'text/csv; charset=utf-8', csv);
  });
  download(downloads.planLp, async (context, { id, site }) => {
    const lp = await work.evaluate('planLp', site, {});
    saveAs(context, `${id}-plan.lp`, 'text/plain; charset=utf-8', lp);
  });
}

/** The addresses of sites under /api. */
export function siteRoutes(kept: Kept): Router {
  const { store, demo, applying, work, firm } = kept;
  const router = new Router({ prefix: '/api' });
  router.post('/sites/import', keepPace(paces.imports));
  const stored = async (id: string): Promise<StoredSite> => orNoSite(id, await store.read(id));

  serveEndpoint(router, sites.list, async ({ context }) => ({ sites: await listFor(context, kept) }));
  serveEndpoint(router, sites.create, async ({ body, context }) =>
    owned(context, kept, await store.create(startedSite(body, await firm.read()))),
  );
  serveFile(
    router,
    sites.import,
    () => mostFileBytes,
    async ({ body, context }) => owned(context, kept, await importSite(kept, body)),
  );
  serveEndpoint(router, sites.demo, async ({ context }) =>
    owned(context, kept, await store.create(await demo())),
  );
  serveEndpoint(router, sites.duplicate, async ({ params: { id }, body, context }) =>
    owned(context, kept, orNoSite(id, await store.duplicate(id, body.name))),
  );
  serveEndpoint(router, sites.archive, async ({ params: { id }, body, context }) =>
    listingFor(context, orNoSite(id, await store.archive(id, body.archived))),
  );
  serveEndpoint(router, sites.bin, async ({ params: { id }, body, context }) =>
    listingFor(context, orNoSite(id, await store.bin(id, body.binned))),
  );
  serveEndpoint(router, sites.erase, async ({ params: { id } }) => {
    if ((await store.erase(id)) === 'erased') {
      await applying.forgetSite(id);
      return null;
    }
    throw new Refused({
      status: 409,
      title: 'Not in the bin',
      detail: `Only what is in the bin is deleted for good, and ${id} is not. Nothing was changed.`,
    });
  });
  serveEndpoint(router, sites.read, async ({ params: { id }, context }) => {
    const { site, ...rest } = await stored(id);
    return { ...rest, file: toSiteFile(site), role: await siteRoleOf(context, id) };
  });
  serveEndpoint(router, sites.plan, async ({ params: { id }, query: { seconds } }) =>
    planOf(work, await stored(id), seconds),
  );
  serveEndpoint(router, sites.since, async ({ params: { id }, query: { after } }) =>
    orNoSite(id, await store.since(id, after)),
  );
  serveEndpoint(router, sites.edit, (asked) => editSite(kept, asked), editLimit);
  serveEndpoint(router, sites.editInTurn, (asked) => editInTurn(kept, asked), editLimit);
  downloadRoutes(router, kept);
  return router;
}
