import type { CameraEnd, Device, Topology } from '#core/connect/topology';
import type { Site } from '#core/model/site';
import { chain, patch, poeWords, portStation, straight } from './networkParts';
import type { HookUp, HookUpLine, Station } from './types';

/** Places in which a lead meets neither weather nor another building's earth. */
const isInside = (site: Site, placeId: string): boolean =>
  ['indoor', 'roof-space'].includes(site.place[placeId]?.environment ?? '');

const outside =
  'Copper that leaves a building gets surge protectors at both ends, bonded as local codes have it; between buildings with different earths use fibre, not copper.';

const noDevice = 'What it hangs on is not noted: pick it in the tree.';

/** The port that a camera has, or gets. */
function portOf(device: Device | undefined, watts: number, terminal: string, isNew: boolean): Station {
  const port = portStation(device, watts, terminal);
  return isNew ? port : { ...port, where: port.where.replace('a free port', 'its port') };
}

function overAir(end: CameraEnd, device: Device | undefined, camera: Station, isNew: boolean): HookUpLine {
  const radio: Station = {
    name: 'Access point',
    where: device ? `beside ${device.name}` : 'at the head end',
    terminals: ['RJ45, fed by its own injector'],
  };
  return chain(
    'data',
    portOf(device, 0, 'RJ45', isNew),
    [patch(), radio],
    [{ label: 'radio', cores: '', lengthM: end.lengthM, look: 'radio' }, camera],
  );
}

function overCable(end: CameraEnd, device: Device | undefined, camera: Station, isNew: boolean): HookUpLine {
  const isFed = end.watts > 0;
  return chain(
    isFed ? 'data and power' : 'data',
    portOf(device, end.watts, isFed ? 'RJ45 with PoE' : 'RJ45', isNew),
    [
      { label: 'category cable', cores: 'all four pairs, straight', lengthM: end.lengthM, look: 'pair' },
      camera,
    ],
  );
}

/**
 * How a camera that has no run of the old site is connected, from the port that it hangs on; `null` where there is none of it in this
 * network. `when` ends the title.
 */
export function hookUpOnNetwork(
  site: Site,
  cameraId: string,
  { devices, cameras }: Topology,
  when: string,
): HookUp | null {
  const end = cameras.find((one) => one.cameraId === cameraId && one.runId === null);
  if (!end) return null;
  const device = devices.find(({ id }) => id === end.deviceId);
  const isRadio = end.medium === 'radio';
  const isNew = site.networkCamera[cameraId]?.state === 'planned';
  const isFed = end.watts > 0 && !isRadio;
  const camera: Station = {
    name: `${isNew ? 'New camera' : 'Camera'} ${end.number}`,
    where: end.name,
    terminals: [isRadio ? 'its own radio, power from the mains' : isFed ? 'RJ45, its PoE inlet' : 'RJ45'],
  };
  const leaves = !isRadio && device !== undefined && device.placeId !== end.placeId;
  const isOut = !isInside(site, end.placeId);
  return {
    title: `Camera ${end.number} ${end.name}, ${when}`,
    lines: [isRadio ? overAir(end, device, camera, isNew) : overCable(end, device, camera, isNew)],
    polarity: isRadio ? [] : [straight, ...(isFed ? [poeWords] : [])],
    cautions: leaves && isOut ? [outside] : [],
    unknown: [
      ...(device ? [] : [noDevice]),
      ...(isFed || isRadio ? [] : ['Where its power comes from is not noted: look at the camera.']),
    ],
  };
}
