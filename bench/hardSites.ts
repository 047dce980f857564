import { readFileSync } from 'node:fs';
import path from 'node:path';
import { gunzipSync } from 'node:zlib';
import { planningInput, planSite, type PlanningInput, type PlanSolver } from '#core/decide/plan';
import { demandsOf, parseSiteFile, type Demands, type Site } from '#core/model/site';
import { solve, type Programme } from '#core/solver';
import { glpk } from './glpk';
import type { Row } from './measure';

/** Longest that another solver is given for each of them. */
const glpkSeconds = 40;
const mostMs = 10_000;

function siteOf(name: string): Site {
  const file = path.resolve('tests/reference/hard', `${name}.neotrope.json.gz`);
  const read = parseSiteFile(gunzipSync(readFileSync(file)).toString('utf8'));
  if (read.kind === 'refused') throw new Error(JSON.stringify(read.problems));
  return read.value;
}

/** The same rows with something else as what is sought. */
const seeking = (
  { model: { programme } }: PlanningInput,
  amounts: ReadonlyMap<number, number>,
): Programme => ({
  rows: programme.rows,
  variables: programme.variables.map((one, index) => ({ ...one, cost: amounts.get(index) ?? 0 })),
});

/** The least of each amount that any plan of the site has by itself. */
function leastOf({ highs }: PlanSolver, input: PlanningInput) {
  const { picks, things, units, buys, programme } = input.model;
  const least = (amounts: [number, number][]): number => {
    const solved = solve(highs, seeking(input, new Map(amounts)));
    if (solved.kind !== 'proven') throw new Error(solved.kind);
    return solved.cost;
  };
  return {
    darkHours: () => least(picks.map(({ candidate, variable }) => [variable, candidate.option.darkHours])),
    hours: () =>
      least([
        ...picks.map(({ candidate, variable }): [number, number] => [variable, candidate.option.ownHours]),
        ...things.map(({ unit, variable }): [number, number] => [variable, unit.hours]),
      ]),
    cost: () =>
      least([
        ...picks.map(({ candidate, variable }): [number, number] => [variable, candidate.option.ownCost]),
        ...[...things, ...units, ...buys].map(({ variable }): [number, number] => [
          variable,
          programme.variables[variable]!.cost,
        ]),
      ]),
  };
}

/** A site of 250 cameras under caps just above the least that there is, so that nearly everything binds. */
function row(
  solver: PlanSolver,
  name: string,
  words: string,
  capsOf: (input: PlanningInput) => Demands['caps'],
): Row[] {
  const site = siteOf(name);
  const free = { ...demandsOf(site), caps: {} };
  const demands = { ...free, caps: capsOf(planningInput(site, free)) };
  const start = performance.now();
  const input = planningInput(site, demands);
  const found = planSite(solver, input, { secondsMost: 60 });
  const took = performance.now() - start;
  const isProven = found.kind === 'plan' && found.plan.proof.kind === 'proven';
  const other = glpk(input.model.programme, glpkSeconds);
  return [
    {
      figure: `250 cameras, ${words}`,
      measured: `${(took / 1000).toFixed(1)} s, ${isProven ? 'proven' : 'not proven'}`,
      wanted: `proven under ${mostMs / 1000} s; glpk ${other.isProven ? `${(other.millis / 1000).toFixed(0)} s` : `not in ${glpkSeconds} s`}`,
      holds: isProven && took < mostMs,
    },
  ];
}

/** Sites that are hard to plan: recorders to buy under two caps, and dark time first under a cap on cost. */
export const hardSites = (solver: PlanSolver): Row[] => [
  ...row(solver, 'two-caps', 'dark time and labour at most 5 % above the least of each', (input) => {
    const least = leastOf(solver, input);
    return { darkHours: least.darkHours() * 1.05, hours: least.hours() * 1.05 };
  }),
  ...row(solver, 'cost-cap', 'dark time first, cost at most 1 % above the least', (input) => ({
    cost: leastOf(solver, input).cost() * 1.01,
  })),
];
