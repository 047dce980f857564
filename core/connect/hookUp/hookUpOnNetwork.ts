import type { CameraEnd, Device, Topology } from '#core/connect/topology';
import { isSheltered } from '#core/decide/options';
import { isToBeHung, type Site } from '#core/model/site';
import { chain, patch, poeWords, portStation, straight } from './networkParts';
import type { HookUp, HookUpLine, Station } from './types';

const outside =
  'Copper that leaves a building gets surge protectors at both ends, bonded as local codes have it; between buildings with different earths use fibre, not copper.';

const whenWords = { today: 'today', after: 'when it is done' } as const;

const noDevice = 'What it hangs on is not noted: pick it in the tree.';

const mast = 'Masts and outdoor radios are bonded to earth and protected from surges as local codes have it.';
const powerUnknown = 'Where its power comes from is not noted: look at the camera.';

type Port = NonNullable<Parameters<typeof portStation>[3]>;

function overAir(end: CameraEnd, device: Device | undefined, camera: Station, port: Port): HookUpLine {
  const radio: Station = {
    name: 'Access point',
    where: device ? `beside ${device.name}` : 'at the head end',
    terminals: ['RJ45'],
  };
  return chain(
    'data',
    portStation(device, 0, 'RJ45', port),
    [patch(), radio],
    [{ label: 'radio', cores: '', lengthM: end.lengthM, look: 'radio' }, camera],
  );
}

function overCable(end: CameraEnd, device: Device | undefined, camera: Station, port: Port): HookUpLine {
  const isFed = end.watts > 0;
  return chain(
    isFed ? 'data and power' : 'data',
    portStation(device, end.watts, isFed ? 'RJ45 with PoE' : 'RJ45', port),
    [
      { label: 'category cable', cores: 'all four pairs, straight', lengthM: end.lengthM, look: 'pair' },
      camera,
    ],
  );
}

/**
 * How a camera that has no run of the old site is connected, from the port that it hangs on; `null` where there is none of it in this
 * network.
 */
export function hookUpOnNetwork(
  site: Site,
  cameraId: string,
  { devices, cameras }: Topology,
  when: 'today' | 'after',
): HookUp | null {
  const end = cameras.find((one) => one.cameraId === cameraId && one.runId === null);
  if (!end) return null;
  const device = devices.find(({ id }) => id === end.deviceId);
  const isRadio = end.medium === 'radio';
  const { [cameraId]: fact } = site.networkCamera;
  const isNew = when === 'after' && fact !== undefined && isToBeHung(fact);
  const isFed = end.watts > 0 && !isRadio;
  const camera: Station = {
    name: `${isNew ? 'New camera' : 'Camera'} ${end.number}`,
    where: end.name,
    terminals: [isRadio ? 'its own radio' : isFed ? 'RJ45, its PoE inlet' : 'RJ45'],
  };
  const port = fact?.state === 'planned' ? 'a free port' : 'its port';
  const staysInside =
    device?.placeId === end.placeId && isSheltered(site.place[end.placeId]?.environment ?? 'outdoor');
  return {
    title: `Camera ${end.number} ${end.name}, ${whenWords[when]}`,
    lines: [isRadio ? overAir(end, device, camera, port) : overCable(end, device, camera, port)],
    polarity: isRadio ? [] : [straight, ...(isFed ? [poeWords] : [])],
    cautions: isRadio ? [mast] : staysInside ? [] : [outside],
    unknown: [...(device ? [] : [noDevice]), ...(isFed ? [] : [powerUnknown])],
  };
}
