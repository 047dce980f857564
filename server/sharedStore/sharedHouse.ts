import { childProcesses } from '../evaluation/childProcesses';
import { workHere } from '../evaluation/workHere';
import { picturesAt, type PicturePlace } from '../files/picturePlace';
import type { House } from '../house';
import { liveSites } from '../live/liveSites';
import type { ServerLog } from '../log/serverLog';
import { applyingTable } from './applyingTable';
import { newsLine, type NewsLine } from './newsLine';
import { openDatabase } from './openDatabase';
import { queuedWork } from './queuedWork';
import { passOn, sharedLive, type SiteNews } from './sharedLive';
import { startSharedUpkeep } from './sharedUpkeep';
import { openQueue } from './workQueue';

/** What is shared with other servers: a database, and a folder of pictures where they are not to be in it. */
export interface Shared {
  database: string;
  picturesFolder?: string;
}

/** Everything that servers on one database have in common. */
export async function sharedHouse(
  { database: url, picturesFolder }: Shared,
  log: ServerLog,
  now: () => string,
): Promise<House> {
  const orm = await openDatabase(url);
  const picturePlace: PicturePlace =
    picturesFolder === undefined ? { kind: 'database', url } : { kind: 'folder', folder: picturesFolder };
  const here = liveSites();
  let line: NewsLine<SiteNews> | null = null;
  const say = (news: SiteNews): void => line?.say(news);
  const hearing = { heard: (news: SiteNews) => passOn(here, say, news), missed: here.endLines };
  try {
    line = await newsLine<SiteNews>(url, hearing, log);
    const boss = await openQueue(url, 'to-hand-on', (error) => log.fault('The queue of work', error));
    const work = queuedWork(boss, workHere(childProcesses()));
    return {
      orm,
      pictures: await picturesAt(picturePlace),
      picturePlace,
      applying: applyingTable(orm, log),
      live: sharedLive(here, say),
      work,
      startUpkeep: (noted) => startSharedUpkeep(orm, noted, now),
      close: async () => {
        await line?.close();
        await orm.close(true);
      },
    };
  } catch (error) {
    await line?.close();
    await orm.close(true);
    throw error;
  }
}
