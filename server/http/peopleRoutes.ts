import Router from '@koa/router';
import type { Context } from 'koa';
import { authorityFile, people as endpoints } from '#contract';
import type { Accounts } from '../accounts/accounts';
import { invitationMs, invite, openInvitations, withdrawInvitation } from '../accounts/invitations';
import { membersOf, setMember } from '../accounts/members';
import { lastNotes, noteAccount } from '../accounts/notes';
import { listPeople, removePerson, setFirmRole, type PersonOutcome } from '../accounts/people';
import { notFound, notRight } from './refused';
import { serveDownload, serveEndpoint } from './serveEndpoint';
import { nameOf } from './visitor';

/** How the server is reached from other machines, and the authority of its own that vouches for it, where there is one. */
export interface Shared {
  addresses: readonly string[];
  authority: { certificate: string; fingerprint: string } | null;
}

function checkOutcome(outcome: PersonOutcome): void {
  if (outcome === 'nobody') throw notFound('There is no such account any more.');
  if (outcome === 'last-admin')
    throw notRight(
      422,
      'Nobody else could administer accounts then. Make somebody else administrator first.',
      [],
    );
}

function firmRoutes(router: Router, accounts: Accounts): void {
  const note = (context: Context, what: string) =>
    noteAccount(accounts, { name: nameOf(context, 'somebody'), what, address: context.ip });

  serveEndpoint(router, endpoints.list, async () => ({
    people: await listPeople(accounts),
    invitations: await openInvitations(accounts, null),
  }));
  serveEndpoint(router, endpoints.setRole, async ({ params: { personId }, body: { role }, context }) => {
    checkOutcome(await setFirmRole(accounts, personId, role));
    await note(context, `made account ${personId} ${role}`);
    return null;
  });
  serveEndpoint(router, endpoints.remove, async ({ params: { personId }, context }) => {
    checkOutcome(await removePerson(accounts, personId));
    await note(context, `removed account ${personId}`);
    return null;
  });
  serveEndpoint(router, endpoints.invite, async ({ body: { role }, context }) => {
    const by = nameOf(context, 'somebody');
    await note(context, `invited somebody as ${role}`);
    return invite(accounts, { role, site: null, siteRole: null, recovers: null, by }, invitationMs.usual);
  });
  serveEndpoint(router, endpoints.withdraw, async ({ params: { invitationId } }) => {
    await withdrawInvitation(accounts, invitationId, null);
    return null;
  });
  serveEndpoint(router, endpoints.notes, async () => ({
    notes: (await lastNotes(accounts)).map(({ at, name, what, address }) => ({ at, name, what, address })),
  }));
}

function memberRoutes(router: Router, accounts: Accounts): void {
  serveEndpoint(router, endpoints.members, async ({ params: { id } }) => ({
    members: await membersOf(accounts, id),
    invitations: await openInvitations(accounts, id),
  }));
  serveEndpoint(
    router,
    endpoints.setSiteRole,
    async ({ params: { id }, body: { person, role }, context }) => {
      // Whoever was invited to the site, and nobody else: who has an account here is no business of an owner of one site.
      const members = await membersOf(accounts, id);
      const member = members.find((one) => one.id === person);
      if (!member) throw notFound('Nobody of this account comes to this site.');
      const others = members.filter((one) => one.id !== person && one.role === 'owner');
      if (member.role === 'owner' && role !== 'owner' && others.length === 0)
        throw notRight(422, 'The site would have no owner then. Make somebody else its owner first.', []);
      await setMember(accounts, id, person, role);
      await noteAccount(accounts, {
        name: nameOf(context, 'somebody'),
        what: `gave ${member.name} the role ${role ?? 'none'} on ${id}`,
        address: context.ip,
      });
      return null;
    },
  );
  serveEndpoint(router, endpoints.inviteToSite, ({ params: { id }, body: { role }, context }) =>
    invite(
      accounts,
      { role: 'guest', site: id, siteRole: role, recovers: null, by: nameOf(context, 'somebody') },
      invitationMs.usual,
    ),
  );
  serveEndpoint(router, endpoints.withdrawFromSite, async ({ params: { id, invitationId } }) => {
    await withdrawInvitation(accounts, invitationId, id);
    return null;
  });
}

/** The addresses under which it is said who may sign in and come to a site, and where the server is reached. */
export function peopleRoutes(accounts: Accounts, shared: Shared): Router {
  const router = new Router({ prefix: '/api' });
  firmRoutes(router, accounts);
  memberRoutes(router, accounts);
  serveEndpoint(router, endpoints.shared, () => ({
    addresses: [...shared.addresses],
    fingerprint: shared.authority?.fingerprint ?? null,
  }));
  serveDownload(router, authorityFile, (context) => {
    if (!shared.authority) throw notFound('This server has no authority of its own.');
    context.attachment('neotrope-authority.crt');
    context.type = 'application/x-x509-ca-cert';
    context.body = shared.authority.certificate;
  });
  return router;
}
