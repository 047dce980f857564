import { chosenOption, type RunEvaluation } from '#core/decide/runEvaluation';
import { catalogueOf, labourRateOf } from '#core/model/catalogue';
import { testDefinition, type OptionKind, type Site, type TestDefinition } from '#core/model/site';
import { costOf } from '#core/test/diagnosis';
import { readingsByRun } from '#core/test/readings';
import { singleRisk } from './sampleScenarios';

/** What it is worth to the plan to take a test before what is chosen for a camera is built. */
export interface WorthOfTesting {
  option: OptionKind;
  /** Share of scenarios in which the choice would not hold as built, and by which margin most often. */
  fails: number;
  by: string;
  test: TestDefinition;
  /** What the test takes, with the way to it. */
  minutes: number;
  /** Hours of work, and their price, that knowing beforehand saves on average; nights in which nothing is done twice. */
  savesHours: number;
  saves: number;
  savesNights: number;
}

/** Less than this is saved by chance. */
const leastHours = 1 / 60;

/**
 * The test that reads what the choice for a camera breaks by most often, with what it saves and its own minutes. Nothing where
 * nothing is chosen, no test that is left would tell, or nobody may touch the cable.
 * @param runs all runs of the site: what was found on one says something of others
 */
export function worthOfTesting(
  site: Site,
  runs: readonly RunEvaluation[],
  one: RunEvaluation,
): WorthOfTesting | null {
  const { run, camera, chosen, findings } = one;
  const place = site.place[camera.placeId];
  if (!chosen || !place || findings.state === 'stop') return null;
  const [of] = singleRisk({ site, runs }, camera.id, chosen).cameras;
  if (!of?.test || !of.by || of.savesHours < leastHours) return null;
  const test = testDefinition(of.test);
  const readings = readingsByRun(site).get(run.id) ?? {};
  const isDark = (chosenOption(one)?.darkHours ?? 0) > 0;
  return {
    option: chosen,
    fails: of.fails,
    by: of.by,
    test,
    minutes: costOf(test, { run, place, readings }).minutes,
    savesHours: of.savesHours,
    saves: Math.round(of.savesHours * labourRateOf(catalogueOf(site)).day),
    savesNights: isDark ? of.tells : 0,
  };
}
