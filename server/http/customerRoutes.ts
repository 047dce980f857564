import { randomUUID } from 'node:crypto';
import Router from '@koa/router';
import type { Context } from 'koa';
import { customers, roleAllows } from '#contract';
import type { CustomerSigned } from '#core/documents';
import { aboutOf } from '#core/model/site';
import type { StoredSite } from '../store/siteStore';
import { Refused } from './refused';
import { serveEndpoint } from './serveEndpoint';
import { entryOf, orNoSite, type Kept } from './siteRoutes';
import { nameOf, siteRoleOf } from './visitor';

/** A signature is some thousand points. */
const signedLimit = '512kb';

/** The addresses of whoever a site is made for: he reads papers that are made here, and what he signs is made here as well. */
export function customerRoutes({ store, work, live }: Kept): Router {
  const router = new Router({ prefix: '/api' });
  const stored = async (id: string): Promise<StoredSite> => orNoSite(id, await store.read(id));
  const doing = (context: Context, name: string) => ({
    at: new Date().toISOString(),
    by: nameOf(context, name),
    mark: randomUUID().slice(0, 8),
  });

  /** Puts what was signed on the site as it was looked at; what came between is told, and nothing is signed. */
  async function put(
    { id, version }: StoredSite,
    signed: CustomerSigned,
    label: string,
    { by }: ReturnType<typeof doing>,
  ): Promise<{ version: number }> {
    if (signed.kind === 'may-not')
      throw new Refused({
        status: 422,
        title: 'Not accepted',
        detail: `${signed.why.join(' ')} Nothing was signed.`,
      });
    const edit = {
      id: randomUUID(),
      site: id,
      baseVersion: version,
      label,
      operation: { kind: 'do' as const },
      by,
      changes: [signed.change],
    };
    const entry = entryOf(await store.edit(edit), edit);
    live.edited(id, entry.version);
    return { version: entry.version };
  }

  serveEndpoint(router, customers.look, async ({ params: { id }, query: { length }, context }) => {
    const { site } = await stored(id);
    const gauge = length === 'ft' ? ('awg' as const) : ('mm2' as const);
    const view = await work.evaluate('customerView', site, {
      now: new Date().toISOString(),
      measures: { length, gauge },
    });
    return {
      name: aboutOf(site).name,
      maySign: roleAllows(await siteRoleOf(context, id), 'sign'),
      view,
    };
  });
  serveEndpoint(
    router,
    customers.accept,
    async ({ params: { id }, body, context }) => {
      const at = await stored(id);
      const by = doing(context, body.signedBy);
      const signed = await work.evaluate('customerAccepts', at.site, { ...body, ...by });
      return put(at, signed, `Accepted by ${body.signedBy}`, by);
    },
    signedLimit,
  );
  serveEndpoint(router, customers.acceptOffer, async ({ params: { id }, body, context }) => {
    const at = await stored(id);
    const by = doing(context, body.name);
    const signed = await work.evaluate('customerAcceptsOffer', at.site, { ...body, ...by });
    return put(at, signed, `Offer accepted by ${body.name}`, by);
  });
  return router;
}
