import { clearanceNeedM, onAir, type OnAir } from '#core/decide/options';
import { catalogueOf, productOf } from '#core/model/catalogue';
import type { RadioPath, Site } from '#core/model/site';
import {
  channelMHz,
  freeSpaceLossDb,
  radioRegions,
  rankChannels,
  rateAtDb,
  receivedDbm,
  type RankedChannel,
} from '#core/physics/wireless';
import { loadOf, type Load } from '#core/shared/derivation';
import { camerasOnAir, mbpsOnAir } from './camerasOnAir';

export type Band = '2.4' | '5';

/** A channel that could be used, with what it carries on this path. */
export interface RadioChannel extends RankedChannel {
  band: Band;
  /** The one to take in its band: the best that no other radio of the site has at either end. */
  isOwn: boolean;
  /** Level over noise and neighbours at the end that hears more, and Mb/s when what is kept for fading is taken off. */
  overDb: number;
  mbps: number;
}

/** An access point that was heard, over the megahertz that it takes. */
export interface HeardBar {
  band: Band;
  fromMHz: number;
  toMHz: number;
  channel: number;
  levelDbm: number;
}

/** One radio path with everything that decides whether and how it is used. */
export interface RadioPicture {
  path: RadioPath;
  fromName: string;
  toName: string;
  region: string | null;
  /** Of both bands, the best first. */
  channels: RadioChannel[];
  /** What was heard at each end; `null` where nobody has listened. */
  heard: { near: HeardBar[] | null; far: HeardBar[] | null };
  lossDb: number;
  receivedDbm: number;
  keptDb: number;
  /** Room for the beam half way: what there is against 60 % of the first Fresnel zone. */
  clearance: { haveM: number | null; needM: number };
  /** What the cameras at this end send together, against what the best channel carries. */
  airtime: Load;
  cameras: number;
  /** What nobody has noted that decides. */
  open: string[];
}

const bandOf = (channel: number): Band => (channel <= 14 ? '2.4' : '5');
const usualWidthMHz = 20;

const barsOf = (heard: RadioPath['heard']): HeardBar[] =>
  heard.map(({ channel, levelDbm, widthMHz = usualWidthMHz }) => {
    const middle = channelMHz(channel);
    return {
      band: bandOf(channel),
      channel,
      levelDbm,
      fromMHz: middle - widthMHz / 2,
      toMHz: middle + widthMHz / 2,
    };
  });

/** What somebody has to find out before the path can be relied on. */
function openOf(
  path: RadioPath,
  names: { near: string; far: string },
  sharesAt: readonly string[],
): string[] {
  return [
    ...sharesAt.map((name) => `Another radio of this site at ${name} has to stand on the same channel.`),
    ...(path.region === undefined
      ? [
          'Whose radio rules hold there is not noted: channels are those that Europe and North America both allow.',
        ]
      : []),
    ...(path.heard.length === 0 ? [`Nobody has listened at ${names.near}.`] : []),
    ...(path.heardFar === undefined ? [`Nobody has listened at ${names.far}.`] : []),
    ...(path.clearanceM === undefined ? ['The room for the beam was not measured.'] : []),
    ...(path.sight === 'clear'
      ? []
      : [`The far end is ${path.sight === 'partly' ? 'partly hidden' : 'hidden'}.`]),
  ];
}

function channelsOf(site: Site, path: RadioPath, { best, crowded, keptDb }: OnAir): RadioChannel[] {
  const radio = productOf(catalogueOf(site), 'radio', 'radio');
  const ends = [path.heard, path.heardFar ?? []];
  const { region } = path;
  return (['5', '2.4'] as const).flatMap((band) =>
    rankChannels(band, ends, { region, eirpDbm: radio.eirpDbm }).map((channel): RadioChannel => {
      const eirpDbm = Math.min(radio.eirpDbm, channel.mostEirpDbm);
      const overDb = receivedDbm({ ...radio, eirpDbm }, path, channel.frequencyMHz) - channel.floorDbm;
      const isOwn = channel.channel === (band === '5' ? best : crowded).channel;
      return { ...channel, band, isOwn, overDb, mbps: rateAtDb(overDb - keptDb) };
    }),
  );
}

/** A radio path as it is planned: channels ranked by what both ends hear, levels, room for the beam and shared airtime. */
export function radioPicture(site: Site, path: RadioPath): RadioPicture {
  const air = onAir(catalogueOf(site), site, path);
  const { best, keptDb, sharesAt } = air;
  const radio = productOf(catalogueOf(site), 'radio', 'radio');
  const eirpDbm = Math.min(radio.eirpDbm, best.mostEirpDbm);
  const names = {
    near: site.place[path.fromPlaceId]!.name,
    far: site.place[path.toPlaceId]!.name,
  };
  const channels = channelsOf(site, path, air);
  const carries = channels.find(({ channel }) => channel === best.channel)!.mbps;
  return {
    path,
    fromName: names.near,
    toName: names.far,
    region: path.region === undefined ? null : radioRegions[path.region].label,
    channels,
    heard: {
      near: path.heard.length > 0 ? barsOf(path.heard) : null,
      far: path.heardFar === undefined ? null : barsOf(path.heardFar),
    },
    lossDb: freeSpaceLossDb(path.distanceM, best.frequencyMHz),
    receivedDbm: receivedDbm({ ...radio, eirpDbm }, path, best.frequencyMHz),
    keptDb,
    clearance: {
      haveM: path.clearanceM ?? null,
      needM: clearanceNeedM(path.distanceM, best.frequencyMHz),
    },
    airtime: loadOf('airtime', mbpsOnAir(site, path), carries, 'Mb/s'),
    cameras: camerasOnAir(site, path).length,
    open: openOf(path, names, sharesAt),
  };
}
