import { bodyParser } from '@koa/bodyparser';
import Router from '@koa/router';
import type { Context, Next } from 'koa';
import { z } from 'zod';
import { check, type Problem } from '#core/shared/problems';
import { planningInput } from '#core/decide/plan';
import { lpText } from '#core/solver';
import {
  aboutOf,
  attachedTo,
  demandsOf,
  editSchema,
  emptySite,
  fromSiteFile,
  nameSchema,
  toSiteFile,
  type Site,
} from '#core/model/site';
import { planCsv } from '../files/planCsv';
import { attachedFiles, keepAttached } from '../files/sitePictures';
import { planInChildProcess } from '../planning/planInChildProcess';
import type { PictureFolder } from '../store/pictureFolder';
import type { SiteStore, StoredSite } from '../store/siteStore';
import { sendProblem } from './problemDetails';

/** An import of a few thousand rows is one edit. */
const editLimit = '24mb';
/** A site file brings its drawings and photos along. */
const importLimit = '160mb';

const newSiteSchema = z.strictObject({ name: nameSchema, headEndName: nameSchema });

const jsonUpTo = (limit: string) => bodyParser({ enableTypes: ['json'], jsonLimit: limit, jsonStrict: true });

function refuse(context: Context, status: 400 | 422, detail: string, problems: Problem[]): void {
  const shown = problems.slice(0, 50);
  sendProblem(context, {
    status,
    title: status === 400 ? 'Not understood' : 'Does not fit',
    detail: `${detail} Nothing was changed.`,
    problems: shown,
    problemCount: problems.length,
  });
}

const noSite = (context: Context, id: string) =>
  sendProblem(context, { status: 404, title: 'Not found', detail: `There is no site ${id} here.` });

/** What the addresses speak of: sites, their pictures, and the demo as it ships. */
export interface Kept {
  store: SiteStore;
  pictures: PictureFolder;
  demo: () => Promise<Site>;
}

/** What to enter, by the first field that was not right. */
const newSiteHint = ([first]: readonly Problem[]): string =>
  first?.path === 'headEndName' ? 'Enter where the recorders are.' : 'Enter a name for the site.';

