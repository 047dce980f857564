import saltmarrow from '../../../demo/saltmarrow.neotrope.json';
import type { Change } from './change';
import { withChanges } from './changesBetween';
import { removeNetworkCamera, type Removal } from './removal';
import type { Reading } from './reading';
import type { Run, Segment } from './run';
import { fromSiteFile } from './siteFile';
import type { Site } from './site';
import type { TestId } from './tests';

/** Saltmarrow Ferry Terminal as it ships. */
export function saltmarrowSite(): Site {
  const read = fromSiteFile(structuredClone(saltmarrow));
  if (read.kind === 'refused') throw new Error(JSON.stringify(read.problems));
  return read.value;
}

/** The same without its camera of the network and what feeds it, for tests in which every camera hangs on a run. */
export function saltmarrowOnRuns(): Site {
  const shipped = saltmarrowSite();
  const { 'office-injector': _fed, ...equipment } = shipped.equipment;
  const without = withChanges(shipped, changesOf(removeNetworkCamera(shipped, 'c25')));
  return { ...without, equipment };
}

/** Three conductors out and three back: with the pair of its picture a camera takes all of a category cable. */
const leg = { kind: 'spare-pairs', outCores: 3, backCores: 3 } as const;
const fedFromHall = (run: Run, output: number, segment: Partial<Segment> = {}): Run => ({
  ...run,
  feed: { kind: 'along-run', supplyId: 'hall-box', output },
  segments: run.segments.map((one) => ({ ...one, leg, ...segment })),
});
const ofCopper = {
  cable: 'pair-cat5e',
  print: 'CAT5E UTP 4PR 24AWG BC',
  marks: { head: 9961, far: 10035, unit: 'm' },
} as const;

/** The same with a category cable for each camera of the boat shed, fed from the hall, for tests of what one such cable carries. */
export function saltmarrowUnshared(): Site {
  const shipped = saltmarrowSite();
  const { run, choice, reading } = shipped;
  const read = (runId: string, test: TestId, value: number) => {
    const id = `${runId}-${test}`;
    const like = reading[id] ?? reading[`${runId}-day-volts`]!;
    return { [id]: { ...like, id, test, value } as Reading };
  };
  return {
    ...shipped,
    sheath: {},
    run: { ...run, r20: fedFromHall(run['r20']!, 9, ofCopper), r21: fedFromHall(run['r21']!, 10) },
    choice: { ...choice, c20: { ...choice['c20']!, option: 'ip-category' } },
    reading: {
      ...reading,
      ...read('r20', 'day-volts', 12),
      ...read('r20', 'night-volts', 11.6),
      ...read('r20', 'power-loop-ohms', 4.2),
      ...read('r21', 'day-volts', 11.5),
      ...read('r21', 'power-loop-ohms', 7.8),
    },
  };
}

/** What a removal changes, for tests in which nothing keeps the thing. */
export function changesOf(removal: Removal): Change[] {
  if (removal.kind === 'in-use') throw new Error(`still needed by ${removal.by.join(', ')}`);
  return removal.changes;
}
