import { putUnder } from '#core/shared/grouping';
import { loopsIn } from './loops';
import type { CameraWay, Topology, TopologyLink } from './types';

/** Every device with its links, both ways. */
type Neighbours = ReadonlyMap<string, readonly { link: TopologyLink; to: string }[]>;

export function neighboursOf(links: readonly TopologyLink[]): Neighbours {
  const neighbours = new Map<string, { link: TopologyLink; to: string }[]>();
  for (const link of links) {
    putUnder(neighbours, link.fromId, { link, to: link.toId });
    putUnder(neighbours, link.toId, { link, to: link.fromId });
  }
  return neighbours;
}

/** From each device that leads to a recorder, the next step of the shortest way there. */
type Steps = ReadonlyMap<string, { link: TopologyLink; to: string }>;

/** Shortest ways to a recorder from everywhere, found outwards from it. Other recorders hand nothing on. */
function stepsTo(recorderId: string, neighbours: Neighbours, recorders: ReadonlySet<string>): Steps {
  const steps = new Map<string, { link: TopologyLink; to: string }>();
  const seen = new Set([recorderId]);
  let edge = [recorderId];
  while (edge.length > 0) {
    const next: string[] = [];
    for (const at of edge) {
      if (at !== recorderId && recorders.has(at)) continue;
      for (const { link, to } of neighbours.get(at) ?? []) {
        if (seen.has(to)) continue;
        seen.add(to);
        steps.set(to, { link, to: at });
        next.push(to);
      }
    }
    edge = next;
  }
  return steps;
}

/** Each device with the link to the one before it, from wherever its part of the network was entered; only of use without loops. */
interface Climb {
  link: TopologyLink;
  to: string;
}
type Climbs = ReadonlyMap<string, { depth: number; up: Climb | null }>;

function climbsOf(devices: Topology['devices'], neighbours: Neighbours): Climbs {
  const climbs = new Map<string, { depth: number; up: Climb | null }>();
  for (const { id } of devices) {
    if (climbs.has(id)) continue;
    climbs.set(id, { depth: 0, up: null });
    let edge = [id];
    for (let depth = 1; edge.length > 0; depth += 1) {
      const next: string[] = [];
      for (const at of edge)
        for (const { link, to } of neighbours.get(at) ?? []) {
          if (climbs.has(to)) continue;
          climbs.set(to, { depth, up: { link, to: at } });
          next.push(to);
        }
      edge = next;
    }
  }
  return climbs;
}

type Way = Omit<CameraWay, 'cameraId'>;

/** The one way between two devices of a network without loops: up from both until they meet. */
function wayBetween(from: string, to: string, climbs: Climbs): Way | null {
  const [linkIds, deviceIds]: [string[], string[]] = [[], [from]];
  const [backLinks, backDevices]: [string[], string[]] = [[], []];
  let [here, there] = [from, to];
  while (here !== there) {
    const [a, b] = [climbs.get(here), climbs.get(there)];
    if (!a || !b) return null;
    if (a.depth >= b.depth) {
      if (!a.up) return null;
      linkIds.push(a.up.link.id);
      here = a.up.to;
      deviceIds.push(here);
    } else {
      if (!b.up) return null;
      backLinks.push(b.up.link.id);
      backDevices.push(there);
      there = b.up.to;
    }
  }
  return {
    linkIds: [...linkIds, ...backLinks.reverse()],
    deviceIds: [...deviceIds, ...backDevices.reverse()],
  };
}

/** The shortest way through a network with loops. */
function shortestWay(from: string, to: string, steps: Steps): Way | null {
  const way: Way = { linkIds: [], deviceIds: [from] };
  let at = from;
  for (let step = steps.get(at); at !== to && step; step = steps.get(at)) {
    way.linkIds.push(step.link.id);
    way.deviceIds.push(step.to);
    at = step.to;
  }
  return at === to ? way : null;
}

/**
 * The way of every camera to its recorder; cameras without one are left out. Without loops each is found by itself; with loops the
 * cost grows with links times recorders.
 */
export function waysOf({ devices, links, cameras }: Topology): Map<string, CameraWay> {
  const recorders = new Set(devices.filter(({ kind }) => kind === 'recorder').map(({ id }) => id));
  const neighbours = neighboursOf(links);
  const climbs = loopsIn(links).length === 0 ? climbsOf(devices, neighbours) : null;
  const toRecorder = new Map<string, Steps>();
  const stepsOf = (recorderId: string): Steps => {
    const known = toRecorder.get(recorderId) ?? stepsTo(recorderId, neighbours, recorders);
    toRecorder.set(recorderId, known);
    return known;
  };
  const ways = new Map<string, CameraWay>();
  for (const { cameraId, deviceId, recorderId } of cameras) {
    if (deviceId === null || recorderId === null) continue;
    const way = climbs
      ? wayBetween(deviceId, recorderId, climbs)
      : shortestWay(deviceId, recorderId, stepsOf(recorderId));
    // A recorder hands nothing on: a way through another one is none.
    if (way && !way.deviceIds.slice(1, -1).some((id) => recorders.has(id)))
      ways.set(cameraId, { cameraId, ...way });
  }
  return ways;
}
