import { cableOf } from '#core/physics/cable';
import { seriesLossDb, shuntLossDb } from '#core/physics/signal';
import { expectedPowerOhms } from '#core/test/findings';
import { asNoted, type UnseenLine } from '#core/test/scenarios';
import { once } from '#core/shared/memo';
import type { Trouble } from './causes';
import type { DiagnosisInput } from './looked';
import { eventsOf, type Posterior, type WeighedSet } from './posterior';
import { coreLoopsRead } from './powerStory';
import { leakOhms } from './practice';
import { has, setOf, type TroubleSet } from './troubleSets';

/** Numbers that a draw is made with: even ones between 0 and 1, and normal deviates. */
export interface Chance {
  even: () => number;
  gauss: () => number;
}

/** One line after another, drawn from what is believed of it. */
export type LineDraws = (chance: Chance) => UnseenLine;

/** Sets rarer than this are drawn by nobody. */
const leastChance = 0.0001;
/** What a line that carries nothing takes, in dB. */
const brokenDb = 60;

/** Troubles that show as soon as somebody looks at a picture. */
const ofBreak = setOf('open', 'short');

/** Tests that would show a coax that is broken or shorted. */
const showsBreak = ['picture', 'continuity', 'link', 'coax-loop-ohms', 'reflectometer'] as const;

/** One of several at a time, each as often as the exponential of its log says. */
function picking<T extends { log: number }>(all: readonly T[]): (even: () => number) => T {
  const most = Math.max(...all.map(({ log }) => log));
  let sum = 0;
  const upTo = all.map(({ log }) => (sum += Math.exp(log - most)));
  const last = all.length - 1;
  return (even) => {
    const at = even() * sum;
    let index = 0;
    while (index < last && at >= upTo[index]!) index += 1;
    return all[index]!;
  };
}

/** Sets that a line is drawn from. As long as nothing was read that would show a break, it is taken to carry what it carries today. */
function setsOfLine(
  { readings }: Pick<DiagnosisInput, 'readings'>,
  { sets }: Pick<Posterior, 'sets'>,
): WeighedSet[] {
  const isLookedAt = showsBreak.some((test) => readings[test]);
  return sets.filter(({ set, chance }) => chance >= leastChance && (isLookedAt || (set & ofBreak) === 0));
}

/** What was read of cores, unless a joint was remade in them since. */
const ofCores = (looked: DiagnosisInput, isRemade: boolean): DiagnosisInput => {
  if (!isRemade) return looked;
  const { 'power-loop-ohms': _, 'day-volts': _day, 'night-volts': _night, ...readings } = looked.readings;
  return { ...looked, readings };
};

/** Figures of one set of troubles, each drawn by its own chances. */
interface LineCase {
  log: number;
  draw: LineDraws;
}

/**
 * How a line may turn out: a set of troubles by its chance, and then loops, joint and leak as they may be under it, by all that was
 * read. Only what nobody has read is drawn anew where it is used: a loop that was read is what it is, and so is a line that was traced.
 * @param mended troubles that are taken away before the line is used
 */
export function lineDraws(
  looked: DiagnosisInput,
  posterior: Posterior,
  mended: readonly Trouble[] = [],
): LineDraws {
  const { run } = looked;
  const { line } = posterior;
  const coresOhms = expectedPowerOhms(run);
  const lineOhms = cableOf(run.segments[0]!).impedanceOhms;
  const without = ~setOf(...mended);
  const coreLoops = coreLoopsRead(ofCores(looked, mended.includes('power-joint')), eventsOf(looked));
  const leakRatio = leakOhms.to / leakOhms.from;

  function drawsUnder(set: TroubleSet): LineDraws {
    const joint = has(set, 'joint') ? picking(line.joints(set)) : null;
    const coax = line.notedOhms > 0 ? picking(line.coaxLoops(set & ~ofBreak)) : null;
    const cores = coresOhms > 0 ? picking(coreLoops(set)) : null;
    const isWet = has(set, 'water');
    const isBroken = (set & ofBreak) !== 0;
    const hasUnseenTap = has(set, 'tap');
    return ({ even, gauss }) => {
      const jointOhms = joint ? joint(even).ohms : 0;
      const plain = coax?.(even);
      const leakDb = isWet ? shuntLossDb(leakOhms.from * leakRatio ** even(), lineOhms) : 0;
      return {
        coaxTimes: plain ? (plain.mean + plain.spread * gauss() + jointOhms) / line.notedOhms : 1,
        powerTimes: cores ? cores(even).ohms / coresOhms : 1,
        unseenDb: isBroken ? brokenDb : leakDb + (joint ? seriesLossDb(jointOhms, lineOhms) : 0),
        hasUnseenTap,
      };
    };
  }

  const believed = setsOfLine(looked, posterior);
  if (believed.length === 0) return () => asNoted;
  const cases = believed.map(({ set, chance }): LineCase => {
    const ready = once(() => drawsUnder(set & without));
    return { log: Math.log(chance), draw: (by) => ready()(by) };
  });
  const pick = picking(cases);
  return (chance) => pick(chance.even).draw(chance);
}
