import ipaddr from 'ipaddr.js';
import type { Site } from '#core/model/site';

export type Addressed = Pick<Site, 'camera' | 'networkConfig' | 'recorder' | 'equipment'>;

/** Who has an address: the devices that do, and what is reached there, which may be one of them. */
export interface AddressOwners {
  devices: string[];
  services: string[];
  /** Whether one of the devices is a camera. */
  hasCamera: boolean;
}

/** What a camera is called among devices with addresses. */
export const addressedCamera = ({ camera }: Pick<Site, 'camera'>, id: string): string =>
  `camera ${camera[id]?.number ?? id}`;

/** Every address that is taken on the camera network, with who has it. */
export function takenAddresses(site: Addressed): Map<string, AddressOwners> {
  const by = new Map<string, AddressOwners>();
  const add = (
    address: string | undefined,
    as: 'devices' | 'services',
    name: string,
    isCamera = false,
  ): void => {
    if (address === undefined || !ipaddr.IPv4.isValidFourPartDecimal(address)) return;
    const owners = by.get(address) ?? { devices: [], services: [], hasCamera: false };
    by.set(address, {
      ...owners,
      [as]: [...new Set([...owners[as], name])],
      hasCamera: owners.hasCamera || isCamera,
    });
  };
  for (const { network, name } of Object.values(site.recorder)) {
    add(network?.address, 'devices', name);
    add(network?.gateway, 'services', 'the gateway');
    add(network?.timeSource, 'services', 'the time source');
  }
  for (const { address, name } of Object.values(site.equipment)) add(address, 'devices', name);
  for (const { id, address } of Object.values(site.networkConfig))
    add(address, 'devices', addressedCamera(site, id), true);
  return by;
}
