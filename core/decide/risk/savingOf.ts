import { chosenOption, type RunEvaluation } from '#core/decide/runEvaluation';
import { testDefinition, type TestDefinition } from '#core/model/site';
import type { CameraRisk } from './sampleScenarios';

/** What knowing a test's reading before anything is built saves on average: hours of work, and nights in which nothing is done twice. */
export interface Saving {
  test: TestDefinition;
  hours: number;
  nights: number;
}

/** Less than this is saved by chance. */
const leastHours = 1 / 60;

/** What the test saves that tells how a camera's choice fares; nothing where none is left, or nobody may touch the cable. */
export function savingOf(one: RunEvaluation, { test, tells, savesHours }: CameraRisk): Saving | null {
  if (!test || savesHours < leastHours || one.findings.state === 'stop') return null;
  const isDark = (chosenOption(one)?.darkHours ?? 0) > 0;
  return { test: testDefinition(test), hours: savesHours, nights: isDark ? tells : 0 };
}
