import { catalogueOf, labourRateOf, type Catalogue } from '#core/model/catalogue';
import { demandsOf, hasOwnCamera, type OfferSettings, type OptionKind, type Site } from '#core/model/site';
import { totalOf, type Buys, type Total } from '#core/decide/options';
import { feasibleOption, type RunEvaluation } from '#core/decide/runEvaluation';
import { formatQuantity } from '#core/shared/units';
import type { Contingency } from './contingency';
import { labourCosts } from './labourCosts';
import { partCosts } from './partLines';
import type { Offered } from './premises';
import type { OfferLine } from './types';

/** Choices with what they come to, and what is bought with them. */
interface Priced {
  offered: Offered[];
  total: Total;
}

/** What is chosen, by camera. */
export type Options = Readonly<Record<string, OptionKind>>;

/** What is chosen for the cameras that are decided. */
export const optionsOf = (runs: readonly RunEvaluation[]): Options =>
  Object.fromEntries(runs.flatMap(({ camera, chosen }) => (chosen ? [[camera.id, chosen] as const] : [])));

/** Choices that are possible, with what they come to together. */
export function priced(site: Site, runs: readonly RunEvaluation[], options: Options, buys: Buys): Priced {
  const offered = runs.flatMap((run): Offered[] => {
    const kind = options[run.camera.id];
    const option = kind && feasibleOption(run, kind);
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

/** Every line of the price of these choices, with what is set aside for the unknown where that is given. */
export function linesOf(
  site: Site,
  settings: OfferSettings,
  { offered, total }: Priced,
  contingency: Contingency | null,
): OfferLine[] {
  const catalogue = catalogueOf(site);
  const chosen = offered.map(({ run, option }) => ({ option, place: site.place[run.camera.placeId]! }));
  const labour = labourCosts(catalogue, chosen, total.network, settings);
  const staying = offered.filter(({ option }) => hasOwnCamera(option.kind)).length;
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

/** The price without tax. */
export const netOf = (lines: readonly OfferLine[]): number =>
  lines.reduce((sum, { price }) => sum + price, 0);
