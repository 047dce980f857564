import { chosenOption, feasibleOption } from '#core/decide/runEvaluation';
import type { OptionKind, Site } from '#core/model/site';
import {
  expectedMarginInWords,
  expectedOfOption,
  type Agreement,
  type ExpectedMargin,
} from '#core/signoff/agreement';
import type { SiteEvaluation } from './evaluateSite';
import { kinOf } from './kinOf';

/** What readings of other runs say of an option of a run, as the sign-off stands; nothing of one that cannot be done. */
export function expectedByReadings(
  site: Site,
  { runs }: SiteEvaluation,
  { differences }: Agreement,
  runId: string,
  kind: OptionKind,
): ExpectedMargin[] {
  const found = runs.find(({ run }) => run.id === runId);
  const option = found && feasibleOption(found, kind);
  if (!found || !option) return [];
  return expectedOfOption(option, { number: found.camera.number, kin: kinOf(site, found.run) }, differences);
}

/** What was chosen and is not expected to hold for sure, by what was read of other runs: a sentence for each figure. */
export const doubtfulChoices = (site: Site, evaluation: SiteEvaluation, agreement: Agreement): string[] =>
  evaluation.runs.flatMap((one) => {
    const { kind } = chosenOption(one) ?? {};
    return kind === undefined
      ? []
      : expectedByReadings(site, evaluation, agreement, one.run.id, kind)
          .filter(({ meets }) => meets !== 'surely')
          .map((margin) => `Camera ${one.camera.number}: ${expectedMarginInWords(margin)}`);
  });
