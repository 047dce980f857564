import { catalogueOf, productOf, type Catalogue } from '#core/model/catalogue';
import {
  accessWork,
  linkWork,
  plannedLinks,
  plannedViews,
  viewWork,
  type PlannedWork,
} from '#core/decide/options';
import type { Equipment, Link, Site } from '#core/model/site';
import { gearBuildId } from './buildId';
import { ordersFor } from './orderTasks';
import { permitIdOf } from './permitTasks';
import { taskIdOf, taskOf, workOf, type Task } from './task';
import { taskKind, type TaskKind } from './taskKinds';

/** A camera is aimed and proved once it records. */
const provedWith = 'commission-camera';

const linkTaskId = ({ id }: Link): string => taskIdOf('lay-link', id);

/** Minutes of those who do a kind of work together. */
function minutesOf(catalogue: Catalogue, kind: TaskKind, tasks: PlannedWork['tasks']): number {
  const hours = tasks.reduce(
    (sum, { item, count }) => sum + productOf(catalogue, item, 'task').hours * count,
    0,
  );
  return (60 * hours) / workOf(catalogue, kind).people;
}

const bought = ({ equipment }: Pick<Site, 'equipment'>): Equipment[] =>
  Object.values(equipment).filter(({ toBuy, goes }) => toBuy !== undefined && !goes);

/** Links that a place is reached by; where recorders stand every link begins, and nobody there waits for it. */
function linksTo(site: Pick<Site, 'link' | 'recorder'>, placeId: string): Link[] {
  const isHeadEnd = Object.values(site.recorder).some((one) => one.placeId === placeId);
  return isHeadEnd
    ? []
    : plannedLinks(site).filter(({ fromPlaceId, toPlaceId }) => [fromPlaceId, toPlaceId].includes(placeId));
}

/** What has to be built before anything is plugged in at a place: gear that is bought there, and the links that it is reached by. */
export const builtBefore = (
  site: Pick<Site, 'equipment' | 'link' | 'recorder'>,
  placeId: string,
): string[] => [
  ...bought(site)
    .filter((one) => one.placeId === placeId)
    .map(gearBuildId),
  ...linksTo(site, placeId).map(linkTaskId),
];

/**
 * What is planned of the network itself, whatever is chosen for the cameras on coax: links laid, gear built, new cameras hung beside the
 * old system, so that no view is dark for them, and proved once they record.
 * @param builds ids of units that the choices ask for, which are built in tasks of their own, gear of their kind and place with them
 */
export function networkTasks(site: Site, orders: readonly Task[], builds: ReadonlySet<string>): Task[] {
  const catalogue = catalogueOf(site);
  const links = plannedLinks(site).map((link) => {
    const work = linkWork(site, link);
    return taskOf(catalogue, {
      id: linkTaskId(link),
      kind: 'lay-link',
      of: link.name,
      place: link.toPlaceId,
      likelyMinutes: minutesOf(catalogue, 'lay-link', work.tasks),
      needs: ordersFor(work.parts, orders),
    });
  });
  const toBuild = bought(site).filter((one) => !builds.has(gearBuildId(one)));
  const gear = [...new Set(toBuild.map(gearBuildId))].map((id) => {
    const all = toBuild.filter((one) => gearBuildId(one) === id);
    return taskOf(catalogue, {
      id,
      kind: 'build',
      of: all.map(({ name }) => name).join(', '),
      place: all[0]!.placeId,
      needs: [
        ...ordersFor(
          all.map(({ toBuy }) => ({ item: toBuy! })),
          orders,
        ),
        ...linksTo(site, all[0]!.placeId).map(linkTaskId),
      ],
    });
  });
  const views = plannedViews(site).flatMap(({ id, deviceId }): Task[] => {
    const camera = site.camera[id]!;
    const place = site.place[camera.placeId]!;
    const { parts, tasks } = viewWork(site, id);
    const { needsLift, cautions, work } = accessWork({ place });
    const common = { of: `${camera.number} ${camera.name}`, cameraId: id, place: place.id };
    const device = site.equipment[deviceId ?? ''];
    const isHigh = work.length > 0;
    const hung = taskOf(catalogue, {
      ...common,
      id: taskIdOf('new-view', id),
      kind: 'new-view',
      likelyMinutes: minutesOf(
        catalogue,
        'new-view',
        tasks.filter(({ item }) => item !== provedWith),
      ),
      people: Math.max(workOf(catalogue, 'new-view').people, isHigh ? 2 : 1),
      skills: isHigh ? ['cable', 'height'] : ['cable'],
      lift: needsLift ? place.id : null,
      needs: [
        ...ordersFor(parts, orders),
        ...(device ? builtBefore(site, device.placeId) : []),
        ...(needsLift ? [permitIdOf(place.id)] : []),
      ],
      cautions: [...taskKind('new-view').cautions, ...cautions],
    });
    const proved = taskOf(catalogue, {
      ...common,
      id: taskIdOf('dusk-check', id),
      kind: 'dusk-check',
      likelyMinutes: minutesOf(
        catalogue,
        'dusk-check',
        tasks.filter(({ item }) => item === provedWith),
      ),
      needs: [hung.id],
    });
    return [hung, proved];
  });
  return [...links, ...gear, ...views];
}
