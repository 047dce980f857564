import { catalogueOf } from '#core/model/catalogue';
import type { Site } from '#core/model/site';
import { linkTasksTo } from './networkTasks';
import { ordersFor } from './orderTasks';
import { taskIdOf, taskOf, type Task } from './task';

const buildIdOfRecorder = (recorderId: string): string => taskIdOf('build', 'recorder', recorderId);

/** What has to be built before anything comes to a recorder: itself, where it is bought. */
export const recorderBuiltBefore = ({ recorder }: Pick<Site, 'recorder'>, recorderId: string): string[] =>
  recorder[recorderId]?.toBuy === undefined ? [] : [buildIdOfRecorder(recorderId)];

/** Recorders that are bought: mounted, with their disks seen and their uplink tested before the first camera comes to them. */
export const recorderBuilds = (
  site: Pick<Site, 'product' | 'recorder' | 'link'>,
  orders: readonly Task[],
): Task[] =>
  Object.values(site.recorder).flatMap(({ id, name, placeId, toBuy }) =>
    toBuy === undefined
      ? []
      : [
          taskOf(catalogueOf(site), {
            id: buildIdOfRecorder(id),
            kind: 'build',
            of: name,
            place: placeId,
            recorderId: id,
            needs: [...ordersFor([{ item: toBuy }], orders), ...linkTasksTo(site, placeId)],
          }),
        ],
  );
