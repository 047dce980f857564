import { expectedCoaxOhms, otherCoaxLoops, type RunEvent } from '#core/test/findings';
import type { Run } from '#core/model/site';
import { remembered } from '#core/shared/memo';
import { logNormal, logSum, ratioSteps } from './density';
import { keptLast } from './keptLast';
import type { DiagnosisInput } from './looked';
import {
  jointOhms,
  meter,
  misread,
  otherSpread,
  shortContact,
  spreads,
  overRange,
  widestLoopOhms,
} from './practice';
import type { LengthCase } from './runLength';
import { has, setOf, type TroubleSet } from './troubleSets';

/** Ohms of a joint that are thought of, and the log-chance of the loop as it was read with them. */
export interface JointCase {
  ohms: number;
  log: number;
}

/** A loop without a poor joint: its middle and spread, and how likely it is, as a log. */
export interface Loop {
  mean: number;
  spread: number;
  log: number;
}

const misreadLog = Math.log(misread / widestLoopOhms);
const asReadLog = Math.log(1 - misread);

/** Ohms of a joint that are tried where no loop tells them. */
export const jointsTried = ratioSteps(jointOhms.from, jointOhms.to, 18);
const jointRange = Math.log(jointOhms.to / jointOhms.from);
const anyJoint = (log: number): JointCase[] =>
  jointsTried.map((ohms) => ({ ohms, log: log - Math.log(jointsTried.length) }));

/** Steps of its spread about what a loop leaves to a joint. */
const steps = [-2.4, -1.6, -0.8, 0, 0.8, 1.6, 2.4];
const stepWidth = 0.8;

/** Loops of centre and shield that could be; the same whatever is read of them. */
interface CoaxLoops {
  expectedOhms: number;
  /** Under these troubles, at the lengths that are thought of. */
  loops: (set: TroubleSet, lengths: readonly LengthCase[]) => Loop[];
}

/** Troubles that change the loop by themselves. */
const ofLoop = setOf('coax-construction', 'short');

function coaxLoops(
  run: Run,
  temperatureC: number | undefined,
  end: RunEvent | undefined,
  lengthM: number,
): CoaxLoops {
  const expectedOhms = expectedCoaxOhms(run.segments, temperatureC);
  const others = expectedOhms > 0 ? otherCoaxLoops(run, temperatureC) : [];
  const joints = run.segments.filter(({ joint }) => joint !== undefined).length + 2;
  const contacts = Math.hypot(meter.ohms, meter.soundJointSpread * Math.sqrt(joints));

  function loopsFor(set: TroubleSet, lengths: readonly LengthCase[]): Loop[] {
    const builds =
      has(set, 'coax-construction') && others.length > 0
        ? others
        : [{ ohms: expectedOhms, excessOhms: 0, share: 1 }];
    // Up to a short only what lies before it is read.
    const upTo = !has(set, 'short')
      ? lengths
      : end
        ? [{ factor: end.atM / lengthM, share: 1 }]
        : [0.1, 0.3, 0.5, 0.7, 0.9].map((factor) => ({ factor, share: 0.2 }));
    return builds.flatMap(({ ohms, excessOhms, share }) =>
      upTo.map((length): Loop => {
        const touching = has(set, 'short') ? shortContact : { ohms: 0, spread: 0 };
        const mean = ohms * length.factor + meter.soundJointOhms * joints + touching.ohms;
        return {
          mean,
          spread: Math.hypot(
            contacts,
            touching.spread,
            meter.share * mean,
            spreads.construction * ohms * length.factor,
            otherSpread * excessOhms * length.factor,
          ),
          log: Math.log(share * length.share),
        };
      }),
    );
  }
  const byLengths = new WeakMap<readonly LengthCase[], (set: TroubleSet) => Loop[]>();
  return {
    expectedOhms,
    loops: (set, lengths) => {
      let of = byLengths.get(lengths);
      if (!of) byLengths.set(lengths, (of = remembered((some: TroubleSet) => loopsFor(some, lengths))));
      return of(set & ofLoop);
    },
  };
}

const kept = keptLast<CoaxLoops>();

/** What the loop of centre and shield tells under some troubles, at the lengths that are thought of. */
export interface CoaxLoopStory {
  joints: (set: TroubleSet, lengths: readonly LengthCase[]) => JointCase[];
  /** Loops that are thought of before any was read. */
  loops: CoaxLoops['loops'];
  /** The loop as it is noted. */
  expectedOhms: number;
}

export function coaxLoopStory(
  { run, readings }: DiagnosisInput,
  end: RunEvent | undefined,
  lengthM: number,
): CoaxLoopStory {
  const reading = readings['coax-loop-ohms'];
  const { expectedOhms, loops: loopsFor } = kept(run, [reading?.temperatureC, end], () =>
    coaxLoops(run, reading?.temperatureC, end, lengthM),
  );

  /** A joint of the ohms that each loop leaves to it, or of any where the loop was misread. */
  function withJoint(loops: readonly Loop[], value: number): JointCase[] {
    const told = loops.flatMap(({ mean, spread, log }) =>
      steps.flatMap((z): JointCase[] => {
        const ohms = value - mean + z * spread;
        return ohms < jointOhms.from || ohms > jointOhms.to
          ? []
          : [
              {
                ohms,
                log: log + asReadLog + logNormal(z, 0, 1) + Math.log(stepWidth) - Math.log(ohms * jointRange),
              },
            ];
      }),
    );
    return [...told, ...anyJoint(misreadLog)];
  }

  function through(set: TroubleSet, lengths: readonly LengthCase[], value: number): JointCase[] {
    const loops = loopsFor(set, lengths);
    const plain = [
      ...loops.map(({ mean, spread, log }) => log + asReadLog + logNormal(value, mean, spread)),
      misreadLog,
    ];
    if (!has(set, 'joint')) return [{ ohms: 0, log: logSum(plain) }];
    const cases = withJoint(loops, value);
    if (!has(set, 'short')) return cases;
    // A joint beyond the short is not in what was read.
    const half = Math.log(0.5);
    return [...cases.map(({ ohms, log }) => ({ ohms, log: log + half })), ...anyJoint(logSum(plain) + half)];
  }

  function joints(set: TroubleSet, lengths: readonly LengthCase[]): JointCase[] {
    const all = (log: number): JointCase[] => (has(set, 'joint') ? anyJoint(log) : [{ ohms: 0, log }]);
    if (!reading || expectedOhms <= 0) return all(0);
    // A meter that shows no end of ohms shows the most it can.
    const isOver = reading.value >= overRange.fromOhms;
    if (has(set, 'open'))
      return all(Math.log(isOver ? overRange.open : (1 - overRange.open) / widestLoopOhms));
    return isOver ? all(Math.log(overRange.through)) : through(set, lengths, reading.value);
  }
  return { joints, loops: loopsFor, expectedOhms };
}
