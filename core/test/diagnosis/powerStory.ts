import type { RunEvent } from '#core/test/findings';
import { coreLoopCases, type LoopCase } from './coreLoops';
import { logMix, logSum } from './density';
import { feedVolts, type FeedVolts } from './feedVolts';
import type { DiagnosisInput } from './looked';
import { deadTakesNothing } from './practice';
import { keptLast } from './keptLast';
import { has, story, type Story, type TroubleSet } from './troubleSets';

const keptLoops = keptLast<(set: TroubleSet) => LoopCase[]>();
const keptVolts = keptLast<{ sound: FeedVolts; faulty: FeedVolts } | null>();

function readOf(looked: DiagnosisInput, events: readonly RunEvent[] | null) {
  const { run, camera, readings, source } = looked;
  const loop = readings['power-loop-ohms'];
  const [day, night] = [readings['day-volts'], readings['night-volts']];
  const loopCases = keptLoops(run, [loop, events], () => coreLoopCases(looked, events));
  const volts = keptVolts(run, [camera, source.volts, source.dayVolts, day, night], () => feedVolts(looked));
  return { loopCases, volts, isRead: volts !== null || loop !== undefined };
}

/** Loops of the cores that could be under some troubles, by all that was read of the loop and of volts behind it. */
export function coreLoopsRead(
  looked: DiagnosisInput,
  events: readonly RunEvent[] | null,
): (set: TroubleSet) => LoopCase[] {
  const { loopCases, volts } = readOf(looked, events);
  return (set) => {
    const behind = volts && (has(set, 'supply') ? volts.faulty : volts.sound).behind;
    return loopCases(set).map(({ ohms, log }) => ({ ohms, log: log + (behind ? behind(ohms) : 0) }));
  };
}

/** What the power loop and the volts by day and by night tell together: the same loop stands behind all of them. */
export function powerStory(looked: DiagnosisInput, events: readonly RunEvent[] | null): Story {
  const { loopCases, volts, isRead } = readOf(looked, events);
  return story(['supply', 'power-construction', 'power-joint', 'camera'], (set) => {
    if (!isRead) return 0;
    const loops = loopCases(set);
    const alone = logSum(loops.map(({ log }) => log));
    if (!volts) return alone;
    const { behind, unloaded } = has(set, 'supply') ? volts.faulty : volts.sound;
    const loaded = logSum(loops.map(({ ohms, log }) => log + behind(ohms)));
    return has(set, 'camera') ? logMix(loaded, alone + unloaded(), deadTakesNothing) : loaded;
  });
}
