import type { Programme, Row, Term } from '#core/solver';
import { planningInput, planSite } from './plan';
import type { Plan, PlanningInput, PlanModel, PlanSolver } from './types';

/** What is traded against cost along a curve. */
export const tradeOffs = ['dark', 'recabled', 'spare'] as const;
export type TradeOff = (typeof tradeOffs)[number];

export interface CurvePoint {
  plan: Plan;
  /** Dark hours, cameras recabled in percent, or percent of every limit left over. */ at: number;
}

/** How much of the traded amount a plan has. */
function amountOf({ totals }: Plan, tradeOff: TradeOff): number {
  switch (tradeOff) {
    case 'dark':
      return totals.darkHours;
    case 'recabled':
      return totals.cameras === 0 ? 0 : (totals.recabled / totals.cameras) * 100;
    case 'spare':
      return totals.sparePercent;
  }
}

/** The traded amount as terms of the picks. */
function termsOf({ picks }: PlanModel, tradeOff: 'dark' | 'recabled'): Term[] {
  return picks
    .map(({ candidate: { option }, variable }) => ({
      variable,
      by: tradeOff === 'dark' ? option.darkHours : option.newCableM > 0 ? 1 : 0,
    }))
    .filter(({ by }) => by > 0);
}

/** Money alone is sought, and what else is weighed only breaks ties: a curve of weighed plans would not be one of costs. */
function cheapestFirst({ programme: { variables, rows }, picks }: PlanModel): Programme {
  const weightOf = new Map(picks.map(({ variable, candidate }) => [variable, candidate.weight]));
  return {
    rows,
    variables: variables.map((variable, index) => ({
      ...variable,
      cost: variable.cost - (weightOf.get(index) ?? 0) * (1 - 1e-5),
    })),
  };
}

const withRow = ({ variables, rows }: Programme, row: Row): Programme => ({
  variables,
  rows: [...rows, row],
});
/** The same rows, with the traded amount as what is sought and cost breaking ties. */
const seeking = ({ variables, rows }: Programme, terms: readonly Term[], sign: 1 | -1): Programme => {
  const by = new Map(terms.map((term) => [term.variable, term.by]));
  const dearest = variables.reduce((sum, { cost, most }) => sum + Math.abs(cost) * most, 1);
  return {
    rows,
    variables: variables.map((variable, index) => ({
      ...variable,
      cost: sign * (by.get(index) ?? 0) * 1000 + (variable.cost / dearest) * 0.1,
    })),
  };
};

const mostPoints = 9;

/** Points between the cheapest plan and the one that has most or least of the traded amount, each the cheapest of its kind. */
function* between(
  solver: PlanSolver,
  input: PlanningInput,
  tradeOff: 'dark' | 'recabled',
  cheapest: Plan,
): Generator<CurvePoint> {
  const terms = termsOf(input.model, tradeOff);
  // Dark time is to be little; share recabled is worth having more of.
  const sense = tradeOff === 'dark' ? ('<=' as const) : ('>=' as const);
  const end = planSite(solver, input, {
    asked: ({ programme }) => seeking(programme, terms, tradeOff === 'dark' ? 1 : -1),
  });
  if (end.kind !== 'plan') return;
  const inTerms = (plan: Plan): number =>
    terms.reduce((sum, { variable, by }) => {
      const pick = input.model.picks.find((one) => one.variable === variable)!;
      return plan.options[pick.camera.cameraId] === pick.candidate.option.kind ? sum + by : sum;
    }, 0);
  const [from, to] = [inTerms(cheapest), inTerms(end.plan)];
  let last = from;
  for (let step = 1; step < mostPoints; step += 1) {
    const wanted = from + ((to - from) * step) / (mostPoints - 1);
    // A bound that the point before heeds already gives the same point again.
    if (sense === '<=' ? wanted >= last - 1e-9 : wanted <= last + 1e-9) continue;
    const point = planSite(solver, input, {
      asked: (model) =>
        withRow(cheapestFirst(model), {
          name: tradeOff,
          terms,
          sense,
          bound: sense === '<=' ? wanted + 1e-6 : Math.ceil(wanted - 1e-6),
          demand: null,
        }),
    });
    if (point.kind !== 'plan') continue;
    last = inTerms(point.plan);
    yield { plan: point.plan, at: amountOf(point.plan, tradeOff) };
  }
}

const spareSteps = [5, 10, 15, 20, 25, 30, 40, 50];

/**
 * The curve of one trade-off: proven plans, each the cheapest that has so much of the other. They come one by one, so
 * that a person sees it grow and may stop it.
 */
export function* tradeOffCurve(
  solver: PlanSolver,
  input: PlanningInput,
  tradeOff: TradeOff,
): Generator<CurvePoint> {
  const cheapest = planSite(solver, input, { asked: cheapestFirst });
  if (cheapest.kind !== 'plan') return;
  const first = { plan: cheapest.plan, at: amountOf(cheapest.plan, tradeOff) };
  if (tradeOff !== 'spare') {
    yield first;
    yield* between(solver, input, tradeOff, cheapest.plan);
    return;
  }
  // Where IP leaves too little to spare the goal lets something else in, which may be cheaper: points that are beaten in both are no part of the curve.
  const points = [first, ...spared(solver, input, first)];
  yield* points.filter(
    (point) =>
      !points.some((other) => other.at > point.at + 1e-9 && other.plan.totals.cost <= point.plan.totals.cost),
  );
}

function* spared(solver: PlanSolver, input: PlanningInput, first: CurvePoint): Generator<CurvePoint> {
  let last = first.at;
  for (const sparePercent of spareSteps) {
    if (sparePercent <= last) continue;
    const under = planningInput(input.site, { ...input.demands, sparePercent });
    const point = planSite(solver, under, { asked: cheapestFirst });
    if (point.kind !== 'plan') return;
    last = amountOf(point.plan, 'spare');
    yield { plan: point.plan, at: last };
  }
}
