import type { DrillResult } from '#core/test/drills';
import type { Orm } from './orm';

/** So many are kept of one person; a drill takes a quarter of an hour. */
const mostOfOne = 5000;

/** How drills ended, of everybody. */
export interface DrillResults {
  all: () => Promise<DrillResult[]>;
  /** Those of one person, and everybody's of the drills that he has ended: before that they would tell him of it. */
  shownTo: (by: string) => Promise<DrillResult[]>;
  /** Keeps what is not there yet; `full` where one person has more than anybody plays. */
  keep: (results: readonly DrillResult[]) => Promise<'kept' | 'full'>;
}

const read = (rows: { result: string }[]): DrillResult[] =>
  rows.map(({ result }) => JSON.parse(result) as DrillResult);

export function drillResults(orm: Orm): DrillResults {
  return {
    all: async () =>
      read(await orm.em.fork().execute('select result from drill_result order by at, by, drill')),
    shownTo: async (by) =>
      read(
        await orm.em.fork().execute(
          `select result from drill_result
            where by = ? or drill in (select drill from drill_result where by = ?) order by at, by, drill`,
          [by, by],
        ),
      ),
    keep: (results) =>
      orm.em.fork().transactional(async (em) => {
        const people = [...new Set(results.map(({ by }) => by))];
        const [most] = await em.execute<{ count: number }[]>(
          `select count(*) as count from drill_result where by in (${people.map(() => '?').join(', ')})
            group by by order by count(*) desc limit 1`,
          people,
        );
        if (Number(most?.count ?? 0) >= mostOfOne) return 'full';
        await em.execute(
          `insert into drill_result (drill, by, at, result) values ${results.map(() => '(?, ?, ?, ?)').join(', ')}
            on conflict do nothing`,
          results.flatMap((result) => [result.drill, result.by, result.at, JSON.stringify(result)]),
        );
        return 'kept';
      }),
  };
}
