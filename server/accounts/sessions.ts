import type { Accounts } from './accounts';
import { later } from './accounts';
import { PersonRow, SessionRow } from './entities';
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

/** Who a cookie belongs to; `null` where it is none of ours, was ended, or is too old. */
export async function sessionOf({ orm, now }: Accounts, secret: string): Promise<SignedIn | null> {
  const em = orm.em.fork();
  const session = await em.findOne(SessionRow, { id: hashOfSecret(secret) });
  if (!session) return null;
  const at = now();
  if (session.seenAt < later(at, -idleMs) || session.createdAt < later(at, -longestMs)) {
    await em.nativeDelete(SessionRow, { id: session.id });
    return null;
  }
  const person = await em.findOne(PersonRow, { id: session.person, removedAt: null });
  if (!person) return null;
  if (session.seenAt < later(at, -seenEveryMs))
    await em.nativeUpdate(SessionRow, { id: session.id }, { seenAt: at });
  return { sessionId: session.id, person };
}

export const sessionsOf = ({ orm }: Accounts, person: string): Promise<SessionRow[]> =>
  orm.em.fork().find(SessionRow, { person }, { orderBy: { seenAt: 'desc' } });

/** Signs a device of somebody out. */
export const endSession = ({ orm }: Accounts, person: string, id: string): Promise<number> =>
  orm.em.fork().nativeDelete(SessionRow, { id, person });

/** Signs out every device of somebody but the one in hand. */
export const endOtherSessions = ({ orm }: Accounts, person: string, id: string | null): Promise<number> =>
  orm.em.fork().nativeDelete(SessionRow, { person, ...(id === null ? {} : { id: { $ne: id } }) });
