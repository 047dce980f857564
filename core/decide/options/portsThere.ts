import { leadsAt, type LeadSite } from './leads';
import { networkCameraNeeds, type NetworkCameraNeed } from './networkCameras';
import type { SharedPort } from './option';
import type { PortKind } from './portKinds';
import { givenBy, portGearAt, type PortGear, type PortLevel, type Wanted } from './sharedUnits';

type PortSite = Parameters<typeof networkCameraNeeds>[0] & LeadSite;

/** What cameras of the network take of a device: ports that feed them, ports that need not, and what they draw and send. */
function takenOf(cameras: readonly NetworkCameraNeed[], deviceId: string) {
  const taken = { fed: 0, unfed: 0, watts: 0, mbps: 0 };
  for (const { fact, portWatts, signal } of cameras) {
    if (fact.deviceId !== deviceId) continue;
    if (portWatts > 0) taken.fed += 1;
    else taken.unfed += 1;
    taken.watts += portWatts;
    taken.mbps += signal.mbps;
  }
  return taken;
}

/** What is left of one device: ports that give power, and those that give none. */
interface Left {
  id: string;
  powered: number;
  plain: number;
  watts: number;
  portWatts: number;
  mbps: number;
}

/** What is left of a device once others, cameras of the network and leads have their ports: who needs no power takes one without it first. */
function leftOf(
  { id, gear }: { id: string; gear: PortGear },
  cameras: readonly NetworkCameraNeed[],
  leads: number,
): Left {
  const { fed, unfed, watts, mbps } = takenOf(cameras, id);
  const others = (gear.kind === 'switch' ? gear.taken : undefined) ?? { ports: 0, watts: 0 };
  const poePorts = gear.kind === 'switch' ? gear.poePorts : gear.ports;
  const unpowered = Math.max(0, gear.ports - poePorts);
  // What others take is taken to be of those that give power, where there are such.
  const ofPowered = Math.min(others.ports, poePorts);
  const plain = unpowered - (others.ports - ofPowered) - unfed - leads;
  const { poeWatts, portWatts } = givenBy(gear);
  return {
    id,
    powered: Math.max(0, poePorts - fed - ofPowered + Math.min(0, plain)),
    plain: Math.max(0, plain),
    watts: Math.max(0, poeWatts - others.watts - watts),
    portWatts,
    mbps: Math.max(0, gear.uplinkMbps - mbps),
  };
}

function gearLeft(site: PortSite, of: SharedPort['of'], placeId: string): Left[] {
  const gear = portGearAt(site, of, placeId);
  if (gear.length === 0) return [];
  const cameras = networkCameraNeeds(site);
  const leads = new Map(leadsAt(site, placeId).switches.map((one) => [one.id, one.leads]));
  return gear.map((one) => leftOf(one, cameras, leads.get(one.id) ?? 0));
}

/** Ports that a place has already, less those that leads, others and cameras of the network take. They cost nothing more. */
export function portsThere(site: PortSite, of: SharedPort['of'], placeId: string): Wanted {
  const there = { ports: 0, watts: 0, mbps: 0, fedMbps: 0, levels: [] as PortLevel[] };
  for (const { powered, plain, watts, portWatts, mbps } of gearLeft(site, of, placeId)) {
    if (powered + plain === 0) continue;
    there.ports += powered + plain;
    there.mbps += mbps;
    if (plain > 0) there.levels.push({ watts: 0, ports: plain });
    if (powered === 0) continue;
    there.watts += watts;
    there.fedMbps += mbps;
    there.levels.push({ watts: portWatts, ports: powered });
  }
  return there;
}

const sumBy = (left: readonly Left[], of: 'powered' | 'plain'): number =>
  left.reduce((sum, one) => sum + one[of], 0);

/**
 * How leads to units that are bought share ports with cameras: ports asked, all units that are bought at the place and `extra` together
 * are at most the ports of what is bought of this kind. With a noted switch it applies where anybody asks for a port; where a switch has
 * to be bought, it joins the place, and the rule applies where one is.
 */
export interface LeadRule {
  /** Whose ports it counts: of all who ask, or of those that are fed. */
  asked: 'all' | 'fed';
  applies: 'when-asked' | 'when-bought';
  extra: number;
}

/** The rules for ports of a kind at a place; none where leads take none of those. */
export function leadRules(site: PortSite, of: SharedPort['of'], placeId: string): LeadRule[] {
  if (of !== 'poe-switch' && of !== 'long-reach-switch') return [];
  const { switches, waiting } = leadsAt(site, placeId);
  const left = gearLeft(site, of, placeId);
  const [powered, plain] = [sumBy(left, 'powered'), sumBy(left, 'plain')];
  const [joins] = switches;
  // The first that is bought has no lead to itself, and one of all leads is its way on, beside its ports.
  if (!joins) return [{ asked: 'all', applies: 'when-bought', extra: waiting - 2 - powered - plain }];
  const core = left.find(({ id }) => id === joins.id);
  // Where it is full already, the network says what is too much: nothing that is bought would make room on it.
  if (!core || core.powered + core.plain === 0) return [];
  const applies = 'when-asked';
  const all: LeadRule = { asked: 'all', applies, extra: -(powered + plain) };
  return plain === core.plain ? [all] : [all, { asked: 'fed', applies, extra: -(powered + core.plain) }];
}

/** Kinds in the order in which their units are settled at a place: a PoE switch that is bought joins all others there. */
const settling: readonly PortKind[] = ['coax-unit', 'encoder', 'long-reach-switch', 'poe-switch'];

type At = Pick<SharedPort, 'of' | 'placeId'>;

/** What is asked, with the rules of its leads, so that units whose leads take ports of others come before those. */
export function inSettling<T extends At>(
  site: PortSite,
  asked: readonly T[],
): { asked: T; rules: LeadRule[] }[] {
  return asked
    .map((one) => ({ asked: one, rules: leadRules(site, one.of, one.placeId) }))
    .sort(
      (a, b) =>
        Math.sign(a.rules.length) - Math.sign(b.rules.length) ||
        settling.indexOf(a.asked.of) - settling.indexOf(b.asked.of),
    );
}
