import { cableOf } from '#core/physics/cable';
import { forwardTrace, launchOf, type End, type Line, type Trace } from '#core/physics/reflectometer';
import { runLengthM, type Run, type Segment, type TraceReading } from '#core/model/site';
import { faultsFromEvents, lineOf } from './lineModel';
import {
  jointsAlong,
  metresAtNs,
  nsAtMetres,
  runEvents,
  traceOf,
  type NotedJoint,
  type RunEvent,
} from './traceEvents';

/** A curve over the run: metres, and the echo as a share of the pulse that was sent. */
export type Curve = [metres: number, share: number][];

export interface TraceView {
  measured: Curve;
  /** What a reflectometer would show of the run as noted, with the events found on it. */
  model: Curve;
  events: RunEvent[];
  joints: NotedJoint[];
  /** How far the axis goes. */
  axisM: number;
}

/** A trace over the metres of its run, from a little before its start to the end of the axis. */
function curveOf(run: Run, { stepNs, volts }: Trace, startNs: number, height: number, axisM: number): Curve {
  const curve: Curve = [];
  for (let k = 0; k < volts.length; k += 1) {
    const metres = metresAtNs(run, k * stepNs - startNs);
    if (metres > axisM) break;
    if (metres >= 0) curve.push([metres, volts[k]! / height]);
  }
  return curve;
}

/** Rise of the model's pulse over its width: instruments do not say it, and echoes hardly tell. */
const edgeShare = 0.4;

/** What the line ends in, by its last event; where none shows, in its own impedance. */
function endOf({ kind, ohms = 0 }: RunEvent): End {
  return kind === 'end' ? { kind: 'load', ohms } : { kind: kind === 'short' ? 'short' : 'open' };
}

/** The run as far as a trace sees it: up to where it ends there, shorter or longer than noted. */
function seenSegments(run: Run, endM: number): Segment[] {
  let startM = 0;
  return run.segments.flatMap((segment, index) => {
    const fromM = startM;
    startM += segment.lengthM;
    const isLast = index === run.segments.length - 1;
    const lengthM = Math.min(isLast ? Infinity : segment.lengthM, endM - fromM);
    return lengthM > 0 ? [{ ...segment, lengthM }] : [];
  });
}

const modelOf = (run: Run, events: readonly RunEvent[], ohms: number): Line => {
  const end = events.findLast(({ kind }) => kind === 'open' || kind === 'short' || kind === 'end');
  const segments = end ? seenSegments(run, end.atM) : run.segments;
  return lineOf(segments, faultsFromEvents(events, run.segments), end ? endOf(end) : { kind: 'load', ohms });
};

/** A trace, what was found on it and the model's own trace, all over the metres of the run. `null` where it has no pulse. */
export function traceView(run: Run, reading: TraceReading): TraceView | null {
  const trace = traceOf(reading.trace);
  const launch = launchOf(trace);
  if (!launch) return null;
  const events = runEvents(run, reading);
  const farM = Math.max(runLengthM(run), ...events.map(({ atM }) => atM));
  const axisM = farM * 1.12;
  const { impedanceOhms } = cableOf(run.segments[0]!);
  const pulse = {
    centreNs: launch.centreNs,
    widthNs: launch.widthNs,
    edgeNs: launch.widthNs * edgeShare,
    volts: launch.volts,
  };
  const count = Math.min(
    trace.volts.length,
    Math.ceil((nsAtMetres(run, axisM) + launch.centreNs) / trace.stepNs) + 1,
  );
  const model = forwardTrace(modelOf(run, events, impedanceOhms), pulse, impedanceOhms, trace.stepNs, count);
  return {
    measured: curveOf(run, trace, launch.centreNs, launch.volts, axisM),
    model: curveOf(run, model, launch.centreNs, launch.volts, axisM),
    events,
    joints: jointsAlong(run),
    axisM,
  };
}

/** An earlier trace over the same metres, to be laid under a later one. */
export function comparedCurve(run: Run, reading: TraceReading, axisM: number): Curve {
  const trace = traceOf(reading.trace);
  const launch = launchOf(trace);
  return launch ? curveOf(run, trace, launch.centreNs, launch.volts, axisM) : [];
}
