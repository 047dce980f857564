import type { Catalogue } from '#core/model/catalogue';
import type { Site } from '#core/model/site';
import { taskIdOf, taskOf, type Task } from './task';

export const permitIdOf = (placeId: string): string => taskIdOf('permit', placeId);

/** Work from a lift or a rope at each place is permitted first. */
export function permitTasks(catalogue: Catalogue, places: Site['place'], tasks: readonly Task[]): Task[] {
  const lifted = new Set(tasks.flatMap(({ lift }) => lift ?? []));
  return [...lifted].map((place) =>
    taskOf(catalogue, { id: permitIdOf(place), kind: 'permit', of: places[place]!.name, place }),
  );
}
