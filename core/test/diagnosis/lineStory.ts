import type { Run } from '#core/model/site';
import { remembered } from '#core/shared/memo';
import type { RunEvent } from '#core/test/findings';
import { coaxLoopStory, jointsTried, type JointCase, type Loop } from './coaxLoop';
import { between, logMix, logSum } from './density';
import { keptLast } from './keptLast';
import type { DiagnosisInput } from './looked';
import { brokenEnd, endLostBehindTap, endShows } from './practice';
import { endOf, logOfFactor, notedCases, notedLength, type LengthCase, type NotedLength } from './runLength';
import { echoing, eventsLog, eventsOnTheWay, type Told } from './traceStory';
import { has, setOf, story, type Story, type TroubleSet } from './troubleSets';

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
  /** Joints that could be under these troubles, by all that was read of loop and echoes; none has no ohms. */
  joints: (set: TroubleSet) => JointCase[];
  /** Loops of centre and shield that are thought of beside a joint, whatever was read of them; and the one that is noted. */
  coaxLoops: (set: TroubleSet) => readonly Loop[];
  notedOhms: number;
}

/** What a trace tells by itself, and the lengths that it leaves to the loop; the same whatever is read of that. */
interface TraceSide {
  end: RunEvent | undefined;
  lengthM: number;
  endLog: (set: TroubleSet) => number;
  lengths: (set: TroubleSet) => readonly LengthCase[];
  /** Log-chances of the echoes under these troubles, joint by joint that is tried. */
  echoLogs: (set: TroubleSet) => readonly number[];
  /** Hears of every way to tell the echoes, with a joint of so many ohms. */
  ways: (set: TroubleSet, jointOhms: number, tell: (told: Told, log: number) => void) => void;
}

/** Troubles that echoes depend on: those that make some, and those that hide what lies behind them. */
const ofEchoes = setOf(...echoing, 'open', 'short');

function traceSide(run: Run, events: readonly RunEvent[] | null): TraceSide {
  const noted = notedLength(run);
  const { lengthM } = noted;
  const end = events ? endOf(events) : undefined;
  const way = events ? eventsOnTheWay(events, end?.atM ?? lengthM) : [];
  const asNoted = notedCases(noted);
  const traced: LengthCase[] = end ? [{ factor: end.atM / lengthM, share: 1 }] : [];
  const behindTap: LengthCase[] = [
    ...traced.map(({ factor }) => ({ factor, share: 1 - endLostBehindTap })),
    ...asNoted.map(({ factor, share }) => ({ factor, share: share * endLostBehindTap })),
  ];
  const presentIn = (set: TroubleSet) => echoing.filter((trouble) => has(set, trouble));
  const inSight = (set: TroubleSet): number =>
    isBroken(set) && end ? Math.min(0.98, end.atM / lengthM) : 0.999;
  const echoLogs = remembered((set: TroubleSet): readonly number[] => {
    const joints = has(set, 'joint') ? jointsTried : [0];
    return joints.map((ohms) => (events ? eventsLog(way, presentIn(set), ohms, inSight(set)) : 0));
  });
  return {
    end,
    lengthM,
    endLog: (set) =>
      !events ? 0 : isBroken(set) ? brokenEndLog(end, lengthM, set) : wholeEndLog(end, noted, set),
    // As the trace ends where that is the end, as noted where something breaks it or hides the end.
    lengths: (set) => (!end || isBroken(set) ? asNoted : has(set, 'tap') ? behindTap : traced),
    echoLogs: (set) => echoLogs(set & ofEchoes),
    ways: (set, jointOhms, tell) => eventsLog(way, presentIn(set), jointOhms, inSight(set), tell),
  };
}

const keptTrace = keptLast<TraceSide>();

/**
 * What trace and loop of the coax tell together: both see joints and where the line ends. The metre of an event is anywhere alike,
 * whatever made it, so that it tells nothing of what did.
 */
export function lineStory(looked: DiagnosisInput, events: readonly RunEvent[] | null): LineStory {
  const { run } = looked;
  const { end, lengthM, endLog, lengths, echoLogs, ways } = keptTrace(run, [events], () =>
    traceSide(run, events),
  );
  const loop = coaxLoopStory(looked, end, lengthM);

  /** Every joint that is thought of, with the log-chance of loop and echoes together. */
  function jointCases(set: TroubleSet): JointCase[] {
    const logs = echoLogs(set);
    const echoLog = (ohms: number): number =>
      logs.length > 1 ? between(jointsTried, (index) => logs[index]!, ohms) : logs[0]!;
    return loop.joints(set, lengths(set)).map(({ ohms, log }) => ({ ohms, log: log + echoLog(ohms) }));
  }

  return {
    ...story(
      [...echoing, 'coax-construction', 'open', 'short'],
      (set) => endLog(set) + logSum(jointCases(set).map(({ log }) => log)),
    ),
    ways: (set, tell) => {
      const likeliest = jointCases(set).reduce((best, one) => (one.log > best.log ? one : best));
      ways(set, likeliest.ohms, tell);
    },
    end,
    joints: jointCases,
    coaxLoops: (set) => loop.loops(set, lengths(set)),
    notedOhms: loop.expectedOhms,
  };
}
