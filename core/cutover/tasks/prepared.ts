import { catalogueOf } from '#core/model/catalogue';
import type { Site } from '#core/model/site';
import { taskIdOf, taskOf, type Task } from './task';

/** What is left of a change-over takes at least so long, whatever was done before. */
const leastMinutes = 5;

/**
 * A change-over of which some minutes are done before, in a task of its own that leaves nothing dark: what is dark stays with the change-over.
 * `waitsFor` is what has to be there before anybody sets about either.
 */
export function prepared(
  site: Pick<Site, 'product' | 'taskSetting'>,
  swap: Task,
  waitsFor: readonly string[],
): Task[] {
  const wanted = site.taskSetting[swap.id]?.prepareMinutes;
  if (wanted === undefined || swap.kind !== 'swap') return [swap];
  const { likely, low, high } = swap.minutes;
  const darkMinutes = Math.max(leastMinutes, ...swap.dark.map(({ minutes }) => minutes));
  const before = Math.min(wanted, likely - darkMinutes);
  if (before <= 0) return [swap];
  const left = (likely - before) / likely;
  const first = taskOf(catalogueOf(site), {
    id: taskIdOf('prepare', swap.cameraId!),
    kind: 'prepare',
    of: swap.of,
    cameraId: swap.cameraId,
    place: swap.place,
    likelyMinutes: before,
    people: swap.people,
    skills: swap.skills,
    lift: swap.lift,
    needs: waitsFor,
  });
  return [
    first,
    {
      ...swap,
      minutes: { low: left * low, likely: likely - before, high: left * high },
      needs: [...swap.needs, first.id],
    },
  ];
}
