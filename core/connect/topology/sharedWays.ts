import type { FeasibleOption, MarginKind, SharedThing } from '#core/decide/options';
import { wayOf } from './devicesOf';
import type { CameraNow } from './moment';

/** What an option sends into the network. */
export const sentMbps = ({ signal }: FeasibleOption): number => (signal.kind === 'ip' ? signal.mbps : 0);

/** A way that cameras of one place share, with those that do. */
export interface SharedWay {
  key: string;
  placeId: string;
  fromPlaceId: string;
  medium: NonNullable<SharedThing['way']>['medium'];
  lengthM: number;
  /** The place of the switch that it ends in, whoever hangs there; nothing where it leads to a lone camera by itself. */
  intoPlaceId?: string;
  carriesMbps: number;
  cameraIds: string[];
  mbps: number;
}

/** What a fibre or a category cable carries, where nothing else is said. */
const cableMbps = 1000;

/** The margin that says what a way carries; a cable or a fibre carries as much as its ends do. */
const rateOf: Partial<Record<SharedWay['medium'], MarginKind>> = {
  radio: 'radio-rate',
  'coax-converters': 'link-rate',
};

/** The ways that cameras share, by what their options go over. */
export function sharedWays(cameras: readonly CameraNow[]): SharedWay[] {
  const ways = new Map<string, SharedWay>();
  for (const { evaluation, option } of cameras) {
    const thing = option && wayOf(option);
    if (!option || !thing?.way) continue;
    const rate = option.margins.find(({ kind }) => kind === rateOf[thing.way!.medium]);
    const way = ways.get(thing.key) ?? {
      key: thing.key,
      placeId: evaluation.camera.placeId,
      ...thing.way,
      carriesMbps: rate?.value ?? cableMbps,
      cameraIds: [],
      mbps: 0,
    };
    way.cameraIds.push(evaluation.camera.id);
    way.mbps += sentMbps(option);
    ways.set(thing.key, way);
  }
  return [...ways.values()];
}
