import type { Place, Run } from '#core/model/site';
import { formatQuantity } from '#core/shared/units';
import {
  ghostLengthM,
  lineKind,
  eventWords,
  severity,
  faultsOf,
  metreSpread,
  runEvents,
  type RunEvent,
} from '#core/test/findings';
import type { RunReadings } from '#core/test/readings';
import { causes, causeWords, type Cause } from './likelihoods';
import { nextTests, type NextTest } from './nextTest';
import { observationsOf, type DiagnosisInput, type Observation } from './observations';
import { beliefAfter, chanceOf, priorBelief, type Belief } from './posterior';

/** Where on the run a cause shows, and how that is known. */
export interface FaultLocation {
  atM: number;
  spreadM: number;
  message: string;
}

export interface RankedCause {
  cause: Cause;
  label: string;
  means: string;
  remedy: string;
  probability: number;
  /** What speaks for it and against it, the strongest first. */
  pro: string[];
  contra: string[];
  where: FaultLocation | null;
}

export interface Diagnosis {
  ranked: RankedCause[];
  next: NextTest[];
  /** Dangerous volts were read: nobody tests anything. */
  stopped: boolean;
  /** In one sentence, what may be said and no more. */
  message: string;
}

/** Weight of evidence, in tenths of a power of ten, from which it is worth telling. */
const worthTelling = 3;

/**
 * How much an observation by itself speaks for a cause against all the others as they are before anything is read, in
 * decibans: 10·log₁₀ of the likelihood ratio.
 */
function weightDb({ id, outcome }: Observation, cause: Cause, before: Belief): number {
  const others = causes.reduce(
    (sum, other) => (other === cause ? sum : sum + before[other] * chanceOf(id, outcome, other)),
    0,
  );
  return 10 * Math.log10((chanceOf(id, outcome, cause) * (1 - before[cause])) / others);
}

/** Kinds of event that show where a cause is. */
const shownBy: Partial<Record<Cause, readonly RunEvent['kind'][]>> = {
  joint: ['series', 'open'],
  'coax-conductor': ['open', 'short', 'end'],
  water: ['shunt', 'lower-impedance', 'short'],
  echo: ['lower-impedance', 'series', 'shunt'],
  tap: ['tap', 'shunt'],
};

function whereOf(cause: Cause, run: Run, readings: RunReadings): FaultLocation | null {
  const kinds = shownBy[cause];
  if (!kinds) return null;
  if (readings.reflectometer) {
    const event = faultsOf(runEvents(run, readings.reflectometer))
      .filter(({ kind }) => kinds.includes(kind))
      .sort((a, b) => kinds.indexOf(a.kind) - kinds.indexOf(b.kind) || severity(b) - severity(a))[0];
    return event ? { atM: event.atM, spreadM: metreSpread(event.atM), message: eventWords(event) } : null;
  }
  const ghostUs = readings.picture?.ghostUs;
  if (ghostUs === undefined || (cause !== 'echo' && cause !== 'tap')) return null;
  const lengthM = ghostLengthM(run, ghostUs);
  return { atM: lengthM, spreadM: 0.1 * lengthM, message: 'the ghost’s way there and back, from either end' };
}

/** From so much a cause is named without its rivals. Policy. */
const namedAlone = 0.8;

function saysOf(
  [first, second]: readonly RankedCause[],
  { verdicts }: DiagnosisInput,
  hasReadings: boolean,
): string {
  if (!first || !hasReadings) return 'No readings yet.';
  const at = (ranked: RankedCause) => (ranked.where ? ` at ${formatQuantity(ranked.where.atM, 'm')}` : '');
  const stop = verdicts.find(({ state }) => state === 'stop');
  if (stop) return stop.message;
  const failing = verdicts.find(({ state, basis }) => basis === 'measured' && state === 'fails');
  if (first.cause === 'sound' && failing)
    return `${failing.label}: ${failing.message}. What is behind it is not told yet.`;
  if (first.cause === 'sound')
    return first.probability >= namedAlone
      ? 'No fault shows in what was read.'
      : `No fault shows so far. Not ruled out: ${second!.label.toLowerCase()}.`;
  if (first.probability >= namedAlone)
    return `Most likely ${first.label.toLowerCase()}${at(first)}: ${first.means}.`;
  return `${first.label}${at(first)}, or ${second!.label.toLowerCase()}${at(second!)}: the readings do not tell them apart yet.`;
}

/** What is most likely wrong with a run, with what speaks for and against each cause, and what to test next. */
export function diagnose(looked: DiagnosisInput, place: Place): Diagnosis {
  const stopped = looked.verdicts.some(({ state }) => state === 'stop');
  const observations = observationsOf(looked);
  const line = lineKind(looked.run);
  const before = priorBelief(line);
  const belief = beliefAfter(observations, line);
  const ranked = causes
    .filter((cause) => before[cause] > 0)
    .map((cause): RankedCause => {
      // What is not on the list expects nothing, so that nothing speaks for it but that all else fits badly.
      const weighed = (cause === 'unlisted' ? [] : observations).map((observation) => ({
        message: observation.message,
        weight: weightDb(observation, cause, before),
      }));
      return {
        cause,
        ...causeWords[cause],
        probability: belief[cause],
        where: whereOf(cause, looked.run, looked.readings),
        pro: weighed
          .filter(({ weight }) => weight >= worthTelling)
          .sort((a, b) => b.weight - a.weight)
          .map(({ message }) => message),
        contra: weighed
          .filter(({ weight }) => weight <= -worthTelling)
          .sort((a, b) => a.weight - b.weight)
          .map(({ message }) => message),
      };
    })
    .sort((a, b) => b.probability - a.probability);
  return {
    ranked,
    stopped,
    next: stopped
      ? []
      : nextTests(belief, observations, { run: looked.run, place, readings: looked.readings }),
    message: saysOf(ranked, looked, observations.length > 0),
  };
}
