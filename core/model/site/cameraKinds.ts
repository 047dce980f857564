import { assumable, type Camera } from './camera';
import { withFields } from './withFields';

type Noted = Pick<
  Camera,
  'body' | 'format' | 'lineStandard' | 'lamps' | 'heater' | 'microphone' | 'supply' | 'watts' | 'target'
> &
  Partial<Pick<Camera, 'motor' | 'lens'>>;

export interface CameraKind {
  id: string;
  label: string;
  fields: Noted;
}

const dc12: Camera['supply'] = { current: 'dc', window: { minVolts: 10.8, maxVolts: 13.2, from: 'typical' } };
const ac24: Camera['supply'] = { current: 'ac', window: { minVolts: 20.4, maxVolts: 28, from: 'typical' } };
const plain = {
  lineStandard: '625/50',
  lamps: 'none',
  heater: false,
  microphone: false,
  supply: dc12,
} as const;

/** Cameras as they commonly hang on old sites, with usual figures, so that noting one is a pick and a look. */
export const cameraKinds: CameraKind[] = [
  {
    id: 'indoor-dome',
    label: 'Dome, indoor',
    fields: {
      ...plain,
      body: 'dome',
      format: 'cvbs',
      watts: { day: 1.8, night: 2.6, startUp: 4 },
      lens: { sensor: '1/3', focalMm: 3.6 },
      target: 'fixed-4mp',
    },
  },
  {
    id: 'tube-infrared',
    label: 'Bullet, outdoor, IR',
    fields: {
      ...plain,
      body: 'slim',
      format: 'cvbs',
      lamps: 'infrared',
      watts: { day: 1.7, night: 4.5, startUp: 5.5 },
      lens: { sensor: '1/3', focalMm: 3.6 },
      target: 'fixed-4mp',
    },
  },
  {
    id: 'tube-hd',
    label: 'Bullet, HD, IR',
    fields: {
      ...plain,
      body: 'slim',
      format: 'hd1080',
      lamps: 'infrared',
      watts: { day: 2.2, night: 5.2, startUp: 6.5 },
      lens: { sensor: '1/2.8', focalMm: 3.6 },
      target: 'fixed-4mp',
    },
  },
  {
    id: 'vandal-dome',
    label: 'Vandal-resistant dome, IR',
    fields: {
      ...plain,
      body: 'vandal-dome',
      format: 'hd720',
      lamps: 'infrared',
      watts: { day: 2, night: 3.8, startUp: 5 },
      lens: { sensor: '1/3', focalMm: 2.8, range: { minMm: 2.8, maxMm: 12 } },
      target: 'fixed-4mp',
    },
  },
  {
    id: 'box-heated',
    label: 'Box, C/CS-mount, heated housing',
    fields: {
      ...plain,
      body: 'box',
      format: 'cvbs',
      heater: true,
      supply: ac24,
      watts: { day: 4, night: 18, startUp: 22 },
      lens: { sensor: '1/3', focalMm: 8, range: { minMm: 5, maxMm: 50 } },
      target: 'fixed-4mp',
    },
  },
  {
    id: 'turning',
    label: 'PTZ, 24 V AC, with heater',
    fields: {
      ...plain,
      body: 'turning',
      format: 'cvbs',
      heater: true,
      motor: true,
      supply: ac24,
      watts: { day: 16, night: 30, startUp: 38 },
      lens: { sensor: '1/4', focalMm: 3.6, range: { minMm: 3.6, maxMm: 82 } },
      target: 'turning-4mp',
    },
  },
];

/** A camera noted as one of the common kinds: it has been looked at. */
export function asKind(camera: Camera, kind: CameraKind): Camera {
  const { assumed: _, motor: _motor, lens: _lens, ...rest } = camera;
  return { ...rest, ...kind.fields };
}

/** A camera with some fields noted; what is noted is no longer assumed. A field set to `undefined` is taken away. */
export function noteCamera(camera: Camera, fields: { [K in keyof Camera]?: Camera[K] | undefined }): Camera {
  const { assumed = [], ...rest } = camera;
  const still = assumed.filter((field) => !(field in fields));
  return { ...withFields<Camera>(rest, fields), ...(still.length > 0 ? { assumed: still } : {}) };
}

/** A camera with some of its watts noted; `undefined` takes a figure away that may be left out. */
export const noteWatts = (
  camera: Camera,
  fields: { [K in keyof Camera['watts']]?: Camera['watts'][K] | undefined },
): Camera => noteCamera(camera, { watts: withFields(camera.watts, fields) });

/** A camera of which only the number, the view and the place are known; the rest is assumed until somebody looks. */
export function placeholderCamera(
  camera: Pick<Camera, 'id' | 'number' | 'name' | 'placeId'>,
  current: 'dc' | 'ac',
): Camera {
  const { lens: _, ...usual } = cameraKinds[0]!.fields;
  return {
    ...camera,
    ...usual,
    supply: current === 'ac' ? ac24 : dc12,
    watts: { day: 2, night: 3, startUp: 4 },
    purpose: '',
    worthKeeping: 'undecided',
    assumed: [...assumable],
  };
}
