import { judge, type CheckState, type ThingState } from '#core/signoff/acceptance';
import type {
  Acceptance,
  AcceptanceCheckId,
  AcceptanceReading,
  AcceptedThing,
  PolicyFigures,
} from '#core/model/site';
import { remembered } from '#core/shared/memo';
import { groupBy } from '#core/shared/grouping';

/** A figure of a yearly check beside the one that was accepted. */
export interface Drift {
  of: AcceptedThing;
  check: AcceptanceCheckId;
  baseline: AcceptanceReading;
  /** The last yearly reading; `null` while it is still to be made. */
  now: AcceptanceReading | null;
  /** By how much the figure is another, in percent of the baseline; `null` where there is none. */
  percent: number | null;
  state: 'to-read' | 'as-accepted' | 'drifts' | 'fails';
  todo: string;
}

const todos: Record<Drift['state'], string> = {
  'to-read': 'Read it again, the same way as for the acceptance.',
  'as-accepted': 'Nothing.',
  drifts:
    'Still within its limit, but on the way: look at joints and plugs, and read it again in three months.',
  fails: 'Past its limit: put it on the punch list and mend it.',
};

function driftPercent(baseline: AcceptanceReading, now: AcceptanceReading): number | null {
  if (baseline.found.kind !== 'figure' || now.found.kind !== 'figure' || baseline.found.value === 0)
    return null;
  return 100 * (now.found.value / baseline.found.value - 1);
}

function driftOf(
  of: AcceptedThing,
  { check, limit }: CheckState,
  baseline: AcceptanceReading,
  yearly: readonly AcceptanceReading[],
  { driftPercent: told }: PolicyFigures,
): Drift {
  const now = yearly.at(-1) ?? null;
  const percent = now && driftPercent(baseline, now);
  const state: Drift['state'] = !now
    ? 'to-read'
    : !judge(now.found, limit).holds
      ? 'fails'
      : percent !== null && Math.abs(percent) > told
        ? 'drifts'
        : 'as-accepted';
  return { of, check, baseline, now, percent, state, todo: todos[state] };
}

type Readings = Readonly<Record<string, AcceptanceReading>>;

const checkKey = ({ kind, id }: AcceptedThing, check: AcceptanceCheckId): string => `${kind}/${id}/${check}`;

/** Readings by what they are of and which check they are. */
const byCheck = (readings: readonly AcceptanceReading[]): Map<string, AcceptanceReading[]> =>
  groupBy(readings, ({ of, check }) => checkKey(of, check));

/**
 * Every check of accepted things against the reading that it was accepted by: that is the baseline, however long ago.
 * @param readings of the whole site
 */
export function yearlyOf(things: readonly ThingState[], readings: Readings, policy: PolicyFigures): Drift[] {
  const yearly = byCheck(
    Object.values(readings)
      .filter(({ occasion, struck }) => occasion === 'yearly' && !struck)
      .sort((a, b) => Date.parse(a.at) - Date.parse(b.at)),
  );
  const baselines = remembered(({ readingIds }: Acceptance) =>
    byCheck(readingIds.flatMap((id) => readings[id] ?? [])),
  );
  return things.flatMap(({ of, checks, accepted }) => {
    if (!accepted) return [];
    return checks.flatMap((check): Drift[] => {
      const key = checkKey(of, check.check);
      const [baseline] = baselines(accepted).get(key) ?? [];
      const since = (yearly.get(key) ?? []).filter(({ at }) => Date.parse(at) > Date.parse(accepted.at));
      return baseline ? [driftOf(of, check, baseline, since, policy)] : [];
    });
  });
}
