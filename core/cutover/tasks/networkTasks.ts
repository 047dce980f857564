import { catalogueOf, productOf, type Catalogue } from '#core/model/catalogue';
import {
  accessWork,
  linkWork,
  peopleOnLift,
  plannedLinks,
  camerasToHang,
  viewWork,
  type PlannedWork,
} from '#core/decide/options';
import type { Equipment, Link, NetworkCamera, Site } from '#core/model/site';
import { gearBuildId } from './buildId';
import { tasksOfChange } from './cameraChange';
import { ordersFor } from './orderTasks';
import { permitIdOf } from './permitTasks';
import { taskIdOf, taskOf, workOf, type Task } from './task';
import { taskKind } from './taskKinds';

/** A camera is aimed and proved once it records. */
const provedWith = 'commission-camera';

const linkTaskId = ({ id }: Link): string => taskIdOf('lay-link', id);

/** Minutes that tasks of the catalogue take so many people together. */
const minutesOf = (catalogue: Catalogue, tasks: PlannedWork['tasks'], people: number): number =>
  (60 * tasks.reduce((sum, { item, count }) => sum + productOf(catalogue, item, 'task').hours * count, 0)) /
  people;

const bought = ({ equipment }: Pick<Site, 'equipment'>): Equipment[] =>
  Object.values(equipment).filter(({ toBuy, goes }) => toBuy !== undefined && !goes);

/** Links that a place is reached by; where recorders stand every link begins, and nobody there waits for it. */
function linksTo(site: Pick<Site, 'link' | 'recorder'>, placeId: string): Link[] {
  const isHeadEnd = Object.values(site.recorder).some((one) => one.placeId === placeId);
  return isHeadEnd
    ? []
    : plannedLinks(site).filter(({ fromPlaceId, toPlaceId }) => [fromPlaceId, toPlaceId].includes(placeId));
}

/** Tasks in which the links are laid that a place is reached by. */
export const linkTasksTo = (site: Pick<Site, 'link' | 'recorder'>, placeId: string): string[] =>
  linksTo(site, placeId).map(linkTaskId);

/** What has to be built before anything is plugged in at a place: gear that is bought there, and the links that it is reached by. */
export const builtBefore = (
  site: Pick<Site, 'equipment' | 'link' | 'recorder'>,
  placeId: string,
): string[] => [
  ...bought(site)
    .filter((one) => one.placeId === placeId)
    .map(gearBuildId),
  ...linkTasksTo(site, placeId),
];

function linkTask(site: Site, link: Link, orders: readonly Task[]): Task {
  const catalogue = catalogueOf(site);
  const { parts, tasks } = linkWork(site, link);
  return taskOf(catalogue, {
    id: linkTaskId(link),
    kind: 'lay-link',
    of: link.name,
    place: link.toPlaceId,
    likelyMinutes: minutesOf(catalogue, tasks, workOf(catalogue, 'lay-link').people),
    needs: ordersFor(parts, orders),
  });
}

/** Gear of one kind at one place is built together. */
function gearTask(site: Site, id: string, all: readonly Equipment[], orders: readonly Task[]): Task {
  const { placeId } = all[0]!;
  const parts = all.map(({ toBuy }) => ({ item: toBuy! }));
  return taskOf(catalogueOf(site), {
    id,
    kind: 'build',
    of: all.map(({ name }) => name).join(', '),
    place: placeId,
    needs: [...ordersFor(parts, orders), ...linkTasksTo(site, placeId)],
  });
}

/** A camera that takes the place of one that is there is changed in a night, as any other. */
function replacementTasks(site: Site, { id, deviceId }: NetworkCamera, orders: readonly Task[]): Task[] {
  const camera = site.camera[id]!;
  const { needsLift, cautions } = accessWork({ place: site.place[camera.placeId]! });
  const { [deviceId ?? '']: device } = site.equipment;
  return tasksOfChange(catalogueOf(site), orders, {
    camera,
    ...viewWork(site, id),
    lift: needsLift ? camera.placeId : null,
    along: [],
    first: device ? builtBefore(site, device.placeId) : [],
    cautions,
  });
}

/** A new camera is hung, and proved by day and by lamps once it records. */
function viewTasks(site: Site, { id, deviceId }: NetworkCamera, orders: readonly Task[]): Task[] {
  const catalogue = catalogueOf(site);
  const camera = site.camera[id]!;
  const place = site.place[camera.placeId]!;
  const { parts, tasks } = viewWork(site, id);
  const { needsLift, cautions, work } = accessWork({ place });
  const isHigh = work.length > 0;
  const device = site.equipment[deviceId ?? ''];
  const common = { of: `${camera.number} ${camera.name}`, cameraId: id, place: place.id };
  const proving = tasks.filter(({ item }) => item === provedWith);
  const hanging = tasks.filter((one) => !proving.includes(one));
  const hung = taskOf(catalogue, {
    ...common,
    id: taskIdOf('new-view', id),
    kind: 'new-view',
    // Beside a ladder the second one holds it.
    likelyMinutes: minutesOf(catalogue, hanging, needsLift ? peopleOnLift : 1),
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
    likelyMinutes: minutesOf(catalogue, proving, 1),
    needs: [hung.id],
  });
  return [hung, proved];
}

/**
 * What is planned of the network itself, whatever is chosen for the cameras on coax: links laid, gear built, new cameras hung beside the
 * old system, so that no view is dark for them, and proved once they record.
 * @param builds ids of units that the choices ask for, which are built in tasks of their own, gear of their kind and place with them
 */
export function networkTasks(site: Site, orders: readonly Task[], builds: ReadonlySet<string>): Task[] {
  const toBuild = bought(site).filter((one) => !builds.has(gearBuildId(one)));
  return [
    ...plannedLinks(site).map((link) => linkTask(site, link, orders)),
    ...[...new Set(toBuild.map(gearBuildId))].map((id) =>
      gearTask(
        site,
        id,
        toBuild.filter((one) => gearBuildId(one) === id),
        orders,
      ),
    ),
    ...camerasToHang(site).flatMap((view) =>
      view.replaced ? replacementTasks(site, view, orders) : viewTasks(site, view, orders),
    ),
  ];
}
