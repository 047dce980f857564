import { z } from 'zod';
import type { Problem } from '#core/shared/problems';
import { editSchema, nameSchema, siteIdSchema } from '#core/model/site';
import { endpoint } from './endpoint';
import { nothing } from './nothing';
import { siteRoles } from './roles';
import { sitePath } from './paths';
import { trustedEntry, trustedSiteFile } from './trusted';

/** A site in the list of all of them. */
export const siteListingSchema = z.object({
  id: siteIdSchema,
  name: z.string(),
  version: z.int().min(0),
  changedAt: z.string(),
  /** Since when it is out of the way; nothing of it is lost. */
  archivedAt: z.string().nullable(),
  /** Since when it is in the bin, from which it goes for good after thirty days. */
  binnedAt: z.string().nullable(),
  /** The role there of whoever asks; `null` where there are no accounts. */
  role: z.enum(siteRoles).nullable(),
});
export type SiteListing = z.infer<typeof siteListingSchema>;

/** A site as a window opens it: its facts, and the tail of its log, from which edits can be taken back. */
export const servedSiteSchema = z.object({
  id: siteIdSchema,
  version: z.int().min(0),
  file: trustedSiteFile,
  log: z.array(trustedEntry),
  /** The role there of whoever opens it; `null` where there are no accounts. */
  role: z.enum(siteRoles).nullable().default(null),
});
export type ServedSite = z.infer<typeof servedSiteSchema>;

/** What to enter, by the first field that was not right. */
const newSiteHint = ([first]: readonly Problem[]): string =>
  first?.path === 'headEndName' ? 'Enter where the recorders are.' : 'Enter a name for the site.';

/** So many edits that waited are sent at once. */
export const mostInTurn = 50;

export const sites = {
  list: endpoint({
    needs: 'account',
    method: 'GET',
    path: '/sites',
    query: nothing,
    body: nothing,
    answer: z.object({ sites: z.array(siteListingSchema) }),
    status: 200,
  }),
  create: endpoint({
    needs: 'staff',
    method: 'POST',
    path: '/sites',
    query: nothing,
    /** Of a template of sites, or with nothing noted yet. */
    body: z.strictObject({
      name: nameSchema,
      headEndName: nameSchema,
      template: siteIdSchema.optional(),
    }),
    answer: siteListingSchema,
    status: 201,
    hint: newSiteHint,
  }),
  /** The body is a site file, which is read by itself, since it may be of an earlier version. */
  import: endpoint({
    needs: 'staff',
    method: 'POST',
    path: '/sites/import',
    query: nothing,
    body: z.unknown(),
    answer: siteListingSchema,
    status: 201,
    hint: 'This is not a sound site file.',
  }),
  demo: endpoint({
    needs: 'staff',
    method: 'POST',
    path: '/sites/demo',
    query: nothing,
    body: nothing,
    answer: siteListingSchema,
    status: 201,
  }),
  duplicate: endpoint({
    needs: 'copy',
    method: 'POST',
    path: '/sites/:id/duplicate',
    query: nothing,
    body: z.strictObject({ name: nameSchema }),
    answer: siteListingSchema,
    status: 201,
    hint: 'The copy needs a name.',
  }),
  archive: endpoint({
    needs: 'manage',
    method: 'POST',
    path: '/sites/:id/archive',
    query: nothing,
    body: z.strictObject({ archived: z.boolean() }),
    answer: siteListingSchema,
    status: 200,
    hint: '“archived” is true or false.',
  }),
  bin: endpoint({
    needs: 'manage',
    method: 'POST',
    path: '/sites/:id/bin',
    query: nothing,
    body: z.strictObject({ binned: z.boolean() }),
    answer: siteListingSchema,
    status: 200,
    hint: '“binned” is true or false.',
  }),
  /** Deletes for good what is in the bin. */
  erase: endpoint({
    needs: 'manage',
    method: 'DELETE',
    path: sitePath,
    query: nothing,
    body: nothing,
    answer: nothing,
    status: 204,
  }),
  read: endpoint({
    needs: 'read',
    method: 'GET',
    path: sitePath,
    query: nothing,
    body: nothing,
    answer: servedSiteSchema,
    status: 200,
  }),
  since: endpoint({
    needs: 'read',
    method: 'GET',
    path: '/sites/:id/edits',
    query: z.object({ after: z.coerce.number().int().min(0).default(0) }),
    body: nothing,
    /** A page of them, the oldest first; `more` where others come after. */
    answer: z.object({ entries: z.array(trustedEntry), more: z.boolean() }),
    status: 200,
    hint: '“after” is a version.',
  }),
  edit: endpoint({
    needs: 'change',
    method: 'POST',
    path: '/sites/:id/edits',
    query: nothing,
    body: editSchema,
    answer: z.object({ entry: trustedEntry }),
    status: 200,
    hint: 'This edit is not well formed.',
  }),
  /**
   * Several edits of one window, each on the one before, as they waited without a network. Those that go through are answered; the first
   * that does not ends it, and is told of when it comes first.
   */
  editInTurn: endpoint({
    needs: 'change',
    method: 'POST',
    path: '/sites/:id/edits/in-turn',
    query: nothing,
    body: z.strictObject({ edits: z.array(editSchema).min(1).max(mostInTurn) }),
    answer: z.object({ entries: z.array(trustedEntry) }),
    status: 200,
    hint: 'These edits are not well formed.',
  }),
  /** The best plan that is found in the time. */
  plan: endpoint({
    needs: 'read',
    method: 'GET',
    path: '/sites/:id/plan',
    query: z.object({ seconds: z.coerce.number().min(0.1).max(60).default(10) }),
    body: nothing,
    answer: z.object({ version: z.int(), planning: z.looseObject({ kind: z.string() }) }),
    status: 200,
    hint: '“seconds” is how long may be searched.',
  }),
} as const;

/** Files of a site that a browser saves. */
export const downloads = {
  file: { path: '/sites/:id/file', needs: 'read' },
  planCsv: { path: '/sites/:id/plan.csv', needs: 'papers' },
  planLp: { path: '/sites/:id/plan.lp', needs: 'read' },
} as const;
