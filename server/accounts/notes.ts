import { AccountNoteRow } from './entities';
import type { Accounts } from './accounts';

/** So many are kept; the oldest go. */
const mostKept = 5000;
const mostTold = 200;

export interface Note {
  /** Who it is about. */
  name: string;
  what: string;
  address: string;
}

/** Notes what happened with accounts: never a password, a code or what a cookie holds. */
export async function noteAccount({ orm, now }: Accounts, note: Note): Promise<void> {
  const em = orm.em.fork();
  const id = (await em.insert(AccountNoteRow, { ...note, at: now() })) as number;
  if (id % 100 === 0) await em.nativeDelete(AccountNoteRow, { id: { $lte: id - mostKept } });
}

/** The last notes, the newest first. */
export const lastNotes = ({ orm }: Accounts) =>
  orm.em.fork().find(AccountNoteRow, {}, { orderBy: { id: 'desc' }, limit: mostTold });
