import { pathLossDb } from '#core/physics/cable';
import type { PictureFormat } from '#core/physics/signal';
import type { Run } from '#core/model/site';
import { extraPictureLossDb } from '#core/test/findings';
import type { Scenario } from './scenario';
import { lossFactor, unseenDb } from './spreads';

/**
 * dB that the picture of a format loses over a run in a scenario.
 * @param faultsDb what a trace has shown that faults on the way take
 * @param traced whether a trace has looked along the run, so that its joints are known
 */
export function pictureLossUnder(
  run: Run,
  format: PictureFormat,
  { faultsDb, traced }: { faultsDb: number; traced: boolean },
  scenario: Scenario,
): number {
  const cableDb = pathLossDb(run.segments, format.topMHz) * lossFactor(scenario);
  return cableDb + extraPictureLossDb(run) + faultsDb + unseenDb(traced, scenario, format.topMHz);
}
