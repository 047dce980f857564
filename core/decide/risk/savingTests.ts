import type { RunEvaluation } from '#core/decide/runEvaluation';
import type { OptionKind, Site } from '#core/model/site';
import { sampleScenarios, type Risk } from './sampleScenarios';
import { savingOf, type Saving } from './savingOf';

/** A test that spares work that would be done twice, were what is chosen for its camera built as it is. */
export interface SavingTest extends Saving {
  run: RunEvaluation;
}

/** Scenarios that the tests of a whole site are weighed by, and after how many of them others get their turn. */
const draws = { count: 1000, seed: 1, portion: 100 };

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
  return (risk?.cameras ?? []).flatMap((camera): SavingTest[] => {
    const run = runOf.get(camera.cameraId)!;
    const saving = savingOf(run, camera);
    return saving ? [{ run, ...saving }] : [];
  });
}
