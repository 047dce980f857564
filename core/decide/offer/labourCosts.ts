import { labourRateOf, productOf, type Catalogue } from '#core/model/catalogue';
import type { OfferSettings, Place } from '#core/model/site';
import { sharedThingsOf, type FeasibleOption, type Part, type Total } from '#core/decide/options';
import { formatQuantity } from '#core/shared/units';

/** Work of one kind, at cost. */
export interface LabourCost {
  id: string;
  label: string;
  cost: number;
  hours: number;
  detail: string[];
}

/** A choice that is carried out, where it is. */
export interface Chosen {
  option: FeasibleOption;
  place: Place;
}

const wheres = {
  survey: 'Survey of routes',
  bench: 'Configuration on the bench',
  route: 'Cable routes',
  'head-end': 'Work at the head end',
  camera: 'Work at the cameras',
} as const;
type Where = keyof typeof wheres;

interface Hours {
  day: number;
  night: number;
}

const surveying = 'survey-route';

/** The hours of tasks by where they are done, those that leave a view dark by night. */
function addTasks(catalogue: Catalogue, tasks: readonly Part[], into: Map<Where, Hours>): void {
  for (const { item, count } of tasks) {
    const { hours, darkHours, where } = productOf(catalogue, item, 'task');
    const at: Where = item === surveying ? 'survey' : (where ?? 'camera');
    const known = into.get(at) ?? { day: 0, night: 0 };
    into.set(at, {
      day: known.day + (hours - darkHours) * count,
      night: known.night + darkHours * count,
    });
  }
}

/** Of a choice the hours of work at the camera itself. */
function cameraHours(catalogue: Catalogue, { option }: Chosen): Hours {
  const at = new Map<Where, Hours>();
  addTasks(catalogue, option.tasks, at);
  return at.get('camera') ?? { day: 0, night: 0 };
}

/** What work takes and costs at the cameras, on the way to them and at the head end, by day and by night; what is shared once. */
export function labourCosts(
  catalogue: Catalogue,
  chosen: readonly Chosen[],
  network: Total['network'],
  { heightPercent, accessPercent }: OfferSettings,
): LabourCost[] {
  const { day, night } = labourRateOf(catalogue);
  const costOf = (hours: Hours): number => hours.day * day + hours.night * night;
  const at = new Map<Where, Hours>();
  for (const { option } of chosen) addTasks(catalogue, option.tasks, at);
  for (const { thing, units } of sharedThingsOf(
    catalogue,
    chosen.map(({ option }) => option),
  ))
    addTasks(
      catalogue,
      // What is shared is made beside the old system: none of it by night.
      thing.tasks.map(({ item, count }) => ({ item, count: count * units })),
      at,
    );
  const said = (hours: Hours): string[] => [
    `${formatQuantity(hours.day, 'h')} by day, ${formatQuantity(hours.night, 'h')} by night`,
  ];
  const lines = (Object.keys(wheres) as Where[]).flatMap((where): LabourCost[] => {
    const hours = at.get(where);
    if (!hours || hours.day + hours.night === 0) return [];
    return [
      {
        id: `labour-${where}`,
        label: wheres[where],
        cost: costOf(hours),
        hours: hours.day + hours.night,
        detail: said(hours),
      },
    ];
  });
  const extra = (
    id: string,
    label: string,
    percent: number,
    isMeant: (place: Place) => boolean,
  ): LabourCost[] => {
    const meant = chosen.filter(({ place }) => isMeant(place)).map((one) => cameraHours(catalogue, one));
    const cost = (meant.reduce((sum, hours) => sum + costOf(hours), 0) * percent) / 100;
    const hours = meant.reduce((sum, one) => sum + one.day + one.night, 0);
    return cost === 0
      ? []
      : [{ id, label, cost, hours: 0, detail: [`${percent} % on ${formatQuantity(hours, 'h')}`] }];
  };
  const ofNetwork = (): LabourCost[] => {
    if (network.hours === 0) return [];
    const hours = { day: network.hours - network.darkHours, night: network.darkHours };
    return [
      {
        id: 'labour-network',
        label: 'Work on the network itself',
        cost: costOf(hours),
        hours: network.hours,
        detail: network.darkHours > 0 ? said(hours) : [`${formatQuantity(network.hours, 'h')} by day`],
      },
    ];
  };
  return [
    ...lines,
    ...ofNetwork(),
    ...extra('height', 'Extra for work at height', heightPercent, ({ access }) => access.by !== 'ground'),
    ...extra(
      'access',
      'Extra for places with conditions',
      accessPercent,
      ({ restrictions }) => restrictions.length > 0,
    ),
  ];
}
