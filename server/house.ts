import type { LiveSites } from './live/liveSites';
import type { PicturePlace } from './files/picturePlace';
import type { ServerLog } from './log/serverLog';
import type { ApplyingRecords } from './recorders/applyingRecords';
import type { Pictures } from './store/pictures';
import type { Orm } from './store/orm';
import type { Work } from './evaluation/work';

/** What a server keeps things in and works with: its own, or what it shares with others. */
export interface House {
  orm: Orm;
  pictures: Pictures;
  picturePlace: PicturePlace;
  applying: ApplyingRecords;
  live: LiveSites;
  work: Work;
  /** Keeps it in order for as long as the server runs. Gives how to stop, once what is under way is done. */
  startUpkeep: (log: ServerLog) => () => Promise<void>;
  close: () => Promise<void>;
}
