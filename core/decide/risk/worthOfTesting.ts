import type { RunEvaluation } from '#core/decide/runEvaluation';
import { catalogueOf, labourRateOf } from '#core/model/catalogue';
import type { OptionKind, Site, TestDefinition } from '#core/model/site';
import { costOf } from '#core/test/diagnosis';
import { readingsByRun } from '#core/test/readings';
import { singleRisk } from './sampleScenarios';
import { savingOf } from './savingOf';

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
  const { run, camera, chosen } = one;
  const place = site.place[camera.placeId];
  if (!chosen || !place) return null;
  const [of] = singleRisk({ site, runs }, camera.id, chosen).cameras;
  const saving = of && savingOf(one, of);
  if (!saving || !of.by) return null;
  const { test, hours, nights } = saving;
  const readings = readingsByRun(site).get(run.id) ?? {};
  return {
    option: chosen,
    fails: of.fails,
    by: of.by,
    test,
    minutes: costOf(test, { run, place, readings }).minutes,
    savesHours: hours,
    saves: Math.round(hours * labourRateOf(catalogueOf(site)).day),
    savesNights: nights,
  };
}
