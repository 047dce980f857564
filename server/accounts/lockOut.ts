import type { Accounts } from './accounts';
import { later } from './accounts';
import { FailedSignInRow } from './entities';
import { nameKeyOf } from './people';

/** So many wrong passwords cost nothing; each one after that doubles the wait. */
const free = 5;
const firstWaitMs = 30_000;
const longestWaitMs = 3600 * 1000;
/** After so long without another they are forgotten. */
const forgottenMs = 24 * 3600 * 1000;

/** Seconds that have to pass before a password is looked at for this name again; 0 where none. */
export async function waitS({ orm, now }: Accounts, name: string): Promise<number> {
  const row = await orm.em.fork().findOne(FailedSignInRow, { nameKey: nameKeyOf(name) });
  const leftMs = row ? Date.parse(row.lockedUntil) - Date.parse(now()) : 0;
  return Math.max(0, Math.ceil(leftMs / 1000));
}

/** Notes a wrong password, for a name that nobody has as well: what is locked tells nothing of who is here. */
export async function noteFailure({ orm, now }: Accounts, name: string): Promise<void> {
  const em = orm.em.fork();
  const at = now();
  await em.nativeDelete(FailedSignInRow, { lastAt: { $lt: later(at, -forgottenMs) } });
  const nameKey = nameKeyOf(name);
  // Counted by the database: of two wrong passwords at once both count.
  const [row] = await em.execute<{ count: number }[]>(
    `insert into failed_sign_in (name_key, count, last_at, locked_until) values (?, 1, ?, ?)
      on conflict (name_key) do update set count = failed_sign_in.count + 1, last_at = excluded.last_at
      returning count`,
    [nameKey, at, at],
  );
  const { count } = row!;
  const waitMs = count < free ? 0 : Math.min(longestWaitMs, firstWaitMs * 2 ** (count - free));
  await em.nativeUpdate(FailedSignInRow, { nameKey }, { lockedUntil: later(at, waitMs) });
}

export const forgetFailures = ({ orm }: Accounts, name: string): Promise<number> =>
  orm.em.fork().nativeDelete(FailedSignInRow, { nameKey: nameKeyOf(name) });
