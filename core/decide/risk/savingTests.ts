import { chosenOption, type RunEvaluation } from '#core/decide/runEvaluation';
import { testDefinition, type OptionKind, type Site, type TestDefinition } from '#core/model/site';
import { sampleScenarios, type Risk } from './sampleScenarios';

/** A test that spares work that would be done twice, were what is chosen for its camera built as it is. */
export interface SavingTest {
  run: RunEvaluation;
  test: TestDefinition;
  /** Hours of work that knowing first saves on average, and nights in which nothing is done twice. */
  hours: number;
  nights: number;
}

/** Scenarios that the tests of a whole site are weighed by, and after how many of them others get their turn. */
const draws = { count: 2000, seed: 1, portion: 200 };
/** Less than this is saved by chance. */
const leastHours = 1 / 60;

/** The tests of a site that spare work, by all that is chosen together. It pauses now and then, since a large site takes seconds. */
export function* savingTests(site: Site, runs: readonly RunEvaluation[]): Generator<void, SavingTest[]> {
  const chosen = Object.fromEntries(
    runs.flatMap(({ camera, chosen: option }): [string, OptionKind][] =>
      option ? [[camera.id, option]] : [],
    ),
  );
  let risk: Risk | undefined;
  for (risk of sampleScenarios({ site, runs }, chosen, draws)) yield;
  const runOf = new Map(runs.map((one) => [one.camera.id, one]));
  return (risk?.cameras ?? []).flatMap(({ cameraId, test, tells, savesHours }): SavingTest[] => {
    const run = runOf.get(cameraId)!;
    if (!test || savesHours < leastHours || run.findings.state === 'stop') return [];
    const isDark = (chosenOption(run)?.darkHours ?? 0) > 0;
    return [{ run, test: testDefinition(test), hours: savesHours, nights: isDark ? tells : 0 }];
  });
}