/** The addresses of sites under /api. */
export function siteRoutes({ store, pictures, demo }: Kept): Router {
  const router = new Router({ prefix: '/api' });

  router.get('/sites', async (context) => {
    context.body = { sites: await store.list() };
  });

  router.post('/sites', jsonUpTo(editLimit), async (context) => {
    const checked = check(newSiteSchema, context.request.body);
    if (checked.kind === 'refused')
      return refuse(context, 400, newSiteHint(checked.problems), checked.problems);
    context.status = 201;
    context.body = await store.create(emptySite(checked.value.name, checked.value.headEndName));
  });

  router.post('/sites/import', jsonUpTo(importLimit), async (context) => {
    const read = fromSiteFile(context.request.body);
    if (read.kind === 'refused') return refuse(context, 422, 'This is not a sound site file.', read.problems);
    const kept = await keepAttached(read.value, attachedTo(context.request.body), pictures);
    if (kept.kind === 'refused')
      return refuse(context, 422, 'Not every picture of this site file is sound.', kept.problems);
    context.status = 201;
    context.body = await store.create(kept.site);
  });

  router.post('/sites/demo', async (context) => {
    context.status = 201;
    context.body = await store.create(await demo());
  });

  router.post('/sites/:id/duplicate', jsonUpTo(editLimit), async (context) => {
    const checked = check(z.strictObject({ name: nameSchema }), context.request.body);
    if (checked.kind === 'refused') return refuse(context, 400, 'The copy needs a name.', checked.problems);
    const copy = await store.duplicate(context.params['id']!, checked.value.name);
    if (!copy) return noSite(context, context.params['id']!);
    context.status = 201;
    context.body = copy;
  });

  router.post('/sites/:id/archive', jsonUpTo(editLimit), async (context) => {
    const checked = check(z.strictObject({ archived: z.boolean() }), context.request.body);
    if (checked.kind === 'refused')
      return refuse(context, 400, '“archived” is true or false.', checked.problems);
    const summary = await store.archive(context.params['id']!, checked.value.archived);
    if (summary) context.body = summary;
    else noSite(context, context.params['id']!);
  });

  /** Finds the site of the address once, for every read of it. */
  const withSite =
    (answer: (context: Context, stored: StoredSite) => void | Promise<void>) =>
    async (context: Context & { params: Record<string, string> }, _next: Next) => {
      const stored = await store.read(context.params['id']!);
      if (stored) await answer(context, stored);
      else noSite(context, context.params['id']!);
    };

  router.get(
    '/sites/:id',
    withSite((context, stored) => {
      context.body = {
        id: stored.id,
        version: stored.version,
        file: toSiteFile(stored.site),
        log: stored.log,
      };
    }),
  );

  router.get(
    '/sites/:id/file',
    withSite(async (context, stored) => {
      context.attachment(`${stored.id}.neotrope.json`);
      context.type = 'application/json';
      context.body = `${JSON.stringify(toSiteFile(stored.site, await attachedFiles(stored.site, pictures)), null, 1)}\n`;
    }),
  );

  router.get(
    '/sites/:id/plan.csv',
    withSite((context, stored) => {
      context.attachment(`${stored.id}-plan.csv`);
      context.type = 'text/csv; charset=utf-8';
      context.body = planCsv(stored.site);
    }),
  );

  router.get(
    '/sites/:id/plan',
    withSite(async (context, stored) => {
      const seconds = check(z.coerce.number().min(0.1).max(60), context.query['seconds'] ?? 10);
      if (seconds.kind === 'refused')
        return refuse(context, 400, '“seconds” is how long may be searched.', seconds.problems);
      const planning = await planInChildProcess(toSiteFile(stored.site), seconds.value);
      if (planning === 'busy') {
        context.set('Retry-After', '10');
        return sendProblem(context, {
          status: 503,
          title: 'Busy planning',
          detail: 'Other sites are being planned just now. Ask again in a moment.',
        });
      }
      context.body = { version: stored.version, planning };
    }),
  );

  router.get(
    '/sites/:id/plan.lp',
    withSite((context, stored) => {
      context.attachment(`${stored.id}-plan.lp`);
      context.type = 'text/plain; charset=utf-8';
      context.body = lpText(
        planningInput(stored.site, demandsOf(stored.site)).model.programme,
        aboutOf(stored.site).name,
      );
    }),
  );

  router.get('/sites/:id/edits', async (context) => {
    const id = context.params['id']!;
    const after = check(z.coerce.number().int().min(0), context.query['after'] ?? 0);
    if (after.kind === 'refused') return refuse(context, 400, '“after” is a version.', after.problems);
    const entries = await store.since(id, after.value);
    if (entries) context.body = { entries };
    else noSite(context, id);
  });

  router.post('/sites/:id/edits', jsonUpTo(editLimit), async (context) => {
    const id = context.params['id']!;
    const checked = check(editSchema, context.request.body);
    if (checked.kind === 'refused')
      return refuse(context, 400, 'This edit is not well formed.', checked.problems);
    if (checked.value.site !== id)
      return refuse(context, 400, 'This edit is for another site.', [
        { path: 'site', value: JSON.stringify(checked.value.site), allowed: id },
      ]);
    const outcome = await store.edit(checked.value);
    switch (outcome.kind) {
      case 'done': {
        const { entry } = outcome;
        context.body = { entry };
        break;
      }
      case 'no-site':
        return noSite(context, id);
      case 'behind': {
        const { version, since } = outcome;
        return sendProblem(context, {
          status: 409,
          title: 'Changed meanwhile',
          detail: `The site is at version ${version}, this edit was made on ${checked.value.baseVersion}. Nothing was changed.`,
          version,
          since,
        });
      }
      case 'refused':
        return refuse(context, 422, 'This edit does not fit the site.', outcome.problems);
    }
  });

  return router;
}
