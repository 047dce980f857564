import Router from '@koa/router';
import { firm as endpoints } from '#contract';
import type { FirmRecord } from '../store/firmRecord';
import { serveEndpoint } from './serveEndpoint';
import { nameOf } from './visitor';

/** The addresses of what new sites begin with on their papers. */
export function firmRoutes({ firm }: { firm: FirmRecord }): Router {
  const router = new Router({ prefix: '/api' });
  serveEndpoint(router, endpoints.read, async () => ({ firm: await firm.read() }));
  serveEndpoint(router, endpoints.set, async ({ body, context }) => {
    await firm.set(body.firm, nameOf(context, 'somebody'));
    return null;
  });
  return router;
}
