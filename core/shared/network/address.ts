import ipaddr from 'ipaddr.js';

/** A network by an address in it and how many bits of that are the network's. */
export interface Network {
  address: string;
  prefixBits: number;
}

/** Whether an address lies in the network that another one spans. */
export const inNetwork = (address: string, { address: of, prefixBits }: Network): boolean =>
  ipaddr.IPv4.parse(address).match(ipaddr.IPv4.parse(of), prefixBits);

const asNumber = (address: ipaddr.IPv4): number =>
  address.octets.reduce((sum, octet) => sum * 256 + octet, 0);
const fromNumber = (value: number): string =>
  [24, 16, 8, 0].map((shift) => Math.floor(value / 2 ** shift) % 256).join('.');

/** Addresses of a network that a device can have: neither the network's own nor the one for all. */
function hostsOf({ address, prefixBits }: Network): {
  first: number;
  last: number;
} {
  const cidr = `${address}/${prefixBits}`;
  return {
    first: asNumber(ipaddr.IPv4.networkAddressFromCIDR(cidr)) + 1,
    last: asNumber(ipaddr.IPv4.broadcastAddressFromCIDR(cidr)) - 1,
  };
}

/** Where addresses of cameras begin in their network, so that the low ones are left to recorders and switches. */
const camerasFrom = 100;

/**
 * An address for each of these camera numbers: that of its number after a hundred where it is free, else the lowest free one
 * above that. `null` where the network has none left.
 */
export function planAddresses(
  network: Network,
  numbers: readonly number[],
  taken: Iterable<string>,
): (string | null)[] {
  const { first, last } = hostsOf(network);
  const used = new Set(taken);
  const start = last - first > camerasFrom * 2 ? first - 1 + camerasFrom : first;
  return numbers.map((number) => {
    const wanted = start + number;
    const candidates = [
      wanted,
      ...Array.from({ length: last - start + 1 }, (_, k) => start + k),
      ...Array.from({ length: start - first }, (_, k) => first + k),
    ];
    const free = candidates.find((value) => value >= first && value <= last && !used.has(fromNumber(value)));
    if (free === undefined) return null;
    used.add(fromNumber(free));
    return fromNumber(free);
  });
}
