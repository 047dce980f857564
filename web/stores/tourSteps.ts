import { hasOwnCamera, type Site } from '#core/model/site';
import type { StageName } from '../frame/stageName';

export interface TourStep {
  says: string;
  /** Where it is done. */
  stage: StageName;
  view?: string;
  isDone: (site: Site, here: { stage: string; view: unknown }) => boolean;
}

/** The run that is taken through: nobody has tested it yet. */
export const tourRunId = 'r16';

const isRead = ({ reading }: Site, test: string): boolean =>
  Object.values(reading).some((one) => one.runId === tourRunId && one.test === test && !one.struck);
const cameraIdOf = ({ run }: Site): string => run[tourRunId]?.cameraId ?? '';

/** Seven steps of the work itself: each is over once it is done, whichever way. */
export const tourSteps: readonly TourStep[] = [
  {
    says: 'Run 16, Fuel berth, is RG-11 and not tested yet (dotted mark). On site you cut it off from its power first; then press i in Test to mark it isolated.',
    stage: 'test',
    isDone: ({ run }) => run[tourRunId]?.state === 'isolated',
  },
  {
    says: 'Foreign voltage always comes first. Tick that the meter was proved on a known source, then type 0.2 at AC and press Enter.',
    stage: 'test',
    isDone: (site) => isRead(site, 'foreign-ac-volts'),
  },
  {
    says: 'Type 0.1 at DC and press Enter: the tests of the dead line are now offered. With the far end shorted, read the loop: type a figure within the expected band.',
    stage: 'test',
    isDone: (site) => isRead(site, 'coax-loop-ohms'),
  },
  {
    says: 'Open Cause: how likely each fault is after these readings, what supports it, and the recommended next test.',
    stage: 'test',
    view: 'cause',
    isDone: (_, { stage, view }) => stage === 'test' && view === 'cause',
  },
  {
    says: 'In Decide, go along the row of run 16: each option shows its limiting margin, its cost and why. Choose one that holds with Enter.',
    stage: 'decide',
    isDone: (site) => site.choice[cameraIdOf(site)] !== undefined,
  },
  {
    says: 'The camera needs a recorder slot. Press f to fill the rest, or n and a slot number.',
    stage: 'allocate',
    isDone: (site) =>
      site.placement[cameraIdOf(site)] !== undefined ||
      !hasOwnCamera(site.choice[cameraIdOf(site)]?.option ?? 'keep'),
  },
  {
    says: 'This is the plan to hand over. Its first line says how many readings and gaps it rests on. The other 23 runs go the same way.',
    stage: 'papers',
    isDone: (_, { stage }) => stage === 'papers',
  },
];
