import { chosenOption, type SiteEvaluation } from '#core/evaluation';
import { optionLabels, prices, type Part } from '#core/options';
import { aboutOf, type Site } from '#core/site';
import { formatQuantity } from '#core/units';

/** One camera's line on the sheet that is handed over. */
export interface PlanRow {
  number: number;
  camera: string;
  place: string;
  cable: string;
  choice: string;
  margin: string;
  rests: string;
  slot: string;
  hours: number | null;
  darkHours: number | null;
  cost: number | null;
  decidedBy: string;
  remark: string;
}

export interface PlanSheet {
  name: string;
  address: string;
  customer: string;
  currency: string;
  rows: PlanRow[];
  parts: { label: string; count: number; each: number; cost: number }[];
  shared: { label: string; place: string; ports: number; watts: number; cost: number }[];
  total: { cost: number; hours: number; darkHours: number };
  consequences: string[];
  cautions: string[];
  /** What stands in the way of handing it over. */
  open: string[];
}

/** Cautions that every change of this kind carries, whatever is chosen. */
const standingCautions = [
  'Mains work and fixed wiring are for licensed people, under the local code.',
  'Prove dead before cutting or joining. Polarity before power. Never lift a camera by its lead.',
  'This sheet advises and records; local codes and a licensed person decide.',
];

function slotText(site: Site, cameraId: string): string {
  const placement = site.placement[cameraId];
  return placement ? `${site.recorder[placement.recorderId]?.name ?? ''} ${placement.slot}` : '';
}

const partLine = ({ item, count }: Part) => ({ label: prices[item].label, count, each: prices[item].each, cost: count * prices[item].each });

function rowsOf(site: Site, { runs }: SiteEvaluation): PlanRow[] {
  return runs.map((evaluation) => {
    const { camera, lengthM, chosen, choiceBroken } = evaluation;
    const option = chosenOption(evaluation);
    return {
      number: camera.number, camera: camera.name, place: site.place[camera.placeId]?.name ?? '',
      cable: formatQuantity(lengthM, 'm'),
      choice: chosen ? optionLabels[chosen].label : '',
      margin: option ? formatQuantity(option.binding.value, option.binding.unit) : '',
      rests: option ? option.binding.basis.replace('-', ' ') : '',
      slot: slotText(site, camera.id),
      hours: option?.hours ?? null, darkHours: option?.darkHours ?? null, cost: option?.cost ?? null,
      decidedBy: site.choice[camera.id]?.by ?? '',
      remark: choiceBroken ? `does not hold: ${choiceBroken}` : '',
    };
  });
}

function openPoints({ left, runs, allocation }: SiteEvaluation): string[] {
  const untested = runs.filter(({ findings, chosen }) => chosen && findings.missing.length > 0).map(({ camera }) => camera.number);
  return [
    ...(left.toDecide > 0 ? [`${left.toDecide} camera${left.toDecide === 1 ? ' is' : 's are'} not decided.`] : []),
    ...(allocation.waiting.length > 0 ? [`Without a slot: ${allocation.waiting.map(({ number }) => number).join(', ')}.`] : []),
    ...(untested.length > 0 ? [`Decided on untested runs: ${untested.join(', ')}.`] : []),
    ...runs.flatMap(({ camera, choiceBroken }) => (choiceBroken ? [`Camera ${camera.number}: what was chosen does not hold. ${choiceBroken}`] : [])),
    ...allocation.recorders.flatMap(({ broken }) => broken.map(({ why }) => why)),
  ];
}

/** The plan as it is handed over: every camera, what is bought, what it takes and what is still open. */
export function planSheet(site: Site, evaluation: SiteEvaluation): PlanSheet {
  const { name, address, customer, currency } = aboutOf(site);
  const { total, runs, allocation } = evaluation;
  const chosen = runs.flatMap((one) => chosenOption(one) ?? []);
  return {
    name, address, customer, currency,
    rows: rowsOf(site, evaluation),
    parts: total.parts.map(partLine),
    shared: total.shared.map((group) => ({
      label: group.parts.map(({ item, count }) => `${count} × ${prices[item].label}`).join(', '),
      place: site.place[group.placeId]?.name ?? '', ports: group.ports, watts: group.watts, cost: group.cost,
    })),
    total: { cost: total.cost, hours: total.hours, darkHours: total.darkHours },
    consequences: allocation.recorders.flatMap(({ consequences }) => consequences),
    cautions: [...standingCautions, ...new Set(chosen.flatMap(({ cautions }) => cautions))],
    open: openPoints(evaluation),
  };
}
