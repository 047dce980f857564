import { backupOf, poeEfficiency, supplyEfficiency, type Backup } from '#core/connect/supply';
import type { Device, Moment, Topology } from '#core/connect/topology';
import type { RunEvaluation } from '#core/decide/runEvaluation';
import { boxVoltAmps, continuousLoadShare, mainsVoltAmps, wattsOf } from '#core/physics/power';
import type { Equipment, HookUp, Site, Supply } from '#core/model/site';
import { loadOf, type Load } from '#core/shared/derivation';
import { cameraFeeds, type CameraFeed } from './feeds';

/** Something that takes watts of what is above it and passes them on to what is below. */
export interface PowerNode {
  id: string;
  kind: 'circuit' | 'ups' | 'box' | 'gear' | 'camera' | 'heater' | 'unnoted';
  name: string;
  /** The camera that it is, or is the heater of; `null` of anything else. */
  cameraId: string | null;
  placeId: string | null;
  /** What it takes of what is above it by night. */
  watts: number;
  /** What that is of the mains in volt-amperes: more where the current comes in peaks. */
  voltAmps: number;
  /** What it can give, and how much of that is asked of it; `null` where it has no limit that is noted. */
  load: Load | null;
  /** Of a UPS: what it is good for at that; `null` with nothing on it, and of anything else. */
  backup: Backup | null;
  /** Whether nobody has noted what it takes, so that its watts are too few. */
  isUnread: boolean;
  children: PowerNode[];
}

/** Volt-amperes of several things together, as if all their peaks came at once. */
const totalVoltAmps = (nodes: readonly PowerNode[]): number =>
  nodes.reduce((sum, { voltAmps }) => sum + voltAmps, 0);

/** Watts of several things together. */
export const totalWatts = (nodes: readonly PowerNode[]): number =>
  nodes.reduce((sum, { watts }) => sum + watts, 0);

const leaf = ({ cameraId, number, name, isHeater }: CameraFeed, watts: number): PowerNode => ({
  id: isHeater ? `${cameraId}-heater` : cameraId,
  kind: isHeater ? 'heater' : 'camera',
  name: isHeater ? `${number} ${name}, heater on the old pair` : `${number} ${name}`,
  cameraId,
  placeId: null,
  watts,
  voltAmps: mainsVoltAmps(watts),
  load: null,
  backup: null,
  isUnread: false,
  children: [],
});

/** A thing that hangs on the mains, with what it hangs on. */
interface Hanging {
  node: PowerNode;
  fedById: string | undefined;
}

/** A supply box: what its cameras take on the low side, and what it takes of the mains for that. */
function boxNode(supply: Supply, feeds: readonly CameraFeed[]): PowerNode {
  const { id, name, placeId, setVolts, ratedAmps, current, hookUp } = supply;
  const fed = feeds.flatMap((feed) =>
    feed.by === 'box' && feed.supplyId === id ? [{ feed, amps: feed.amps }] : [],
  );
  const amps = fed.reduce((sum, one) => sum + one.amps, 0);
  const children = fed.map(({ feed, amps: of }) => leaf(feed, wattsOf(of * setVolts, current)));
  const watts = hookUp?.mainsWatts ?? totalWatts(children) / supplyEfficiency;
  return {
    id,
    kind: 'box',
    name,
    cameraId: null,
    placeId,
    watts,
    voltAmps: boxVoltAmps(watts, current),
    load: loadOf('amps', amps, ratedAmps * continuousLoadShare, 'A'),
    backup: null,
    isUnread: false,
    children,
  };
}

/** Gear with the cameras that its ports feed; what it takes itself is as noted, and what it feeds comes on top. */
function gearNode(
  { id, name, placeId }: Pick<Device, 'id' | 'name' | 'placeId'>,
  ownWatts: number | undefined,
  poeWatts: number,
  feeds: readonly CameraFeed[],
): PowerNode {
  const children = feeds.flatMap((feed) =>
    feed.by === 'port' && feed.deviceId === id ? [leaf(feed, feed.watts)] : [],
  );
  const fed = totalWatts(children);
  const watts = (ownWatts ?? 0) + fed / poeEfficiency;
  return {
    id,
    kind: 'gear',
    name,
    cameraId: null,
    placeId,
    watts,
    voltAmps: mainsVoltAmps(watts),
    load: poeWatts > 0 ? loadOf('watts', fed, poeWatts, 'W') : null,
    backup: null,
    isUnread: ownWatts === undefined,
    children,
  };
}

const takesPower = ({ gear }: Equipment): boolean => !['rack', 'circuit', 'ups'].includes(gear.kind);

