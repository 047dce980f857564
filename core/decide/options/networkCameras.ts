import { viewNeed } from '#core/model/views';
import type { Camera, NetworkCamera, Site } from '#core/model/site';
import { figure } from '#core/shared/derivation';
import { poeMargin } from './margins';

/** A camera of the network, with what it sends and what its port has to give. */
export interface NetworkCameraNeed {
  camera: Camera;
  fact: NetworkCamera;
  signal: { kind: 'ip'; mbps: number; megapixels: number };
  portWatts: number;
  /** What it takes by night as its target class does, never more than its port gives where one feeds it. */
  nightWatts: number;
}

type NetworkSite = Pick<
  Site,
  'networkCamera' | 'camera' | 'place' | 'product' | 'stream' | 'allocationSettings'
>;

/** Watts of the PoE class that serves a camera at the end of its lead; one that is reached by radio has power of its own. */
function portWattsOf(
  { place }: NetworkSite,
  { fact, camera }: Pick<NetworkCameraNeed, 'fact' | 'camera'>,
  nightWatts: number,
): number {
  const { lead, portWatts } = fact;
  if (portWatts !== undefined) return portWatts;
  if (lead.medium === 'radio') return 0;
  const { temperatureC } = place[camera.placeId]!;
  const stretches = [{ cable: 'pair-cat6', lengthM: lead.lengthM, temperatureC }];
  const need = { nightWatts, from: 'typical' } as const;
  return poeMargin(stretches, need, figure('lead', lead.lengthM, 'm', 'noted')).sourceWatts;
}

/** The cameras of the network in the order of their numbers. What nobody noted is as their target class has it. */
export function networkCameraNeeds(site: NetworkSite): NetworkCameraNeed[] {
  return Object.values(site.networkCamera)
    .map((fact): NetworkCameraNeed => {
      const camera = site.camera[fact.id]!;
      const { ip } = viewNeed(site, camera);
      const portWatts = portWattsOf(site, { fact, camera }, ip.nightWatts);
      return {
        camera,
        fact,
        signal: {
          kind: 'ip',
          mbps: fact.mbps ?? ip.mbps,
          megapixels: fact.megapixels ?? ip.product.megapixels,
        },
        portWatts,
        nightWatts: portWatts > 0 ? Math.min(portWatts, ip.nightWatts) : ip.nightWatts,
      };
    })
    .sort((a, b) => a.camera.number - b.camera.number);
}
