import { catalogueOf, labourRateOf, type Catalogue } from '#core/model/catalogue';
import {
  aboutOf,
  demandsOf,
  offerSettingsOf,
  optionRow,
  type OfferSettings,
  type OptionKind,
  type SavedPlan,
  type Site,
} from '#core/model/site';
import { totalOf, type Buys, type FeasibleOption, type Total } from '#core/decide/options';
import type { RunEvaluation } from '#core/decide/runEvaluation';
import { formatQuantity } from '#core/shared/units';
import { contingencyOf, type Contingency } from './contingency';
import { labourCosts } from './labourCosts';
import { partCosts } from './partLines';
import { premisesOf, type Offered } from './premises';
import type { Alternate, Offer, OfferLine, ViewLine } from './types';

/** Choices with what they come to, and what is bought with them. */
interface Priced {
  offered: Offered[];
  total: Total;
}

type Options = Readonly<Record<string, OptionKind>>;

function priced(site: Site, runs: readonly RunEvaluation[], options: Options, buys: Buys): Priced {
  const offered = runs.flatMap((run): Offered[] => {
    const option = run.options.find(
      (one): one is FeasibleOption => one.kind === options[run.camera.id] && one.state !== 'no',
    );
    return option ? [{ run, option }] : [];
  });
  const total = totalOf(
    site,
    offered.map(({ option }) => option),
    buys,
    demandsOf(site).years,
  );
  return { offered, total };
}

/** A line at cost with a margin on it. */
function line(
  settings: OfferSettings,
  { id, label, cost, detail }: Pick<OfferLine, 'id' | 'label' | 'cost' | 'detail'>,
  group: OfferLine['group'],
  marginClass: OfferLine['marginClass'],
): OfferLine {
  const marginPercent = marginClass === null ? 0 : settings.margins[marginClass];
  return {
    id,
    group,
    label,
    cost,
    marginClass,
    marginPercent,
    detail,
    price: Math.round(cost * (1 + marginPercent / 100)),
  };
}

/** Work that is not at the cameras: engineering, commissioning, papers, training, whoever manages it, and travel. */
function serviceLines(
  settings: OfferSettings,
  catalogue: Catalogue,
  cameras: number,
  labourCost: number,
): OfferLine[] {
  const { day } = labourRateOf(catalogue);
  const { engineeringHours, commissioningHoursEach, documentHours, trainingHours, travel } = settings;
  const hours = (id: string, label: string, count: number): OfferLine[] =>
    count > 0
      ? [
          line(
            settings,
            { id, label, cost: count * day, detail: [formatQuantity(count, 'h')] },
            'service',
            'labour',
          ),
        ]
      : [];
  const own = [
    ...hours('engineering', 'Engineering', engineeringHours),
    ...hours('commissioning', 'Commissioning and acceptance', commissioningHoursEach * cameras),
    ...hours('documents', 'Documents', documentHours),
    ...hours('training', 'Training', trainingHours),
  ];
  const managed = labourCost + own.reduce((sum, { cost }) => sum + cost, 0);
  const management = (managed * settings.managementPercent) / 100;
  return [
    ...own,
    ...(management > 0
      ? [
          line(
            settings,
            {
              id: 'management',
              label: 'Project management',
              cost: management,
              detail: [`${settings.managementPercent} % of labour`],
            },
            'service',
            'labour',
          ),
        ]
      : []),
    ...(travel.visits > 0 && travel.each > 0
      ? [
          line(
            settings,
            {
              id: 'travel',
              label: 'Travel',
              cost: travel.visits * travel.each,
              detail: [`${travel.visits} visits`],
            },
            'service',
            null,
          ),
        ]
      : []),
  ];
}

function linesOf(
  site: Site,
  settings: OfferSettings,
  { offered, total }: Priced,
  contingency: Contingency | null,
): OfferLine[] {
  const catalogue = catalogueOf(site);
  const chosen = offered.map(({ run, option }) => ({ option, place: site.place[run.camera.placeId]! }));
  const labour = labourCosts(catalogue, chosen, total.network.hours, settings);
  const staying = offered.filter(({ option }) => option.kind !== 'retire').length;
  const labourCost = labour.reduce((sum, { cost }) => sum + cost, 0);
  return [
    ...partCosts(catalogue, total.parts).map((part) =>
      line(settings, part, part.marginClass === 'hire' ? 'hire' : 'parts', part.marginClass),
    ),
    ...labour.map((one) => line(settings, one, 'labour', 'labour')),
    ...serviceLines(settings, catalogue, staying, labourCost),
    ...settings.provisional.map(({ what, sum }, k) =>
      line(
        settings,
        { id: `provisional-${k + 1}`, label: `Provisional: ${what}`, cost: sum, detail: [] },
        'provisional',
        null,
      ),
    ),
    ...(contingency && contingency.median > 0
      ? [
          line(
            settings,
            {
              id: 'expected-rework',
              label: 'Rework that is reckoned with',
              cost: contingency.median,
              detail: ['the middle of what scenarios ask for'],
            },
            'contingency',
            null,
          ),
        ]
      : []),
    ...(contingency && contingency.reserve > 0
      ? [
          line(
            settings,
            {
              id: 'reserve',
              label: 'Reserve for what is not tested yet, charged only as it is used',
              cost: contingency.reserve,
              detail: ['pays for four cases in five'],
            },
            'contingency',
            null,
          ),
        ]
      : []),
  ];
}

const netOf = (lines: readonly OfferLine[]): number => lines.reduce((sum, { price }) => sum + price, 0);

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
  const contingency = contingencyOf(catalogueOf(site), runs, plan.options);
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
 */
export function offerOf(site: Site, runs: readonly RunEvaluation[]): Offer {
  const settings = offerSettingsOf(site);
  const options = Object.fromEntries(
    runs.flatMap(({ camera, chosen }) => (chosen ? [[camera.id, chosen] as const] : [])),
  );
  const base = priced(site, runs, options, []);
  const contingency = contingencyOf(catalogueOf(site), runs, options);
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
    premises: premisesOf(
      site,
      base.offered,
      base.total.parts.map(({ item }) => item),
      runs.filter(({ chosen }) => chosen === null),
    ),
    problems: problemsOf(site, runs, settings),
    hours: base.total.hours,
    darkHours: base.total.darkHours,
    renewals: { years: demandsOf(site).years, cost: base.total.renewCost },
  };
}
