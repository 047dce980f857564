import Database from 'better-sqlite3';
import { copyFileSync, existsSync, mkdirSync, writeFileSync } from 'node:fs';
import path from 'node:path';
import { kinds, toSiteFile, type Kind, type Site } from '#core/model/site';
import { databaseName, stampOf, walName } from './dataFolder';
import { keepStatements } from './keepStatements';

interface FactText {
  kind: string;
  id: string;
  fact: string;
}

function siteFrom(rows: readonly FactText[]): Site {
  const facts = Object.fromEntries(kinds.map((kind) => [kind, {}])) as Record<Kind, Record<string, unknown>>;
  for (const { kind, id, fact } of rows)
    if (kind in facts) facts[kind as Kind][id] = JSON.parse(fact) as unknown;
  return facts as unknown as Site;
}

/**
 * Saves what can be read of a damaged database into a folder of its own: its files as they are, and each site as a site file that can be
 * imported. Nothing of the database is touched.
 * @returns the folder, and the names of the site files in it
 */
export function rescue(dataDir: string, now: string): { folder: string; files: string[] } {
  const folder = path.join(dataDir, `rescued-${stampOf(now)}`);
  mkdirSync(folder, { recursive: true });
  for (const name of [databaseName, walName])
    if (existsSync(path.join(dataDir, name))) copyFileSync(path.join(dataDir, name), path.join(folder, name));
  const files: string[] = [];
  let database: Database.Database | undefined;
  try {
    // The copy is opened, never the file itself: reading brings it together with its log.
    database = keepStatements(new Database(path.join(folder, databaseName)));
    const ids = database.prepare('select distinct site from fact').pluck().all() as string[];
    const facts = database.prepare('select kind, id, fact from fact where site = ?');
    for (const id of ids) {
      try {
        const file = toSiteFile(siteFrom(facts.all(id) as FactText[]));
        const name = `${id}.neotrope.json`;
        writeFileSync(path.join(folder, name), `${JSON.stringify(file, null, 1)}\n`);
        files.push(name);
      } catch {
        // This one cannot be read; the next may be.
      }
    }
  } catch {
    // Nothing of it can be read; its files are there for whoever can.
  } finally {
    database?.close();
  }
  return { folder, files };
}
