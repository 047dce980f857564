import ipaddr from 'ipaddr.js';
import type { Site } from '#core/model/site';

export type Addressed = Pick<Site, 'camera' | 'choice' | 'networkConfig' | 'recorder' | 'equipment'>;

/** Who has an address: the devices that do, and what is reached there, which may be one of them. */
export interface AddressOwners {
  devices: string[];
  services: string[];
  /** Whether one of the devices is a camera. */
  hasCamera: boolean;
  /** Those of the devices that answer at an address together: an encoder, and cameras that are plugged into one. */
  onEncoder: string[];
}

/** Who claims an address that only one of them can have; nobody where it is one’s own, or that of an encoder and its inputs. */
export function claimantsOf({ devices, services, hasCamera, onEncoder }: AddressOwners): string[] {
  // A gateway or a time source may be a router or a recorder that is listed with the same address, but no camera.
  const all = [...devices, ...(hasCamera ? services : [])];
  return all.length < 2 || all.every((name) => onEncoder.includes(name)) ? [] : all;
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
    { isCamera = false, isOnEncoder = false } = {},
  ): void => {
    if (address === undefined || !ipaddr.IPv4.isValidFourPartDecimal(address)) return;
    const owners = by.get(address) ?? { devices: [], services: [], hasCamera: false, onEncoder: [] };
    by.set(address, {
      ...owners,
      [as]: [...new Set([...owners[as], name])],
      hasCamera: owners.hasCamera || isCamera,
      onEncoder: isOnEncoder ? [...owners.onEncoder, name] : owners.onEncoder,
    });
  };
  for (const { network, name } of Object.values(site.recorder)) {
    add(network?.address, 'devices', name);
    add(network?.gateway, 'services', 'the gateway');
    add(network?.timeSource, 'services', 'the time source');
  }
  for (const { address, name, gear } of Object.values(site.equipment))
    add(address, 'devices', name, { isOnEncoder: gear.kind === 'encoder' });
  for (const { id, address } of Object.values(site.networkConfig))
    add(address, 'devices', addressedCamera(site, id), {
      isCamera: true,
      isOnEncoder: site.choice[id]?.option === 'encode',
    });
  return by;
}
