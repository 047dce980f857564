import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import * as contract from '#contract';
import type { AnyEndpoint, FileAddress, SiteRole } from '#contract';
import { createApp } from '../../server/http/app';
import { startShared, visitorWith, type SharedServer, type Visitor } from './accountsUnderTest';

/** Who may come to which address, written by hand: whoever changes a need changes it here as well. */
const staff = ['staff', 'admin'];
const everybody = [
  'stranger',
  'guest',
  'viewer',
  'customer',
  'crew',
  'surveyor',
  'planner',
  'owner',
  ...staff,
];
const signedIn = everybody.filter((who) => who !== 'stranger');
const readers = ['viewer', 'crew', 'surveyor', 'planner', 'owner', 'admin'];
const changers = ['crew', 'surveyor', 'planner', 'owner', 'admin'];
const technicians = ['surveyor', 'planner', 'owner', 'admin'];
const owners = ['owner', 'admin'];
const admins = ['admin'];
const mayCome: Record<string, readonly string[]> = {
  'GET /visitor': everybody,
  'POST /sign-in': everybody,
  'POST /sign-in/passkey/begin': everybody,
  'POST /sign-in/passkey': everybody,
  'POST /sign-out': signedIn,
  'POST /join/look': everybody,
  'POST /join': everybody,
  'POST /join/passkey/begin': everybody,
  'POST /join/passkey': everybody,
  'POST /join/take-up': signedIn,
  'GET /own': signedIn,
  'DELETE /own/sessions/:sessionId': signedIn,
  'POST /own/password': signedIn,
  'POST /own/passkeys/begin': signedIn,
  'POST /own/passkeys': signedIn,
  'DELETE /own/passkeys/:passkeyId': signedIn,
  'POST /own/time-code/begin': signedIn,
  'POST /own/time-code': signedIn,
  'POST /own/time-code/drop': signedIn,
  'GET /people': admins,
  'POST /people/:personId/role': admins,
  'DELETE /people/:personId': admins,
  'POST /invitations': admins,
  'DELETE /invitations/:invitationId': admins,
  'GET /account-notes': admins,
  'GET /sites/:id/people': owners,
  'POST /sites/:id/people': owners,
  'POST /sites/:id/invitations': owners,
  'DELETE /sites/:id/invitations/:invitationId': owners,
  'GET /shared': signedIn,
  'GET /authority.crt': everybody,
  'GET /sites': signedIn,
  'POST /sites': staff,
  'POST /sites/import': staff,
  'POST /sites/demo': staff,
  'POST /sites/:id/duplicate': ['planner', ...owners],
  'POST /sites/:id/archive': owners,
  'POST /sites/:id/bin': owners,
  'DELETE /sites/:id': owners,
  'GET /sites/:id': readers,
  'GET /sites/:id/news': readers,
  'POST /sites/:id/here': readers,
  'GET /sites/:id/edits': readers,
  'POST /sites/:id/edits': changers,
  'POST /sites/:id/edits/in-turn': changers,
  'GET /sites/:id/plan': readers,
  'GET /sites/:id/file': readers,
  'GET /sites/:id/plan.csv': [...readers, 'customer'],
  'GET /sites/:id/customer': [...readers, 'customer'],
  'POST /sites/:id/customer/accept': ['customer', ...owners],
  'POST /sites/:id/customer/accept-offer': ['customer', ...owners],
  'GET /sites/:id/plan.lp': readers,
  'POST /pictures': [...changers, 'staff'],
  'GET /pictures/:id': signedIn,
  'GET /instrument': signedIn,
  'POST /instrument/identify': technicians,
  'POST /instrument/read': technicians,
  'GET /sites/:id/hosts': readers,
  'POST /sites/:id/hosts': owners,
  'DELETE /sites/:id/hosts/:host': owners,
  'GET /recorders': signedIn,
  'POST /recorders/read': technicians,
  'GET /sites/:id/recorders/:recorderId/applying': readers,
  'POST /sites/:id/recorders/:recorderId/applying': technicians,
  'POST /sites/:id/recorders/:recorderId/applying/on': technicians,
  'POST /sites/:id/recorders/:recorderId/applying/stop': technicians,
  'DELETE /sites/:id/recorders/:recorderId/applying': technicians,
  'GET /sites/:id/recorders/:recorderId/applying/settings': technicians,
  'GET /firm': signedIn,
  'POST /firm': staff,
  'GET /drill-results': signedIn,
  'POST /drill-results': signedIn,
  'GET /converters': signedIn,
  'POST /converters/read': technicians,
  'GET /switches': signedIn,
  'POST /switches/read': technicians,
  'POST /switches/counters': technicians,
  'POST /switches/restart-port': technicians,
};

const isEndpoint = (one: unknown): one is AnyEndpoint =>
  typeof one === 'object' && one !== null && 'method' in one && 'needs' in one;
const isFile = (one: unknown): one is FileAddress =>
  typeof one === 'object' && one !== null && 'path' in one && 'needs' in one && !('method' in one);
