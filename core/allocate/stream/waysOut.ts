import type { Codec } from '#core/model/site';
import { storageOf, usableShare, type Kept, type Storage } from './storage';
import { workedOutMbps, type RateSource, type WholeSettings } from '#core/model/streams';

/** A camera with how its stream is made, so that it could be made smaller. */
export interface Streaming extends Kept {
  megapixels: number;
  from: RateSource;
  settings: WholeSettings;
}

/** One way to close a shortfall. What it costs is `null` where the catalogue has no price for it. */
export type WayOut =
  | { kind: 'frames'; framesPerSecond: number; cost: 0 }
  | { kind: 'codec'; codec: 'h265'; cost: 0 }
  | { kind: 'days'; days: number; cost: 0 }
  | { kind: 'disks'; count: number; terabytes: number; cost: number | null };

/** The stream's rate under other settings: the rate that is known, scaled as the model scales. */
function under(one: Streaming, other: { framesPerSecond?: number; codec?: Codec }): Streaming {
  const scale =
    workedOutMbps(one.megapixels, { ...one.settings, ...other }) /
    workedOutMbps(one.megapixels, one.settings);
  return { ...one, mbps: one.mbps * scale, settings: { ...one.settings, ...other } };
}

const frameRates = [25, 20, 15, 12.5, 12, 10, 8, 6, 5];

/** The disk that is bought where one is short. */
export interface DiskOffer {
  terabytes: number;
  each: number | null;
}

/**
 * Ways to close the shortfall of a recorder, each by itself, those without a price first: the most frames a second that
 * still fit, the newer codec where it suffices, fewer days, more disks. Below five frames a second nobody is told to go.
 */
export function waysOut(
  streaming: readonly Streaming[],
  disksTb: readonly number[],
  offer: DiskOffer | null,
): WayOut[] {
  const now: Storage = storageOf(streaming, disksTb);
  if (now.shortTb <= 0) return [];
  const fits = (other: readonly Streaming[]) => storageOf(other, disksTb).shortTb <= 1e-9;
  const fewer = (framesPerSecond: number) =>
    streaming.map((one) =>
      one.settings.framesPerSecond > framesPerSecond ? under(one, { framesPerSecond }) : one,
    );
  const framesPerSecond = frameRates.find(
    (rate) => streaming.some(({ settings }) => settings.framesPerSecond > rate) && fits(fewer(rate)),
  );
  const newer = streaming.map((one) => (one.settings.codec === 'h265' ? one : under(one, { codec: 'h265' })));
  const ways: WayOut[] = [];
  if (framesPerSecond !== undefined) ways.push({ kind: 'frames', framesPerSecond, cost: 0 });
  if (streaming.some(({ settings }) => settings.codec !== 'h265') && fits(newer))
    ways.push({ kind: 'codec', codec: 'h265', cost: 0 });
  if (now.days !== null && now.days >= 1) ways.push({ kind: 'days', days: Math.floor(now.days), cost: 0 });
  if (offer) {
    const count = Math.ceil(now.shortTb / (offer.terabytes * usableShare) - 1e-9);
    ways.push({
      kind: 'disks',
      count,
      terabytes: offer.terabytes,
      cost: offer.each === null ? null : count * offer.each,
    });
  }
  return ways;
}
