import { cableOf } from '#core/physics/cable';
import { findEvents, lightMPerNs, type LineEvent, type Trace } from '#core/physics/reflectometer';
import {
  runLengthM,
  mostSamples,
  type Run,
  type Segment,
  type Traced,
  type TraceReading,
} from '#core/model/site';

/** A trace as it was kept, in volts. */
export function traceOf({ stepNs, voltsPerCount, counts }: Traced): Trace {
  const volts = new Float64Array(counts.length);
  for (let k = 0; k < volts.length; k += 1) volts[k] = counts[k]! * voltsPerCount;
  return { stepNs, volts };
}

/** A trace as it is kept: whole counts of the finest step that holds it, at no more readings than are kept. */
export function keptTrace({ stepNs, volts }: Trace): Traced {
  const every = Math.ceil(volts.length / mostSamples);
  const kept = every === 1 ? volts : volts.filter((_, k) => k % every === 0);
  const highest = kept.reduce((most, value) => Math.max(most, Math.abs(value)), 0);
  const voltsPerCount = Math.max(highest, 1e-9) / 32_767;
  return {
    stepNs: stepNs * every,
    voltsPerCount,
    counts: Array.from(kept, (value) => Math.round(value / voltsPerCount)),
  };
}

/** Velocity factor of a segment: as fitted on this very cable, else its construction's. */
export const segmentVelocityFactor = (segment: Segment): number =>
  segment.velocityFactor ?? cableOf(segment).velocityFactor;

/** Velocity factor of a whole run: its length over the time a wave takes for it. */
export function runVelocityFactor(run: Run): number {
  const slowed = run.segments.reduce(
    (sum, segment) => sum + segment.lengthM / segmentVelocityFactor(segment),
    0,
  );
  return runLengthM(run) / slowed;
}

/** Metres along a run that a wave has gone and come back from after so long, each segment at its own speed. */
export function metresAtNs(run: Run, thereAndBackNs: number): number {
  let leftNs = thereAndBackNs;
  let atM = 0;
  for (const [index, segment] of run.segments.entries()) {
    const { lengthM } = segment;
    const mPerNs = (segmentVelocityFactor(segment) * lightMPerNs) / 2;
    const isLast = index === run.segments.length - 1;
    if (isLast || leftNs * mPerNs <= lengthM) return atM + leftNs * mPerNs;
    leftNs -= lengthM / mPerNs;
    atM += lengthM;
  }
  return atM;
}

/** How long a wave takes there and back to a metre of the run. */
export function nsAtMetres(run: Run, metres: number): number {
  let leftM = metres;
  let ns = 0;
  for (const [index, segment] of run.segments.entries()) {
    const { lengthM } = segment;
    const mPerNs = (segmentVelocityFactor(segment) * lightMPerNs) / 2;
    const isLast = index === run.segments.length - 1;
    if (isLast || leftM <= lengthM) return ns + leftM / mPerNs;
    ns += lengthM / mPerNs;
    leftM -= lengthM;
  }
  return ns;
}

/** How far a metre told by a trace may be off, one standard deviation: pulse, and velocity factor. Typical. */
export const metreSpread = (metres: number): number => Math.hypot(0.5, 0.015 * metres);

export interface NotedJoint {
  atM: number;
  joint: NonNullable<Run['segments'][number]['joint']>;
}

/** Where joints are to be expected, by the run as it was noted. */
export function jointsAlong(run: Run): NotedJoint[] {
  let atM = 0;
  return run.segments.flatMap(({ lengthM, joint }) => {
    atM += lengthM;
    return joint ? [{ atM, joint }] : [];
  });
}

/** An event of a trace at its metre of the run. */
export interface RunEvent extends Omit<LineEvent, 'distanceM'> {
  atM: number;
  /** The joint that was noted there. */
  joint?: NotedJoint['joint'];
  /** It is where the run as noted ends, or beyond: a run that is longer than noted is no broken one. */
  isFarEnd: boolean;
}

/** Spreads from which two metres are not the same place any more. Policy. */
const apartFrom = 3;

/** How far the run's own end may be from where it is noted, one standard deviation. */
const endSpreadM = (run: Run): number =>
  Math.hypot(metreSpread(runLengthM(run)), ...run.segments.map(({ spreadM }) => spreadM));

