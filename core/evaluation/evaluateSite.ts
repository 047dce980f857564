import { lineKind, readingsByRun } from '#core/findings';
import { totalOf, type Total } from '#core/options';
import type { Recorder, Site } from '#core/site';
import { allocationOf, chosenOption, type Allocation } from './allocation';
import { evaluateRun, type RunEvaluation } from './evaluateRun';

export interface SiteEvaluation {
  runs: RunEvaluation[];
  allocation: Allocation;
  total: Total;
  /** What is left to do, by stage. */
  left: { surveyed: number; toTest: number; toDecide: number; toPlace: number; broken: number };
  cableM: number;
  /** Coax that goes on being used by what was chosen. */
  coaxKeptM: number;
}

const metresOf = (runs: readonly RunEvaluation[]): number => runs.reduce((sum, { lengthM }) => sum + lengthM, 0);

/** Evaluates a whole site in one pass; the cost grows with the number of runs. */
export function evaluateSite(site: Site): SiteEvaluation {
  const readings = readingsByRun(site);
  const recordersAt = new Map<string, Recorder[]>();
  for (const recorder of Object.values(site.recorder)) recordersAt.set(recorder.placeId, [...(recordersAt.get(recorder.placeId) ?? []), recorder]);
  const runs = Object.values(site.run)
    .map((run) => evaluateRun(site, run, readings.get(run.id) ?? {}, recordersAt.get(run.headEndId) ?? []))
    .sort((a, b) => a.camera.number - b.camera.number);
  const allocation = allocationOf(site, runs);
  return {
    runs, allocation,
    total: totalOf(runs.flatMap((evaluation) => chosenOption(evaluation) ?? [])),
    left: {
      surveyed: runs.length,
      toTest: runs.filter(({ findings }) => findings.missing.length > 0).length,
      toDecide: runs.filter(({ chosen }) => chosen === null).length,
      toPlace: runs.filter(({ camera }) => !site.placement[camera.id]).length,
      broken: allocation.recorders.reduce((sum, { broken }) => sum + broken.length, 0) + runs.filter(({ choiceBroken }) => choiceBroken !== null).length,
    },
    cableM: metresOf(runs),
    coaxKeptM: metresOf(runs.filter(({ run, chosen }) => chosen !== null && chosen !== 'new-category' && lineKind(run) === 'coax')),
  };
}
