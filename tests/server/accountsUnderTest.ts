import type { Orm } from '../../server/store/orm';
import type { FirmRole, SiteRole } from '#contract';
import type { Accounts } from '../../server/accounts/accounts';
import { setMember } from '../../server/accounts/members';
import { hashOfPassword } from '../../server/accounts/passwords';
import { addPerson } from '../../server/accounts/people';
import { beginSession } from '../../server/accounts/sessions';
import { startServer, type RunningServer } from '../../server/startServer';
import { openPlace, placeFor } from './placeUnderTest';
import { demoFile, newFolder, root } from './serverUnderTest';
import path from 'node:path';

export const password = 'lanes at low water';

/** A server that everybody signs in to, behind a proxy that is not there, with the demo. */
export interface SharedServer {
  server: RunningServer;
  accounts: Accounts;
  /** The clock of the test's own hand in the database. */
  api: string;
  add: (name: string, role: FirmRole, on?: Record<string, SiteRole>) => Promise<string>;
  signedIn: (personId: string) => Promise<Visitor>;
  close: () => Promise<void>;
}

/** Somebody with a cookie, or without. */
export type Visitor = (
  method: string,
  path: string,
  body?: unknown,
  headers?: Record<string, string>,
) => Promise<Response>;

export function visitorWith(address: string, cookie: string | null): Visitor {
  return (method, to, body, headers = {}) =>
    fetch(`${address}${to}`, {
      method,
      headers: {
        origin: address,
        ...(method === 'POST' && { 'content-type': 'application/json' }),
        ...(cookie !== null && { cookie: `__Host-neotrope=${cookie}` }),
        ...headers,
      },
      ...(method === 'POST' && { body: typeof body === 'string' ? body : JSON.stringify(body ?? {}) }),
    });
}

export async function startShared(): Promise<SharedServer> {
  const dataDir = newFolder();
  const orm: Orm = await openPlace(dataDir);
  const accounts: Accounts = { orm, now: () => new Date().toISOString() };
  const add = async (name: string, role: FirmRole, on: Record<string, SiteRole> = {}): Promise<string> => {
    const id = await addPerson(accounts, name, role, await hashOfPassword(password));
    if (id === null) throw new Error(`${name} is taken`);
    for (const [site, siteRole] of Object.entries(on)) await setMember(accounts, site, id, siteRole);
    return id;
  };
  await add('A. Marrow', 'admin');
  const server = await startServer({
    port: 0,
    ...(await placeFor(dataDir)),
    webDir: path.join(root, 'dist'),
    demoFile,
    withDemo: true,
    reset: false,
    reach: { trustProxy: true, name: 'neotrope.test' },
  });
  return {
    server,
    accounts,
    api: server.address,
    add,
    signedIn: async (personId) =>
      visitorWith(
        server.address,
        await beginSession(accounts, personId, { device: 'a test', address: '127.0.0.1' }),
      ),
    close: async () => {
      await server.close();
      await orm.close(true);
    },
  };
}

/** What a `Set-Cookie` gives to a browser to keep. */
export const cookieFrom = (response: Response): string =>
  /__Host-neotrope=([^;]*)/.exec(response.headers.get('set-cookie') ?? '')?.[1] ?? '';
