import { signalCable } from '#core/physics/cable';
import type { Camera } from './camera';
import { placeholderCamera } from './cameraKinds';
import type { Change } from './change';
import { freeId } from './freeId';
import type { Place } from './place';
import type { Joint, Leg, PowerFeed, Run, Segment } from './run';
import type { Site } from './site';

/** A further stretch of a run: its cable, and what joins it to the one before; a joint that nobody has said is a coupler until somebody looks. */
export interface LinePart {
  cable: string;
  lengthM: number;
  joint?: Joint;
}

/** What a person says of a run that is to be added; the rest starts from usual figures and is noted later. */
export interface NewRun {
  number: number;
  name: string;
  placeName: string;
  headEndId: string;
  cable: string;
  lengthM: number;
  /** Where the run is made of several cables: all after the first, outwards. */
  goesOn?: readonly LinePart[];
  supplyId: string | null;
}

/** A place of which only the name is known. */
export function unseenPlace(site: Site, name: string, mark?: string): Place {
  return {
    id: freeId((id) => id in site.place, name, mark),
    name,
    role: 'area',
    environment: 'indoor',
    temperatureC: 20,
    mains: false,
    networkCloset: false,
    restrictions: [],
    access: { by: 'ladder', heightM: 3 },
    assumed: true,
  };
}

/** The place of a name, whatever its capitals: the one that is there, or an unseen one with the change that notes it. */
export function placeNamed(site: Site, name: string, mark?: string): { place: Place; changes: Change[] } {
  const wanted = name.trim();
  const known = Object.values(site.place).find((one) => one.name.toLowerCase() === wanted.toLowerCase());
  if (known) return { place: known, changes: [] };
  const place = unseenPlace(site, wanted, mark);
  return { place, changes: [{ kind: 'place', id: place.id, set: place }] };
}

const isTaken = (site: Site, supplyId: string, output: number): boolean =>
  Object.values(site.run).some(
    ({ feed }) => feed.kind !== 'local-adapter' && feed.supplyId === supplyId && feed.output === output,
  );

/** Where a camera's power comes from: the first free output of a box, else an adapter beside it. */
export function feedFor(site: Site, supplyId: string | null): PowerFeed {
  const supply = supplyId ? site.supply[supplyId] : undefined;
  if (!supply) return { kind: 'local-adapter', current: 'dc', volts: 12, ratedAmps: 1 };
  const output = supply.outputs.find(({ number }) => !isTaken(site, supply.id, number)) ?? supply.outputs[0]!;
  return { kind: 'along-run', supplyId: supply.id, output: output.number };
}

function legFor(feed: PowerFeed, cable: string): Leg {
  if (feed.kind !== 'along-run') return { kind: 'none' };
  return signalCable(cable).kind === 'pair'
    ? { kind: 'spare-pairs', outCores: 2, backCores: 2 }
    : { kind: 'cores', cable: 'power-2x18-cu', outCores: 1, backCores: 1 };
}

const estimated = (
  { cable, lengthM }: LinePart,
  { environment, temperatureC }: Place,
  feed: PowerFeed,
): Segment => {
  const leg = legFor(feed, cable);
  return {
    cable,
    lengthM,
    lengthFrom: 'estimate',
    spreadM: Math.min(500, Math.round(lengthM * 0.05)),
    environment,
    temperatureC,
    leg,
    ...(leg.kind === 'none' ? {} : { assumed: ['leg'] }),
  };
};

/** The segment with what joins it to the next one, if there is one. */
function joinedTo(segment: Segment, next: LinePart | undefined): Segment {
  if (!next) return segment;
  return next.joint
    ? { ...segment, joint: next.joint }
    : { ...segment, joint: 'coupler', assumed: [...(segment.assumed ?? []), 'joint'] };
}

/** A run whose lengths are estimates, from the head end to a camera. */
export function firstRun(
  site: Site,
  camera: Pick<Camera, 'id' | 'number'>,
  place: Place,
  { headEndId, cable, lengthM, goesOn = [] }: Pick<NewRun, 'headEndId' | 'cable' | 'lengthM' | 'goesOn'>,
  feed: PowerFeed,
  mark?: string,
): Run {
  const parts: LinePart[] = [{ cable, lengthM }, ...goesOn];
  return {
    id: freeId((id) => id in site.run, `r${String(camera.number).padStart(2, '0')}`, mark),
    cameraId: camera.id,
    headEndId,
    state: 'live',
    feed,
    segments: parts.map((part, at) => joinedTo(estimated(part, place, feed), parts[at + 1])),
  };
}

/** The changes that add a camera with its run, and its place where the site has none of that name, under ids with a maker's mark. */
export function addRun(site: Site, wanted: NewRun, mark?: string): { changes: Change[]; runId: string } {
  const { place, changes } = placeNamed(site, wanted.placeName, mark);
  const feed = feedFor(site, wanted.supplyId);
  const ac = feed.kind !== 'local-adapter' && site.supply[feed.supplyId]?.current === 'ac';
  const camera = placeholderCamera(
    {
      id: freeId((id) => id in site.camera, `c${String(wanted.number).padStart(2, '0')}`, mark),
      number: wanted.number,
      name: wanted.name,
      placeId: place.id,
    },
    ac ? 'ac' : 'dc',
  );
  const run = firstRun(site, camera, place, wanted, feed, mark);
  return {
    runId: run.id,
    changes: [
      ...changes,
      { kind: 'camera', id: camera.id, set: camera },
      { kind: 'run', id: run.id, set: run },
    ],
  };
}

/** The changes that add a run to a camera that has none. */
export function addRunTo(
  site: Site,
  camera: Camera,
  wanted: Pick<NewRun, 'headEndId' | 'cable' | 'lengthM' | 'goesOn' | 'supplyId'>,
  mark?: string,
): { changes: Change[]; runId: string } {
  const feed = feedFor(site, wanted.supplyId);
  const run = firstRun(site, camera, site.place[camera.placeId]!, wanted, feed, mark);
  return { runId: run.id, changes: [{ kind: 'run', id: run.id, set: run }] };
}

/** The lowest camera number that is still free. */
export function nextNumber(site: Site): number {
  return Math.max(0, ...Object.values(site.camera).map(({ number }) => number)) + 1;
}
