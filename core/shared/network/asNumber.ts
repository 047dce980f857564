import type ipaddr from 'ipaddr.js';

/** An address as the number that its four bytes are. */
export const asNumber = (address: ipaddr.IPv4): number =>
  address.octets.reduce((sum, octet) => sum * 256 + octet, 0);
