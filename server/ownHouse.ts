import path from 'node:path';
import { startUpkeep } from './backup/upkeep';
import { picturesName } from './backup/manifest';
import { childProcesses } from './evaluation/childProcesses';
import { workHere } from './evaluation/workHere';
import type { House } from './house';
import { liveSites } from './live/liveSites';
import { applyingFolder } from './recorders/applyingFolder';
import { setDatabaseAside } from './store/dataFolder';
import { openStore } from './store/openStore';
import { pictureFolder } from './store/pictureFolder';

/** Everything in one folder, which no other server is at. */
export async function ownHouse(dataDir: string, reset: boolean, now: () => string): Promise<House> {
  if (reset) setDatabaseAside(dataDir, now());
  const orm = await openStore(dataDir, now());
  const folder = path.join(dataDir, picturesName);
  const applying = applyingFolder(dataDir);
  return {
    orm,
    pictures: pictureFolder(folder),
    picturePlace: { kind: 'folder', folder },
    applying,
    live: liveSites(),
    work: workHere(childProcesses()),
    startUpkeep: (log) => startUpkeep({ dataDir, orm, applying, log, now }),
    // The last to close the database brings its log into it.
    close: () => orm.close(true),
  };
}
