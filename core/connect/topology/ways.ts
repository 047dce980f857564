import type { CameraWay, Topology, TopologyLink } from './types';

/** Every device with its links, both ways. */
type Neighbours = ReadonlyMap<string, readonly { link: TopologyLink; to: string }[]>;

export function neighboursOf(links: readonly TopologyLink[]): Neighbours {
  const neighbours = new Map<string, { link: TopologyLink; to: string }[]>();
  const add = (from: string, to: string, link: TopologyLink): void => {
    const known = neighbours.get(from);
    if (known) known.push({ link, to });
    else neighbours.set(from, [{ link, to }]);
  };
  for (const link of links) {
    add(link.fromId, link.toId, link);
    add(link.toId, link.fromId, link);
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

/** The way of every camera to its recorder; cameras without one are left out. The cost grows with links times recorders. */
export function waysOf({ devices, links, cameras }: Topology): Map<string, CameraWay> {
  const recorders = new Set(devices.filter(({ kind }) => kind === 'recorder').map(({ id }) => id));
  const neighbours = neighboursOf(links);
  const toRecorder = new Map<string, Steps>();
  const ways = new Map<string, CameraWay>();
  for (const { cameraId, deviceId, recorderId } of cameras) {
    if (deviceId === null || recorderId === null) continue;
    if (!toRecorder.has(recorderId)) toRecorder.set(recorderId, stepsTo(recorderId, neighbours, recorders));
    const steps = toRecorder.get(recorderId)!;
    const way: CameraWay = { cameraId, linkIds: [], deviceIds: [deviceId] };
    let at = deviceId;
    for (let step = steps.get(at); at !== recorderId && step; step = steps.get(at)) {
      way.linkIds.push(step.link.id);
      way.deviceIds.push(step.to);
      at = step.to;
    }
    if (at === recorderId) ways.set(cameraId, way);
  }
  return ways;
}
