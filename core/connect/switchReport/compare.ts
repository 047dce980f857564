import { counted } from '#core/shared/labels';
import { formatQuantity } from '#core/shared/units';
import type { Site } from '#core/model/site';
import type { CameraEnd, Device, Topology } from '#core/connect/topology';
import type { PortReport, SwitchReport } from './report';

/** A port with the camera behind it, as far as that is known, and what differs from the plan. */
export interface ComparedPort {
  port: PortReport;
  camera: CameraEnd | null;
  /** Hardware addresses behind it that belong to no camera that is noted. */
  unknown: string[];
  differs: string[];
}

export interface SwitchComparison {
  ports: ComparedPort[];
  /** What differs of the switch as a whole, and cameras that are behind none of its ports. */
  differs: string[];
}

/** A port may give so much more than was planned before it is worth a word: cables and cameras differ by some. */
const wattsSlack = 1.15;
/** Below this a camera's link has been agreed on badly: a pair is open, or a plug is half crimped. */
const leastMbps = 100;
/** A few frames are lost whenever something is plugged. */
const mostErrors = 20;

/** Everything behind a link to another device: what is seen there is not a camera of this port. */
function differencesOf(
  port: PortReport,
  camera: CameraEnd | null,
  here: Device,
  unknown: string[],
): string[] {
  const { poe, isUp, mbps, errors } = port;
  const watts = poe?.isOn ? poe.watts : 0;
  const differs: string[] = [];
  if (camera && camera.deviceId !== here.id) differs.push(`camera ${camera.number} is planned elsewhere`);
  if (camera && !isUp) differs.push(`camera ${camera.number} has no link`);
  if (camera && isUp && mbps < leastMbps) differs.push(`links at ${mbps} Mb/s: an open pair, or a bad plug`);
  if (camera && camera.deviceId === here.id && camera.watts > 0 && watts > wattsSlack * camera.watts)
    differs.push(`gives ${formatQuantity(watts, 'W')}, ${formatQuantity(camera.watts, 'W')} were planned`);
  if (errors > mostErrors) differs.push(`${counted(errors, 'frame')} came in damaged`);
  if (!camera && watts > 0)
    differs.push(
      unknown.length > 0
        ? `feeds ${unknown.join(', ')}, which is no camera that is noted`
        : 'feeds something that has not said who it is',
    );
  return differs;
}

function ofWhole({ ports, poeWatts }: SwitchReport, here: Device): string[] {
  const differs: string[] = [];
  if (here.ports !== null && ports.length !== here.ports)
    differs.push(`It has ${counted(ports.length, 'port')}; ${here.ports} are noted or planned.`);
  if (poeWatts !== null && here.poeWatts > 0 && poeWatts < here.poeWatts)
    differs.push(
      `It gives ${formatQuantity(poeWatts, 'W')} over all ports; ${formatQuantity(here.poeWatts, 'W')} are noted or planned.`,
    );
  return differs;
}

function missing(
  site: Pick<Site, 'networkConfig'>,
  planned: readonly CameraEnd[],
  found: ReadonlySet<string>,
) {
  return planned
    .filter(({ cameraId }) => !found.has(cameraId))
    .map(({ cameraId, number }) =>
      site.networkConfig[cameraId]?.hardwareAddress
        ? `Camera ${number} is planned here and is behind no port.`
        : `Camera ${number} is planned here; its hardware address is not noted, so its port is not known.`,
    );
}

/** What a switch tells against what is planned for it. Nothing is taken as found that its report does not show. */
export function compareSwitch(
  site: Pick<Site, 'networkConfig'>,
  { devices, cameras }: Topology,
  deviceId: string,
  report: SwitchReport,
): SwitchComparison | null {
  const here = devices.find(({ id }) => id === deviceId);
  if (!here) return null;
  const byAddress = new Map(
    cameras.flatMap((camera) => {
      const address = site.networkConfig[camera.cameraId]?.hardwareAddress;
      return address ? [[address, camera] as const] : [];
    }),
  );
  const found = new Set<string>();
  const ports = report.ports.map((port): ComparedPort => {
    const known = port.seen.flatMap((address) => byAddress.get(address) ?? []);
    const unknown = port.seen.filter((address) => !byAddress.has(address));
    // Several behind one port are behind another switch; which of them hangs on it nobody can say.
    const camera = known.length === 1 ? known[0]! : null;
    if (camera) found.add(camera.cameraId);
    if (known.length > 1) for (const { cameraId } of known) found.add(cameraId);
    const differs =
      known.length > 1
        ? [`${known.map(({ number }) => number).join(', ')} are behind it together: another switch`]
        : differencesOf(port, camera, here, unknown);
    return { port, camera, unknown, differs };
  });
  const planned = cameras.filter((camera) => camera.deviceId === deviceId);
  return { ports, differs: [...ofWhole(report, here), ...missing(site, planned, found)] };
}
