import { optionLines } from '#core/decide/risk';
import { chosenOption, feasibleOption, type RunEvaluation } from '#core/decide/runEvaluation';
import type { OptionKind, Site } from '#core/model/site';
import {
  expectedMarginInWords,
  expectedOfOption,
  type Agreement,
  type ExpectedMargin,
} from '#core/signoff/agreement';
import type { SiteEvaluation } from './evaluateSite';
import { kinOf } from './kinOf';

/** What readings of other runs say of an option of one, as the sign-off stands; nothing of one that cannot be done. */
function expecting(
  site: Site,
  { runs }: SiteEvaluation,
  { differences }: Agreement,
): (one: RunEvaluation, kind: OptionKind) => ExpectedMargin[] {
  const lineOf = optionLines(site, runs);
  return (one, kind) => {
    const option = feasibleOption(one, kind);
    if (!option || differences.length === 0) return [];
    const who = { number: one.camera.number, kin: kinOf(site, one.run) };
    return expectedOfOption(option, lineOf(one, option), who, differences);
  };
}

/** What readings of other runs say of an option of a run, as the sign-off stands. */
export function expectedByReadings(
  site: Site,
  evaluation: SiteEvaluation,
  agreement: Agreement,
  runId: string,
  kind: OptionKind,
): ExpectedMargin[] {
  const found = evaluation.runs.find(({ run }) => run.id === runId);
  return found ? expecting(site, evaluation, agreement)(found, kind) : [];
}

/** What was chosen and is not expected to hold for sure, by what was read of other runs: a sentence for each figure. */
export function doubtfulChoices(site: Site, evaluation: SiteEvaluation, agreement: Agreement): string[] {
  const expectedOf = expecting(site, evaluation, agreement);
  return evaluation.runs.flatMap((one) => {
    const { kind } = chosenOption(one) ?? {};
    return kind === undefined
      ? []
      : expectedOf(one, kind)
          .filter(({ meets }) => meets !== 'surely')
          .map((margin) => `Camera ${one.camera.number}: ${expectedMarginInWords(margin)}`);
  });
}
