import { UniqueConstraintViolationException } from '@mikro-orm/core';
import type { ServerLog } from '../log/serverLog';
import { readRecord, type ApplyingRecords, type Hold, type RecorderId } from '../recorders/applyingRecords';
import type { Orm } from '../store/orm';
import { whenFree } from '../store/whenFree';

/** So often a server says that it is still at a recorder, and so long it is believed. */
const beatMs = 3000;
const believed = "interval '30 seconds'";

/** Whether a held recorder is still so; a server that was ended says nothing any more. */
const isFresh = 'until > now()';

async function take(orm: Orm, holder: string, of: RecorderId, address: string): Promise<boolean> {
  try {
    await whenFree(() =>
      orm.em.fork().transactional(async (tx) => {
        await tx.execute(`delete from held_recorder where not ${isFresh}`);
        await tx.execute(
          `insert into held_recorder (site, recorder, address, holder, until) values (?, ?, ?, ?, now() + ${believed})`,
          [of.siteId, of.recorderId, address, holder],
        );
      }),
    );
    return true;
  } catch (error) {
    if (error instanceof UniqueConstraintViolationException) return false;
    throw error;
  }
}

/** Says again and again that a recorder is held, and hears whether it is to be let go. */
function keepHolding(orm: Orm, holder: string, log: Pick<ServerLog, 'fault'>): Hold {
  let isStopped = false;
  const beat = async (): Promise<void> => {
    const [row] = await orm.em
      .fork()
      .execute<{ isStopped: boolean }[]>(
        `update held_recorder set until = now() + ${believed} where holder = ? and ${isFresh} returning is_stopped as "isStopped"`,
        [holder],
      );
    // Whoever was not heard for so long may have been replaced: he ends before he does harm.
    if (!row || row.isStopped) isStopped = true;
  };
  const timer = setInterval(
    () => void beat().catch((error: unknown) => log.fault('A recorder could not be held', error)),
    beatMs,
  );
  timer.unref();
  return {
    isStopped: () => isStopped,
    letGo: async () => {
      clearInterval(timer);
      await orm.em.fork().execute('delete from held_recorder where holder = ?', [holder]);
    },
  };
}

/** Records in a database that several servers share; at a recorder, and at an address, there is one of them at a time. */
export function applyingTable(orm: Orm, log: Pick<ServerLog, 'fault'>): ApplyingRecords {
  const em = () => orm.em.fork();
  const ids = ({ siteId, recorderId }: RecorderId): string[] => [siteId, recorderId];
  const recordOf = async (of: RecorderId): Promise<string | undefined> => {
    const [row] = await em().execute<{ record: string }[]>(
      'select record from applying where site = ? and recorder = ?',
      ids(of),
    );
    return row?.record;
  };
  return {
    read: async (of) => {
      const text = await recordOf(of);
      return text === undefined ? null : readRecord(text);
    },
    write: async (applying) => {
      await em().execute(
        'insert into applying (site, recorder, record) values (?, ?, ?) on conflict (site, recorder) do update set record = excluded.record',
        [...ids(applying), JSON.stringify(applying)],
      );
    },
    forget: async (of) => {
      const text = await recordOf(of);
      if (text === undefined) return;
      await em().transactional(async (tx) => {
        if (readRecord(text) === 'damaged')
          await tx.execute('insert into applying_aside (site, recorder, record) values (?, ?, ?)', [
            ...ids(of),
            text,
          ]);
        await tx.execute('delete from applying where site = ? and recorder = ?', ids(of));
      });
    },
    // It goes with the site itself.
    forgetSite: () => Promise.resolve(),
    hold: async (of, address) => {
      const holder = crypto.randomUUID();
      return (await take(orm, holder, of, address)) ? keepHolding(orm, holder, log) : null;
    },
    isHeld: async (of) => {
      const rows = await em().execute<unknown[]>(
        `select 1 from held_recorder where site = ? and recorder = ? and ${isFresh}`,
        ids(of),
      );
      return rows.length > 0;
    },
    askToStop: async (of) => {
      await em().execute(
        'update held_recorder set is_stopped = true where site = ? and recorder = ?',
        ids(of),
      );
    },
  };
}
