import type { Site } from '#core/model/site';
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
    says: 'Run 16 goes to the fuel berth: a thick line, so RG-11, and a dotted mark, so nobody has tested it. On site it is cut off from its power first; then press i in Test to mark it isolated.',
    stage: 'test',
    isDone: ({ run }) => run[tourRunId]?.state === 'isolated',
  },
  {
    says: 'Foreign voltage comes first, always. Tick that the meter was proved on a known source, then type 0.2 at AC and Enter.',
    stage: 'test',
    isDone: (site) => isRead(site, 'foreign-ac-volts'),
  },
  {
    says: 'And DC: 0.1 and Enter. Now nothing stops the tests on the dead line. Short the far end and read the loop: type a figure within the band that is expected.',
    stage: 'test',
    isDone: (site) => isRead(site, 'coax-loop-ohms'),
  },
  {
    says: 'What do the readings say together? Open Cause: how likely each trouble is, what speaks for it, and which test would tell most.',
    stage: 'test',
    view: 'cause',
    isDone: (_, { stage, view }) => stage === 'test' && view === 'cause',
  },
  {
    says: 'Decide what the camera becomes. Click through the row of run 16: every option says what holds, what it costs, and why. Choose one that holds with Enter.',
    stage: 'decide',
    isDone: (site) => site.choice[cameraIdOf(site)] !== undefined,
  },
  {
    says: 'It needs a slot on a recorder. Press f to fill the rest, or n and the number of a slot.',
    stage: 'allocate',
    isDone: (site) =>
      site.placement[cameraIdOf(site)] !== undefined || site.choice[cameraIdOf(site)]?.option === 'retire',
  },
  {
    says: 'The plan as it is handed over. Its first line says what it rests on; run 16 is one line less to doubt. That is the work: 23 runs to go.',
    stage: 'plan',
    isDone: (_, { stage }) => stage === 'plan',
  },
];
