/**
 * What a load takes: constant watts (a camera with a switching regulator), with a heater beside it that is a resistance, or
 * constant amps (an older camera).
 */
export type Load =
  { kind: 'watts'; watts: number; heaterOhms?: number | undefined } | { kind: 'amps'; amps: number };

export interface FeedInput {
  sourceVolts: number;
  loopOhms: number;
  load: Load;
  minLoadVolts: number;
  /** What the source can give before it limits; left out where it has no limit of its own. */
  sourceLimitWatts?: number | undefined;
}

export interface FeedFigures {
  loadVolts: number;
  amps: number;
  lossWatts: number;
  sourceWatts: number;
}

/** States in order of precedence. A collapsed feed has no working point, so it carries no figures. */
export type Feed =
  | { state: 'collapsed'; maxLoadWatts: number | null }
  | ({ state: 'undervoltage' | 'source-limited' | 'ok'; maxLoadWatts: number | null } & FeedFigures);

/**
 * Most watts that can arrive with at least `minLoadVolts` at the load and at most `sourceLimitWatts` taken
 * from the source; `null` when nothing limits it. Below half the source's volts more current only heats the wire.
 * Source: P = (V − I·R)·I with I = min((V − max(V_min, V/2))/R, P_src/V).
 */
export function maxLoadWatts({
  sourceVolts,
  loopOhms,
  minLoadVolts,
  sourceLimitWatts,
}: Omit<FeedInput, 'load'>): number | null {
  if (sourceVolts < minLoadVolts) return 0;
  const headroomVolts = sourceVolts - Math.max(minLoadVolts, sourceVolts / 2);
  const byWire = loopOhms > 0 ? headroomVolts / loopOhms : Infinity;
  const bySource =
    sourceLimitWatts === undefined || sourceVolts === 0 ? Infinity : sourceLimitWatts / sourceVolts;
  const amps = Math.min(byWire, bySource);
  return Number.isFinite(amps) ? (sourceVolts - amps * loopOhms) * amps : null;
}

/**
 * Volts at a constant-power load, the stable root; `undefined` where the supply collapses. A resistance beside it is a divider
 * with the loop: V·(1 + R/R_h) takes the place of V.
 */
export function constantPowerVolts(
  sourceVolts: number,
  loopOhms: number,
  watts: number,
  heaterOhms: number,
): number | undefined {
  const divided = 1 + loopOhms / heaterOhms;
  const underRoot = sourceVolts ** 2 - 4 * divided * loopOhms * watts;
  return underRoot < 0 ? undefined : (sourceVolts + Math.sqrt(underRoot)) / (2 * divided);
}

/**
 * A direct-current feed through a loop to one load (for 24 V AC the same figures hold as r.m.s. values).
 * Source: V_load = (V + √(V² − 4·k·R·P))/2k for constant power, k = 1 + R/R_h with a heater of R_h beside it, else 1; V − I·R
 * for constant current.
 */
export function dcFeed(input: FeedInput): Feed {
  const { sourceVolts, loopOhms, load, minLoadVolts, sourceLimitWatts } = input;
  const most = maxLoadWatts(input);
  const loadVolts =
    load.kind === 'watts'
      ? constantPowerVolts(sourceVolts, loopOhms, load.watts, load.heaterOhms ?? Infinity)
      : sourceVolts - load.amps * loopOhms;
  if (loadVolts === undefined || loadVolts <= 0) return { state: 'collapsed', maxLoadWatts: most };
  const amps =
    load.kind === 'watts' ? load.watts / loadVolts + loadVolts / (load.heaterOhms ?? Infinity) : load.amps;
  const sourceWatts = sourceVolts * amps;
  const limited = sourceLimitWatts !== undefined && sourceWatts > sourceLimitWatts;
  const state = loadVolts < minLoadVolts ? 'undervoltage' : limited ? 'source-limited' : 'ok';
  return { state, loadVolts, amps, lossWatts: amps ** 2 * loopOhms, sourceWatts, maxLoadWatts: most };
}
