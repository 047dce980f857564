import ipaddr from 'ipaddr.js';
import { inRange, type AddressRange } from './addressRange';
import { asNumber } from './asNumber';

/** A network by an address in it and how many bits of that are the network's. */
export interface Network {
  address: string;
  prefixBits: number;
}

/** Whether an address lies in the network that another one spans. */
export const inNetwork = (address: string, { address: of, prefixBits }: Network): boolean =>
  ipaddr.IPv4.parse(address).match(ipaddr.IPv4.parse(of), prefixBits);

const fromNumber = (value: number): string =>
  [24, 16, 8, 0].map((shift) => Math.floor(value / 2 ** shift) % 256).join('.');

/** Addresses of a network that a device can have: neither the network's own nor the one for all; of two, both. Source: RFC 3021. */
function hostsOf({ address, prefixBits }: Network): {
  first: number;
  last: number;
} {
  const cidr = `${address}/${prefixBits}`;
  const spare = prefixBits < 31 ? 1 : 0;
  return {
    first: asNumber(ipaddr.IPv4.networkAddressFromCIDR(cidr)) + spare,
    last: asNumber(ipaddr.IPv4.broadcastAddressFromCIDR(cidr)) - spare,
  };
}

/** So few addresses that none is left over for a gateway that nobody has noted. */
const tightHosts = 4;

/** Where addresses of cameras begin in their network, so that the low ones are left to recorders and switches. */
const camerasFrom = 100;

/** The lowest free address from one to another; nothing where there is none. */
function firstFree(from: number, to: number, isFree: (value: number) => boolean): number | undefined {
  for (let value = from; value <= to; value += 1) if (isFree(value)) return value;
  return undefined;
}

/**
 * An address for each of these camera numbers: that of its number after a hundred where it is free, else the lowest free one
 * above that. `null` where the network has none left. Where nobody has noted a gateway the first address is kept for one.
 * @param kept ranges out of which nobody is given an address
 */
export function planAddresses(
  network: Network & { gateway?: string | undefined },
  numbers: readonly number[],
  taken: Iterable<string>,
  kept: readonly AddressRange[] = [],
): (string | null)[] {
  const { first, last } = hostsOf(network);
  const used = new Set(taken);
  used.add(network.gateway ?? (last - first < tightHosts ? '' : fromNumber(first)));
  const start = last - first > camerasFrom * 2 ? first - 1 + camerasFrom : first;
  const isKept = (address: string): boolean => kept.some((range) => inRange(address, range));
  const isFree = (value: number): boolean => {
    const address = fromNumber(value);
    return value >= first && value <= last && !used.has(address) && !isKept(address);
  };
  return numbers.map((number) => {
    const wanted = start + number;
    const free = isFree(wanted)
      ? wanted
      : (firstFree(start, last, isFree) ?? firstFree(first, start - 1, isFree));
    if (free === undefined) return null;
    used.add(fromNumber(free));
    return fromNumber(free);
  });
}
