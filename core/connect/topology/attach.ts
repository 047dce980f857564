import type { Device } from './types';

/** What a camera, or a way that several share, asks of the device that it hangs on. */
export interface PortNeed {
  /** Whose it is; a pin is by camera. */
  key: string;
  number: number;
  watts: number;
  mbps: number;
  /** What it could hang on; needs that could hang on the same share one list. */
  candidates: readonly Device[];
  pinnedTo?: string | undefined;
}

interface Room {
  ports: number;
  /** Those of the ports that give power: whoever needs none takes one of the others first. */
  poePorts: number;
  watts: number;
  mbps: number;
}

/** What a device has for cameras and ways: leads to other gear take ports without power first. */
function roomOf({ ports, poePorts, poeWatts, taken, uplinkMbps }: Device, leads: number): Room {
  const left = (ports ?? Infinity) - taken.ports - leads;
  return {
    ports: left,
    poePorts: Math.min((poePorts ?? ports ?? Infinity) - taken.ports, left),
    watts: poeWatts - taken.watts,
    mbps: uplinkMbps,
  };
}

const fits = (room: Room, { portWatts }: Device, { watts, mbps }: PortNeed): boolean =>
  (watts > 0 ? room.poePorts : room.ports) >= 1 &&
  room.watts >= watts &&
  room.mbps >= mbps &&
  portWatts >= watts;

/** What would be left of its scarcest good: the best place is where most is left over all. */
const shareLeft = (room: Room, device: Device): number =>
  Math.min(
    room.ports / (device.ports ?? 1),
    device.poeWatts > 0 ? room.watts / device.poeWatts : 1,
    room.mbps / device.uplinkMbps,
  );

/** The device with most left, of those with as much the first. */
function leastFull(devices: readonly Device[], rooms: ReadonlyMap<string, Room>): Device | undefined {
  let [best, most]: [Device | undefined, number] = [undefined, -Infinity];
  for (const device of devices) {
    const left = shareLeft(rooms.get(device.id)!, device);
    if (best === undefined || left > most) [best, most] = [device, left];
  }
  return best;
}

const pinnedDevice = ({ candidates, pinnedTo }: PortNeed): Device | undefined =>
  pinnedTo === undefined ? undefined : candidates.find(({ id }) => id === pinnedTo);

/**
 * Gives each need a device: what a person said first, then the strongest, each on the first device with room. The order is fixed, so that
 * the same site always hangs together in the same way.
 * @param leads how many ports of each switch other gear has
 */
export function attach(
  needs: readonly PortNeed[],
  leads: ReadonlyMap<string, number> = new Map(),
): Map<string, Device> {
  const rooms = new Map<string, Room>();
  /** Of the same candidates, how many are skipped by needs that are alike: who had no room for one has none for the next. */
  const skipped = new Map<readonly Device[], Map<string, number>>();
  for (const { candidates } of needs) {
    if (skipped.has(candidates)) continue;
    skipped.set(candidates, new Map());
    for (const device of candidates)
      if (!rooms.has(device.id)) rooms.set(device.id, roomOf(device, leads.get(device.id) ?? 0));
  }
  const firstWithRoom = (need: PortNeed): Device | undefined => {
    const { candidates, watts, mbps } = need;
    const ofList = skipped.get(candidates)!;
    const key = `${watts} ${mbps}`;
    let at = ofList.get(key) ?? 0;
    while (at < candidates.length && !fits(rooms.get(candidates[at]!.id)!, candidates[at]!, need)) at += 1;
    ofList.set(key, at);
    return candidates[at];
  };
  const strongestFirst = (a: PortNeed, b: PortNeed): number => b.watts - a.watts || a.number - b.number;
  const inOrder = [
    ...needs.filter((need) => pinnedDevice(need)).sort(strongestFirst),
    ...needs.filter((need) => !pinnedDevice(need)).sort(strongestFirst),
  ];
  const attached = new Map<string, Device>();
  for (const need of inOrder) {
    // Where nothing has room for it, it goes where most is left, and what it overfills says so.
    const device = pinnedDevice(need) ?? firstWithRoom(need) ?? leastFull(need.candidates, rooms);
    if (!device) continue;
    const room = rooms.get(device.id)!;
    room.ports -= 1;
    room.poePorts = Math.min(room.poePorts - (need.watts > 0 ? 1 : 0), room.ports);
    room.watts -= need.watts;
    room.mbps -= need.mbps;
    attached.set(need.key, device);
  }
  return attached;
}
