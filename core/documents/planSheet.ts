import { optionRow, aboutOf, demandsOf, type Site } from '#core/model/site';
import { chosenOption } from '#core/decide/runEvaluation';
import type { SiteEvaluation } from '#core/evaluate';
import { catalogueOf, eachOf, type Catalogue } from '#core/model/catalogue';
import { policies as allPolicies, policyOptionOf } from '#core/decide/plan';
import type { Part, Total } from '#core/decide/options';
import { assumedFacts } from '#core/survey/gaps';
import { formatQuantity } from '#core/shared/units';
import { restsOn } from './restsOn';
import { plannedNetworkCautions, plannedNetworkLines } from './plannedNetworkLines';

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
  remark: string;
}

export interface PlanSheet {
  name: string;
  address: string;
  customer: string;
  currency: string;
  /** How much of it anybody has looked at. */
  restsOn: string;
  rows: PlanRow[];
  /** A price that nobody has set is `null`. */
  parts: { label: string; count: number; each: number | null; cost: number | null }[];
  shared: { label: string; place: string; ports: number; watts: number; cost: number }[];
  /** What of the total is for the network itself, whatever is chosen for the cameras. */
  network: { lines: string[]; cost: number; hours: number };
  total: { cost: number; labourCost: number; hours: number; darkHours: number };
  /** The plan that the choices were adopted with, where they were, and what it heeds. */
  heeds: string[];
  /** What is due again within the years that are looked at. */
  renewals: { years: number; cost: number };
  /** What changes for the views: cameras on IP, kept, mended, retired. */
  becomes: { label: string; count: number }[];
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

function partLine({ products }: Catalogue, { item, count }: Part): PlanSheet['parts'][number] {
  const product = products.get(item);
  const each = product ? eachOf(product) : null;
  return { label: product?.name ?? item, count, each, cost: each === null ? null : Math.round(count * each) };
}

/** The lines of all parts. Cameras are priced one by one in whole units of money: what that makes of metres stands as a line of its own. */
function partLines(catalogue: Catalogue, { parts, cost, labourCost }: Total): PlanSheet['parts'] {
  const lines = parts.map((part) => partLine(catalogue, part));
  const rounding = cost - labourCost - lines.reduce((sum, line) => sum + (line.cost ?? 0), 0);
  return rounding === 0
    ? lines
    : [...lines, { label: 'Rounded camera by camera', count: 1, each: rounding, cost: rounding }];
}

/** What a reader of the row has to know: that it does not hold, and what of it nobody has looked at. */
const remarkOf = (broken: string | null, assumed: readonly string[]): string =>
  [
    ...(broken ? [`does not hold: ${broken}`] : []),
    ...(assumed.length > 0 ? [`assumed: ${assumed.join(', ')}`] : []),
  ].join('; ');

function rowsOf(site: Site, { runs }: SiteEvaluation): PlanRow[] {
  return runs.map((evaluation) => {
    const { camera, run, lengthM, chosen, choiceBroken } = evaluation;
    const option = chosenOption(evaluation);
    return {
      number: camera.number,
      camera: camera.name,
      place: site.place[camera.placeId]?.name ?? '',
      cable: formatQuantity(lengthM, 'm'),
      choice: chosen ? optionRow(chosen).label : '',
      margin: option?.binding ? formatQuantity(option.binding.value, option.binding.unit) : '',
      rests: option?.binding ? option.binding.basis.replace('-', ' ') : '',
      slot: slotText(site, camera.id),
      hours: option?.hours ?? null,
      darkHours: option?.darkHours ?? null,
      cost: option?.cost ?? null,
      remark: remarkOf(choiceBroken, assumedFacts(site, run)),
    };
  });
}

function openPoints(site: Site, { left, runs, allocation }: SiteEvaluation): string[] {
  const assumed = runs
    .filter(({ run, chosen }) => chosen && assumedFacts(site, run).length > 0)
    .map(({ camera }) => camera.number);
  const untested = runs
    .filter(({ findings, chosen }) => chosen && findings.missing.length > 0)
    .map(({ camera }) => camera.number);
  return [
    ...(left.toDecide > 0
      ? [`${left.toDecide} camera${left.toDecide === 1 ? ' is' : 's are'} not decided.`]
      : []),
    ...(allocation.waiting.length > 0
      ? [`Without a slot: ${allocation.waiting.map(({ number }) => number).join(', ')}.`]
      : []),
    ...(untested.length > 0 ? [`Decided on untested runs: ${untested.join(', ')}.`] : []),
    ...(assumed.length > 0 ? [`Decided on facts that nobody has looked at: ${assumed.join(', ')}.`] : []),
    ...runs.flatMap(({ camera, choiceBroken }) =>
      choiceBroken ? [`Camera ${camera.number}: what was chosen does not hold. ${choiceBroken}`] : [],
    ),
    ...allocation.recorders.flatMap(({ broken }) => broken.map(({ why }) => why)),
  ];
}

/** What was demanded of the plan, as a customer reads it, and how sure it is that nothing costs less. */
function heedsOf(site: Site, { runs }: SiteEvaluation): string[] {
  const { caps, policies, sparePercent, years } = demandsOf(site);
  const adopted = new Set(runs.flatMap(({ camera }) => site.choice[camera.id]?.planId ?? []));
  const plans = [...adopted].flatMap((id) => site.savedPlan[id] ?? []);
  return [
    ...plans.map(
      ({ name, by, at, proof }) =>
        `${name}, adopted by ${by} on ${at.slice(0, 10)}, ${proof.kind === 'proven' ? 'proven to cost least under what follows' : proof.kind === 'gap' ? `within ${proof.percent.toFixed(1)} % of the least cost` : 'chosen by hand'}.`,
    ),
    ...allPolicies.map(
      ({ id, label }) =>
        `${label}: ${policyOptionOf(id, policies[id])
          .label.toLowerCase()
          .replace(/\bups\b/, 'UPS')}.`,
    ),
    ...(caps.cost === undefined ? [] : [`At most ${formatQuantity(caps.cost, 'money')}.`]),
    ...(caps.darkHours === undefined
      ? []
      : [`Views dark for at most ${formatQuantity(caps.darkHours, 'h')} in all.`]),
    ...(caps.hours === undefined ? [] : [`At most ${formatQuantity(caps.hours, 'h')} of labour.`]),
    ...(sparePercent > 0 ? [`${sparePercent} % of every limit left over.`] : []),
    `Looked at over ${years} years.`,
  ];
}

/** What cannot be carried out changes nothing; it stands among the open points. */
function becomesOf({ runs }: SiteEvaluation): PlanSheet['becomes'] {
  const counts = new Map<string, number>();
  for (const run of runs) {
    const option = chosenOption(run);
    if (!option) continue;
    const { label } = optionRow(option.kind);
    counts.set(label, (counts.get(label) ?? 0) + 1);
  }
  return [...counts].map(([label, count]) => ({ label, count })).sort((a, b) => b.count - a.count);
}

/** The plan as it is handed over: every camera, what is bought, what it takes and what is still open. */
export function planSheet(site: Site, evaluation: SiteEvaluation): PlanSheet {
  const { name, address, customer, currency } = aboutOf(site);
  const { total, runs, allocation } = evaluation;
  const catalogue = catalogueOf(site);
  const chosen = runs.flatMap((one) => chosenOption(one) ?? []);
  return {
    name,
    address,
    customer,
    currency,
    restsOn: restsOn(site, chosen),
    rows: rowsOf(site, evaluation),
    parts: partLines(catalogue, total),
    shared: total.shared.map((group) => ({
      label: group.parts
        .map(({ item, count }) => `${count} × ${catalogue.products.get(item)?.name ?? item}`)
        .join(', '),
      place: site.place[group.placeId]?.name ?? '',
      ports: group.ports,
      watts: group.watts,
      cost: group.cost,
    })),
    network: { lines: plannedNetworkLines(site), ...total.network },
    heeds: heedsOf(site, evaluation),
    renewals: { years: demandsOf(site).years, cost: total.renewCost },
    becomes: becomesOf(evaluation),
    total: {
      cost: total.cost,
      labourCost: total.labourCost,
      hours: total.hours,
      darkHours: total.darkHours,
    },
    consequences: allocation.recorders.flatMap(({ consequences }) => consequences),
    cautions: [
      ...standingCautions,
      ...new Set([...chosen.flatMap(({ cautions }) => cautions), ...plannedNetworkCautions(site)]),
    ],
    open: openPoints(site, evaluation),
  };
}
