import type { Keeping } from '#core/model/site';

/** Gigabytes of a day at 1 Mb/s: 86 400 seconds, eight bits a byte, a thousand megabytes a gigabyte. */
const gigabytesPerMbpsDay = 86_400 / 8 / 1000;

/** What of a disk's nominal size can be written to: the file system takes the rest. A usual figure. */
export const usableShare = 0.93;

/** The part of a day that is kept. */
function keptShare(keeping: Keeping): number {
  switch (keeping.kind) {
    case 'always':
      return 1;
    case 'motion':
      return keeping.sharePercent / 100;
    case 'hours':
      return keeping.hours / 24;
  }
}

/** A camera as a disk sees it. */
export interface Kept {
  cameraId: string;
  mbps: number;
  keeping: Keeping;
  keepDays: number;
}

const gigabytesADay = ({ mbps, keeping }: Pick<Kept, 'mbps' | 'keeping'>): number =>
  mbps * gigabytesPerMbpsDay * keptShare(keeping);

/** Terabytes that a camera takes up once its days are full. */
const terabytesOf = (kept: Kept): number => (gigabytesADay(kept) * kept.keepDays) / 1000;

/** What a recorder's disks hold of its cameras. */
export interface Storage {
  haveTb: number;
  wantTb: number;
  shortTb: number;
  /** Days that the disks last, each camera kept no longer than it is asked for; `null` where nothing is kept. */
  days: number | null;
  perCamera: { cameraId: string; gigabytesADay: number; wantTb: number; wantDays: number; days: number }[];
}

/**
 * Days that are kept where all cameras share the disks and the oldest picture of any is written over first: a camera that
 * is asked for fewer days than the disks last leaves the rest to the others.
 */
function daysThatFit(kept: readonly Kept[], haveTb: number): number | null {
  const asked = [...kept]
    .map((one) => ({ perDayTb: gigabytesADay(one) / 1000, keepDays: one.keepDays }))
    .filter(({ perDayTb }) => perDayTb > 0)
    .sort((a, b) => a.keepDays - b.keepDays);
  if (asked.length === 0) return null;
  let perDayTb = asked.reduce((sum, one) => sum + one.perDayTb, 0);
  let leftTb = haveTb;
  for (const one of asked) {
    const fit = leftTb / perDayTb;
    if (fit < one.keepDays) return fit;
    leftTb -= one.perDayTb * one.keepDays;
    perDayTb -= one.perDayTb;
    if (perDayTb <= 1e-12) return one.keepDays;
  }
  return asked.at(-1)!.keepDays;
}

/** How long the disks of a recorder last for its cameras, and what is short. `disksTb` are their nominal sizes. */
export function storageOf(kept: readonly Kept[], disksTb: readonly number[]): Storage {
  const haveTb = disksTb.reduce((sum, size) => sum + size, 0) * usableShare;
  const wantTb = kept.reduce((sum, one) => sum + terabytesOf(one), 0);
  const days = daysThatFit(kept, haveTb);
  return {
    haveTb,
    wantTb,
    days,
    shortTb: Math.max(0, wantTb - haveTb),
    perCamera: kept.map((one) => ({
      cameraId: one.cameraId,
      gigabytesADay: gigabytesADay(one),
      wantTb: terabytesOf(one),
      wantDays: one.keepDays,
      days: days === null ? one.keepDays : Math.min(one.keepDays, days),
    })),
  };
}
