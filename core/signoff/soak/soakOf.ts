import type { Soak } from '#core/model/site';

/** What a port counted since the sample before: packets sent and lost, and whether its link was up throughout. */
export interface SoakSample {
  /** When it was counted, in milliseconds of the clock. */
  atMs: number;
  sent: number;
  lost: number;
  isUp: boolean;
}

export type SoakFound = { ok: true; value: Soak } | { ok: false; problems: string[] };

const minuteMs = 60_000;
const hourMs = 60 * minuteMs;

/** Between two samples, so many times further apart than is usual, nobody counted. */
const gapTimes = 2.5;

const median = (values: readonly number[]): number => [...values].sort((a, b) => a - b)[values.length >> 1]!;

function problemsOf(samples: readonly SoakSample[]): string[] {
  if (samples.length < 2) return ['A soak needs two samples or more.'];
  const backwards = samples.findIndex((one, k) => k > 0 && one.atMs <= samples[k - 1]!.atMs);
  const impossible = samples.findIndex(({ sent, lost }) => lost > sent || sent < 0 || lost < 0);
  return [
    ...(backwards >= 0 ? [`Sample ${backwards + 1} is not later than the one before it.`] : []),
    ...(impossible >= 0 ? [`Sample ${impossible + 1} lost more than was sent.`] : []),
    ...(samples.slice(1).every(({ sent }) => sent === 0)
      ? ['Nothing was sent in all that time, so nothing could be lost: let the streams run.']
      : []),
  ];
}

/** The hour of the day in which most was lost; nothing where nothing was. */
function worstHour(samples: readonly SoakSample[], hourOf: (atMs: number) => number): number | undefined {
  const lost = new Map<number, number>();
  for (const { atMs, lost: count, isUp } of samples) {
    const weight = count + (isUp ? 0 : 1);
    if (weight > 0) lost.set(hourOf(atMs), (lost.get(hourOf(atMs)) ?? 0) + weight);
  }
  return [...lost].sort((a, b) => b[1] - a[1])[0]?.[0];
}

/**
 * What a link did over hours under watch, from the counters of its port. The first sample only says when the counting began. Where samples
 * are much further apart than usual nobody counted: those minutes are told, and count for nothing.
 * @param hourOf the hour of the day at a moment, where the site is
 */
export function soakOf(samples: readonly SoakSample[], hourOf: (atMs: number) => number): SoakFound {
  const problems = problemsOf(samples);
  if (problems.length > 0) return { ok: false, problems };
  const counted = samples.slice(1);
  const steps = counted.map(({ atMs }, k) => atMs - samples[k]!.atMs);
  const usualMs = median(steps);
  const gapMs = steps.reduce((sum, step) => sum + (step > gapTimes * usualMs ? step - usualMs : 0), 0);
  const sent = counted.reduce((sum, one) => sum + one.sent, 0);
  const lost = counted.reduce((sum, one) => sum + one.lost, 0);
  // One that is down when the counting begins has dropped as well.
  const drops = counted.filter(({ isUp }, k) => !isUp && (k === 0 || counted[k - 1]!.isUp)).length;
  const worst = worstHour(counted, hourOf);
  return {
    ok: true,
    value: {
      kind: 'soak',
      hours: (samples.at(-1)!.atMs - samples[0]!.atMs) / hourMs,
      lostPercent: sent > 0 ? (100 * lost) / sent : 0,
      drops,
      gapMinutes: gapMs / minuteMs,
      ...(worst === undefined ? {} : { worstHour: worst }),
    },
  };
}
