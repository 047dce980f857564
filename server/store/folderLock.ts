import path from 'node:path';
import Database from 'better-sqlite3';
import { StartupError } from '../startupError';
import { keepStatements } from './keepStatements';

const lockName = 'neotrope.lock';

/**
 * Keeps a data folder for this process, until it lets go or ends in whatever way: the lock is the operating system's on a small file of
 * its own, so none is left behind by a process that was killed. Throws a StartupError where another has it.
 * @returns how to let it go
 */
export function holdFolder(dataDir: string): () => void {
  let lock: Database.Database | undefined;
  try {
    lock = keepStatements(new Database(path.join(dataDir, lockName), { timeout: 0 }));
    // In the file itself: beside it there is nothing to be left over.
    lock.exec('pragma journal_mode = MEMORY');
    lock.exec('begin exclusive');
  } catch (error) {
    lock?.close();
    if ((error as { code?: string }).code !== 'SQLITE_BUSY') throw error;
    throw new StartupError(
      `The data folder ${dataDir} is in use by another Neotrope. Stop that one first, or choose another folder with --data.`,
    );
  }
  const held = lock;
  return () => void held.close();
}
