import { formatQuantity } from '#core/shared/units';
import type { Catalogue } from '#core/model/catalogue';
import { infeasible } from './build';
import type { Context } from './context';
import type { FeasibleOption, Option, SharedPort } from './option';
import { portKinds } from './portKinds';
import { givenBy, portGearAt, unitSizes } from './sharedUnits';

const strongest = new WeakMap<Catalogue, Partial<Record<SharedPort['of'], number>>>();

/** What one port of the strongest that can be bought gives. */
function strongestBought(catalogue: Catalogue, of: SharedPort['of']): number {
  const known = strongest.get(catalogue) ?? {};
  strongest.set(catalogue, known);
  return (known[of] ??= Math.max(0, ...unitSizes(catalogue, of).map(({ portWatts }) => portWatts)));
}

/** The option, unless its port has to give more than any that is there or can be bought: then there is nothing to hang the camera on. */
export function withPort({ site, catalogue }: Context, option: FeasibleOption): Option {
  const { shared, kind } = option;
  if (!shared || shared.sourceWatts <= strongestBought(catalogue, shared.of)) return option;
  const there = portGearAt(site, shared.of, shared.placeId).map(({ gear }) => givenBy(gear).portWatts);
  const most = Math.max(strongestBought(catalogue, shared.of), ...there);
  if (shared.sourceWatts <= most) return option;
  const { one, remedy } = portKinds[shared.of];
  return infeasible(
    kind,
    'no such port',
    `A port would have to give ${formatQuantity(shared.sourceWatts, 'W')}; that of the strongest ${one} gives ${formatQuantity(most, 'W')}.`,
    `${remedy}, or a camera of fewer watts`,
  );
}
