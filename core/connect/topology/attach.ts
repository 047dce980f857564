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

/** The device that a need goes to, by what is left on each; nothing where none has room for it. */
type Choice = (need: PortNeed, rooms: ReadonlyMap<string, Room>) => Device | undefined;

/** The first with room. Of the same candidates, who had no room for one has none for the next that is like it. */
function firstWithRoom(): Choice {
  const skipped = new Map<readonly Device[], Map<string, number>>();
  return ({ candidates, ...need }, rooms) => {
    const ofList = skipped.get(candidates) ?? new Map<string, number>();
    skipped.set(candidates, ofList);
    const key = `${need.watts} ${need.mbps}`;
    const has = (device: Device): boolean => fits(rooms.get(device.id)!, device, { candidates, ...need });
    let at = ofList.get(key) ?? 0;
    while (at < candidates.length && !has(candidates[at]!)) at += 1;
    ofList.set(key, at);
    return candidates[at];
  };
}

/** One device after the other, there and back again: with the strongest first, ports and watts run out together. */
function inTurns(): Choice {
  const turns = new Map<readonly Device[], number>();
  return (need, rooms) => {
    const { candidates } = need;
    const count = candidates.length;
    const first = turns.get(candidates) ?? 0;
    for (let turn = first; turn < first + 2 * count; turn += 1) {
      const at = turn % (2 * count);
      const device = candidates[at < count ? at : 2 * count - 1 - at]!;
      if (!fits(rooms.get(device.id)!, device, need)) continue;
      turns.set(candidates, turn + 1);
      return device;
    }
    return undefined;
  };
}

interface Attached {
  devices: Map<string, Device>;
  /** How many are on a device that has no room for them. */
  tooMany: number;
}

function attachBy(choose: Choice, needs: readonly PortNeed[], leads: ReadonlyMap<string, number>): Attached {
  const rooms = new Map<string, Room>();
  for (const candidates of new Set(needs.map((need) => need.candidates)))
    for (const device of candidates)
      if (!rooms.has(device.id)) rooms.set(device.id, roomOf(device, leads.get(device.id) ?? 0));
  const devices = new Map<string, Device>();
  let tooMany = 0;
  for (const need of needs) {
    const found = pinnedDevice(need) ?? choose(need, rooms);
    if (!found && need.candidates.length > 0) tooMany += 1;
    // Where nothing has room for it, it goes where most is left, and what it overfills says so.
    const device = found ?? leastFull(need.candidates, rooms);
    if (!device) continue;
    const room = rooms.get(device.id)!;
    room.ports -= 1;
    room.poePorts = Math.min(room.poePorts - (need.watts > 0 ? 1 : 0), room.ports);
    room.watts -= need.watts;
    room.mbps -= need.mbps;
    devices.set(need.key, device);
  }
  return { devices, tooMany };
}

/**
 * Gives each need a device: what a person said first, then the strongest, each on the first device with room; or in turns, where fewer are
 * left without room so. The order is fixed, so that the same site always hangs together in the same way.
 * @param leads how many ports of each switch other gear has
 */
export function attach(
  needs: readonly PortNeed[],
  leads: ReadonlyMap<string, number> = new Map(),
): Map<string, Device> {
  const strongestFirst = (a: PortNeed, b: PortNeed): number => b.watts - a.watts || a.number - b.number;
  const inOrder = [
    ...needs.filter((need) => pinnedDevice(need)).sort(strongestFirst),
    ...needs.filter((need) => !pinnedDevice(need)).sort(strongestFirst),
  ];
  const first = attachBy(firstWithRoom(), inOrder, leads);
  if (first.tooMany === 0) return first.devices;
  const even = attachBy(inTurns(), inOrder, leads);
  return (even.tooMany < first.tooMany ? even : first).devices;
}
