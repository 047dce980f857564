import { lookup } from 'node:dns/promises';
import ipaddr from 'ipaddr.js';
import type { AllowedHosts } from '../store/allowedHosts';
import { Refused } from './refused';

/** Networks that nobody outside a building is in. */
const reachable = new Set(['private', 'loopback', 'uniqueLocal']);

/** Host and port of an address that was found well formed; an IPv6 address without its brackets. */
function hostAndPort(address: string): { host: string; port: number } {
  const at = address.lastIndexOf(':');
  return { host: address.slice(0, at).replace(/^\[|\]$/g, ''), port: Number(address.slice(at + 1)) };
}

const withBrackets = (ip: string): string => (ip.includes(':') ? `[${ip}]` : ip);

/** Where a device of a site is reached, told to whoever asked for it by name; what it says is all that is told of a host that is not to be reached. */
export type DeviceDoor = (site: string, address: string) => Promise<string>;

async function addressOf(host: string): Promise<string> {
  if (ipaddr.isValid(host)) return host;
  try {
    return (await lookup(host)).address;
  } catch {
    throw new Refused({
      status: 502,
      title: 'No such device',
      detail: `Nobody knows where ${host} is. Enter the device’s address in figures, such as 192.168.1.60:80.`,
      kind: 'unreachable',
    });
  }
}

/**
 * Lets devices be reached in private networks, and elsewhere only at hosts that a person has allowed for the site: what a page asks the
 * server to reach must not be anything in the world. The name is resolved once, so that it cannot mean another place a moment later.
 */
export const deviceDoor =
  (allowed: AllowedHosts['of']): DeviceDoor =>
  async (site, address) => {
    const { host, port } = hostAndPort(address);
    const ip = await addressOf(host);
    const isNamed = async (): Promise<boolean> =>
      (await allowed(site)).some((one) => one.host === host.toLowerCase());
    if (!reachable.has(ipaddr.process(ip).range()) && !(await isNamed()))
      throw new Refused({
        status: 403,
        title: 'Not a device of this site',
        detail: `${host} is in no private network, so it is not reached before somebody allows it for this site.`,
        kind: 'not-allowed',
        host,
      });
    return `${withBrackets(ip)}:${port}`;
  };
