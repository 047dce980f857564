import type { OrderProblem } from './orderProblem';
import { isDone, leastEnd, nextStates, nothingPlaced, standings, type OrderState } from './orderState';
import type { PlannedJob } from './plannedJob';

/** How late people are with the same done, and what views dark until then cost: the less of each the better. */
function figuresOf(
  { jobs, aim }: OrderProblem,
  { done, free, timed, dark }: OrderState,
  people: readonly number[],
): number[] {
  const figures = [...people.map((person) => free[person]!), timed.at(-1)?.start ?? 0];
  if (aim === 'soonest') return figures;
  // What turned an input that is still dark under it: the later it was, the shorter that lasts.
  const open = new Set(
    jobs.flatMap(({ sameNight }, index) => (sameNight && !isDone(done, index) ? [sameNight] : [])),
  );
  const turned = timed.flatMap(({ job, start }) => (open.has(job.id) ? [{ id: job.id, start }] : []));
  return [...figures, dark, ...turned.sort((a, b) => (a.id < b.id ? -1 : 1)).map(({ start }) => -start)];
}

/** States that were looked at, by what is done and where people stand: of each the figures that none of the others is as good in throughout. */
type Seen = Map<string, number[][]>;

const isNoWorse = (one: readonly number[], other: readonly number[]): boolean =>
  one.every((figure, index) => figure <= other[index]!);

/** Whether something that was looked at before is as far with the same, and nobody later; it is noted where none is. */
function isWorse(problem: OrderProblem, state: OrderState, stands: readonly number[], seen: Seen): boolean {
  const people = stands.map((_, person) => person);
  people.sort((a, b) => stands[a]! - stands[b]! || state.free[a]! - state.free[b]!);
  const key = `${state.done} ${people.map((person) => stands[person]).join()}`;
  const figures = figuresOf(problem, state, people);
  const others = seen.get(key) ?? [];
  if (others.some((other) => isNoWorse(other, figures))) return true;
  seen.set(key, [...others.filter((other) => !isNoWorse(figures, other)), figures]);
  return false;
}

/** Goes through the orders of a night, depth first, at most so many states of it; `looked` says how many they were. */
export function bestOrder(
  problem: OrderProblem,
  most: number,
): { timed: readonly PlannedJob[] | null; looked: number } {
  const seen: Seen = new Map();
  let best: readonly PlannedJob[] | null = null;
  let leastCost = Infinity;
  let looked = 0;
  const goOn = (state: OrderState): void => {
    const { timed, dark, end } = state;
    if (timed.length === problem.jobs.length) {
      if (dark + end < leastCost - 1e-9) [best, leastCost] = [timed, dark + end];
      return;
    }
    const least = leastEnd(problem, state);
    if (least > problem.latestEnd + 1e-9 || dark + least >= leastCost - 1e-9) return;
    if (looked >= most) return;
    const stands = standings(problem, state);
    if (isWorse(problem, state, stands, seen)) return;
    looked += 1;
    for (const next of nextStates(problem, state, stands)) goOn(next);
  };
  goOn(nothingPlaced(problem));
  return { timed: best, looked };
}
