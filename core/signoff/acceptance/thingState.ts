import type { AskedCheck, AskedThing } from '#core/signoff/asked';
import { isInside, meetsBounds, type Predicted } from '#core/signoff/predicted';
import type {
  Acceptance,
  AcceptanceCheckId,
  AcceptanceReading,
  AcceptedThing,
  PunchItem,
  Site,
} from '#core/model/site';
import { putUnder } from '#core/shared/grouping';
import { formatQuantity } from '#core/shared/units';
import { foundInWords, judge, limitInWords } from './judge';

/** How far a thing is: what stands in the way of accepting it, or that it is accepted. */
export type AcceptanceStatus = 'open' | 'fails' | 'ready' | 'accepted' | 'with-exceptions';

/** A check as it stands. */
export interface CheckState {
  check: AcceptanceCheckId;
  limit: AskedCheck['limit'];
  /** What is wanted, in words. */
  wanted: string;
  predicted: Predicted | null;
  reading: AcceptanceReading | null;
  /** Of the reading: in words, whether it holds, and why or why not. */
  found: string;
  holds: boolean | null;
  message: string;
  /** Before anybody reads it: why what is expected would not be accepted; empty where it would, by the middle of it. */
  foreseen: string;
  /** Whether it lies where it was expected; `null` where nothing was, or nothing was read. */
  isExpected: boolean | null;
  /** Readings of it that a later one goes before. */
  superseded: number;
}

/** A thing with what was read of it, what is on the punch list, and who accepted it. */
export interface ThingState extends Omit<AskedThing, 'checks'> {
  status: AcceptanceStatus;
  checks: CheckState[];
  /** How many checks nobody has made, and how many do not hold. */
  unread: number;
  failing: number;
  punch: PunchItem[];
  /** The customer’s acceptance that stands. */
  accepted: Acceptance | null;
}

export const thingKey = ({ kind, id }: AcceptedThing): string => `${kind}/${id}`;

/** Facts of the sign-off by the thing that they are of, looked up once for a whole site. */
export interface SignOffFacts {
  readings: ReadonlyMap<string, readonly AcceptanceReading[]>;
  punch: ReadonlyMap<string, readonly PunchItem[]>;
  acceptances: ReadonlyMap<string, readonly Acceptance[]>;
}

function grouped<T>(all: readonly T[], keysOf: (one: T) => readonly string[]): Map<string, T[]> {
  const groups = new Map<string, T[]>();
  for (const one of all) for (const key of keysOf(one)) putUnder(groups, key, one);
  return groups;
}

/** Readings in the order they were taken, items of the punch list, and acceptances that stand. */
export function signOffFacts({
  acceptanceReading,
  punchItem,
  acceptance,
}: Pick<Site, 'acceptanceReading' | 'punchItem' | 'acceptance'>): SignOffFacts {
  const readings = Object.values(acceptanceReading)
    .filter(({ struck }) => !struck)
    .sort((a, b) => Date.parse(a.at) - Date.parse(b.at));
  const standing = Object.values(acceptance).filter(({ withdrawn }) => !withdrawn);
  return {
    readings: grouped(readings, ({ of }) => [thingKey(of)]),
    punch: grouped(Object.values(punchItem), ({ of }) => [thingKey(of)]),
    acceptances: grouped(standing, ({ things }) => things.map(thingKey)),
  };
}

/** What is expected and would not be accepted: the limit is another one than the choice was held against. */
function foreseenOf({ limit, predicted }: AskedCheck): string {
  if (!predicted || limit.kind !== 'figure' || meetsBounds(limit, predicted) !== 'hardly') return '';
  const { message } = judge({ kind: 'figure', value: predicted.value }, limit);
  return `Expected at ${formatQuantity(predicted.value, limit.unit)}. ${message} Choose otherwise for it, or agree on another limit, before it is built.`;
}

function checkState(asked: AskedCheck, readings: readonly AcceptanceReading[]): CheckState {
  const { check, limit, predicted } = asked;
  const taken = readings.filter((one) => one.check === check && one.occasion === 'sign-off');
  const reading = taken.at(-1) ?? null;
  const judged = reading && judge(reading.found, limit);
  const value = reading?.found.kind === 'figure' ? reading.found.value : null;
  return {
    check,
    limit,
    wanted: limitInWords(limit),
    predicted,
    reading,
    found: reading ? foundInWords(reading.found, limit) : '',
    holds: judged?.holds ?? null,
    message: judged?.message ?? '',
    foreseen: reading ? '' : foreseenOf(asked),
    isExpected: predicted && value !== null ? isInside(predicted, value) : null,
    superseded: Math.max(0, taken.length - 1),
  };
}

/** The acceptance that counts: the customer’s last. What the integrator signs says that it is ready, and takes nothing from the customer. */
const acceptedBy = (acceptances: readonly Acceptance[]): Acceptance | null =>
  acceptances
    .filter(({ role }) => role === 'customer')
    .sort((a, b) => Date.parse(a.at) - Date.parse(b.at))
    .at(-1) ?? null;

/** What was read after an acceptance and does not hold undoes nothing of it, but the thing is not well. */
function statusOf(
  checks: readonly CheckState[],
  accepted: Acceptance | null,
  hasOpenPunch: boolean,
): AcceptanceStatus {
  const rested = new Set(accepted?.readingIds);
  const failing = checks.filter(({ holds }) => holds === false);
  if (accepted) {
    if (failing.some(({ reading }) => !rested.has(reading!.id))) return 'fails';
    return accepted.exceptions.length > 0 && (hasOpenPunch || failing.length > 0)
      ? 'with-exceptions'
      : 'accepted';
  }
  if (failing.length > 0) return 'fails';
  return checks.some(({ holds }) => holds === null) || hasOpenPunch ? 'open' : 'ready';
}

/** How a thing stands: what is asked of it against what was read. */
export function thingState({ checks: asked, ...thing }: AskedThing, facts: SignOffFacts): ThingState {
  const key = thingKey(thing.of);
  const readings = facts.readings.get(key) ?? [];
  const punch = [...(facts.punch.get(key) ?? [])];
  const accepted = acceptedBy(facts.acceptances.get(key) ?? []);
  const checks = asked.map((one) => checkState(one, readings));
  return {
    ...thing,
    checks,
    status: statusOf(
      checks,
      accepted,
      punch.some(({ closed }) => !closed),
    ),
    unread: checks.filter(({ holds }) => holds === null).length,
    failing: checks.filter(({ holds }) => holds === false).length,
    punch,
    accepted,
  };
}
