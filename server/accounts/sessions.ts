import type { Accounts } from './accounts';
import { later } from './accounts';
import { SessionRow, type PersonRow } from './entities';
import { hashOfSecret, newSecret } from './secrets';

const dayMs = 24 * 3600 * 1000;
/** A device that nobody used for so long is signed out: a phone that was off the network for some days is not. */
const idleMs = 7 * dayMs;
/** However much it is used, somebody signs in again by then. */
const longestMs = 30 * dayMs;
/** How exactly it is known when a device was last used. */
const seenEveryMs = 5 * 60 * 1000;
const mostOfOne = 20;

export interface SignedIn {
  sessionId: string;
  person: PersonRow;
}

/**
 * Signs a device in.
 * @returns what its cookie holds
 */
export async function beginSession(
  { orm, now }: Accounts,
  person: string,
  { device, address }: { device: string; address: string },
): Promise<string> {
  const secret = newSecret();
  const em = orm.em.fork();
  const at = now();
  await em.nativeDelete(SessionRow, { seenAt: { $lt: later(at, -idleMs) } });
  await em.insert(SessionRow, {
    id: hashOfSecret(secret),
    person,
    device: device.slice(0, 200),
    address,
    createdAt: at,
    seenAt: at,
  });
  const old = await em.find(
    SessionRow,
    { person },
    { orderBy: { seenAt: 'desc', createdAt: 'desc' }, offset: mostOfOne, limit: 100 },
  );
  if (old.length > 0) await em.nativeDelete(SessionRow, { id: { $in: old.map(({ id }) => id) } });
  return secret;
}

type FoundRow = PersonRow & { sessionCreatedAt: string; seenAt: string };

/** A session with its person, in one question: it is asked before every answer. */
const foundBy = `select p.id, p.name, p.name_key as "nameKey", p.role, p.password_hash as "passwordHash",
    p.time_code_secret as "timeCodeSecret", p.time_code_step as "timeCodeStep", p.created_at as "createdAt",
    p.removed_at as "removedAt", s.created_at as "sessionCreatedAt", s.seen_at as "seenAt"
  from session s join person p on p.id = s.person where s.id = ? and p.removed_at is null`;

/** Who a cookie belongs to; `null` where it is none of ours, was ended, or is too old. */
export async function sessionOf({ orm, now }: Accounts, secret: string): Promise<SignedIn | null> {
  const em = orm.em.fork();
  const sessionId = hashOfSecret(secret);
  const [found] = await em.execute<FoundRow[]>(foundBy, [sessionId]);
  if (!found) return null;
  const { sessionCreatedAt, seenAt, ...person } = found;
  const at = now();
  if (seenAt < later(at, -idleMs) || sessionCreatedAt < later(at, -longestMs)) {
    await em.nativeDelete(SessionRow, { id: sessionId });
    return null;
  }
  if (seenAt < later(at, -seenEveryMs)) await em.nativeUpdate(SessionRow, { id: sessionId }, { seenAt: at });
  return { sessionId, person };
}

export const sessionsOf = ({ orm }: Accounts, person: string): Promise<SessionRow[]> =>
  orm.em.fork().find(SessionRow, { person }, { orderBy: { seenAt: 'desc' } });

/** Signs a device of somebody out. */
export const endSession = ({ orm }: Accounts, person: string, id: string): Promise<number> =>
  orm.em.fork().nativeDelete(SessionRow, { id, person });

/** Signs out every device of somebody but the one in hand. */
export const endOtherSessions = ({ orm }: Accounts, person: string, id: string | null): Promise<number> =>
  orm.em.fork().nativeDelete(SessionRow, { person, ...(id === null ? {} : { id: { $ne: id } }) });
