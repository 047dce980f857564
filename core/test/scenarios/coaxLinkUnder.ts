import { pathLossCoefficients } from '#core/physics/cable';
import { coaxSourceVolts, maxLoadWatts, poeClasses } from '#core/physics/power';
import { linkConverters, linkRateOver, soundJointLossDb } from '#core/physics/signal';
import type { Run } from '#core/model/site';
import { basisOf } from '#core/shared/derivation';
import { mismatchLossDb, type Loop } from '#core/test/findings';
import type { Scenario } from './scenario';
import { lossFactor, ohmsFactor, unseenDb } from './spreads';

/** The model that stands for converters without a data sheet's table. */
const converter = linkConverters[0]!;

/** dB that sound joints, new ends, steps of impedance and known faults take of a link over this coax. */
export const linkExtraDb = (run: Run, faultsDb: number, newJointsDb = 0): number =>
  run.segments.filter(({ joint }) => joint).length * soundJointLossDb +
  mismatchLossDb(run) +
  faultsDb +
  newJointsDb;

/** Mb/s that a converter pair carries over a coax in a scenario; `lossTimes` is for another length of the same coax. */
export function linkRateUnder(
  run: Run,
  { extraDb, traced, lossTimes = 1 }: { extraDb: number; traced: boolean; lossTimes?: number },
  scenario: Scenario,
): number {
  const { a, b, c } = pathLossCoefficients(run.segments);
  const times = lossTimes * lossFactor(scenario);
  return linkRateOver(
    converter,
    { a: a * times, b: b * times, c: c * times },
    extraDb + unseenDb(traced, scenario),
  );
}

/** The first device on a class 4 port, or on a head-end unit that gives as much, may take no more. Source: IEEE 802.3-2022. */
const firstDeviceWatts = poeClasses[4].deviceWatts;

/** Watts that can reach a converter at the far end of a coax in a scenario; `ohmsTimes` is for another length of the same coax. */
export function coaxReachUnder(
  loop: Pick<Loop, 'ohms' | 'from'>,
  sourceLimitWatts: number,
  { coaxOhms, coaxTimes }: Scenario,
  ohmsTimes = 1,
): number {
  const reached = maxLoadWatts({
    sourceVolts: coaxSourceVolts,
    loopOhms: loop.ohms * ohmsTimes * ohmsFactor(basisOf(loop.from), coaxOhms, coaxTimes),
    minLoadVolts: converter.minInputVolts,
    sourceLimitWatts,
  });
  return Math.min(reached ?? sourceLimitWatts, firstDeviceWatts);
}
