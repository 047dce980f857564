import type { Firm } from '#core/model/site';
import type { Orm } from './orm';

/** How the firm stands on the papers of sites that are begun from now on. */
export interface FirmRecord {
  read: () => Promise<Firm | null>;
  set: (firm: Firm, by: string) => Promise<void>;
}

export function firmRecord(orm: Orm, now: () => string): FirmRecord {
  return {
    read: async () => {
      const [row] = await orm.em.fork().execute<{ firm: string }[]>('select firm from firm');
      return row ? (JSON.parse(row.firm) as Firm) : null;
    },
    set: async (firm, by) => {
      await orm.em.fork().execute(
        `insert into firm (id, firm, by, at) values ('firm', ?, ?, ?)
            on conflict (id) do update set firm = excluded.firm, by = excluded.by, at = excluded.at`,
        [JSON.stringify(firm), by, now()],
      );
    },
  };
}
