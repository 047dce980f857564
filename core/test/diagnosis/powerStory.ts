import type { RunEvent } from '#core/test/findings';
import { rememberedFor } from '#core/shared/memo';
import { coreLoopCases, type CoreCases, type LoopCase } from './coreLoops';
import { logMix, logSum } from './density';
import { feedVolts, type FeedVolts } from './feedVolts';
import type { DiagnosisInput } from './looked';
import { deadTakesNothing } from './practice';
import { keptLast } from './keptLast';
import { has, story, type Story, type TroubleSet } from './troubleSets';

/** Log-chance of one of these loops, as if none were read. */
const anyOf = rememberedFor((loops: readonly LoopCase[]): number => logSum(loops.map(({ log }) => log)));

/** What a supply tells, and how it tells it of loops that are thought of whatever was read of them. */
interface Behind extends FeedVolts {
  behindAny: (loops: readonly LoopCase[]) => number;
}

const withAny = (volts: FeedVolts): Behind => ({
  ...volts,
  behindAny: rememberedFor((loops: readonly LoopCase[]): number =>
    logSum(loops.map(({ ohms, log }) => log + volts.behind(ohms))),
  ),
});

function voltsBehind(looked: DiagnosisInput): { sound: Behind; faulty: Behind } | null {
  const volts = feedVolts(looked);
  return volts && { sound: withAny(volts.sound), faulty: withAny(volts.faulty) };
}

const keptLoops = keptLast<(set: TroubleSet) => CoreCases>();
const keptVolts = keptLast<ReturnType<typeof voltsBehind>>();

function readOf(looked: DiagnosisInput, events: readonly RunEvent[] | null) {
  const { run, camera, readings, source } = looked;
  const loop = readings['power-loop-ohms'];
  const [day, night] = [readings['day-volts'], readings['night-volts']];
  const loopCases = keptLoops(run, [loop, events], () => coreLoopCases(looked, events));
  const volts = keptVolts(run, [camera, source.volts, source.dayVolts, day, night], () =>
    voltsBehind(looked),
  );
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
    const { about, thought, thoughtLog } = loopCases(set);
    return [...about, ...thought.map(({ ohms, log }) => ({ ohms, log: log + thoughtLog }))].map(
      ({ ohms, log }) => ({ ohms, log: log + (behind ? behind(ohms) : 0) }),
    );
  };
}

/** What the power loop and the volts by day and by night tell together: the same loop stands behind all of them. */
export function powerStory(looked: DiagnosisInput, events: readonly RunEvent[] | null): Story {
  const { loopCases, volts, isRead } = readOf(looked, events);
  return story(['supply', 'power-construction', 'power-joint', 'camera'], (set) => {
    if (!isRead) return 0;
    const { about, thought, thoughtLog } = loopCases(set);
    const alone = (): number => logSum([...about.map(({ log }) => log), thoughtLog + anyOf(thought)]);
    if (!volts) return alone();
    const { behind, behindAny, unloaded } = has(set, 'supply') ? volts.faulty : volts.sound;
    const loaded = logSum([
      ...about.map(({ ohms, log }) => log + behind(ohms)),
      thoughtLog + behindAny(thought),
    ]);
    return has(set, 'camera') ? logMix(loaded, alone() + unloaded(), deadTakesNothing) : loaded;
  });
}
