import ipaddr from 'ipaddr.js';
import { claimantsOf, takenAddresses, type Addressed } from '#core/model/addresses';
import { inNetwork } from '#core/shared/network';

/** One camera network, with what of it is taken. */
export interface NetworkRange {
  /** As routers write it: `10.20.0.0/24`. */
  cidr: string;
  recorders: string[];
  gateway: string | null;
  timeSource: string | null;
  taken: number;
  hosts: number;
}

/** The addresses of a site: its networks, what clashes, and what whoever sets them up has to heed. */
export interface AddressReport {
  networks: NetworkRange[];
  conflicts: string[];
  statements: string[];
}

function rangesOf(site: Addressed): NetworkRange[] {
  const addresses = [...takenAddresses(site).keys()];
  const ranges = new Map<string, NetworkRange>();
  for (const { name, network } of Object.values(site.recorder)) {
    if (!network) continue;
    const { address, prefixBits, gateway, timeSource } = network;
    const cidr = `${ipaddr.IPv4.networkAddressFromCIDR(`${address}/${prefixBits}`).toString()}/${prefixBits}`;
    const known = ranges.get(cidr);
    if (known) {
      known.recorders.push(name);
      known.gateway ??= gateway ?? null;
      known.timeSource ??= timeSource ?? null;
      continue;
    }
    ranges.set(cidr, {
      cidr,
      recorders: [name],
      gateway: gateway ?? null,
      timeSource: timeSource ?? null,
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
    return [
      ...(claims.length > 0 ? [`${address} is claimed by ${claims.join(' and ')}.`] : []),
      ...(outside ? [`${devices.join(', ')}: ${address} is in no camera network of this site.`] : []),
    ];
  });
}

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
      .filter(({ timeSource }) => timeSource === null)
      .map(
        ({ recorders }) =>
          `No time source is noted for ${recorders.join(', ')}: pictures without the right time prove little.`,
      ),
    ...networks
      .filter(({ taken, hosts }) => taken > hosts * 0.8)
      .map(
        ({ cidr, taken, hosts }) =>
          `${cidr} is nearly full: ${hosts - taken} of ${hosts} addresses are free.`,
      ),
  ];
}

/** Networks, conflicts and what to heed, from every address that is noted. */
export function addressReport(site: Addressed): AddressReport {
  const networks = rangesOf(site);
  return { networks, conflicts: conflictsOf(site), statements: statementsOf(networks) };
}
