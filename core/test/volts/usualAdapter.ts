import type { Camera } from '#core/model/site';

/** What an adapter gives that is bought for one camera: what its label says, and between which volts it stays. */
export interface AdapterVolts {
  labelVolts: number;
  leastVolts: number;
  mostVolts: number;
}

/** A regulated adapter stays within a twentieth of its label; one of 24 V AC is a transformer, and gives a tenth more as long as little is asked of it. Typical. */
export const usualAdapter: Record<Camera['supply']['current'], AdapterVolts> = {
  dc: { labelVolts: 12, leastVolts: 11.4, mostVolts: 12.6 },
  ac: { labelVolts: 24, leastVolts: 22.8, mostVolts: 26.4 },
};
