import type { RunEvent } from '#core/test/findings';
import { coreLoopCases } from './coreLoops';
import { logMix, logSum } from './density';
import { feedVolts } from './feedVolts';
import type { DiagnosisInput } from './looked';
import { deadTakesNothing } from './practice';
import { has, story, type Story } from './troubleSets';

/** What the power loop and the volts by day and by night tell together: the same loop stands behind all of them. */
export function powerStory(looked: DiagnosisInput, events: readonly RunEvent[] | null): Story {
  const loopCases = coreLoopCases(looked, events);
  const volts = feedVolts(looked);
  const isRead = volts !== null || looked.readings['power-loop-ohms'] !== undefined;
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
