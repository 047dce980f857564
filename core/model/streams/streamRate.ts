import {
  allocationSettingsOf,
  type Activity,
  type Camera,
  type Codec,
  type Site,
  type Stream,
  type StreamSettings,
} from '#core/model/site';

/**
 * Bits that a pixel of a frame takes once it is compressed, by codec and by how much goes on in the view. Typical figures;
 * makers differ by half and more, so a data sheet or a reading wins. Motion JPEG sends each frame whole.
 */
const bitsPerPixel: Record<Codec, Record<Activity, number>> = {
  h264: { still: 0.05, usual: 0.1, busy: 0.17 },
  h265: { still: 0.03, usual: 0.06, busy: 0.11 },
  mjpeg: { still: 0.8, usual: 1, busy: 1.2 },
};

/** Settings with nothing left out. */
export type WholeSettings = { [K in keyof StreamSettings]-?: NonNullable<StreamSettings[K]> };

const usualStream = {
  framesPerSecond: 15,
  codec: 'h264',
  activity: 'usual',
  keeping: { kind: 'always' },
  keepDays: 30,
} as const satisfies WholeSettings;

/** Mb/s of a stream: megapixels × frames a second × bits a pixel. */
export const workedOutMbps = (
  megapixels: number,
  { framesPerSecond, codec, activity }: Pick<WholeSettings, 'framesPerSecond' | 'codec' | 'activity'>,
): number => megapixels * framesPerSecond * bitsPerPixel[codec][activity];

/** Settings of one camera: its own, else the site's, else usual ones. */
export function settingsOf(stream: StreamSettings | undefined, site: StreamSettings): WholeSettings {
  const { framesPerSecond, codec, activity, keeping, keepDays } = usualStream;
  return {
    framesPerSecond: stream?.framesPerSecond ?? site.framesPerSecond ?? framesPerSecond,
    codec: stream?.codec ?? site.codec ?? codec,
    activity: stream?.activity ?? site.activity ?? activity,
    keeping: stream?.keeping ?? site.keeping ?? keeping,
    keepDays: stream?.keepDays ?? site.keepDays ?? keepDays,
  };
}

const isSet = (settings: StreamSettings | undefined): boolean =>
  settings?.framesPerSecond !== undefined ||
  settings?.codec !== undefined ||
  settings?.activity !== undefined;

export type RateSource = 'data-sheet' | 'worked-out' | 'class';

/** What a camera sends, main and sub stream, and what that rests on. */
export interface StreamRate {
  mainMbps: number;
  subMbps: number;
  from: RateSource;
}

/**
 * A data sheet's rate wins; else it is worked out where anybody has said how the stream is set; else it is what the camera's
 * class sends.
 */
export function streamRate(
  camera: { megapixels: number; mbps: number },
  stream: Stream | undefined,
  site: StreamSettings,
): StreamRate {
  const subMbps = stream?.subMbps ?? 0;
  if (stream?.mainMbps !== undefined) return { mainMbps: stream.mainMbps, subMbps, from: 'data-sheet' };
  if (!isSet(stream) && !isSet(site)) return { mainMbps: camera.mbps, subMbps, from: 'class' };
  return {
    mainMbps: workedOutMbps(camera.megapixels, settingsOf(stream, site)),
    subMbps,
    from: 'worked-out',
  };
}

/** What a composite picture becomes as a stream, where nobody has said how it is set: 704 by 576 at 25 frames, H.264. Typical. */
const encodedMbps = 2;

/** Mb/s that an encoder makes of a composite picture, main and sub stream together. */
export function encodedRate(
  site: Pick<Site, 'stream' | 'allocationSettings'>,
  { id }: Pick<Camera, 'id'>,
  megapixels: number,
): number {
  const { mainMbps, subMbps } = streamRate(
    { megapixels, mbps: encodedMbps },
    site.stream[id],
    allocationSettingsOf(site).streams,
  );
  return mainMbps + subMbps;
}
