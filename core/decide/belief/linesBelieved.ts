import type { RunEvaluation } from '#core/decide/runEvaluation';
import type { Run, Site, Trouble } from '#core/model/site';
import { cableOf } from '#core/physics/cable';
import { beliefIn, lineDraws, type LineDraws, type SharedRates } from '#core/test/diagnosis';
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

/** What is believed of the line of a run by what others show of it, and of the same with something mended. */
interface Kept {
  shared: string;
  lines: Map<string, LineBelief>;
}

/** Kept for as long as the evaluation of a run is. */
const kept = new WeakMap<RunEvaluation, Kept>();

/** The lines that are kept of a run; none, once others show something else. */
function keptLines(one: RunEvaluation, shared: SharedRates): Kept['lines'] {
  const key = JSON.stringify(shared);
  const known = kept.get(one);
  if (known?.shared === key) return known.lines;
  const fresh: Kept = { shared: key, lines: new Map() };
  kept.set(one, fresh);
  return fresh.lines;
}

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
    const shared = sharedFor(one.run);
    const lines = keptLines(one, shared);
    const key = mended.join(' ');
    const known = lines.get(key);
    if (known) return known;
    const looked = diagnosisInput(site, one, readings.get(one.run.id) ?? {}, shared);
    const posterior = beliefIn(looked);
    const line: LineBelief = {
      draws: lineDraws(looked, posterior, mended),
      steelChance: isTakenForCopper(one.run) ? posterior.belief['coax-construction'] : 0,
    };
    lines.set(key, line);
    return line;
  };
}
