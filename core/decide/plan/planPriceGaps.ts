import { catalogueOf, priceGaps, type PriceGap } from '#core/model/catalogue';
import type { LightRun } from '#core/evaluate';
import type { Site } from '#core/model/site';
import type { Plan } from './plan';

/** Prices that are missing or nothing and that a plan rests on: parts of its options, and the shared units that could carry them. */
export function planPriceGaps(
  site: Site,
  runs: readonly Pick<LightRun, 'camera' | 'options'>[],
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
    .filter(({ kind }) => kind === 'coax-unit' || kind === 'poe-switch')
    .map(({ id }) => id);
  return priceGaps(site, [...parts, ...units]);
}
