import { catalogueOf } from '#core/model/catalogue';
import {
  aboutOf,
  demandsOf,
  offerSettingsOf,
  optionRow,
  type OfferSettings,
  type SavedPlan,
  type Site,
} from '#core/model/site';
import type { RunEvaluation } from '#core/decide/runEvaluation';
import { contingencyOf } from './contingency';
import { premisesOf, type Offered } from './premises';
import { linesOf, netOf, optionsOf, priced } from './pricing';
import type { Alternate, Offer, Premise, ViewLine } from './types';

/** A sum cut into whole parts by weights, so that the parts are the sum exactly: the largest remainders are rounded up. */
export function apportioned(sum: number, weights: readonly number[]): number[] {
  const all = weights.reduce((total, weight) => total + weight, 0);
  if (all === 0) return weights.map(() => 0);
  const exact = weights.map((weight) => (sum * weight) / all);
  const parts = exact.map(Math.floor);
  const left = sum - parts.reduce((total, part) => total + part, 0);
  const byRemainder = exact
    .map((value, k) => ({ k, remainder: value - parts[k]! }))
    .sort((a, b) => b.remainder - a.remainder || a.k - b.k);
  for (const { k } of byRemainder.slice(0, left)) parts[k]! += 1;
  return parts;
}

function viewsOf(offered: readonly Offered[], net: number): ViewLine[] {
  const prices = apportioned(
    net,
    offered.map(({ option }) => option.cost),
  );
  return offered.map(({ run: { camera }, option }, k) => ({
    cameraId: camera.id,
    number: camera.number,
    name: camera.name,
    becomes: optionRow(option.kind).label,
    darkHours: option.darkHours,
    price: prices[k]!,
  }));
}

function alternateOf(
  site: Site,
  runs: readonly RunEvaluation[],
  settings: OfferSettings,
  base: { offered: readonly Offered[]; net: number },
  plan: SavedPlan,
): Alternate {
  const other = priced(site, runs, plan.options, plan.buys);
  const contingency = contingencyOf(site, runs, plan.options);
  const net = netOf(linesOf(site, settings, other, contingency));
  const was = new Map(base.offered.map(({ run, option }) => [run.camera.id, option.kind]));
  return {
    planId: plan.id,
    name: plan.name,
    net,
    difference: net - base.net,
    differs: other.offered
      .filter(({ run, option }) => was.get(run.camera.id) !== option.kind)
      .map(({ run: { camera }, option }) => ({
        number: camera.number,
        name: camera.name,
        becomes: optionRow(option.kind).label,
      })),
  };
}

function problemsOf(site: Site, runs: readonly RunEvaluation[], settings: OfferSettings): string[] {
  const open = runs.filter(({ chosen }) => chosen === null);
  const percent = settings.payments.reduce((sum, one) => sum + one.percent, 0);
  const { labourPerHour } = catalogueOf(site);
  return [
    ...(labourPerHour === null || labourPerHour <= 0
      ? ['Labour has no rate: an hour of work would be given away. Set it in Decide > Prices.']
      : []),
    ...(open.length === runs.length ? ['Nothing is decided yet, so there is nothing to offer.'] : []),
    ...(settings.payments.length > 0 && Math.abs(percent - 100) > 1e-9
      ? [`The payments come to ${percent} %, not to 100 %.`]
      : []),
  ];
}

/**
 * The price of what is decided, as a customer reads it: parts with margins by class, labour with what height and access add, what is shared
 * once, and what may come on top because figures are not known exactly.
 * @param doubts what was chosen and is doubted since, a sentence each
 */
export function offerOf(site: Site, runs: readonly RunEvaluation[], doubts: readonly string[] = []): Offer {
  const settings = offerSettingsOf(site);
  const options = optionsOf(runs);
  const base = priced(site, runs, options, []);
  const contingency = contingencyOf(site, runs, options);
  const lines = linesOf(site, settings, base, contingency);
  const net = netOf(lines);
  const tax = Math.round((net * settings.taxPercent) / 100);
  const amounts = apportioned(
    net + tax,
    settings.payments.map(({ percent }) => percent),
  );
  return {
    settings,
    currency: aboutOf(site).currency,
    lines,
    contingency,
    net,
    tax,
    gross: net + tax,
    views: viewsOf(base.offered, net),
    alternates: settings.alternateIds.flatMap((id) => {
      const plan = site.savedPlan[id];
      return plan ? [alternateOf(site, runs, settings, { ...base, net }, plan)] : [];
    }),
    payments: settings.payments.map((payment, k) => ({ ...payment, amount: amounts[k]! })),
    premises: [
      ...premisesOf(
        site,
        base.offered,
        base.total.parts.map(({ item }) => item),
        runs.filter(({ chosen }) => chosen === null),
      ),
      ...doubts.map((message): Premise => ({ kind: 'margin', message })),
    ],
    problems: problemsOf(site, runs, settings),
    hours: base.total.hours,
    darkHours: base.total.darkHours,
    renewals: { years: demandsOf(site).years, cost: base.total.renewCost },
  };
}
