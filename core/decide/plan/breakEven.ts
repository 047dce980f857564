import { runLengthM, optionRow, type OptionKind, type Product, type Run, type Site } from '#core/model/site';
import { catalogueOf, eachOf, labourId } from '#core/model/catalogue';
import { liftHire, type FeasibleOption } from '#core/decide/options';
import { feasibleOption } from '#core/decide/runEvaluation';
import { formatQuantity } from '#core/shared/units';
import { planningInput, planSite } from './plan';
import type { Plan, PlanningInput, PlanSolver } from './types';
import { reasonFor } from './reasons';

/** Where the choice for a camera turns: at which price of what it needs, or at which length of its run. */
export interface BreakEven {
  of: string;
  unit: 'money' | 'm';
  now: number;
  turnsAt: number | null;
  turnsTo: OptionKind | null;
  message: string;
}

/** How far a price or a length is followed. */
const pricesUpTo = 4;
const pricesDownTo = 0.1;
const lengthsUpTo = 3;
const rounds = 9;

const withPrice = (site: Site, product: Product, each: number): Site => ({
  ...site,
  product: { ...site.product, [product.id]: { ...product, each } as Product },
});

function withLength(site: Site, run: Run, times: number): Site {
  const stretched: Run = {
    ...run,
    segments: run.segments.map((segment) => ({
      ...segment,
      lengthM: Math.min(5000, segment.lengthM * times),
    })),
  };
  // What was read of the loop was read at today's length: it grows with it.
  const reading = Object.fromEntries(
    Object.entries(site.reading).map(([id, one]) => [
      id,
      one.runId === run.id && one.test === 'coax-loop-ohms' ? { ...one, value: one.value * times } : one,
    ]),
  );
  return { ...site, run: { ...site.run, [run.id]: stretched }, reading };
}

/** The factor nearest to one, between it and `most`, at which the option changes, by halving; `null` where it never does. */
function turningPoint(
  most: number,
  optionAt: (times: number) => OptionKind | undefined,
  now: OptionKind,
): { times: number; to: OptionKind | null } | null {
  if (optionAt(most) === now) return null;
  let [stays, turns] = [1, most];
  for (let round = 0; round < rounds; round += 1) {
    const middle = (stays + turns) / 2;
    if (optionAt(middle) === now) stays = middle;
    else turns = middle;
  }
  return { times: turns, to: optionAt(turns) ?? null };
}

const wordsFor = (
  what: string,
  now: string,
  turn: { at: string; to: OptionKind | null } | null,
  most: string,
  rising: boolean,
): string =>
  turn
    ? `${what}: from ${turn.at} ${rising ? 'on' : 'down'} (${now} now) it would be ${turn.to ? `“${optionRow(turn.to).label}”` : 'nothing that holds'}.`
    : `${what}: no change ${rising ? 'up' : 'down'} to ${most} (${now} now).`;

/** Rows of the catalogue that the option rests on and others do not: what it is bought from, its share of a unit, and labour. */
function pricesBehind(input: PlanningInput, option: FeasibleOption): Product[] {
  const { products } = catalogueOf(input.site);
  const shared = option.shared
    ? input.model.units
        .filter(
          ({ placeId, size }) =>
            placeId === option.shared!.placeId && products.get(size.item)?.kind === option.shared!.of,
        )
        .map(({ size }) => size.item)
    : [];
  const own = option.parts
    .map(({ item }) => item)
    .filter((item) => products.get(item)?.kind !== 'camera' && item !== liftHire);
  return [...new Set([...own, ...shared, ...(option.hours > 0 ? [labourId] : [])])]
    .flatMap((id) => products.get(id) ?? [])
    .filter((product) => (eachOf(product) ?? 0) > 0);
}

const money = (value: number): string => formatQuantity(value, 'money', value < 20 ? 1 : 0);

/** The price of a product at which the choice turns, followed up to, or down to, so many times what it is. */
function priceTurn(
  { site }: PlanningInput,
  optionOn: (site: Site) => OptionKind | undefined,
  product: Product,
  now: OptionKind,
  most: number,
): BreakEven {
  const each = eachOf(product)!;
  const turn = turningPoint(most, (times) => optionOn(withPrice(site, product, each * times)), now);
  const at = turn && each * turn.times;
  return {
    of: product.name,
    unit: 'money',
    now: each,
    turnsAt: at,
    turnsTo: turn?.to ?? null,
    message: wordsFor(
      product.name,
      money(each),
      turn && { at: money(at!), to: turn.to },
      money(each * most),
      most > 1,
    ),
  };
}

/** What would change the choice for a camera: dearer parts, dearer labour, a cheaper rival, a longer run. They come one by one. */
export function* breakEvens(
  solver: PlanSolver,
  input: PlanningInput,
  plan: Plan,
  cameraId: string,
): Generator<BreakEven> {
  const now = plan.options[cameraId];
  const evaluation = input.runs.find(({ camera }) => camera.id === cameraId);
  const option = evaluation && now && feasibleOption(evaluation, now);
  if (!now || !evaluation || !option) return;
  const optionOn = (site: Site): OptionKind | undefined => {
    const planning = planSite(solver, planningInput(site, input.demands));
    return planning.kind === 'plan' ? planning.plan.options[cameraId] : undefined;
  };
  for (const product of pricesBehind(input, option))
    yield priceTurn(input, optionOn, product, now, pricesUpTo);
  const rival = reasonFor(solver, input, plan, cameraId)?.next?.option;
  const other = rival && feasibleOption(evaluation, rival);
  const behind = new Set(pricesBehind(input, option).map(({ id }) => id));
  for (const product of other ? pricesBehind(input, other).filter(({ id }) => !behind.has(id)) : [])
    yield priceTurn(input, optionOn, product, now, pricesDownTo);
  const lengthM = runLengthM(evaluation.run);
  const turn = turningPoint(
    lengthsUpTo,
    (times) => optionOn(withLength(input.site, evaluation.run, times)),
    now,
  );
  const at = turn && lengthM * turn.times;
  yield {
    of: 'Length of the run',
    unit: 'm',
    now: lengthM,
    turnsAt: at,
    turnsTo: turn?.to ?? null,
    message: wordsFor(
      'Length of the run',
      formatQuantity(lengthM, 'm'),
      turn && { at: formatQuantity(at, 'm'), to: turn.to },
      formatQuantity(lengthM * lengthsUpTo, 'm'),
      true,
    ),
  };
}
