import type { Accounts } from './accounts';
import { PersonRow, type InvitationRow } from './entities';
import { forgetFailures } from './lockOut';
import { siteRoles } from '#contract';
import { rolesOf, setMember } from './members';
import { addPerson, hasAccounts, personWithId } from './people';
import { endOtherSessions } from './sessions';
import { useUp } from './invitations';

export type JoinOutcome =
  | { kind: 'joined'; person: PersonRow }
  | { kind: 'name-taken' }
  | { kind: 'used' }
  | { kind: 'nobody' }
  /** Nobody would administer the accounts. */
  | { kind: 'no-admin-yet' };

/** Gives somebody his account again: with the password that he chose, or none, and nobody else signed in. */
async function recover(accounts: Accounts, id: string, passwordHash: string | null): Promise<JoinOutcome> {
  const person = await personWithId(accounts, id);
  if (!person) return { kind: 'nobody' };
  // A lost phone is lost with its codes.
  await accounts.orm.em
    .fork()
    .nativeUpdate(
      PersonRow,
      { id },
      { ...(passwordHash === null ? {} : { passwordHash }), timeCodeSecret: null, timeCodeStep: null },
    );
  await endOtherSessions(accounts, id, null);
  await forgetFailures(accounts, person.name);
  return { kind: 'joined', person };
}

/** What an invitation to a site gives to somebody who has an account: never less than he has there already. */
export async function takeUp(
  accounts: Accounts,
  { site, siteRole }: InvitationRow,
  person: string,
): Promise<void> {
  if (!site || !siteRole) return;
  const now = (await rolesOf(accounts, person)).get(site);
  // Roles are listed from the one that allows most.
  if (now === undefined || siteRoles.indexOf(siteRole) < siteRoles.indexOf(now))
    await setMember(accounts, site, person, siteRole);
}

/** Uses an invitation up: an account is made for whoever has its code, or given again. */
export async function joinBy(
  accounts: Accounts,
  invitation: InvitationRow,
  name: string,
  passwordHash: string | null,
): Promise<JoinOutcome> {
  if (invitation.recovers) {
    if (!(await useUp(accounts, invitation.id))) return { kind: 'used' };
    return recover(accounts, invitation.recovers, passwordHash);
  }
  if (invitation.role !== 'admin' && !(await hasAccounts(accounts))) return { kind: 'no-admin-yet' };
  const id = await addPerson(accounts, name, invitation.role, passwordHash);
  if (id === null) return { kind: 'name-taken' };
  if (!(await useUp(accounts, invitation.id))) {
    // Somebody else came with the same code at the same moment.
    await accounts.orm.em.fork().nativeDelete(PersonRow, { id });
    return { kind: 'used' };
  }
  await takeUp(accounts, invitation, id);
  return { kind: 'joined', person: (await personWithId(accounts, id))! };
}
