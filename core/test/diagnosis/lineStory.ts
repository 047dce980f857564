import type { RunEvent } from '#core/test/findings';
import { coaxLoopCases, jointsTried, type JointCase } from './coaxLoop';
import { between, logMix, logSum } from './density';
import type { DiagnosisInput } from './looked';
import { brokenEnd, endLostBehindTap, endShows } from './practice';
import { endOf, logOfFactor, notedCases, notedLength, type LengthCase, type NotedLength } from './runLength';
import { echoing, eventsLog, eventsOnTheWay, type Told } from './traceStory';
import { has, story, type Story, type TroubleSet } from './troubleSets';

const isBroken = (set: TroubleSet): boolean => has(set, 'open') || has(set, 'short');

/** Log-chance of where and how a trace ends, in metres, if nothing stands in the way of its end. */
function wholeEndLog(end: RunEvent | undefined, noted: NotedLength, set: TroubleSet): number {
  if (!end) return Math.log(endShows.none);
  const kind = Math.log(end.kind === 'open' || end.kind === 'short' ? endShows[end.kind] : endShows.end);
  const place = logOfFactor(end.atM / noted.lengthM, noted) - Math.log(noted.lengthM);
  return kind + (has(set, 'tap') ? logMix(place, -Math.log(2 * noted.lengthM), endLostBehindTap) : place);
}

/** The same where the coax is broken or shorted: anywhere alike, and it ends as it is broken. */
function brokenEndLog(end: RunEvent | undefined, lengthM: number, set: TroubleSet): number {
  if (!end) return Math.log(brokenEnd.none);
  const fits = (has(set, 'open') && end.kind === 'open') || (has(set, 'short') && end.kind === 'short');
  const both = has(set, 'open') && has(set, 'short');
  const kind = Math.log(!fits ? brokenEnd.other : both ? brokenEnd.oneOfTwo : brokenEnd.fits);
  // Past where the run is noted to end nothing of it can be broken, but by as much as it may be longer.
  const mostM = brokenEnd.lengthMost * lengthM;
  return kind + (end.atM > mostM ? Math.log(brokenEnd.other) : 0) - Math.log(mostM);
}

/** A story that can also say which event each trouble made, in every way of telling it. */
export interface LineStory extends Story {
  ways: (set: TroubleSet, tell: (told: Told, log: number) => void) => void;
  /** Where the trace ends. */
  end: RunEvent | undefined;
}

/**
 * What trace and loop of the coax tell together: both see joints and where the line ends. The metre of an event is anywhere alike,
 * whatever made it, so that it tells nothing of what did.
 */
export function lineStory(looked: DiagnosisInput, events: readonly RunEvent[] | null): LineStory {
  const noted = notedLength(looked.run);
  const { lengthM } = noted;
  const end = events ? endOf(events) : undefined;
  const way = events ? eventsOnTheWay(events, end?.atM ?? lengthM) : [];
  const loopCases = coaxLoopCases(looked, end, lengthM);

  /** Lengths that are thought of: as the trace ends where that is the end, as noted where something breaks it or hides the end. */
  function casesFor(set: TroubleSet): LengthCase[] {
    if (!end || isBroken(set)) return notedCases(noted);
    const traced = { factor: end.atM / lengthM, share: 1 };
    if (!has(set, 'tap')) return [traced];
    return [
      { ...traced, share: 1 - endLostBehindTap },
      ...notedCases(noted).map(({ factor, share }) => ({ factor, share: share * endLostBehindTap })),
    ];
  }
  const presentIn = (set: TroubleSet) => echoing.filter((trouble) => has(set, trouble));
  const inSight = (set: TroubleSet): number =>
    isBroken(set) && end ? Math.min(0.98, end.atM / lengthM) : 0.999;
  const endLog = (set: TroubleSet): number =>
    !events ? 0 : isBroken(set) ? brokenEndLog(end, lengthM, set) : wholeEndLog(end, noted, set);

  /** Echoes depend on which troubles make some, and on how much of the run is in sight. */
  const echoes = new Map<string, readonly number[]>();
  function echoLogs(set: TroubleSet): readonly number[] {
    const present = presentIn(set);
    const key = `${present.join(' ')} ${isBroken(set)}`;
    let logs = echoes.get(key);
    if (!logs) {
      const joints = has(set, 'joint') ? jointsTried : [0];
      logs = joints.map((ohms) => (events ? eventsLog(way, present, ohms, inSight(set)) : 0));
      echoes.set(key, logs);
    }
    return logs;
  }

  /** Every joint that is thought of, with the log-chance of loop and echoes together. */
  function jointCases(set: TroubleSet): JointCase[] {
    const logs = echoLogs(set);
    const echoLog = (ohms: number): number =>
      logs.length > 1 ? between(jointsTried, (index) => logs[index]!, ohms) : logs[0]!;
    return loopCases(set, casesFor(set)).map(({ ohms, log }) => ({ ohms, log: log + echoLog(ohms) }));
  }

  return {
    ...story(
      [...echoing, 'coax-construction', 'open', 'short'],
      (set) => endLog(set) + logSum(jointCases(set).map(({ log }) => log)),
    ),
    ways: (set, tell) => {
      const likeliest = jointCases(set).reduce((best, one) => (one.log > best.log ? one : best));
      eventsLog(way, presentIn(set), likeliest.ohms, inSight(set), tell);
    },
    end,
  };
}
