import { demandsOf, offerSettingsOf, optionRow, type Site } from '#core/model/site';
import { totalOf, type FeasibleOption } from '#core/decide/options';
import type { RunEvaluation } from '#core/decide/runEvaluation';
import type { Status } from '#core/shared/derivation';
import { linesOf, netOf, type Priced } from './pricing';

/** Another way for a view, with what it makes of the price while all other views stay as they are. */
export interface OtherWay {
  number: number;
  name: string;
  becomes: string;
  state: Exclude<Status, 'fails'>;
  darkHours: number;
  /** Before what is set aside for the unknown, which moves with what is tested of it. */
  difference: number;
}

/** As many as somebody weighs up for one view. */
const mostEach = 3;

/** What a camera could become instead by its readings: nothing that fails, and no view given up. */
const possible = ({ options, chosen }: RunEvaluation): FeasibleOption[] =>
  options.filter(
    (option): option is FeasibleOption =>
      (option.state === 'holds' || option.state === 'close') &&
      option.kind !== chosen &&
      option.kind !== 'retire' &&
      option.unpriced.length === 0,
  );

/** The ways that are nearest in price for each view that is decided, the whole offer priced anew for each. */
export function otherWays(site: Site, runs: readonly RunEvaluation[]): OtherWay[] {
  const settings = offerSettingsOf(site);
  const { years } = demandsOf(site);
  const offered: Priced['offered'] = runs.flatMap((run) => {
    const option = run.options.find(({ kind }) => kind === run.chosen);
    return option && option.state !== 'no' ? [{ run, option }] : [];
  });
  const netWith = (all: Priced['offered']): number => {
    const total = totalOf(
      site,
      all.map(({ option }) => option),
      [],
      years,
    );
    return netOf(linesOf(site, settings, { offered: all, total }, null));
  };
  const net = netWith(offered);
  return offered.flatMap(({ run }, k) => {
    const { number, name } = run.camera;
    return possible(run)
      .map((option): OtherWay => ({
        number,
        name,
        becomes: optionRow(option.kind).label,
        state: option.state === 'close' ? 'close' : 'holds',
        darkHours: option.darkHours,
        difference: netWith(offered.with(k, { run, option })) - net,
      }))
      .sort((a, b) => Math.abs(a.difference) - Math.abs(b.difference))
      .slice(0, mostEach);
  });
}
