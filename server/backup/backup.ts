import {
  copyFileSync,
  existsSync,
  mkdirSync,
  readdirSync,
  renameSync,
  rmSync,
  statSync,
  writeFileSync,
} from 'node:fs';
import path from 'node:path';
import Database from 'better-sqlite3';
import { databaseName, stampOf } from '../store/dataFolder';
import { faultOfDatabase } from '../store/inspectDatabase';
import { keepStatements } from '../store/keepStatements';
import { StartupError } from '../startupError';
import { hashOf, manifestName, picturesName, type Manifest } from './manifest';
import { contentOf } from './sitesInDatabase';

/** What plans on their way into recorders are kept in. */
const recordersName = 'recorders';

/** The database as it is at one moment, edits that stand only in its log among them, while others go on writing to it. */
function copyDatabase(from: string, to: string): void {
  const database = keepStatements(
    new Database(from, { readonly: true, fileMustExist: true, timeout: 10_000 }),
  );
  try {
    database.prepare('vacuum into ?').run(to);
  } finally {
    database.close();
  }
}

const filesIn = (folder: string): string[] => (existsSync(folder) ? readdirSync(folder) : []);

function copyPictures(dataDir: string, to: string, ids: readonly string[]): string[] {
  const from = path.join(dataDir, picturesName);
  mkdirSync(to, { recursive: true });
  const there = new Set(filesIn(to));
  const wanted = new Set(ids);
  const names = filesIn(from).filter((name) => wanted.has(path.parse(name).name));
  for (const name of names) {
    if (there.has(name)) continue;
    copyFileSync(path.join(from, name), path.join(to, `.${name}`));
    renameSync(path.join(to, `.${name}`), path.join(to, name));
  }
  return names.sort();
}

export interface BackupOptions {
  dataDir: string;
  to: string;
  now: string;
  /** Copies in the data folder itself leave its pictures where they are: those are never overwritten. */
  withPictures: boolean;
}

/**
 * Copies a data folder, whether a server is at it or not, into a folder of its own under `to`, and proves the copy. Throws a StartupError
 * where there is nothing to copy, or what there is does not hang together.
 * @returns the folder of the backup
 */
export function backup({ dataDir, to, now, withPictures }: BackupOptions): string {
  const database = path.join(dataDir, databaseName);
  if (!existsSync(database))
    throw new StartupError(`There is no ${databaseName} in ${dataDir}. Name the data folder with --data.`);
  const folder = path.join(to, stampOf(now));
  const draft = `${folder}.part`;
  rmSync(draft, { recursive: true, force: true });
  mkdirSync(draft, { recursive: true });
  const copy = path.join(draft, databaseName);
  copyDatabase(database, copy);
  const fault = faultOfDatabase(copy);
  if (fault) throw new StartupError(`${database} ${fault.what}. No backup was made.`);
  const content = contentOf(copy);
  const pictures = withPictures ? copyPictures(dataDir, path.join(to, picturesName), content.pictures) : [];
  const plans = filesIn(path.join(dataDir, recordersName)).filter((name) => name.endsWith('.json'));
  for (const name of plans) {
    mkdirSync(path.join(draft, recordersName), { recursive: true });
    copyFileSync(path.join(dataDir, recordersName, name), path.join(draft, recordersName, name));
  }
  const manifest: Manifest = {
    kind: 'neotrope-backup',
    format: 1,
    at: now,
    files: [databaseName, ...plans.map((name) => path.posix.join(recordersName, name))].map((name) => {
      const file = path.join(draft, name);
      return { name, bytes: statSync(file).size, sha256: hashOf(file) };
    }),
    pictures,
    sites: content.sites,
  };
  writeFileSync(path.join(draft, manifestName), `${JSON.stringify(manifest, null, 1)}\n`);
  rmSync(folder, { recursive: true, force: true });
  renameSync(draft, folder);
  return folder;
}
