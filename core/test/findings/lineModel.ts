import { cableOf, coaxLoopOhms } from '#core/physics/cable';
import { lightMPerNs, type End, type Fault, type Line, type Stretch } from '#core/physics/reflectometer';
import type { Segment } from '#core/model/site';
import { segmentVelocityFactor, type RunEvent } from './traceEvents';

/** A piece of cable of another impedance in the line. */
interface Patch {
  kind: 'patch';
  lengthM: number;
  impedanceOhms: number;
}

/** A fault at its metre of a run. */
export interface FaultAt {
  atM: number;
  fault: Fault | Patch;
}

/** A segment as a reflectometer sees it: the loop resistance over its length, and the skin effect of its construction. */
function stretchOf(segment: Segment, lengthM: number): Stretch {
  const cable = cableOf(segment);
  const ohmsPerM = cable.kind === 'coax' ? coaxLoopOhms(cable, 1, segment.temperatureC) : 0;
  return {
    kind: 'stretch',
    lengthM,
    velocityFactor: segmentVelocityFactor(segment),
    impedanceOhms: cable.impedanceOhms,
    ohmsPerM,
    skinDbPer100m: cable.a,
  };
}

/** The line that a run makes with these faults on it, from its head end outwards. */
export function lineOf(segments: readonly Segment[], faults: readonly FaultAt[], end: End): Line {
  const waiting = [...faults].sort((a, b) => a.atM - b.atM);
  const elements: (Stretch | Fault)[] = [];
  let startM = 0;
  for (const [index, segment] of segments.entries()) {
    const isLast = index === segments.length - 1;
    let doneM = 0;
    while (waiting[0] && (isLast || waiting[0].atM <= startM + segment.lengthM)) {
      const { atM, fault } = waiting.shift()!;
      const upToM = Math.min(segment.lengthM, Math.max(doneM, atM - startM));
      if (upToM > doneM) elements.push(stretchOf(segment, upToM - doneM));
      doneM = upToM;
      if (fault.kind === 'patch') {
        // What would reach into the next segment is cut off there: it is a picture, not a measure.
        const lengthM = Math.min(fault.lengthM, segment.lengthM - upToM);
        if (lengthM > 0)
          elements.push({ ...stretchOf(segment, lengthM), impedanceOhms: fault.impedanceOhms });
        doneM += Math.max(0, lengthM);
      } else elements.push(fault);
    }
    if (segment.lengthM > doneM) elements.push(stretchOf(segment, segment.lengthM - doneM));
    startM += segment.lengthM;
  }
  return { elements, end };
}

/** A usual length for a branch whose end no trace has shown. */
const stubM = 4;
/** An end that sends back more than this is open or shorted. */
const wholeFrom = 0.5;

/** A branch as a trace shows it, of the cable that the run begins with. */
function branchOf({ branch }: RunEvent, segment: Segment): Fault {
  if (!branch) return { kind: 'tap', stub: stretchOf(segment, stubM), end: { kind: 'open' } };
  const { thereAndBackNs, gamma } = branch;
  const lengthM = (thereAndBackNs * segmentVelocityFactor(segment) * lightMPerNs) / 2;
  const stub = stretchOf(segment, lengthM);
  const ohms = (stub.impedanceOhms * (1 + gamma)) / (1 - gamma);
  const whole = gamma > 0 ? ({ kind: 'open' } as const) : ({ kind: 'short' } as const);
  return { kind: 'tap', stub, end: Math.abs(gamma) > wholeFrom ? whole : { kind: 'load', ohms } };
}

/** The faults that events stand for, to be put into the model again. An end is no fault on the way. */
export function faultsFromEvents(events: readonly RunEvent[], segments: readonly Segment[]): FaultAt[] {
  return events.flatMap((event, index): FaultAt[] => {
    const { kind, ohms, atM, isFarEnd } = event;
    if (isFarEnd) return [];
    switch (kind) {
      case 'series':
        return ohms === undefined ? [] : [{ atM, fault: { kind, ohms } }];
      case 'shunt':
        return ohms === undefined ? [] : [{ atM, fault: { kind, ohms } }];
      case 'tap':
        return [{ atM, fault: branchOf(event, segments[0]!) }];
      case 'lower-impedance': {
        const end = events.slice(index + 1).find((one) => one.kind === 'patch-end');
        return ohms === undefined || !end
          ? []
          : [{ atM, fault: { kind: 'patch', lengthM: end.atM - atM, impedanceOhms: ohms } }];
      }
      default:
        return [];
    }
  });
}
