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
  pinnedTo?: string;
}

interface Room {
  ports: number;
  watts: number;
  mbps: number;
}

const roomOf = ({ ports, poeWatts, taken, uplinkMbps }: Device): Room => ({
  ports: (ports ?? Infinity) - taken.ports,
  watts: poeWatts - taken.watts,
  mbps: uplinkMbps,
});

const fits = (room: Room, { portWatts }: Device, { watts, mbps }: PortNeed): boolean =>
  room.ports >= 1 && room.watts >= watts && room.mbps >= mbps && portWatts >= watts;

/** What would be left of its scarcest good: the best place is where most is left over all. */
const shareLeft = (room: Room, device: Device): number =>
  Math.min(
    room.ports / (device.ports ?? 1),
    device.poeWatts > 0 ? room.watts / device.poeWatts : 1,
    room.mbps / device.uplinkMbps,
  );

function chosenFor(
  need: PortNeed,
  rooms: ReadonlyMap<string, Room>,
  withPorts: readonly Device[],
): Device | undefined {
  const pinned =
    need.pinnedTo === undefined ? undefined : need.candidates.find(({ id }) => id === need.pinnedTo);
  if (pinned) return pinned;
  const fitting = withPorts.find((device) => fits(rooms.get(device.id)!, device, need));
  if (fitting) return fitting;
  // Nothing has room for it: it goes where most is left, and what it overfills says so.
  return [...need.candidates].sort(
    (a, b) => shareLeft(rooms.get(b.id)!, b) - shareLeft(rooms.get(a.id)!, a),
  )[0];
}

/**
 * Gives each need a device: what a person said first, then the strongest, each on the first device with room. The order is fixed, so that
 * the same site always hangs together in the same way.
 */
export function attach(needs: readonly PortNeed[]): Map<string, Device> {
  const rooms = new Map<string, Room>();
  /** Of the same candidates, those with a port left: whoever is full is not looked at again. */
  const withPorts = new Map<readonly Device[], readonly Device[]>();
  for (const { candidates } of needs) {
    if (withPorts.has(candidates)) continue;
    withPorts.set(candidates, candidates);
    for (const device of candidates) if (!rooms.has(device.id)) rooms.set(device.id, roomOf(device));
  }
  const isPinned = ({ candidates, pinnedTo }: PortNeed): boolean =>
    pinnedTo !== undefined && candidates.some(({ id }) => id === pinnedTo);
  const inOrder = [...needs].sort(
    (a, b) => Number(isPinned(b)) - Number(isPinned(a)) || b.watts - a.watts || a.number - b.number,
  );
  const attached = new Map<string, Device>();
  for (const need of inOrder) {
    const open = withPorts.get(need.candidates)!;
    const device = chosenFor(need, rooms, open);
    if (!device) continue;
    const room = rooms.get(device.id)!;
    room.ports -= 1;
    if (room.ports === 0)
      withPorts.set(
        need.candidates,
        open.filter(({ id }) => rooms.get(id)!.ports > 0),
      );
    room.watts -= need.watts;
    room.mbps -= need.mbps;
    attached.set(need.key, device);
  }
  return attached;
}