const inContract = Object.values(contract).flatMap((group) =>
  isFile(group) ? [group] : typeof group === 'object' ? Object.values(group as object) : [],
);
const routes = inContract.flatMap((one) =>
  isEndpoint(one)
    ? [{ name: `${one.method} ${String(one.path)}`, method: one.method, path: String(one.path) }]
    : isFile(one)
      ? [{ name: `GET ${one.path}`, method: 'GET', path: one.path }]
      : [],
);

let shared: SharedServer;
/** A site of its own with hardly anything on it: who may come is asked of it, not what it says. */
let siteId: string;
const visitors = new Map<string, () => Promise<Visitor>>();
beforeAll(async () => {
  shared = await startShared();
  visitors.set('stranger', () => Promise.resolve(visitorWith(shared.api, null)));
  const who = async (name: string, id: Promise<string>) => {
    const personId = await id;
    // A session of its own for each request: some of them end it.
    visitors.set(name, () => shared.signedIn(personId));
  };
  await who('guest', shared.add('No role', 'guest'));
  await who('staff', shared.add('Of the firm', 'staff'));
  const admin = shared.add('Administers', 'admin');
  await who('admin', admin);
  const made = await (
    await shared.signedIn(await admin)
  )('POST', '/api/sites', { name: 'Saltmarrow Annex', headEndName: 'Hall' });
  siteId = ((await made.json()) as { id: string }).id;
  for (const role of ['viewer', 'customer', 'crew', 'surveyor', 'planner', 'owner'] satisfies SiteRole[])
    await who(role, shared.add(`Is ${role}`, 'guest', { [siteId]: role }));
});
afterAll(() => shared.close());

/** What the address is asked: something that changes nothing where it is let through. */
const body = (path: string): unknown =>
  /instrument|recorders\/read|switches|converters/.test(path) ? { site: siteId } : {};
/** Whoever is let in to plan is told that this is no number of seconds; nobody has to wait for a plan. */
const noSeconds = /\/plan(\.lp)?$/;
const noLength = /\/customer$/;
const filled = (path: string): string =>
  path.replace(':id', path.startsWith('/pictures') ? 'none' : siteId).replace(/:\w+/g, 'none') +
  (noSeconds.test(path) ? '?seconds=none' : noLength.test(path) ? '?length=none' : '');

let asked = 0;
/** Whether somebody was let through, whatever came of it then. */
async function wasLetIn(visitor: Visitor, method: string, path: string): Promise<boolean> {
  asked += 1;
  const headers: Record<string, string> = {
    // Each from an address of its own, or they would be too many from one.
    'x-forwarded-for': `192.0.2.${asked % 250}`,
    ...(path === '/pictures' && { 'content-type': 'application/octet-stream' }),
  };
  const response = await visitor(method, `/api${filled(path)}`, body(path), headers);
  if (response.headers.get('content-type')?.startsWith('text/event-stream')) {
    await response.body!.cancel();
    return true;
  }
  const said = response.headers.get('content-type')?.includes('problem')
    ? ((await response.json()) as { title: string; detail: string })
    : (await response.arrayBuffer(), { title: '', detail: '' });
  if (response.status === 401) return !/Sign in first/.test(said.detail);
  if (response.status === 403) return said.title !== 'Not allowed';
  return !(response.status === 404 && said.detail.startsWith(`There is no site ${siteId} here`));
}

describe('addresses and roles', () => {
  it('every address of the contract is in the table, and every address of the server in the contract', () => {
    expect(routes.map(({ name }) => name).sort()).toEqual(Object.keys(mayCome).sort());
    const nothing = {} as never;
    const kept = { hosts: {}, log: {}, applying: {}, accounts: {}, store: {} } as never;
    const app = createApp(
      kept,
      '',
      { tester: nothing, recorders: nothing, switch: nothing, converter: nothing },
      {
        reach: { names: [] } as never,
        addresses: [],
      },
    );
    const served = app.middleware.flatMap((one) => {
      const { router } = one as {
        router?: { stack: { methods: string[]; path: string | RegExp; stack: unknown[] }[] };
      };
      return (router?.stack ?? [])
        .filter(({ path }) => typeof path === 'string' && path !== '/api/sites/import')
        .flatMap(({ methods, path }) =>
          methods
            .filter((method) => method !== 'HEAD')
            .map((method) => `${method} ${String(path).replace('/api', '')}`),
        );
    });
    const known = new Set(Object.keys(mayCome));
    expect(served.filter((name) => !known.has(name))).toEqual([]);
    expect(served.length).toBeGreaterThan(50);
  });
  it.each(Object.keys(mayCome))('%s lets in whom it should, and nobody else', async (name) => {
    const [method, path] = name.split(' ') as [string, string];
    const letIn: string[] = [];
    for (const [who, come] of visitors) if (await wasLetIn(await come(), method, path)) letIn.push(who);
    expect(letIn.sort()).toEqual([...mayCome[name]!].sort());
  });
});
