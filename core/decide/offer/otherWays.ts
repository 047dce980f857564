import { hasOwnCamera, offerSettingsOf, optionRow, type Site } from '#core/model/site';
import type { FeasibleOption } from '#core/decide/options';
import type { RunEvaluation } from '#core/decide/runEvaluation';
import type { Status } from '#core/shared/derivation';
import { linesOf, netOf, optionsOf, priced, type Options } from './pricing';

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
      hasOwnCamera(option.kind) &&
      option.unpriced.length === 0,
  );

/** The ways that are nearest in price for each view that is decided, the whole offer priced anew for each. */
export function otherWays(site: Site, runs: readonly RunEvaluation[]): OtherWay[] {
  const settings = offerSettingsOf(site);
  const chosen = optionsOf(runs);
  const netOfOptions = (options: Options): number =>
    netOf(linesOf(site, settings, priced(site, runs, options, []), null));
  const net = netOfOptions(chosen);
  return runs
    .filter(({ chosen: kind }) => kind !== null)
    .flatMap((run) => {
      const { id, number, name } = run.camera;
      return possible(run)
        .map((option): OtherWay => ({
          number,
          name,
          becomes: optionRow(option.kind).label,
          state: option.state === 'close' ? 'close' : 'holds',
          darkHours: option.darkHours,
          difference: netOfOptions({ ...chosen, [id]: option.kind }) - net,
        }))
        .sort((a, b) => Math.abs(a.difference) - Math.abs(b.difference))
        .slice(0, mostEach);
    });
}
