import Router from '@koa/router';
import { drills as endpoints } from '#contract';
import type { DrillResults } from '../store/drillResults';
import { Refused } from './refused';
import { serveEndpoint } from './serveEndpoint';
import { visitorOf } from './visitor';

/** The addresses of how drills ended: each keeps his own, and whoever administers the accounts reads all. */
export function drillRoutes({ drills }: { drills: DrillResults }): Router {
  const router = new Router({ prefix: '/api' });
  serveEndpoint(router, endpoints.results, async ({ context }) => {
    const visitor = visitorOf(context);
    const isOwnOnly = visitor.kind === 'person' && visitor.person.role !== 'admin';
    return { results: isOwnOnly ? await drills.shownTo(visitor.person.name) : await drills.all() };
  });
  serveEndpoint(router, endpoints.ended, async ({ body: { results }, context }) => {
    const visitor = visitorOf(context);
    if (visitor.kind === 'person' && results.some(({ by }) => by !== visitor.person.name))
      throw new Refused({
        status: 403,
        title: 'Not allowed',
        detail: 'Under your account only your own results are kept. Nothing was kept.',
      });
    if ((await drills.keep(results)) === 'full')
      throw new Refused({
        status: 422,
        title: 'Too many results',
        detail: 'More results are kept under this name than anybody plays. Nothing was kept.',
      });
    return null;
  });
  return router;
}
