import type { FirmRole, InvitationListing, SiteRole } from '#contract';
import type { Accounts } from './accounts';
import { later } from './accounts';
import { InvitationRow } from './entities';
import { hashOfCode, newCode } from './secrets';

const dayMs = 24 * 3600 * 1000;

export interface Invited {
  role: FirmRole;
  site: string | null;
  siteRole: SiteRole | null;
  recovers: string | null;
  by: string;
}

/** So long a code can be used; the one of a server that nobody has an account on yet is for whoever stands beside it. */
export const invitationMs = { usual: 7 * dayMs, first: 3600 * 1000, recovery: dayMs };

/** Makes a code that lets one person in, once. */
export async function invite(
  { orm, now }: Accounts,
  invited: Invited,
  ms: number,
): Promise<{ code: string; endsAt: string }> {
  const code = newCode();
  const endsAt = later(now(), ms);
  const em = orm.em.fork();
  await em.nativeDelete(InvitationRow, { endsAt: { $lt: now() } });
  await em.insert(InvitationRow, { id: hashOfCode(code), ...invited, endsAt });
  return { code, endsAt };
}

/** What a code is for; `null` where it was used, withdrawn, ran out, or never was. */
export const invitationOf = ({ orm, now }: Accounts, code: string): Promise<InvitationRow | null> =>
  orm.em.fork().findOne(InvitationRow, { id: hashOfCode(code), endsAt: { $gte: now() } });

/** Uses a code up: of two who come with the same, one is let in. */
export const useUp = async ({ orm }: Accounts, id: string): Promise<boolean> =>
  (await orm.em.fork().nativeDelete(InvitationRow, { id })) === 1;

export const withdrawInvitation = ({ orm }: Accounts, id: string, site: string | null): Promise<number> =>
  orm.em.fork().nativeDelete(InvitationRow, { id, ...(site === null ? {} : { site }) });

/** Invitations that nobody has taken up yet: to a site, or all. */
export async function openInvitations(
  { orm, now }: Accounts,
  site: string | null,
): Promise<InvitationListing[]> {
  const rows = await orm.em.fork().find(InvitationRow, {
    endsAt: { $gte: now() },
    recovers: null,
    ...(site === null ? {} : { site }),
  });
  return rows.map(({ id, role, site: to, siteRole, by, endsAt }) => ({
    id,
    role,
    site: to ?? null,
    siteRole: siteRole ?? null,
    by,
    endsAt,
  }));
}

/** Whether somebody has a code by which he will administer the accounts. */
export const awaitsAdmin = async ({ orm, now }: Accounts): Promise<boolean> =>
  (await orm.em.fork().count(InvitationRow, { role: 'admin', endsAt: { $gte: now() } })) > 0;
