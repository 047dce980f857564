import type { EntityManager } from './orm';
import { kinds, type Change, type Kind, type Site } from '#core/model/site';
import { FactRow } from './entities';

/** Rows in one statement: SQLite takes some thousand figures in one. */
const batchSize = 500;

/** A row of facts as it stands in the table. */
interface FactText {
  kind: Kind;
  id: string;
  fact: string;
}

/** All facts of a site. */
export async function readFacts(em: EntityManager, site: string): Promise<Site> {
  // Rows as they come: making entities of thousands of them takes seven times as long as reading them.
  const rows = await em.execute<FactText[]>(
    'select kind, id, fact from fact where site = ? order by kind, id',
    [site],
  );
  const facts = Object.fromEntries(kinds.map((kind) => [kind, {}])) as Record<Kind, Record<string, unknown>>;
  for (const { kind, id, fact } of rows) facts[kind][id] = JSON.parse(fact);
  return facts as unknown as Site;
}

/** Writes every fact of a site that was not there before. */
export async function insertFacts(em: EntityManager, id: string, site: Site): Promise<void> {
  const rows = kinds.flatMap((kind) =>
    Object.values(site[kind]).map((fact) => ({ site: id, kind, id: fact.id, fact })),
  );
  for (let start = 0; start < rows.length; start += batchSize)
    await em.insertMany(FactRow, rows.slice(start, start + batchSize));
}

/** Writes what changes touched as it is after them, and takes away what they removed. */
export async function writeChanges(
  em: EntityManager,
  id: string,
  changes: readonly Change[],
  after: Site,
): Promise<void> {
  const touched = new Map(changes.map((change) => [`${change.kind}/${change.id}`, change]));
  for (const { kind, id: factId } of touched.values()) {
    const fact = after[kind][factId];
    if (fact)
      await em.execute(
        'insert into fact (site, kind, id, fact) values (?, ?, ?, ?) on conflict (site, kind, id) do update set fact = excluded.fact',
        [id, kind, factId, JSON.stringify(fact)],
      );
    else await em.execute('delete from fact where site = ? and kind = ? and id = ?', [id, kind, factId]);
  }
}
