import type { RunEvaluation } from '#core/decide/runEvaluation';
import type { Run, Site } from '#core/model/site';
import { cableOf } from '#core/physics/cable';
import { beliefIn } from '#core/test/diagnosis';
import { readingsByRun } from '#core/test/readings';
import { diagnosisInput } from './diagnosisInput';
import { sharedBy } from './sharedBy';

/** Whether a coax is noted as copper anywhere, so that it could be steel instead. */
const isTakenForCopper = ({ segments }: Run): boolean =>
  segments.some((segment) => {
    const cable = cableOf(segment);
    return cable.kind === 'coax' && !cable.centre.material.startsWith('ccs');
  });

/**
 * How likely the centre of a coax is steel that was taken for copper: what the diagnosis believes after its readings, its print,
 * and what runs of the same cable and print have shown. So three reels that were found to be steel count against the fourth
 * wherever its scenarios are drawn.
 */
export function steelChances(
  site: Site,
  runs: readonly RunEvaluation[],
): (one: Pick<RunEvaluation, 'run' | 'camera' | 'findings'>) => number {
  const readings = readingsByRun(site);
  // Few choices dread steel, and what runs share is gathered over all of them.
  let sharedFor: ReturnType<typeof sharedBy> | undefined;
  return (one) =>
    isTakenForCopper(one.run)
      ? beliefIn(
          diagnosisInput(
            site,
            one,
            readings.get(one.run.id) ?? {},
            (sharedFor ??= sharedBy(site, runs, readings))(one.run),
          ),
        ).belief['coax-construction']
      : 0;
}
