import { expectedPowerOhms, otherPowerLoops, type RunEvent } from '#core/test/findings';
import { remembered } from '#core/shared/memo';
import { fifths, logNormal, normal, ratioSteps } from './density';
import { keptLast } from './keptLast';
import type { DiagnosisInput } from './looked';
import { meter, misread, otherSpread, powerJointOhms, spreads } from './practice';
import { endOf, notedLength } from './runLength';
import { has, setOf, type TroubleSet } from './troubleSets';

/** A loop of cores that is thought of, with its chance as a log. */
export interface LoopCase {
  ohms: number;
  log: number;
}
/** Loops of the cores that could be: about the one that was read, or any that is thought of where it was read wrong or not at all. */
export interface CoreCases {
  about: readonly LoopCase[];
  /** The same list for as long as only the reading changes. */
  thought: readonly LoopCase[];
  /** Log-chance that it is one of those. */
  thoughtLog: number;
}

/** A loop without a joint: its middle, its spread, and its share among all that are thought of. */
interface Plain {
  ohms: number;
  spread: number;
  share: number;
}

/** What leads to a camera that is fed from beside it. */
export const leadOhms = 0.05;
const onlyLead: CoreCases = { about: [], thought: [{ ohms: leadOhms, log: 0 }], thoughtLog: 0 };

/** Steps of its spread about a loop that was read, and how far apart they are; what is read wrong lies anywhere up to the last. */
const loopSteps = [-2.4, -1.8, -1.2, -0.6, 0, 0.6, 1.2, 1.8, 2.4];
const loopStep = 0.6;
const widestOhms = 60;

/** Troubles that change the loop of the cores. */
const ofCores = setOf('power-construction', 'power-joint');

/** Loops of the cores that are thought of before any is read; the same whatever is read of them. */
interface CoreLoops {
  expectedOhms: number;
  /** Log-density of a loop under these troubles. */
  loopLog: (ohms: number, set: TroubleSet) => number;
  /** Loops that could be, with their chances. */
  unread: (set: TroubleSet) => LoopCase[];
}

/** Log-density of a loop whose joints are sound. */
function soundLoopLog(plains: readonly Plain[]): (ohms: number) => number {
  const loops = plains.map(({ ohms, spread, share }) => ({
    share,
    density: normal(ohms + meter.soundJointOhms, Math.hypot(spread, meter.soundJointSpread)),
  }));
  return (ohms) => Math.log(loops.reduce((sum, { share, density }) => sum + share * density(ohms), 0));
}

/** Chance of a joint that is outside of all that is thought of. */
const otherJoint = 1e-9;

/** Log-density of a loop with a poor joint, of any ohms, alike in ratio. */
function jointedLoopLog(plains: readonly Plain[]): (ohms: number) => number {
  const { from, to } = powerJointOhms;
  const range = Math.log(to / from);
  const [least, most] = [0.6 * from, 1.5 * to];
  const before = plains.flatMap(({ ohms, spread, share }) =>
    fifths.map((z) => ({ ohms: ohms + meter.soundJointOhms + z * spread, share: share / fifths.length })),
  );
  return (ohms) => {
    let density = 0;
    for (const plain of before) {
      const joint = ohms - plain.ohms;
      density += plain.share * (joint >= least && joint <= most ? 1 / (joint * range) : otherJoint);
    }
    return Math.log(density);
  };
}

function coreLoops(
  { run }: DiagnosisInput,
  temperatureC: number | undefined,
  events: readonly RunEvent[] | null,
): CoreLoops {
  const expected = expectedPowerOhms(run, temperatureC);
  const others = otherPowerLoops(run, temperatureC);
  const noted = notedLength(run);
  const traced = events ? endOf(events) : undefined;
  const isTraced =
    run.feed.kind === 'along-run' && traced !== undefined && Math.abs(traced.atM / noted.lengthM - 1) < 0.3;

  /** Loops of the cores without a joint: as noted, or as other cores. */
  function plainsOf(isOther: boolean): Plain[] {
    const loops = isOther && others.length > 0 ? others : [{ ohms: expected, excessOhms: 0, share: 1 }];
    const own = Math.hypot(spreads.construction, 0.015);
    return loops.flatMap(({ ohms, excessOhms, share }): Plain[] => {
      const other = 0.3 * otherSpread * Math.abs(excessOhms);
      const note = { ohms, spread: Math.hypot(own * ohms, noted.spread * ohms, other), share };
      if (!isTraced) return [note];
      const byTrace = (ohms * traced.atM) / noted.lengthM;
      return [
        { ...note, share: 0.25 * share },
        { ohms: byTrace, spread: Math.hypot(own * byTrace, other), share: 0.75 * share },
      ];
    });
  }

  const built = (plains: readonly Plain[]) => ({
    plains,
    soundLog: soundLoopLog(plains),
    jointedLog: jointedLoopLog(plains),
  });
  const [asNoted, asOther] = [built(plainsOf(false)), built(plainsOf(true))];
  const cores = (set: TroubleSet) => (has(set, 'power-construction') ? asOther : asNoted);

  function loopLog(ohms: number, set: TroubleSet): number {
    const { soundLog, jointedLog } = cores(set);
    return has(set, 'power-joint') ? jointedLog(ohms) : soundLog(ohms);
  }

  function unreadLoops(set: TroubleSet): LoopCase[] {
    const joints = has(set, 'power-joint') ? ratioSteps(powerJointOhms.from, powerJointOhms.to, 10) : [0];
    const places = joints.length > 1 ? [0] : fifths;
    return cores(set).plains.flatMap((plain) =>
      places.flatMap((z) =>
        joints.map((joint) => ({
          ohms: Math.max(leadOhms, plain.ohms + z * plain.spread + joint),
          log: Math.log(plain.share / (joints.length * places.length)),
        })),
      ),
    );
  }
  return { expectedOhms: expected, loopLog, unread: remembered(unreadLoops) };
}

const kept = keptLast<CoreLoops>();

/** What the loop of the power cores tells: loops that are thought of under any troubles, about what was read where it was. */
export function coreLoopCases(
  looked: DiagnosisInput,
  events: readonly RunEvent[] | null,
): (set: TroubleSet) => CoreCases {
  const { run, readings } = looked;
  const loop = readings['power-loop-ohms'];
  const { expectedOhms, loopLog, unread } = kept(run, [loop?.temperatureC, events], () =>
    coreLoops(looked, loop?.temperatureC, events),
  );
  if (run.feed.kind === 'local-adapter' || expectedOhms <= 0) return () => onlyLead;

  const casesUnder = remembered((set: TroubleSet): CoreCases => {
    const thought = unread(set);
    if (!loop) return { about: [], thought, thoughtLog: 0 };
    const spread = Math.hypot(meter.ohms, meter.share * loop.value);
    const about = loopSteps
      .map((z) => loop.value + z * spread)
      .filter((ohms) => ohms > 0)
      .map((ohms): LoopCase => ({
        ohms,
        log:
          Math.log((1 - misread) * loopStep * spread) +
          loopLog(ohms, set) +
          logNormal(loop.value, ohms, spread),
      }));
    return { about, thought, thoughtLog: Math.log(misread / widestOhms) };
  });
  return (set) => casesUnder(set & ofCores);
}
