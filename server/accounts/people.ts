import { UniqueConstraintViolationException } from '@mikro-orm/core';
import type { FirmRole, Person } from '#contract';
import type { Accounts } from './accounts';
import { InvitationRow, PasskeyRow, PersonRow, SessionRow } from './entities';
import { newSecret } from './secrets';

/** A name as it is found by: the same for everybody who would read it as the same. */
export const nameKeyOf = (name: string): string => name.normalize('NFKC').trim().toLowerCase();

/** Whether anybody can sign in here: then everybody has to. It is asked before every answer to somebody who is not signed in. */
export async function hasAccounts({ orm }: Accounts): Promise<boolean> {
  const found = await orm.em.fork().execute('select id from person where removed_at is null limit 1');
  return found.length > 0;
}

export const findPerson = ({ orm }: Accounts, name: string): Promise<PersonRow | null> =>
  orm.em.fork().findOne(PersonRow, { nameKey: nameKeyOf(name), removedAt: null });

export const personWithId = ({ orm }: Accounts, id: string): Promise<PersonRow | null> =>
  orm.em.fork().findOne(PersonRow, { id, removedAt: null });

/**
 * Makes an account.
 * @returns its id, or `null` where somebody has that name, or had it
 */
export async function addPerson(
  { orm, now }: Accounts,
  name: string,
  role: FirmRole,
  passwordHash: string | null,
): Promise<string | null> {
  const id = newSecret().slice(0, 22);
  try {
    await orm.em.fork().insert(PersonRow, {
      id,
      name: name.trim(),
      nameKey: nameKeyOf(name),
      role,
      passwordHash,
      timeCodeSecret: null,
      timeCodeStep: null,
      createdAt: now(),
      removedAt: null,
    });
    return id;
  } catch (error) {
    if (error instanceof UniqueConstraintViolationException) return null;
    throw error;
  }
}

export async function listPeople({ orm }: Accounts): Promise<Person[]> {
  const rows = await orm.em.fork().find(PersonRow, { removedAt: null }, { orderBy: { name: 'asc' } });
  return rows.map(({ id, name, role }) => ({ id, name, role }));
}

/** Whether somebody is the only one left who can administer accounts. */
const isLastAdmin = async ({ orm }: Accounts, id: string): Promise<boolean> =>
  (await orm.em.fork().count(PersonRow, { removedAt: null, role: 'admin', id: { $ne: id } })) === 0;

export type PersonOutcome = 'done' | 'nobody' | 'last-admin';

export async function setFirmRole(accounts: Accounts, id: string, role: FirmRole): Promise<PersonOutcome> {
  const person = await personWithId(accounts, id);
  if (!person) return 'nobody';
  if (person.role === 'admin' && role !== 'admin' && (await isLastAdmin(accounts, id))) return 'last-admin';
  await accounts.orm.em.fork().nativeUpdate(PersonRow, { id }, { role });
  return 'done';
}

/** Takes somebody's account away: nothing signs him in any more, and every device of his is signed out. What he did stays in the logs. */
export async function removePerson(accounts: Accounts, id: string): Promise<PersonOutcome> {
  const person = await personWithId(accounts, id);
  if (!person) return 'nobody';
  if (person.role === 'admin' && (await isLastAdmin(accounts, id))) return 'last-admin';
  await accounts.orm.em.fork().transactional(async (tx) => {
    await tx.nativeUpdate(
      PersonRow,
      { id },
      { removedAt: accounts.now(), passwordHash: null, timeCodeSecret: null },
    );
    await tx.nativeDelete(SessionRow, { person: id });
    await tx.nativeDelete(PasskeyRow, { person: id });
    await tx.nativeDelete(InvitationRow, { recovers: id });
  });
  return 'done';
}

export const setPassword = ({ orm }: Accounts, id: string, passwordHash: string): Promise<number> =>
  orm.em.fork().nativeUpdate(PersonRow, { id }, { passwordHash });

/** Asks somebody for time codes of this secret from now on, or for none. */
export const setTimeCode = (
  { orm }: Accounts,
  id: string,
  timeCodeSecret: string | null,
  timeCodeStep: number | null,
): Promise<number> => orm.em.fork().nativeUpdate(PersonRow, { id }, { timeCodeSecret, timeCodeStep });
