import { cableOf, coaxLoopOhms } from '#core/physics/cable';
import type { End, Fault, Line, Stretch } from '#core/physics/reflectometer';
import type { Segment } from '#core/model/site';
import { segmentVelocityFactor, type RunEvent } from './traceEvents';

/** A fault at its metre of a run. */
export interface FaultAt {
  atM: number;
  fault: Fault;
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
      elements.push(fault);
      doneM = upToM;
    }
    if (segment.lengthM > doneM) elements.push(stretchOf(segment, segment.lengthM - doneM));
    startM += segment.lengthM;
  }
  return { elements, end };
}

/** A usual length for a branch that nobody has seen. */
const stubM = 4;

/** The faults that events stand for, to be put into the model again. An end is no fault on the way. */
export function faultsFromEvents(events: readonly RunEvent[], segments: readonly Segment[]): FaultAt[] {
  return events.flatMap(({ kind, ohms, atM, isFarEnd }): FaultAt[] => {
    if (isFarEnd) return [];
    switch (kind) {
      case 'series':
        return ohms === undefined ? [] : [{ atM, fault: { kind, ohms } }];
      case 'shunt':
        return ohms === undefined ? [] : [{ atM, fault: { kind, ohms } }];
      case 'tap':
        return [{ atM, fault: { kind, stub: stretchOf(segments[0]!, stubM), end: { kind: 'open' } } }];
      default:
        return [];
    }
  });
}
