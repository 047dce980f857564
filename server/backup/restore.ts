import { copyFileSync, existsSync, mkdirSync, readFileSync, renameSync } from 'node:fs';
import path from 'node:path';
import { databaseName, prepareDataFolder, setDatabaseAside } from '../store/dataFolder';
import { holdFolder } from '../store/folderLock';
import { faultOfDatabase } from '../store/inspectDatabase';
import { StartupError } from '../startupError';
import { hashOf, manifestName, manifestSchema, picturesName, type Manifest } from './manifest';
import { contentOf } from './sitesInDatabase';

function manifestOf(from: string): Manifest {
  const file = path.join(from, manifestName);
  if (!existsSync(file))
    throw new StartupError(
      `${from} is no backup: it has no ${manifestName}. Name the folder of one backup, such as 20260401-090000.`,
    );
  let read: unknown;
  try {
    read = JSON.parse(readFileSync(file, 'utf8'));
  } catch {
    read = null;
  }
  const checked = manifestSchema.safeParse(read);
  if (!checked.success) throw new StartupError(`${file} is damaged. Nothing was restored.`);
  return checked.data;
}

/** Pictures stand beside all backups of a folder; a copy of every day names none, since its data folder has them. */
const pictureFile = (from: string, name: string): string => path.join(from, '..', picturesName, name);

/** Ends with a StartupError where a backup is not what its manifest says, or not a sound database. */
function prove(from: string, { files, pictures, sites }: Manifest): void {
  const refuse = (what: string) => new StartupError(`${what}. Nothing was restored.`);
  for (const { name, sha256 } of files) {
    const file = path.join(from, name);
    if (!existsSync(file)) throw refuse(`${file} is missing from the backup`);
    if (hashOf(file) !== sha256) throw refuse(`${file} is not what it was when the backup was made`);
  }
  for (const name of pictures) {
    const file = pictureFile(from, name);
    if (!existsSync(file)) throw refuse(`The picture ${file} is missing from the backup`);
    if (hashOf(file) !== path.parse(name).name) throw refuse(`The picture ${file} is damaged`);
  }
  const fault = faultOfDatabase(path.join(from, databaseName));
  if (fault) throw refuse(`${path.join(from, databaseName)} ${fault.what}`);
  const found = contentOf(path.join(from, databaseName)).sites;
  if (JSON.stringify(found) !== JSON.stringify(sites))
    throw refuse(`The backup ${from} does not hold the sites that its manifest names`);
}

/**
 * Puts a backup back: it is proven first, what is in the data folder is set aside, and pictures are added to those that are there. Throws a
 * StartupError where the backup is not whole or a server is at the folder; nothing is changed then.
 */
export function restore({ from, dataDir, now }: { from: string; dataDir: string; now: string }): Manifest {
  const manifest = manifestOf(from);
  prove(from, manifest);
  prepareDataFolder(dataDir);
  const letGo = holdFolder(dataDir);
  try {
    mkdirSync(path.join(dataDir, picturesName), { recursive: true });
    for (const name of manifest.pictures) {
      const to = path.join(dataDir, picturesName, name);
      if (existsSync(to)) continue;
      copyFileSync(pictureFile(from, name), `${to}.part`);
      renameSync(`${to}.part`, to);
    }
    const restored = path.join(dataDir, `${databaseName}.restored`);
    copyFileSync(path.join(from, databaseName), restored);
    setDatabaseAside(dataDir, now);
    renameSync(restored, path.join(dataDir, databaseName));
    for (const { name } of manifest.files) {
      if (name === databaseName) continue;
      mkdirSync(path.dirname(path.join(dataDir, name)), { recursive: true });
      copyFileSync(path.join(from, name), path.join(dataDir, name));
    }
  } finally {
    letGo();
  }
  return manifest;
}
