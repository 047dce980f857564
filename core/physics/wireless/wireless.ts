/** How well one end of a radio path sees the other. */
export const sights = ['clear', 'partly', 'blocked'] as const;
export type Sight = (typeof sights)[number];

/** An access point that was heard. */
export interface Heard {
  channel: number;
  levelDbm: number;
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
const clutterDb: Record<Sight, number> = { clear: 0, partly: 12, blocked: 35 };

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

/** Channels that do not overlap in each band; which may be used outdoors and at what power is a matter of local radio rules. */
const candidates: Record<'2.4' | '5', readonly number[]> = {
  '2.4': [1, 6, 11],
  '5': [100, 104, 108, 112, 116, 132, 136, 140],
};

const milliwatts = (dbm: number): number => 10 ** (dbm / 10);

export interface RankedChannel {
  channel: number;
  frequencyMHz: number;
  /** Noise and neighbours together. */ floorDbm: number;
  neighbours: number;
}

/** The channels of a band, quietest first: noise and every neighbour that reaches into the channel's 20 MHz, added as power. */
export function rankChannels(band: '2.4' | '5', heard: readonly Heard[]): RankedChannel[] {
  return candidates[band]
    .map((channel): RankedChannel => {
      const frequencyMHz = channelMHz(channel);
      const near = heard.filter((other) => Math.abs(channelMHz(other.channel) - frequencyMHz) < 20);
      // A neighbour half a channel off brings half of its power in.
      const power = near.reduce(
        (sum, other) =>
          sum + milliwatts(other.levelDbm) * (1 - Math.abs(channelMHz(other.channel) - frequencyMHz) / 20),
        milliwatts(noiseDbm),
      );
      return { channel, frequencyMHz, floorDbm: 10 * Math.log10(power), neighbours: near.length };
    })
    .sort((a, b) => a.floorDbm - b.floorDbm || a.channel - b.channel);
}
