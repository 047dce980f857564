import { catalogueOf, type Catalogue, productOf } from '#core/model/catalogue';
import { viewNeed } from '#core/model/views';
import { isToBeHung, type Link, type NetworkCamera, type Site } from '#core/model/site';
import { accessWork, liftHalfDays, liftHire } from './access';
import { labourCostOf, partsCostOf } from './build';
import { newCable, surgeProtection } from './newCable';
import { newCameras } from './newCamera';
import type { Part } from './part';

/** What is planned of the network itself, whatever is chosen for the cameras on coax: gear, links and new views. */
export interface PlannedNetwork {
  parts: Part[];
  cost: number;
  labourCost: number;
  hours: number;
  /** In which the view of a camera that is replaced is dark. */
  darkHours: number;
  newCableM: number;
}

/** What something planned is made of: parts, tasks of the catalogue, metres of new cable. */
export interface PlannedWork {
  parts: Part[];
  tasks: Part[];
  newCableM: number;
}
const once = (...items: string[]): Part[] => items.map((item) => ({ item, count: 1 }));

export type PlannedSite = Pick<
  Site,
  'equipment' | 'link' | 'networkCamera' | 'camera' | 'place' | 'product' | 'stream' | 'allocationSettings'
>;

/** Setting up to pull a cable, pulling it, and what it lies in. */
const pulling = (lengthM: number): { parts: Part[]; tasks: Part[] } => ({
  parts: [{ item: 'containment-m', count: Math.ceil(lengthM) }, ...once('making-good')],
  tasks: [...once('survey-route', 'pull-cable-start'), { item: 'pull-cable-m', count: lengthM }],
});

/** Parts and labour of a link that is to come, both ends with it. */
function ofLink({ place }: PlannedSite, { medium, lengthM, fromPlaceId, toPlaceId }: Link): PlannedWork {
  const [from, to] = [place[fromPlaceId]!, place[toPlaceId]!];
  const way = pulling(lengthM);
  switch (medium) {
    case 'category': {
      const surges = surgeProtection(from, to);
      return {
        parts: [
          ...way.parts,
          newCable('category', lengthM, from, to),
          ...once('category-ends'),
          ...surges.parts,
        ],
        tasks: [...way.tasks, ...once(...surges.work)],
        newCableM: lengthM,
      };
    }
    case 'fibre':
      return {
        parts: [
          ...way.parts,
          newCable('fibre', lengthM, from, to),
          ...once('fibre-splices'),
          { item: 'fibre-end', count: 2 },
        ],
        tasks: [...way.tasks, ...once('splice-fibre')],
        newCableM: lengthM,
      };
    case 'radio':
      return { parts: [{ item: 'radio', count: 2 }], tasks: once('hang-radios'), newCableM: 0 };
    case 'coax-converters':
      return {
        parts: [{ item: 'coax-converter', count: 2 }],
        tasks: once('fit-converter-pair'),
        newCableM: 0,
      };
    case 'power-line':
      return { parts: once('power-line-pair'), tasks: once('fit-converter-pair'), newCableM: 0 };
  }
}

/** A new camera, hung and proved: for a new view with its lead, else in the place of one that is disposed of. */
export function viewWork(site: PlannedSite, id: string): PlannedWork {
  const { lead, replaced } = site.networkCamera[id]!;
  const camera = site.camera[id]!;
  const place = site.place[camera.placeId]!;
  const { parts, work } = newCameras(viewNeed(site, camera), place).ip;
  const isCabled = lead.medium === 'category' && !replaced;
  return {
    parts: [
      ...parts.filter(({ item }) => replaced || item !== 'disposal'),
      ...(isCabled ? [newCable('category', lead.lengthM, place), ...once('category-ends')] : []),
    ],
    tasks: [
      ...once(...work, ...accessWork({ place }).work),
      ...(isCabled ? [{ item: 'pull-cable-m', count: lead.lengthM }] : []),
    ],
    newCableM: isCabled ? lead.lengthM : 0,
  };
}

