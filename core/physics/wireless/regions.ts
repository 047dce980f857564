/** Channels that may be used outdoors, the most EIRP there in dBm, and how long a channel listens for radar before it sends. */
interface ChannelRow {
  channels: readonly number[];
  mostEirpDbm: number;
  radarWaitS: number;
}

export interface RadioRegion {
  label: string;
  bands: Record<'2.4' | '5', readonly ChannelRow[]>;
}

/**
 * Rules for radio outdoors by region, 20 MHz channels that do not overlap. Sources: Europe, ETSI EN 300 328 and EN 301 893 (5470 to
 * 5725 MHz; 10 minutes of listening where weather radars are); North America, FCC 15.247 and 15.407. What a country adds to them
 * is for whoever installs the radio to know.
 */
export const radioRegions = {
  europe: {
    label: 'Europe (ETSI)',
    bands: {
      '2.4': [{ channels: [1, 6, 11], mostEirpDbm: 20, radarWaitS: 0 }],
      '5': [
        { channels: [100, 104, 108, 112, 116, 132, 136, 140], mostEirpDbm: 30, radarWaitS: 60 },
        { channels: [120, 124, 128], mostEirpDbm: 30, radarWaitS: 600 },
      ],
    },
  },
  'north-america': {
    label: 'North America (FCC)',
    bands: {
      '2.4': [{ channels: [1, 6, 11], mostEirpDbm: 36, radarWaitS: 0 }],
      '5': [
        { channels: [149, 153, 157, 161, 165], mostEirpDbm: 36, radarWaitS: 0 },
        { channels: [100, 104, 108, 112, 116, 132, 136, 140], mostEirpDbm: 30, radarWaitS: 60 },
      ],
    },
  },
} as const satisfies Record<string, RadioRegion>;

export type RadioRegionId = keyof typeof radioRegions;
export const radioRegionIds = Object.keys(radioRegions) as RadioRegionId[];

/** What both regions allow, for as long as nobody has said where the radio stands. */
const everywhere: RadioRegion = {
  label: 'any region',
  bands: {
    '2.4': radioRegions.europe.bands['2.4'],
    '5': [radioRegions.europe.bands['5'][0]],
  },
};

export interface AllowedChannel {
  channel: number;
  mostEirpDbm: number;
  radarWaitS: number;
}

/** The channels of a band that a region allows outdoors. */
export function allowedChannels(band: '2.4' | '5', region: RadioRegionId | undefined): AllowedChannel[] {
  const { bands }: RadioRegion = region === undefined ? everywhere : radioRegions[region];
  return bands[band].flatMap(({ channels, mostEirpDbm, radarWaitS }) =>
    channels.map((channel) => ({ channel, mostEirpDbm, radarWaitS })),
  );
}
