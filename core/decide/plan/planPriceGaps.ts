import { catalogueOf, priceGaps, type PriceGap } from '#core/model/catalogue';
import { portKinds, type InfeasibleOption, type FeasibleOption } from '#core/decide/options';
import type { Camera, Site } from '#core/model/site';
import type { Plan } from './types';

/** What of a run its prices are told from. */
interface PricedRun {
  camera: Pick<Camera, 'id'>;
  options: readonly (Pick<FeasibleOption, 'kind' | 'state' | 'parts'> | InfeasibleOption)[];
}

/** Prices that are missing or nothing and that a plan rests on: parts of its options, and the shared units that could carry them. */
export function planPriceGaps(
  site: Site,
  runs: readonly PricedRun[],
  plan: Pick<Plan, 'options'> | null,
): PriceGap[] {
  if (!plan) return priceGaps(site, []);
  const parts = runs.flatMap(({ camera, options }) =>
    options.flatMap((option) =>
      option.kind === plan.options[camera.id] && option.state !== 'no'
        ? option.parts.map(({ item }) => item)
        : [],
    ),
  );
  const units = [...catalogueOf(site).products.values()]
    .filter(({ kind }) => kind in portKinds)
    .map(({ id }) => id);
  return priceGaps(site, [...parts, ...units]);
}
