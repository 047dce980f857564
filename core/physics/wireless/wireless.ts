import { allowedChannels, type AllowedChannel, type RadioRegionId } from './regions';

/** How well one end of a radio path sees the other. */
export const sights = ['clear', 'partly', 'blocked'] as const;
export type Sight = (typeof sights)[number];

/** Widths that a neighbour's channel may have, in MHz. Source: IEEE 802.11. */
export const channelWidthsMHz = [20, 40, 80, 160] as const;

/** An access point that was heard; its width where the survey told it. */
export interface Heard {
  channel: number;
  levelDbm: number;
  widthMHz?: (typeof channelWidthsMHz)[number] | undefined;
}

/** Loss of free space between two aerials, in dB. Source: ITU-R P.525, 32.44 + 20·log10(km) + 20·log10(MHz). */
export function freeSpaceLossDb(distanceM: number, frequencyMHz: number): number {
  return 32.44 + 20 * Math.log10(distanceM / 1000) + 20 * Math.log10(frequencyMHz);
}

/** Radius of the first Fresnel zone in metres, `d1M` from one end and `d2M` from the other. Source: 17.32·√(d1·d2 / (f·d)), km and GHz. */
export function fresnelRadiusM(d1M: number, d2M: number, frequencyMHz: number): number {
  const [d1, d2] = [d1M / 1000, d2M / 1000];
  return 17.32 * Math.sqrt((d1 * d2) / ((frequencyMHz / 1000) * (d1 + d2)));
}

/** Of the first Fresnel zone this much is to be clear. Source: usual planning practice, ITU-R P.530. */
export const clearShare = 0.6;

/** What trees, walls and roofs in the way take, in dB. Judgement of practice. */
export const clutterDb: Record<Sight, number> = { clear: 0, partly: 12, blocked: 35 };

export interface Radio {
  eirpDbm: number;
  gainDbi: number;
}

/** Level at the receiver in dBm: EIRP − free space − clutter + gain. */
export function receivedDbm(
  { eirpDbm, gainDbi }: Radio,
  { distanceM, sight }: { distanceM: number; sight: Sight },
  frequencyMHz: number,
): number {
  return eirpDbm - freeSpaceLossDb(distanceM, frequencyMHz) - clutterDb[sight] + gainDbi;
}

/** Throughput of a 20 MHz channel by the signal's margin over noise and neighbours, half of the air rate. Typical. */
const rates = [
  { atLeastDb: 31, mbps: 36 },
  { atLeastDb: 29, mbps: 32 },
  { atLeastDb: 25, mbps: 29 },
  { atLeastDb: 18, mbps: 19 },
  { atLeastDb: 15, mbps: 13 },
  { atLeastDb: 11, mbps: 9 },
  { atLeastDb: 9, mbps: 6 },
  { atLeastDb: 5, mbps: 3 },
] as const;

/** Mb/s that a link carries at so many dB above noise and neighbours; 0 where it does not hold. */
export const rateAtDb = (overNoiseDb: number): number =>
  rates.find(({ atLeastDb }) => overNoiseDb >= atLeastDb)?.mbps ?? 0;

/** Noise of a 20 MHz channel in a usual receiver: −174 + 10·log10(20 MHz) + 7 dB. */
export const noiseDbm = -94;

/** Centre frequency of a channel in MHz. Source: IEEE 802.11. */
export const channelMHz = (channel: number): number =>
  channel <= 14 ? (channel === 14 ? 2484 : 2407 + 5 * channel) : 5000 + 5 * channel;

const milliwatts = (dbm: number): number => 10 ** (dbm / 10);

/** Width of the channels that are planned. A neighbour whose width nobody noted has as much. */
const usualWidthMHz = 20;

/** Megahertz that two channels share, by their centres and widths. */
function sharedMHz(atMHz: number, widthMHz: number, otherMHz: number, otherWidthMHz: number): number {
  const from = Math.max(atMHz - widthMHz / 2, otherMHz - otherWidthMHz / 2);
  const to = Math.min(atMHz + widthMHz / 2, otherMHz + otherWidthMHz / 2);
  return Math.max(0, to - from);
}

/** Noise and neighbours together in a channel, in dBm, and how many of them reach into it. Each brings the share of its power that lies there. */
function floorAt(
  frequencyMHz: number,
  heard: readonly Heard[],
): Pick<RankedChannel, 'floorDbm' | 'neighbours'> {
  let [power, neighbours] = [milliwatts(noiseDbm), 0];
  for (const { channel, levelDbm, widthMHz = usualWidthMHz } of heard) {
    const shared = sharedMHz(frequencyMHz, usualWidthMHz, channelMHz(channel), widthMHz);
    if (shared <= 0) continue;
    neighbours += 1;
    power += milliwatts(levelDbm) * (shared / widthMHz);
  }
  return { floorDbm: 10 * Math.log10(power), neighbours };
}

export interface RankedChannel extends AllowedChannel {
  frequencyMHz: number;
  /** Noise and neighbours together, at the end that hears more. */
  floorDbm: number;
  neighbours: number;
}

/**
 * The channels of a band that a region allows, best first: those on which a radio of so much EIRP stands highest over noise and
 * neighbours, at whichever end of the path hears more of them; of those alike the one that waits less for radar.
 */
export function rankChannels(
  band: '2.4' | '5',
  ends: readonly (readonly Heard[])[],
  { region, eirpDbm = Infinity }: { region?: RadioRegionId | undefined; eirpDbm?: number } = {},
): RankedChannel[] {
  const over = ({ mostEirpDbm, floorDbm }: RankedChannel): number =>
    Math.min(eirpDbm, mostEirpDbm) - floorDbm;
  return allowedChannels(band, region)
    .map((allowed): RankedChannel => {
      const frequencyMHz = channelMHz(allowed.channel);
      const worst = [[], ...ends]
        .map((heard) => floorAt(frequencyMHz, heard))
        .reduce((a, b) => (b.floorDbm > a.floorDbm ? b : a));
      return { ...allowed, frequencyMHz, ...worst };
    })
    .sort((a, b) => over(b) - over(a) || a.radarWaitS - b.radarWaitS || a.channel - b.channel);
}