/** What a trace is read with: itself, and the line that it was taken of. Together they decide what is found. */
export interface TraceTask {
  trace: Traced;
  velocityFactor: number;
  impedanceOhms: number;
}

export const traceTaskOf = (run: Run, { trace }: TraceReading): TraceTask => ({
  trace,
  velocityFactor: runVelocityFactor(run),
  impedanceOhms: cableOf(run.segments[0]!).impedanceOhms,
});

/** What a trace shows. It takes some milliseconds, so that many are read in threads of their own. */
export const readTrace = ({ trace, ...known }: TraceTask): LineEvent[] => findEvents(traceOf(trace), known);

function eventsAlong(run: Run, found: readonly LineEvent[]): RunEvent[] {
  const velocityFactor = runVelocityFactor(run);
  const joints = jointsAlong(run);
  const endM = runLengthM(run);
  return found.map(({ distanceM, ...event }) => {
    const atM = metresAtNs(run, distanceM / ((velocityFactor * lightMPerNs) / 2));
    const near = joints
      .filter((joint) => Math.abs(joint.atM - atM) <= apartFrom * metreSpread(atM))
      .sort((a, b) => Math.abs(a.atM - atM) - Math.abs(b.atM - atM))[0];
    const ends = event.kind === 'open' || event.kind === 'short' || event.kind === 'end';
    return {
      ...event,
      atM,
      isFarEnd: ends && atM >= endM - apartFrom * endSpreadM(run),
      ...(near && !ends && event.kind !== 'patch-end' ? { joint: near.joint } : {}),
    };
  });
}

/** What was found on a trace, and what that is along the run it was last asked for. */
interface ReadTrace {
  velocityFactor: number;
  impedanceOhms: number;
  found: readonly LineEvent[];
  along?: { run: Run; events: RunEvent[] };
}

/** A trace is read once, however often what it tells is asked for. A reading never changes. */
const read = new WeakMap<TraceReading, ReadTrace>();

function knownTrace(run: Run, reading: TraceReading): ReadTrace | undefined {
  const known = read.get(reading);
  if (!known || known.along?.run === run) return known;
  const { velocityFactor, impedanceOhms } = traceTaskOf(run, reading);
  return known.velocityFactor === velocityFactor && known.impedanceOhms === impedanceOhms ? known : undefined;
}

/** Whether a trace has been read already, so that what it tells costs nothing. */
export const isTraceRead = (run: Run, reading: TraceReading): boolean =>
  knownTrace(run, reading) !== undefined;

/** What was found on a trace, where it has been read. */
export const foundOn = (run: Run, reading: TraceReading): readonly LineEvent[] | undefined =>
  knownTrace(run, reading)?.found;

/** Keeps what was found on a trace elsewhere, in another thread or on another day. */
export function keepFound(run: Run, reading: TraceReading, found: readonly LineEvent[]): void {
  const { velocityFactor, impedanceOhms } = traceTaskOf(run, reading);
  read.set(reading, { velocityFactor, impedanceOhms, found });
}

/** What a reflectometer reading tells of a run, in the order of the metres. */
export function runEvents(run: Run, reading: TraceReading): RunEvent[] {
  if (!knownTrace(run, reading)) keepFound(run, reading, readTrace(traceTaskOf(run, reading)));
  const known = read.get(reading)!;
  if (known.along?.run !== run) known.along = { run, events: eventsAlong(run, known.found) };
  return known.along.events;
}

/** An echo less sure than this is shown, and nothing is concluded from it: noise makes as much. Policy. */
const sureFrom = 0.5;

/** How much longer a run is than noted, by the end that its trace shows; `null` where the two agree. */
export function longerByM(run: Run, events: readonly RunEvent[]): number | null {
  const end = events.find(({ isFarEnd }) => isFarEnd);
  const beyondM = end ? end.atM - runLengthM(run) : 0;
  return beyondM > apartFrom * endSpreadM(run) ? beyondM : null;
}

/** Faults that a trace is sure of: everything but the end where it should be, and the other end of a piece that begins before. */
export const faultsOf = (events: readonly RunEvent[]): RunEvent[] =>
  events.filter(
    ({ kind, isFarEnd, confidence }) => kind !== 'patch-end' && !isFarEnd && confidence >= sureFrom,
  );
