import { accessSync, chmodSync, constants, existsSync, mkdirSync, renameSync, statSync } from 'node:fs';
import path from 'node:path';
import { freeId } from '#core/model/site';
import { StartupError } from '../startupError';

export const databaseName = 'neotrope.sqlite';
/** What SQLite keeps beside a database while it is open: edits that are not in the database itself yet. */
export const walName = `${databaseName}-wal`;
const sharedName = `${databaseName}-shm`;

/** Only who runs the server reads what customers' sites look like. */
const onlyOwner = { folder: 0o700, file: 0o600 } as const;

/** Makes the data folder if need be, closes it to others, and makes sure that it can be written to. */
export function prepareDataFolder(dataDir: string): void {
  try {
    mkdirSync(dataDir, { recursive: true, mode: onlyOwner.folder });
    accessSync(dataDir, constants.W_OK | constants.X_OK);
    if (!statSync(dataDir).isDirectory()) throw new Error('not a folder');
  } catch (error) {
    throw new StartupError(
      `The data folder ${dataDir} cannot be written to (${(error as Error).message}). Choose another with --data.`,
    );
  }
  closeToOthers(dataDir);
}

/** Takes from everybody else what is in the folder. Files made from here on are closed by the umask; a folder that belongs to another stays as it is. */
function closeToOthers(dataDir: string): void {
  process.umask(0o077);
  try {
    chmodSync(dataDir, onlyOwner.folder);
    for (const name of [databaseName, walName, sharedName])
      if (existsSync(path.join(dataDir, name))) chmodSync(path.join(dataDir, name), onlyOwner.file);
  } catch {
    // A share or a disk without owners: there is nothing to close.
  }
}

/** A moment as it can stand in a name. */
export const stampOf = (now: string): string => now.slice(0, 19).replace(/[-:]/g, '').replace('T', '-');

/**
 * Moves the database aside, so that a reset can be taken back by hand, under a name of its own: nothing that was set aside before is
 * lost. The database goes first: where this is ended in between, its log stands alone, and the next start says so.
 */
export function setDatabaseAside(dataDir: string, now: string): void {
  const isTaken = (id: string): boolean => existsSync(path.join(dataDir, `neotrope.${id}.sqlite`));
  const aside = `neotrope.${freeId(isTaken, `before-${stampOf(now)}`)}.sqlite`;
  const move = (name: string, to: string): void => {
    const file = path.join(dataDir, name);
    if (existsSync(file)) renameSync(file, path.join(dataDir, to));
  };
  move(databaseName, aside);
  move(walName, `${aside}-wal`);
  move(sharedName, `${aside}-shm`);
}
