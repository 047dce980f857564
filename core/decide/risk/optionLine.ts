import { linesBelieved, type LineBelief } from '#core/decide/belief';
import type { FeasibleOption } from '#core/decide/options';
import type { RunEvaluation } from '#core/decide/runEvaluation';
import type { OptionKind, Site, Trouble } from '#core/model/site';
import { basisOf } from '#core/shared/derivation';
import { asKnown, worstCase, type Scenario } from '#core/test/scenarios';

/** What an option of a run asks of a line that may not be what is noted of it. */
export interface OptionLine {
  /** What is believed of the line; `null` where that makes no difference to the option. */
  belief: LineBelief | null;
  /** Whether its loops, of coax and of cores, are what their tables promise and nobody has read them. */
  coaxThought: boolean;
  coresThought: boolean;
}

/** A line that makes no difference. */
export const anyLine: OptionLine = { belief: null, coaxThought: false, coresThought: false };

/** Lines that are not what is noted of them. */
const asSteel: Scenario = { ...asKnown, coaxTimes: worstCase.coaxTimes };
const asWorse: Scenario = { ...asSteel, powerTimes: 3, unseenDb: 6, hasUnseenTap: true };
const dreads = ({ margins }: FeasibleOption, scenario: Scenario): boolean =>
  margins.some((margin) => margin.under(scenario) > margin.under(asKnown));

/** Whether steel in place of copper would make a difference to an option. */
export const dreadsSteel = (option: FeasibleOption): boolean => dreads(option, asSteel);

/** What an option takes away from a line before it uses it. */
const mendedBy: Partial<Record<OptionKind, readonly Trouble[]>> = {
  'mend-line': ['joint', 'tap', 'power-joint'],
};

/** Kept for as long as an option is, unless something else is believed of its line by then. */
const asked = new WeakMap<FeasibleOption, OptionLine>();

/** What is believed of the lines of a site, as options of their runs ask it; `runs` are all of the site, which say something of each other. */
export function optionLines(
  site: Site,
  runs: readonly RunEvaluation[],
): (run: RunEvaluation, option: FeasibleOption) => OptionLine {
  const lineOf = linesBelieved(site, runs);
  return (run, option) => {
    if (!dreads(option, asWorse)) return anyLine;
    const belief = lineOf(run, mendedBy[option.kind] ?? []);
    const known = asked.get(option);
    if (known?.belief === belief) return known;
    const { coaxLoop, powerLoop } = run.findings;
    const line: OptionLine = {
      belief,
      coaxThought: basisOf(coaxLoop.from) === 'typical',
      coresThought: basisOf(powerLoop.from) === 'typical',
    };
    asked.set(option, line);
    return line;
  };
}
