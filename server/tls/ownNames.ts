import { hostname, networkInterfaces } from 'node:os';
import { isIP } from 'node:net';

/** The names and addresses that other machines of the local network reach this one by; the name that stays the same comes first. */
export function ownNames(): string[] {
  const name = hostname().toLowerCase();
  const short = name.split('.')[0]!;
  const addresses = Object.values(networkInterfaces()).flatMap((all = []) =>
    all.filter(({ internal, scopeid }) => !internal && !scopeid).map(({ address }) => address),
  );
  // What has no place on a certificate is left out: a container may be called anything.
  const names = [`${short}.local`, name].filter((one) =>
    /^[a-z0-9]([a-z0-9-]*[a-z0-9])?(\.[a-z0-9-]+)*$/.test(one),
  );
  return [...new Set([...names, ...addresses])];
}

/** A name or address as it stands in an address of a page. */
export const inAddress = (name: string): string => (isIP(name) === 6 ? `[${name}]` : name);
