import { productOf, type Catalogue } from '#core/model/catalogue';
import type { RadioPath, Site } from '#core/model/site';
import { rankChannels, receivedDbm, type RankedChannel } from '#core/physics/wireless';
import { ownChannels } from './ownChannels';

/** Level that is kept for fading: more over water, which mirrors the beam. Source: usual practice of fixed links. */
const fadeMarginDb = { land: 10, water: 15 } as const;

/** What a path carries on its best channel, and how that was come by. */
export interface OnAir {
  best: RankedChannel;
  /** The quietest channel of the crowded band, to set beside it. */
  crowded: RankedChannel;
  /** What the radio sends there, within what the region allows. */
  eirpDbm: number;
  /** What the radio at the other end adds. */
  gainDbi: number;
  overDb: number;
  keptDb: number;
  isOverWater: boolean;
  /** Places where other radios of the site have to stand on the same channel, for want of another. */
  sharesAt: string[];
  /** Ends at which nobody has listened to who else is on the air. */
  unheard: string[];
}

/** How a radio of the catalogue does on a path. It is the same for every camera that would share it. */
export function onAir(
  catalogue: Catalogue,
  { place, radioPath }: Pick<Site, 'place' | 'radioPath'>,
  path: RadioPath,
): OnAir {
  const radio = productOf(catalogue, 'radio', 'radio');
  const { region } = path;
  const ends = [path.heard, path.heardFar ?? []];
  const paths = radioPath[path.id] === path ? radioPath : { ...radioPath, [path.id]: path };
  const { best, sharedWith } = ownChannels(catalogue, paths).get(path.id)!;
  const { frequencyMHz, floorDbm, mostEirpDbm } = best;
  const eirpDbm = Math.min(radio.eirpDbm, mostEirpDbm);
  const isOverWater = [path.fromPlaceId, path.toPlaceId].some((id) => place[id]?.environment === 'marine');
  return {
    best,
    crowded: rankChannels('2.4', ends, { region })[0]!,
    eirpDbm,
    gainDbi: radio.gainDbi,
    overDb: receivedDbm({ ...radio, eirpDbm }, path, frequencyMHz) - floorDbm,
    keptDb: fadeMarginDb[isOverWater ? 'water' : 'land'],
    isOverWater,
    sharesAt: sharedWith
      .map(({ fromPlaceId, toPlaceId }) =>
        [path.fromPlaceId, path.toPlaceId].includes(toPlaceId) ? toPlaceId : fromPlaceId,
      )
      .map((id) => place[id]!.name),
    unheard: [
      ...(path.heard.length > 0 ? [] : [path.fromPlaceId]),
      ...(path.heardFar === undefined ? [path.toPlaceId] : []),
    ].map((id) => place[id]!.name),
  };
}
