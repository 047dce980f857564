import type { Site } from '#core/model/site';
import { loadOf, type Load } from '#core/shared/derivation';
import { groupBy } from '#core/shared/grouping';
import { airShares, airtimeLoad, sharedRadios } from './airtime';
import { endsOf, leadsOf } from './leads';
import { loadWithRoom } from './linkRoom';
import type { CameraEnd, CameraWay, Device, DeviceLoad, LinkLoad, Topology } from './types';

/** Mb/s of all that goes a way together. */
function mbpsBy(
  cameras: readonly CameraEnd[],
  ways: ReadonlyMap<string, CameraWay>,
  along: (way: CameraWay) => readonly string[],
): Map<string, number> {
  const sums = new Map<string, number>();
  for (const { cameraId, mbps } of cameras) {
    const way = ways.get(cameraId);
    if (!way || mbps === 0) continue;
    for (const id of along(way)) sums.set(id, (sums.get(id) ?? 0) + mbps);
  }
  return sums;
}

/** Every link with what goes over it. */
export function linkLoads({ links, cameras }: Topology, ways: ReadonlyMap<string, CameraWay>): LinkLoad[] {
  const sums = mbpsBy(cameras, ways, ({ linkIds }) => linkIds);
  return links.map(({ id, name, carriesMbps }) => ({
    linkId: id,
    load: loadWithRoom(name, sums.get(id) ?? 0, carriesMbps, 'Mb/s'),
  }));
}

function ofRecorder({ id }: Device, site: Pick<Site, 'recorder'>, into: ReadonlyMap<string, number>): Load[] {
  const { limits } = site.recorder[id]!;
  return [loadOf('in', into.get(id) ?? 0, limits.incomingMbps, 'Mb/s')];
}

/** What the load of those ports is called that give power, where others give none. */
export const withPower = 'ports with power';

function ofGear(device: Device, hanging: readonly CameraEnd[], leads: number): Load[] {
  const { ports, poePorts = 0, poeWatts, taken } = device;
  const watts = hanging.reduce((sum, one) => sum + one.watts, taken.watts);
  const fed = hanging.filter((one) => one.watts > 0).length + taken.ports;
  return [
    ...(ports === null ? [] : [loadOf('ports', hanging.length + leads + taken.ports, ports, '')]),
    ...(poePorts > 0 ? [loadOf(withPower, fed, poePorts, '')] : []),
    ...(poeWatts > 0 ? [loadOf('watts', watts, poeWatts, 'W')] : []),
  ];
}

/** Cameras by the device that they hang on. */
const hangingOn = (cameras: readonly CameraEnd[]): Map<string, CameraEnd[]> =>
  groupBy(cameras, ({ deviceId }) => deviceId);

/** The time of each radio that serves more than one link. */
function airtimes(topology: Topology, ways: ReadonlyMap<string, CameraWay>): ReadonlyMap<string, Load> {
  const radios = sharedRadios(topology);
  if (radios.size === 0) return new Map();
  const over = mbpsBy(topology.cameras, ways, ({ linkIds }) => linkIds);
  return new Map(
    [...radios].map(([id, served]) => [id, airtimeLoad(airShares(served, (link) => over.get(link) ?? 0))]),
  );
}

/** Whether a camera hangs on a data port, and not on a recorder’s own input. */
const isOnNetwork = ({ mbps }: CameraEnd): boolean => mbps > 0;

/** Every device with its ports and watts, the time of a radio, or what comes into a recorder. */
export function deviceLoads(
  site: Pick<Site, 'recorder'>,
  topology: Topology,
  ways: ReadonlyMap<string, CameraWay>,
): DeviceLoad[] {
  const { devices, cameras } = topology;
  const into = mbpsBy(cameras, ways, ({ deviceIds }) => deviceIds);
  const hanging = hangingOn(cameras);
  const leads = leadsOf(devices, endsOf(topology.links));
  const onAir = airtimes(topology, ways);
  return devices.map((device) => ({
    deviceId: device.id,
    loads:
      device.kind === 'recorder'
        ? [
            ...ofRecorder(device, site, into),
            ...ofGear(device, (hanging.get(device.id) ?? []).filter(isOnNetwork), 0),
          ]
        : [
            ...ofGear(device, hanging.get(device.id) ?? [], leads.get(device.id) ?? 0),
            ...(onAir.has(device.id) ? [onAir.get(device.id)!] : []),
          ],
  }));
}
