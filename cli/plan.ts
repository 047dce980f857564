import { optionRow, aboutOf, demandsOf } from '#core/model/site';
import type { Highs } from 'highs';
import { catalogueOf } from '#core/model/catalogue';
import { planSolver } from '#core/evaluate';
import { planningInput, planSite, type Plan, type PlanningInput, type Planning } from '#core/decide/plan';
import { lpText } from '#core/solver';
import { formatQuantity } from '#core/shared/units';
import { siteIn } from './siteFiles';

export interface PlanRun {
  status: number;
  out: string;
  errors: string[];
  lp?: { file: string; text: string };
}

export const planUsage = 'npm run plan -- SITE.neotrope.json [--seconds N] [--json] [--lp FILE]';

interface Asked {
  file: string;
  secondsMost?: number;
  asJson: boolean;
  lpFile?: string;
}

function read(args: readonly string[]): Asked | string {
  const asked: Asked = { file: '', asJson: false };
  for (let at = 0; at < args.length; at += 1) {
    const arg = args[at]!;
    if (arg === '--json') asked.asJson = true;
    else if (arg === '--seconds' || arg === '--lp') {
      const value = args[(at += 1)];
      if (value === undefined) return `${arg} needs ${arg === '--lp' ? 'a file' : 'a number of seconds'}`;
      if (arg === '--lp') asked.lpFile = value;
      else if (Number(value) > 0) asked.secondsMost = Number(value);
      else return `--seconds is ${value}, allowed: more than 0`;
    } else if (arg.startsWith('-')) return `${arg} is not understood; ${planUsage}`;
    else if (asked.file) return `one site file at a time; ${planUsage}`;
    else asked.file = arg;
  }
  return asked.file ? asked : `no site file named; ${planUsage}`;
}

const proofWords = ({ proof }: Plan): string =>
  proof.kind === 'proven'
    ? 'proven: nothing costs less under these demands'
    : proof.kind === 'gap'
      ? `the best so far, within ${proof.percent.toFixed(2)} % of any better`
      : 'chosen by hand';

function lines({ site, runs }: PlanningInput, plan: Plan): string[] {
  const { totals } = plan;
  const { products } = catalogueOf(site);
  const { name, currency } = aboutOf(site);
  return [
    `${name}: ${proofWords(plan)}.`,
    `${currency} ${formatQuantity(totals.cost, 'money')}, ${formatQuantity(totals.hours, 'h')} of labour, views dark for ${formatQuantity(totals.darkHours, 'h')} in all; ${totals.ipCameras} of ${totals.cameras} cameras on IP, ${formatQuantity(totals.newCableM, 'm')} of new cable.`,
    ...runs.flatMap(({ camera }) =>
      plan.options[camera.id]
        ? [
            `${String(camera.number).padStart(4)}  ${camera.name.padEnd(24)}  ${optionRow(plan.options[camera.id]!).label}`,
          ]
        : [],
    ),
    ...plan.buys.map(
      ({ productId, placeId, count }) =>
        `buys ${count} × ${products.get(productId)?.name} for ${site.place[placeId]?.name}`,
    ),
  ];
}

const planned = (planning: Planning, input: PlanningInput): string[] => {
  switch (planning.kind) {
    case 'plan':
      return lines(input, planning.plan);
    case 'conflict':
      return [planning.conflict.message, ...planning.conflict.demands.flatMap(({ wayOut }) => wayOut ?? [])];
    case 'nothing':
      return [planning.message];
  }
};

/**
 * Plans a site file from the command line, with the core that the screens use.
 * @returns status 0 with a plan, 2 for bad input, 3 where there is no plan
 */
export function plan(args: readonly string[], readFile: (file: string) => string, highs: Highs): PlanRun {
  const asked = read(args);
  if (typeof asked === 'string') return { status: 2, out: '', errors: [asked] };
  const site = siteIn(asked.file, readFile);
  if (Array.isArray(site)) return { status: 2, out: '', errors: site };
  const input = planningInput(site, demandsOf(site));
  const planning = planSite(
    planSolver(highs),
    input,
    asked.secondsMost === undefined ? {} : { secondsMost: asked.secondsMost },
  );
  const excluded = planning.kind === 'plan' ? planning.plan.excluded : planning.excluded;
  return {
    status: planning.kind === 'plan' ? 0 : 3,
    out: asked.asJson
      ? JSON.stringify(planning, null, 1)
      : [...planned(planning, input), ...excluded.map(({ message }) => message)].join('\n'),
    errors: [],
    ...(asked.lpFile === undefined
      ? {}
      : { lp: { file: asked.lpFile, text: lpText(input.model.programme, aboutOf(site).name) } }),
  };
}
