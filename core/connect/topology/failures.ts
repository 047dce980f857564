import { putUnder } from '#core/shared/grouping';
import { loopsIn } from './loops';
import type { CameraWay, Failure, Topology } from './types';
import { waysOf } from './ways';

/** A site without one device or link. */
function without({ devices, links, cameras }: Topology, { kind, id }: Failure['of']): Topology {
  if (kind === 'link') return { devices, links: links.filter((link) => link.id !== id), cameras };
  return {
    devices: devices.filter((device) => device.id !== id),
    links: links.filter(({ fromId, toId }) => fromId !== id && toId !== id),
    cameras: cameras.filter(({ deviceId, recorderId }) => deviceId !== id && recorderId !== id),
  };
}

/**
 * Every single failure with the cameras that it darkens, the worst first. Where no links form a loop that is whoever goes that way; else
 * each is tried.
 */
export function failuresOf(topology: Topology, ways: ReadonlyMap<string, CameraWay>): Failure[] {
  const through = { link: new Map<string, string[]>(), device: new Map<string, string[]>() };
  for (const { cameraId, linkIds, deviceIds } of ways.values()) {
    for (const id of linkIds) putUnder(through.link, id, cameraId);
    for (const id of deviceIds) putUnder(through.device, id, cameraId);
  }
  const hasLoops = loopsIn(topology.links).length > 0;
  const darkened = (of: Failure['of']): string[] => {
    const going = through[of.kind].get(of.id) ?? [];
    if (!hasLoops || going.length === 0) return going;
    const left = waysOf(without(topology, of));
    return going.filter((cameraId) => !left.has(cameraId));
  };
  const failures = [
    ...topology.devices.map(({ id, name }) => ({ of: { kind: 'device' as const, id }, name })),
    ...topology.links.map(({ id, name }) => ({ of: { kind: 'link' as const, id }, name })),
  ].map(({ of, name }): Failure => ({ of, name, cameraIds: darkened(of) }));
  return failures.sort((a, b) => b.cameraIds.length - a.cameraIds.length || (a.name < b.name ? -1 : 1));
}
