import type { LineEvent } from '#core/physics/reflectometer';
import type { Place } from '#core/model/site';
import {
  beliefIn,
  nextTestsOf,
  storiesOf,
  type Belief,
  type DiagnosisInput,
  type Stories,
} from '#core/test/diagnosis';
import { isTraceRead, keepFound } from '#core/test/findings';
import { roundTestOf, type WeighedTest } from './roundTestOf';

/** A run whose tests are to be weighed, as plain data, so that another thread can do it. */
export interface RunToWeigh {
  looked: DiagnosisInput;
  /** Of its camera. */
  place: Place;
  /** What was found on its trace, where that has been read. */
  found?: readonly LineEvent[];
}

/** What a test tells beside others of the same run: each one after the first so much of what it would tell alone. Judgement. */
const besideOthers = 0.5;

/** Takes over what was found on the trace elsewhere. */
function takeFound({ looked: { run, readings }, found }: RunToWeigh): void {
  const trace = readings.reflectometer;
  if (trace && found && !isTraceRead(run, trace)) keepFound(run, trace, found);
}

/** A run of which something is believed, with what its readings tell: others may say something of it yet. */
export interface BelievedRun {
  looked: DiagnosisInput;
  stories: Stories;
  belief: Belief;
}

/** What is believed of a run by what it was looked at with. */
export function believeRun(of: RunToWeigh): BelievedRun {
  takeFound(of);
  const { looked } = of;
  const stories = storiesOf(looked);
  return { looked, stories, belief: beliefIn(looked, stories).belief };
}

/**
 * The tests of one run that a round could hold, those that tell most first. What was worked out for a belief in the same run and
 * readings is not worked out again.
 */
export function weighRun(of: RunToWeigh, believed?: BelievedRun): WeighedTest[] {
  takeFound(of);
  const { place } = of;
  const looked = believed ? { ...believed.looked, shared: of.looked.shared } : of.looked;
  return nextTestsOf(looked, place, believed?.stories)
    .sort((a, b) => b.bits - a.bits)
    .map(({ test, bits, ...cost }, index) => roundTestOf(looked, test, cost, bits * besideOthers ** index));
}
