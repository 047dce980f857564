import type { RunEvaluation } from '#core/decide/runEvaluation';
import type { Run, Site, Trouble } from '#core/model/site';
import { cableOf } from '#core/physics/cable';
import { beliefIn, lineDraws, type LineDraws } from '#core/test/diagnosis';
import { readingsByRun } from '#core/test/readings';
import { diagnosisInput } from './diagnosisInput';
import { sharedBy } from './sharedBy';

/** What is believed of a line that somebody means to use. */
export interface LineBelief {
  draws: LineDraws;
  /** How likely the centre of a coax is steel that was taken for copper. */
  steelChance: number;
}

/** Whether a coax is noted as copper anywhere, so that it could be steel instead. */
const isTakenForCopper = ({ segments }: Run): boolean =>
  segments.some((segment) => {
    const cable = cableOf(segment);
    return cable.kind === 'coax' && !cable.centre.material.startsWith('ccs');
  });

/**
 * How the lines of a site may turn out: what the diagnosis believes of each after its readings, its print, and what runs of the same
 * cable and print have shown. So three reels that were found to be steel count against the fourth wherever its scenarios are drawn.
 */
export function linesBelieved(
  site: Site,
  runs: readonly RunEvaluation[],
): (one: RunEvaluation, mended: readonly Trouble[]) => LineBelief {
  const readings = readingsByRun(site);
  // Not every choice hangs on its line, and what runs share is gathered over all of them.
  let sharedFor: ReturnType<typeof sharedBy> | undefined;
  return (one, mended) => {
    sharedFor ??= sharedBy(site, runs, readings);
    const looked = diagnosisInput(site, one, readings.get(one.run.id) ?? {}, sharedFor(one.run));
    const posterior = beliefIn(looked);
    return {
      draws: lineDraws(looked, posterior, mended),
      steelChance: isTakenForCopper(one.run) ? posterior.belief['coax-construction'] : 0,
    };
  };
}
