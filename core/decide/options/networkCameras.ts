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
  { lead, camera }: Pick<NetworkCamera, 'lead'> & Pick<NetworkCameraNeed, 'camera'>,
  noted: number | undefined,
  nightWatts: number,
): number {
  if (noted !== undefined) return noted;
  if (lead.medium === 'radio') return 0;
  const { temperatureC } = place[camera.placeId]!;
  const stretches = [{ cable: 'pair-cat6', lengthM: lead.lengthM, temperatureC }];
  const need = { nightWatts, from: 'typical' } as const;
  return poeMargin(stretches, need, figure('lead', lead.lengthM, 'm', 'noted')).sourceWatts;
}

const nothingNoted: Pick<NetworkCamera, 'mbps' | 'megapixels' | 'portWatts'> = {};

/**
 * The cameras of the network in the order of their numbers, with what nobody noted as their target class has it.
 * @param isChanged whether a camera that is to be replaced was by then; left out, all were
 */
export function networkCameraNeeds(
  site: NetworkSite,
  isChanged: (cameraId: string) => boolean = () => true,
): NetworkCameraNeed[] {
  return Object.values(site.networkCamera)
    .map((fact): NetworkCameraNeed => {
      const camera = site.camera[fact.id]!;
      const { ip } = viewNeed(site, camera);
      // What is noted of a camera says nothing of the one that takes its place.
      const noted = fact.replaced && isChanged(fact.id) ? nothingNoted : fact;
      const portWatts = portWattsOf(site, { lead: fact.lead, camera }, noted.portWatts, ip.nightWatts);
      return {
        camera,
        fact,
        signal: {
          kind: 'ip',
          mbps: noted.mbps ?? ip.mbps,
          megapixels: noted.megapixels ?? ip.product.megapixels,
        },
        portWatts,
        nightWatts: portWatts > 0 ? Math.min(portWatts, ip.nightWatts) : ip.nightWatts,
      };
    })
    .sort((a, b) => a.camera.number - b.camera.number);
}
