import type { PowerFeed, PowerLead, Run } from './run';

/** What an adapter beside a camera usually is, until somebody has read its label. */
const usualAdapter: PowerFeed = { kind: 'local-adapter', current: 'dc', volts: 12, ratedAmps: 1 };

/** A separate pair as it usually is, until somebody has measured it. */
const usualPair = {
  kind: 'separate-pair' as const,
  cable: 'power-2x18-cu',
  outCores: 1,
  backCores: 1,
  lengthM: 20,
  temperatureC: 20,
};

/** A lead to where an output splits, the same. */
export const usualLead: PowerLead = {
  cable: 'power-2x18-cu',
  outCores: 1,
  backCores: 1,
  lengthM: 2,
  temperatureC: 20,
};

/** Whether power cores or spare pairs run beside every segment, so that a supply box can feed the camera along it. */
export const hasPowerCores = ({ segments }: Pick<Run, 'segments'>): boolean =>
  segments.every(({ leg }) => leg.kind !== 'none');

/** A run fed from the same output along its own cores, or through a separate pair; as it is where it cannot be. */
export function fedThrough(run: Run, way: 'along-run' | 'separate-pair'): Run {
  const { feed } = run;
  if (feed.kind === 'local-adapter' || feed.kind === way || (way === 'along-run' && !hasPowerCores(run)))
    return run;
  const { supplyId, output } = feed;
  return {
    ...run,
    feed: way === 'along-run' ? { kind: way, supplyId, output } : { ...usualPair, supplyId, output },
  };
}

/**
 * A run fed from an output of a supply box, or with `null` from an adapter at its camera. It is fed along its own cores
 * where it has them, and stays on the separate pair that it is on.
 */
export function fedFrom(run: Run, output: { supplyId: string; output: number } | null): Run {
  const { feed } = run;
  if (!output) return feed.kind === 'local-adapter' ? run : { ...run, feed: usualAdapter };
  if (feed.kind === 'separate-pair') return { ...run, feed: { ...feed, ...output } };
  return {
    ...run,
    feed: hasPowerCores(run) ? { kind: 'along-run', ...output } : { ...usualPair, ...output },
  };
}

/** A run whose adapter beside the camera is another in these respects; as it is where it has none. */
export function withAdapter(run: Run, fields: Partial<Extract<PowerFeed, { kind: 'local-adapter' }>>): Run {
  return run.feed.kind === 'local-adapter' ? { ...run, feed: { ...run.feed, ...fields } } : run;
}

/** A run whose separate pair is another in these respects; as it is where it has none. */
export function withSeparatePair(
  run: Run,
  fields: Partial<Extract<PowerFeed, { kind: 'separate-pair' }>>,
): Run {
  return run.feed.kind === 'separate-pair' ? { ...run, feed: { ...run.feed, ...fields } } : run;
}