/** Everything that takes power of the mains at a moment. */
function consumers(site: Site, topology: Topology, feeds: readonly CameraFeed[], moment: Moment): Hanging[] {
  const there = new Set(topology.devices.map(({ id }) => id));
  const noted = new Map<string, HookUp | undefined>([
    ...Object.values(site.recorder).map(({ id, hookUp }) => [id, hookUp] as const),
    ...Object.values(site.equipment).map(({ id, hookUp }) => [id, hookUp] as const),
  ]);
  const gear = topology.devices.map((device): Hanging => {
    const hookUp = noted.get(device.id);
    return {
      node: gearNode(device, hookUp?.mainsWatts, device.poeWatts, feeds),
      fedById: hookUp?.fedById,
    };
  });
  const other = Object.values(site.equipment)
    .filter((one) => takesPower(one) && !there.has(one.id) && one.toBuy === undefined)
    .filter((one) => !one.goes || moment.kind !== 'after')
    .map((one): Hanging => ({
      node: gearNode(one, one.hookUp?.mainsWatts, 0, []),
      fedById: one.hookUp?.fedById,
    }));
  const boxes = Object.values(site.supply).map((supply): Hanging => ({
    node: boxNode(supply, feeds),
    fedById: supply.hookUp?.fedById,
  }));
  return [...gear, ...other, ...boxes];
}

/** What hangs on a circuit or a UPS, through further UPS too. One that was noted as feeding itself is passed once. */
function hangingOn(
  site: Site,
  hanging: readonly Hanging[],
  feedId: string,
  passed: ReadonlySet<string>,
): PowerNode[] {
  const upses = Object.values(site.equipment).filter(
    ({ id, gear, hookUp }) => gear.kind === 'ups' && hookUp?.fedById === feedId && !passed.has(id),
  );
  return [
    ...upses.map((ups) => upsNode(site, hanging, ups, new Set([...passed, ups.id]))),
    ...hanging.flatMap(({ node, fedById }) => (fedById === feedId ? [node] : [])),
  ];
}

/** The limit of which more is used. */
const tighter = (one: Load, other: Load | null): Load =>
  other !== null && other.utilisation > one.utilisation ? other : one;

function upsNode(
  site: Site,
  hanging: readonly Hanging[],
  { id, name, placeId, gear }: Equipment,
  passed: ReadonlySet<string>,
): PowerNode {
  const children = hangingOn(site, hanging, id, passed);
  const fed = totalWatts(children);
  const voltAmps = totalVoltAmps(children);
  if (gear.kind !== 'ups') throw new Error(`${name} is no UPS`);
  return {
    id,
    kind: 'ups',
    name,
    cameraId: null,
    placeId,
    // While there is mains it passes it on; its inverter's loss counts in how long it lasts.
    watts: fed,
    voltAmps,
    load: tighter(
      loadOf('watts', fed, gear.ratedWatts, 'W'),
      gear.ratedVa === undefined ? null : loadOf('volt-amperes', voltAmps, gear.ratedVa, 'VA'),
    ),
    backup: backupOf(site, gear, { watts: fed, voltAmps }),
    isUnread: children.some(({ isUnread }) => isUnread),
    children,
  };
}

function circuitNode(
  site: Site,
  hanging: readonly Hanging[],
  { id, name, placeId, gear }: Equipment,
): PowerNode {
  if (gear.kind !== 'circuit') throw new Error(`${name} is no circuit`);
  const children = hangingOn(site, hanging, id, new Set());
  const voltAmps = totalVoltAmps(children);
  return {
    id,
    kind: 'circuit',
    name,
    cameraId: null,
    placeId,
    watts: totalWatts(children),
    voltAmps,
    // A breaker feels amps, whatever of them is power.
    load: loadOf('volt-amperes', voltAmps, gear.volts * gear.breakerAmps * continuousLoadShare, 'VA'),
    backup: null,
    isUnread: children.some(({ isUnread }) => isUnread),
    children,
  };
}

const unnoted = (id: string, name: string, children: PowerNode[]): PowerNode[] =>
  children.length === 0
    ? []
    : [
        {
          id,
          kind: 'unnoted',
          name,
          cameraId: null,
          placeId: null,
          watts: totalWatts(children),
          voltAmps: totalVoltAmps(children),
          load: null,
          backup: null,
          isUnread: true,
          children,
        },
      ];

/**
 * The watts of a site by night at a moment, from the mains circuits over UPS, boxes and switches to the cameras, each camera once. What is
 * noted as hanging on nothing, and what is fed at the cameras themselves, stand apart.
 */
export function powerPicture(
  site: Site,
  runs: readonly RunEvaluation[],
  topology: Topology,
  moment: Moment,
): PowerNode[] {
  const feeds = cameraFeeds(site, runs, topology, moment);
  const hanging = consumers(site, topology, feeds, moment);
  const circuits = Object.values(site.equipment).filter(({ gear }) => gear.kind === 'circuit');
  const upses = Object.values(site.equipment).filter(
    ({ gear, hookUp }) => gear.kind === 'ups' && hookUp?.fedById === undefined,
  );
  const leavesOf = (by: 'place' | 'own-supply'): PowerNode[] =>
    feeds.flatMap((feed) => (feed.by === by ? [leaf(feed, feed.watts)] : []));
  return [
    ...circuits.map((circuit) => circuitNode(site, hanging, circuit)),
    ...unnoted('no-circuit', 'On no circuit yet', [
      ...upses.map((ups) => upsNode(site, hanging, ups, new Set([ups.id]))),
      ...hanging.flatMap(({ node, fedById }) => (fedById === undefined ? [node] : [])),
      ...leavesOf('own-supply'),
    ]),
    ...unnoted('at-cameras', 'Fed where the cameras are', leavesOf('place')),
  ];
}