const sumOf = (catalogue: Catalogue, tasks: readonly Part[], of: 'hours' | 'darkHours'): number =>
  tasks.reduce((sum, { item, count }) => sum + productOf(catalogue, item, 'task')[of] * count, 0);

/** Ends of a planned link that are noted as gear to buy are bought once: as gear. */
function withoutNotedEnds(
  { equipment }: PlannedSite,
  { fromEnd, toEnd }: Link,
  work: PlannedWork,
): PlannedWork {
  const noted = [fromEnd, toEnd].flatMap((end) => {
    const gear = end && equipment[end.deviceId];
    return gear?.gear.kind === 'link-end' ? [gear] : [];
  }).length;
  if (noted === 0) return work;
  const parts = work.parts.flatMap((part): Part[] => {
    if (!['radio', 'fibre-end', 'coax-converter'].includes(part.item)) return [part];
    return part.count > noted ? [{ ...part, count: part.count - noted }] : [];
  });
  return { ...work, parts };
}

/** Parts and labour of a link that is to come; ends of it that are noted as gear to buy are bought with that. */
export const linkWork = (site: PlannedSite, link: Link): PlannedWork =>
  withoutNotedEnds(site, link, ofLink(site, link));

export const plannedLinks = ({ link }: Pick<Site, 'link'>): Link[] =>
  Object.values(link).filter(({ state }) => state === 'planned');
/** Cameras of the network that are to be hung: new views, and new ones in the place of those that are there. */
export const camerasToHang = ({ networkCamera }: Pick<Site, 'networkCamera'>): NetworkCamera[] =>
  Object.values(networkCamera).filter(isToBeHung);

/** The half-days of lifts that the cameras need: new views are hung on days of their own, before the nights in which others are replaced. */
function liftsOf(site: PlannedSite, catalogue: Catalogue): Part[] {
  const hours = new Map<string, number>();
  for (const { id, replaced } of camerasToHang(site)) {
    const { placeId } = site.camera[id]!;
    if (!accessWork({ place: site.place[placeId]! }).needsLift) continue;
    const visit = `${placeId} ${replaced ? 'night' : 'day'}`;
    const up = viewWork(site, id).tasks.filter(
      ({ item }) => productOf(catalogue, item, 'task').where === undefined,
    );
    hours.set(visit, (hours.get(visit) ?? 0) + sumOf(catalogue, up, 'hours'));
  }
  return [...hours.values()].map((worked) => ({ item: liftHire, count: liftHalfDays(worked) }));
}

/** What the planned part of the network comes to. New views and links are made beside the old system, so no view is dark for them. */
export function plannedNetwork(site: PlannedSite): PlannedNetwork {
  const catalogue = catalogueOf(site);
  const views = camerasToHang(site).map(({ id, replaced }) => ({ replaced, ...viewWork(site, id) }));
  const works = [...plannedLinks(site).map((link) => linkWork(site, link)), ...views];
  const gear = Object.values(site.equipment).flatMap(({ toBuy }) => (toBuy === undefined ? [] : once(toBuy)));
  const parts = [...gear, ...works.flatMap((work) => work.parts), ...liftsOf(site, catalogue)];
  const hours = works.reduce((sum, { tasks }) => sum + sumOf(catalogue, tasks, 'hours'), 0);
  const darkHours = views.reduce(
    (sum, { replaced, tasks }) => sum + (replaced ? sumOf(catalogue, tasks, 'darkHours') : 0),
    0,
  );
  const labourCost = labourCostOf(catalogue, hours, darkHours);
  return {
    parts,
    hours,
    darkHours,
    labourCost,
    cost: partsCostOf(catalogue, parts) + labourCost,
    newCableM: works.reduce((sum, work) => sum + work.newCableM, 0),
  };
}
