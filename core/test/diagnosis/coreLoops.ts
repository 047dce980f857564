import { expectedPowerOhms, otherPowerLoops, type RunEvent } from '#core/test/findings';
import { remembered } from '#core/shared/memo';
import { fifths, logNormal, logSum, ratioSteps } from './density';
import type { DiagnosisInput } from './looked';
import { meter, misread, otherSpread, powerJointOhms, spreads } from './practice';
import { endOf, notedLength } from './runLength';
import { has, setOf, type TroubleSet } from './troubleSets';

/** A loop of cores that is thought of, with its chance as a log. */
export interface LoopCase {
  ohms: number;
  log: number;
}
/** A loop without a joint: its middle, its spread, and its share among all that are thought of. */
interface Plain {
  ohms: number;
  spread: number;
  share: number;
}

/** What leads to a camera that is fed from beside it. */
export const leadOhms = 0.05;

/** Steps of its spread about a loop that was read, and how far apart they are; what is read wrong lies anywhere up to the last. */
const loopSteps = [-2.4, -1.8, -1.2, -0.6, 0, 0.6, 1.2, 1.8, 2.4];
const loopStep = 0.6;
const widestOhms = 60;

/** Troubles that change the loop of the cores. */
const ofCores = setOf('power-construction', 'power-joint');

/** What the loop of the power cores tells: loops that are thought of under any troubles, about what was read where it was. */
export function coreLoopCases(
  { run, readings }: DiagnosisInput,
  events: readonly RunEvent[] | null,
): (set: TroubleSet) => LoopCase[] {
  const loop = readings['power-loop-ohms'];
  const expected = run.feed.kind === 'local-adapter' ? 0 : expectedPowerOhms(run, loop?.temperatureC);
  if (expected <= 0) return () => [{ ohms: leadOhms, log: 0 }];
  const others = otherPowerLoops(run, loop?.temperatureC);
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

  const [asNoted, asOther] = [plainsOf(false), plainsOf(true)];
  const plains = (set: TroubleSet): Plain[] => (has(set, 'power-construction') ? asOther : asNoted);

  /** Log-density of a loop under these troubles. */
  function loopLog(ohms: number, set: TroubleSet): number {
    const { from, to } = powerJointOhms;
    const range = Math.log(to / from);
    const sound = meter.soundJointOhms;
    return logSum(
      plains(set).flatMap((plain) => {
        const middle = plain.ohms + sound;
        if (!has(set, 'power-joint'))
          return [
            Math.log(plain.share) + logNormal(ohms, middle, Math.hypot(plain.spread, meter.soundJointSpread)),
          ];
        return fifths.map((z) => {
          const joint = ohms - middle - z * plain.spread;
          const density = joint < 0.6 * from || joint > 1.5 * to ? 1e-9 : 1 / (joint * range);
          return Math.log((plain.share * density) / fifths.length);
        });
      }),
    );
  }

  /** Loops that are thought of before any is read. */
  function unreadLoops(set: TroubleSet): LoopCase[] {
    const joints = has(set, 'power-joint') ? ratioSteps(powerJointOhms.from, powerJointOhms.to, 10) : [0];
    const places = joints.length > 1 ? [0] : fifths;
    return plains(set).flatMap((plain) =>
      places.flatMap((z) =>
        joints.map((joint) => ({
          ohms: Math.max(leadOhms, plain.ohms + z * plain.spread + joint),
          log: Math.log(plain.share / (joints.length * places.length)),
        })),
      ),
    );
  }

  /** Loops that are tried: about what was read, or those that are thought of where it was read wrong. */
  const casesUnder = remembered((set: TroubleSet): LoopCase[] => {
    if (!loop) return unreadLoops(set);
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
    const wrong = Math.log(misread / widestOhms);
    return [...about, ...unreadLoops(set).map(({ ohms, log }) => ({ ohms, log: log + wrong }))];
  });
  return (set) => casesUnder(set & ofCores);
}
