import ipaddr from 'ipaddr.js';
import { claimantsOf, keptRangeOf, takenAddresses, type Addressed } from '#core/model/addresses';
import { inNetwork, rangeSize, rangesText, type AddressRange } from '#core/shared/network';

/** One camera network, with what of it is taken. */
export interface NetworkRange {
  /** As routers write it: `10.20.0.0/24`. */
  cidr: string;
  recorders: string[];
  gateway: string | null;
  timeSource: string | null;
  /** Ranges out of which no device is given an address. */
  kept: AddressRange[];
  taken: number;
  hosts: number;
}

/** The addresses of a site: its networks, what clashes, and what whoever sets them up has to heed. */
export interface AddressReport {
  networks: NetworkRange[];
  conflicts: string[];
  statements: string[];
}

const isSame = (a: AddressRange, b: AddressRange): boolean => a.from === b.from && a.to === b.to;

function rangesOf(site: Addressed): NetworkRange[] {
  const addresses = [...takenAddresses(site).keys()];
  const ranges = new Map<string, NetworkRange>();
  for (const { name, network } of Object.values(site.recorder)) {
    if (!network) continue;
    const { address, prefixBits, gateway, timeSource, kept = [] } = network;
    const cidr = `${ipaddr.IPv4.networkAddressFromCIDR(`${address}/${prefixBits}`).toString()}/${prefixBits}`;
    const known = ranges.get(cidr);
    if (known) {
      known.recorders.push(name);
      known.gateway ??= gateway ?? null;
      known.timeSource ??= timeSource ?? null;
      known.kept.push(...kept.filter((range) => !known.kept.some((one) => isSame(one, range))));
      continue;
    }
    ranges.set(cidr, {
      cidr,
      recorders: [name],
      gateway: gateway ?? null,
      timeSource: timeSource ?? null,
      kept: [...kept],
      taken: addresses.filter((one) => inNetwork(one, network)).length,
      // Neither the network's own address nor the one for all; of two, both. Source: RFC 3021.
      hosts: prefixBits < 31 ? 2 ** (32 - prefixBits) - 2 : 2,
    });
  }
  return [...ranges.values()];
}

/** Devices that claim one address, or an address that lies outside every network. */
function conflictsOf(site: Addressed): string[] {
  const networks = Object.values(site.recorder).flatMap(({ network }) => network ?? []);
  return [...takenAddresses(site)].flatMap(([address, owners]) => {
    const { devices, hasCamera } = owners;
    const claims = claimantsOf(owners);
    const outside =
      hasCamera && networks.length > 0 && !networks.some((network) => inNetwork(address, network));
    const kept = devices.length > 0 ? keptRangeOf(site, address) : undefined;
    return [
      ...(kept
        ? [`${devices.join(', ')}: ${address} is one of those that are kept, ${rangesText([kept])}.`]
        : []),
      ...(claims.length > 0 ? [`${address} is claimed by ${claims.join(' and ')}.`] : []),
      ...(outside ? [`${devices.join(', ')}: ${address} is in no camera network of this site.`] : []),
    ];
  });
}

/** Addresses that nobody has and that are not kept. */
const freeOf = ({ hosts, taken, kept }: NetworkRange): number =>
  hosts - taken - kept.reduce((sum, range) => sum + rangeSize(range), 0);

/** What the sheet for whoever sets the network up says, whatever the gear is. */
function statementsOf(networks: readonly NetworkRange[]): string[] {
  if (networks.length === 0)
    return ['No network is noted yet. Note each recorder’s address and network at the recorder in Allocate.'];
  const ranges = networks.map(({ cidr }) => cidr).join(' and ');
  return [
    `Cameras, recorders and switches on a network of their own (${ranges}): a VLAN apart, or switches apart.`,
    'No route from it to the internet, and none from the internet to it. Whoever has to look in from outside comes through the recorder or a VPN that the customer’s IT runs.',
    'Low addresses stay for recorders, switches, gateway and time source; a camera has a hundred and its number where that is free.',
    ...networks
      .filter(({ kept }) => kept.length > 0)
      .map(({ kept }) => `${rangesText(kept)}: kept; no device is set to one of these.`),
    ...networks
      .filter(({ timeSource }) => timeSource === null)
      .map(
        ({ recorders }) =>
          `No time source is noted for ${recorders.join(', ')}: pictures without the right time prove little.`,
      ),
    ...networks
      .filter((range) => freeOf(range) < range.hosts * 0.2)
      .map(
        (range) =>
          `${range.cidr} is nearly full: ${Math.max(0, freeOf(range))} of ${range.hosts} addresses are free.`,
      ),
  ];
}

/** Networks, conflicts and what to heed, from every address that is noted. */
export function addressReport(site: Addressed): AddressReport {
  const networks = rangesOf(site);
  return { networks, conflicts: conflictsOf(site), statements: statementsOf(networks) };
}
