import Database from 'better-sqlite3';
import { existsSync } from 'node:fs';
import path from 'node:path';
import { databaseName, walName } from './dataFolder';
import { packedText, withTexts, type EditBlock } from './editBlocks';
import { brokenAt, type ChainedEdit } from './editChain';
import { keepStatements } from './keepStatements';
import { migrations } from './migrations';
import { walFrames } from './walFrames';

/** What is wrong with a database, in words that go on from its name; `null` where it can be opened. */
export interface Fault {
  what: string;
  /** Whether its sites are looked for in what is left; a database of something else is left alone. */
  canBeSaved: boolean;
}

/** Edits of each site whose links are held against their texts at a start; a backup looks at all of them. */
const lastLinks = 300;

const damaged = (what: string): Fault => ({ what, canBeSaved: true });
const foreign = (what: string): Fault => ({ what, canBeSaved: false });

function tablesIn(database: Database.Database): Set<string> {
  return new Set(
    database.prepare("select name from sqlite_master where type = 'table'").pluck().all() as string[],
  );
}

interface SiteVersion {
  id: string;
  version: number;
}

/** Edits with their texts, from packed blocks where they are that old. */
function editsFrom(database: Database.Database, site: string, rows: ChainedEdit[]): ChainedEdit[] {
  if (!rows.some(({ entry }) => entry === packedText)) return rows;
  const blocks = database.prepare('select first, texts from edit_block where site = ?').all(site);
  return withTexts(rows, blocks as EditBlock[]);
}

/** Whether each site is at the version that its log leads to, and the log hangs together. */
function logFault(database: Database.Database, most: number): Fault | null {
  const sites = database.prepare('select id, version from site').all() as SiteVersion[];
  const last = database.prepare(
    'select version, entry, link from edit where site = ? order by version desc limit ?',
  );
  for (const { id, version } of sites) {
    const edits = editsFrom(database, id, (last.all(id, most + 1) as ChainedEdit[]).reverse());
    const at = edits.at(-1)?.version ?? 0;
    if (at !== version)
      return damaged(`does not agree with itself: site ${id} is at version ${version}, its log at ${at}`);
    const [first] = edits;
    if (!first) continue;
    // The first of them only gives its link, unless the log begins with it.
    const begins = first.version === 1;
    const broken = brokenAt(begins ? edits : edits.slice(1), begins ? '' : first.link);
    if (broken !== null)
      return damaged(`is damaged: the log of site ${id} does not hang together at version ${broken}`);
  }
  return null;
}

function faultInside(database: Database.Database, most: number): Fault | null {
  if (database.prepare('pragma quick_check').pluck().get() !== 'ok') return damaged('is damaged');
  const tables = tablesIn(database);
  if (tables.size === 0) return null;
  if (!tables.has('mikro_orm_migrations')) return foreign('is not a Neotrope database');
  const ran = database.prepare('select name from mikro_orm_migrations').pluck().all() as string[];
  const known = new Set(migrations.map(({ name }) => name));
  if (ran.some((name) => !known.has(name))) return foreign('was written by a newer Neotrope');
  return ran.includes('0004-linked-edits') ? logFault(database, most) : null;
}

/** Looks at a database file without writing to it: whether it is sound, of this program and not newer, and its log whole. */
export function faultOfDatabase(file: string, most = Infinity): Fault | null {
  let database: Database.Database | undefined;
  try {
    database = keepStatements(new Database(file, { readonly: true, fileMustExist: true }));
    return faultInside(database, Math.min(most, 1e9));
  } catch (error) {
    const { code, message } = error as { code?: string; message: string };
    // A full disk or one that fails says nothing of the file.
    if (code?.startsWith('SQLITE_IOERR') || code === 'SQLITE_FULL' || code === 'SQLITE_CANTOPEN')
      return foreign(`cannot be read (${message}). Is the disk full, or failing?`);
    return damaged(`is damaged or not a database (${message})`);
  } finally {
    database?.close();
  }
}

/** What is wrong with the database of a data folder and with the log beside it. */
export function faultOfFolder(dataDir: string): Fault | null {
  const [file, wal] = [databaseName, walName].map((name) => path.join(dataDir, name)) as [string, string];
  if (!existsSync(file))
    return existsSync(wal)
      ? foreign(
          `is not there, and ${walName} with its last edits is: a reset was ended half way, or the file was moved without its log. Put them together again, or move ${walName} away`,
        )
      : null;
  const { beyond } = walFrames(wal);
  if (beyond > 0)
    return damaged(
      `has a damaged log: ${beyond} ${beyond === 1 ? 'change stands' : 'changes stand'} behind the damage and cannot be read any more`,
    );
  return faultOfDatabase(file, lastLinks);
}
