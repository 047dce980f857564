import { Readable } from 'node:stream';
import Router from '@koa/router';
import type { Context } from 'koa';
import { downloads, siteRoleDefinitions, sites, type FileAddress, type SiteListing } from '#contract';
import { areaOf, siteFromTrusted, toSiteFile, type Change, type Site, type SiteFile } from '#core/model/site';
import { evaluateInChildProcess, planInChildProcess } from '../evaluation/evaluateInChildProcess';
import type { FileWorkers } from '../files/fileWorkers';
import { siteFileText } from '../files/siteFileText';
import type { ApplyingFolder } from '../recorders/applyingFolder';
import type { LiveSites } from '../live/liveSites';
import type { PictureFolder } from '../store/pictureFolder';
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
  pictures: PictureFolder;
  files: FileWorkers;
  applying: ApplyingFolder;
  demo: () => Promise<Site>;
}

const noSite = (id: string): Refused => notFound(`There is no site ${id} here, unless it is in the bin.`);

/** What was found of a site; ends the request where there is no such site. */
function orNoSite<T>(id: string, found: T | null): T {
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

function editAnswer(outcome: EditOutcome, { params, body }: Asked<typeof sites.edit>) {
  switch (outcome.kind) {
    case 'done':
      return { entry: outcome.entry };
    case 'no-site':
      throw noSite(params.id);
    case 'archived':
      throw new Refused({
        status: 422,
        title: 'Put away',
        detail: 'This site was put away. Put it back before you change it; nothing was changed.',
      });
    case 'of-another-site':
      throw notRight(422, 'This edit was made on another site.', [
        { path: 'id', value: JSON.stringify(body.id), allowed: 'an id that no edit has yet' },
      ]);
    case 'behind': {
      const { version, since } = outcome;
      throw new Refused({
        status: 409,
        title: 'Changed meanwhile',
        detail: `The site is at version ${version}, this edit was made on ${body.baseVersion}. Nothing was changed.`,
        version,
        since,
      });
    }
    case 'refused':
      throw notRight(422, 'This edit does not fit the site.', outcome.problems);
  }
}

async function editSite({ store, live }: Kept, asked: Asked<typeof sites.edit>) {
  const { params, body, context } = asked;
  if (body.site !== params.id)
    throw notRight(400, 'This edit is for another site.', [
      { path: 'site', value: JSON.stringify(body.site), allowed: params.id },
    ]);
  await checkAreas(context, params.id, body.changes);
  const outcome = await store.edit({ ...body, by: nameOf(context, body.by) });
  if (outcome.kind === 'done') live.edited(params.id, outcome.entry.version);
  return editAnswer(outcome, asked);
}

async function planOf({ version, site }: StoredSite, seconds: number) {
  const planning = await planInChildProcess(site, seconds);
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
function downloadRoutes(router: Router, { store, pictures }: Kept): void {
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
    const csv = await evaluateInChildProcess('planCsv', site, {});
    saveAs(context, `${id}-plan.csv`, 'text/csv; charset=utf-8', csv);
  });
  download(downloads.planLp, async (context, { id, site }) => {
    const lp = await evaluateInChildProcess('planLp', site, {});
    saveAs(context, `${id}-plan.lp`, 'text/plain; charset=utf-8', lp);
  });
}

/** The addresses of sites under /api. */
export function siteRoutes(kept: Kept): Router {
  const { store, demo, applying } = kept;
  const router = new Router({ prefix: '/api' });
  router.post('/sites/import', keepPace(paces.imports));
  const stored = async (id: string): Promise<StoredSite> => orNoSite(id, await store.read(id));

  serveEndpoint(router, sites.list, async ({ context }) => ({ sites: await listFor(context, kept) }));
  serveEndpoint(router, sites.create, async ({ body, context }) =>
    owned(context, kept, await store.create(startedSite(body))),
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
    if ((await store.erase(id)) === 'erased') return (applying.forgetSite(id), null);
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
    planOf(await stored(id), seconds),
  );
  serveEndpoint(router, sites.since, async ({ params: { id }, query: { after } }) =>
    orNoSite(id, await store.since(id, after)),
  );
  serveEndpoint(router, sites.edit, (asked) => editSite(kept, asked), editLimit);
  downloadRoutes(router, kept);
  return router;
}
