import type { Member, SiteRole, Standing } from '#contract';
import { siteRoleDefinitions, siteRoles } from '#contract';
import type { Accounts } from './accounts';
import { MemberRow, PersonRow } from './entities';

const contributing = siteRoles.filter((role) => siteRoleDefinitions[role].areas.length > 0);

/** How somebody stands to the site that something is about. */
export async function standingOf(
  { orm }: Accounts,
  person: PersonRow,
  site: string | null,
): Promise<Standing> {
  const em = orm.em.fork();
  const [member] =
    site === null
      ? []
      : await em.execute<{ role: SiteRole }[]>('select role from member where site = ? and person = ?', [
          site,
          person.id,
        ]);
  const contributes =
    person.role === 'guest' &&
    site === null &&
    (await em.count(MemberRow, { person: person.id, role: { $in: contributing } })) > 0;
  return { firmRole: person.role, siteRole: member?.role ?? null, contributes };
}

/** The sites that somebody was given a role on, with it. */
export async function rolesOf({ orm }: Accounts, person: string): Promise<Map<string, SiteRole>> {
  const rows = await orm.em.fork().find(MemberRow, { person });
  return new Map(rows.map(({ site, role }) => [site, role]));
}

/** Who comes to a site, by name. */
export async function membersOf({ orm }: Accounts, site: string): Promise<Member[]> {
  const em = orm.em.fork();
  const roles = new Map((await em.find(MemberRow, { site })).map(({ person, role }) => [person, role]));
  const people = await em.find(
    PersonRow,
    { id: { $in: [...roles.keys()] }, removedAt: null },
    { orderBy: { name: 'asc' } },
  );
  return people.map(({ id, name }) => ({ id, name, role: roles.get(id)! }));
}

/** Gives somebody a role on a site in place of the one he had, or takes it away. */
export async function setMember(
  { orm }: Accounts,
  site: string,
  person: string,
  role: SiteRole | null,
): Promise<void> {
  const em = orm.em.fork();
  if (role === null) await em.nativeDelete(MemberRow, { site, person });
  else await em.upsert(MemberRow, { site, person, role });
}
