import { powerDerivation } from '#core/connect/powerPicture';
import { heatDerivation } from '#core/connect/rack';
import { radioDerivation } from '#core/connect/radio';
import { loadDerivation, type LoadSubject } from '#core/connect/topology';
import { feasibleOption } from '#core/decide/runEvaluation';
import type { OptionKind, Site } from '#core/model/site';
import type { Derivation } from '#core/shared/derivation';
import type { Verdict } from '#core/test/findings';
import type { SiteEvaluation } from './evaluateSite';
import type { NetworkMoment } from './momentOf';
import { networkAt } from './networkAt';
import { roomAt } from './roomAt';

/** A figure whose working can be asked for. */
export type Subject =
  | { kind: 'verdict'; runId: string; id: Verdict['id'] }
  | { kind: 'margin'; runId: string; option: OptionKind; index: number }
  | { kind: 'load'; at: NetworkMoment; load: LoadSubject }
  | { kind: 'power'; at: NetworkMoment; nodeId: string }
  | { kind: 'heat'; at: NetworkMoment; rackId: string }
  | { kind: 'radio'; pathId: string; of: 'rate' | 'beam' };

/** The working behind a figure; `null` where there is no such figure any more. */
export function derivationOf(site: Site, evaluation: SiteEvaluation, subject: Subject): Derivation | null {
  if (subject.kind === 'power')
    return powerDerivation(site, roomAt(site, evaluation, subject.at).power, subject.nodeId);
  if (subject.kind === 'radio') return radioDerivation(site, subject.pathId, subject.of);
  if (subject.kind === 'heat') {
    const rack = roomAt(site, evaluation, subject.at).racks.find(({ id }) => id === subject.rackId);
    return rack ? heatDerivation(rack) : null;
  }
  if (subject.kind === 'load') return loadDerivation(networkAt(site, evaluation, subject.at), subject.load);
  const { runs } = evaluation;
  const run = runs.find((evaluation) => evaluation.run.id === subject.runId);
  if (!run) return null;
  if (subject.kind === 'verdict')
    return run.findings.verdicts.find(({ id }) => id === subject.id)?.derivation() ?? null;
  return feasibleOption(run, subject.option)?.margins[subject.index]?.derivation() ?? null;
}
