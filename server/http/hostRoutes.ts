import Router from '@koa/router';
import { devices } from '#contract';
import type { AllowedHosts } from '../store/allowedHosts';
import type { SiteStore } from '../store/siteStore';
import { notFound } from './refused';
import { serveEndpoint } from './serveEndpoint';
import { nameOf } from './visitor';

/** The addresses under which a person says where devices of a site may be reached. */
export function hostRoutes({ store, hosts }: { store: SiteStore; hosts: AllowedHosts }): Router {
  const router = new Router({ prefix: '/api' });
  serveEndpoint(router, devices.allowed, async ({ params: { id } }) => ({ hosts: await hosts.of(id) }));
  serveEndpoint(router, devices.allow, async ({ params: { id }, body: { host, by }, context }) => {
    if (!(await store.has(id))) throw notFound(`There is no site ${id} here.`);
    await hosts.allow(id, host, nameOf(context, by));
    return null;
  });
  serveEndpoint(router, devices.withdraw, async ({ params: { id, host } }) => {
    await hosts.withdraw(id, host);
    return null;
  });
  return router;
}
