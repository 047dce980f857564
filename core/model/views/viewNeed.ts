import { cameraFor, catalogueOf } from '#core/model/catalogue';
import { megapixelsFor, viewPurposes, viewWidthM } from '#core/physics/optics';
import {
  allocationSettingsOf,
  type Camera,
  type ProductOf,
  type Site,
  type TargetClassId,
} from '#core/model/site';
import { streamRate } from '#core/model/streams';

/** What a view asks of its next camera, and the watts and Mb/s that come of it. */
export interface ViewNeed {
  /** Pixels across the picture that the detail asks for at the target; `null` while detail, lens or target are not noted. */
  pixelsAcross: number | null;
  /** Megapixels that the detail asks for, or those of the class where it is not known. */
  megapixels: number;
  /** The smallest class that gives them; the noted class where the need is not known. */
  suggests: TargetClassId;
  /** Whether even the largest class falls short. */
  beyond: boolean;
  lamps: boolean;
  heater: boolean;
  audio: boolean;
  vandal: boolean;
  ip: CameraFigures;
  hd: CameraFigures;
}

/** `mbps` is its main and sub stream together. */
export interface CameraFigures {
  product: ProductOf<'camera'>;
  /** With its lamps and heater off. */
  dayWatts: number;
  nightWatts: number;
  heaterWatts: number;
  /** For a moment, when it starts. */
  startUpWatts: number;
  mbps: number;
  mbpsFrom: ProductOf<'camera'>['from'];
  format: string;
  /** What it is fed with where no PoE feeds it. */
  supply: { current: 'dc' | 'ac' | 'either'; window: { minVolts: number; maxVolts: number } };
  from: ProductOf<'camera'>['from'];
}

const fixedClasses: { id: TargetClassId; megapixels: number }[] = [
  { id: 'fixed-2mp', megapixels: 2 },
  { id: 'fixed-4mp', megapixels: 4 },
  { id: 'fixed-8mp', megapixels: 8 },
];

/** Usual supplies: fixed cameras for 12 V DC ± 10 %, turning ones for 24 V AC. */
const usualSupply = {
  fixed: { current: 'dc', window: { minVolts: 10.8, maxVolts: 13.2 } },
  turning: { current: 'ac', window: { minVolts: 20.4, maxVolts: 28 } },
} as const;

function supplyOf({ supply, serves }: ProductOf<'camera'>): CameraFigures['supply'] {
  if (!supply) return serves === 'turning-4mp' ? usualSupply.turning : usualSupply.fixed;
  const { current, minVolts, maxVolts } = supply;
  return { current, window: { minVolts, maxVolts } };
}

/** A camera that starts takes so much more than by night, with its lamps tried. Typical of those noted in audits. */
const usualStartUp = 1.25;

/** The best picture that a product sends over coax; 1080 lines where it is not noted. */
export const bestFormatOf = ({ format }: ProductOf<'camera'>): string => format ?? 'hd1080';

function figuresOf(product: ProductOf<'camera'>, lamps: boolean, heater: boolean): CameraFigures {
  const heaterWatts = heater ? product.heaterWatts : 0;
  const nightWatts = product.watts + (lamps ? product.lampWatts : 0) + heaterWatts;
  return {
    product,
    heaterWatts,
    dayWatts: product.watts,
    nightWatts,
    startUpWatts: Math.max(nightWatts, product.startUpWatts ?? nightWatts * usualStartUp),
    mbps: product.mbps,
    mbpsFrom: product.from,
    format: bestFormatOf(product),
    supply: supplyOf(product),
    from: product.from,
  };
}

/** The figures of a camera whose streams somebody has described. */
function withStream(
  figures: CameraFigures,
  site: Pick<Site, 'stream' | 'allocationSettings'>,
  camera: Camera,
): CameraFigures {
  const { mainMbps, subMbps, from } = streamRate(
    figures.product,
    site.stream[camera.id],
    allocationSettingsOf(site).streams,
  );
  return {
    ...figures,
    mbps: mainMbps + subMbps,
    mbpsFrom: from === 'class' ? figures.mbpsFrom : from === 'data-sheet' ? 'data-sheet' : 'typical',
  };
}

/** Pixels across the whole picture so that the target gets the pixels per metre that its purpose takes. Source: IEC 62676-4:2014. */
function pixelsAcrossFor({ needs, lens, targetM }: Camera): number | null {
  const perMetre = viewPurposes.find(({ id }) => id === needs?.detail)?.atLeast;
  return perMetre === undefined || !lens || targetM === undefined
    ? null
    : perMetre * viewWidthM(lens.sensor, lens.focalMm, targetM);
}

/** What a view needs: detail from its purpose, lamps, heater and the rest as noted or as they are today. */
export function viewNeed(
  site: Pick<Site, 'product' | 'stream' | 'allocationSettings'>,
  camera: Camera,
): ViewNeed {
  const catalogue = catalogueOf(site);
  const pixelsAcross = pixelsAcrossFor(camera);
  const lamps = camera.needs?.lamps ?? camera.lamps !== 'none';
  const heater = camera.needs?.heater ?? camera.heater;
  const ip = withStream(figuresOf(cameraFor(catalogue, camera, 'ip'), lamps, heater), site, camera);
  const turning = camera.target === 'turning-4mp';
  const enough =
    pixelsAcross === null
      ? undefined
      : fixedClasses.find((one) => one.megapixels === megapixelsFor(pixelsAcross));
  const known = pixelsAcross !== null && !turning;
  return {
    pixelsAcross,
    lamps,
    heater,
    ip,
    hd: figuresOf(cameraFor(catalogue, camera, 'hd'), lamps, heater),
    audio: camera.needs?.audio ?? false,
    vandal: camera.needs?.vandal ?? camera.body === 'vandal-dome',
    megapixels: known ? (enough?.megapixels ?? 8) : ip.product.megapixels,
    suggests: known ? (enough?.id ?? 'fixed-8mp') : camera.target,
    beyond: known && !enough,
  };
}
