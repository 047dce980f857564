import {
  cablesKept,
  chosenOption,
  isGivenUp,
  evaluateRuns,
  type RunEvaluation,
} from '#core/decide/runEvaluation';
import { lineKind } from '#core/test/findings';
import { totalOf, type Total } from '#core/decide/options';
import { camerasWithoutRun } from '#core/survey/gaps';
import { demandsOf, type Site } from '#core/model/site';
import { allocationOf, type Allocation } from './allocation';

export interface SiteEvaluation {
  runs: RunEvaluation[];
  allocation: Allocation;
  total: Total;
  /** What is left to do, by stage. */
  left: { toNote: number; toTest: number; toDecide: number; toPlace: number; broken: number };
  cableM: number;
  /** Coax that goes on being used by what was chosen. */
  coaxKeptM: number;
}

const metresOf = (runs: readonly RunEvaluation[]): number =>
  runs.reduce((sum, { lengthM }) => sum + lengthM, 0);

/** A site as it was evaluated before, whose runs can be taken over where nothing they rest on has changed. */
export interface Before {
  site: Site;
  evaluation: SiteEvaluation;
}

/**
 * Evaluates a whole site in one pass; the cost grows with the number of runs. Given what was evaluated before, only the
 * runs that changed since are worked out anew, and the others are the same objects.
 */
export function evaluateSite(site: Site, before?: Before): SiteEvaluation {
  const runs = evaluateRuns(site, before && { site: before.site, runs: before.evaluation.runs });
  const allocation = allocationOf(site, runs);
  const kept = cablesKept(runs);
  return {
    runs,
    allocation,
    total: totalOf(
      site,
      runs.flatMap((evaluation) => chosenOption(evaluation) ?? []),
      [],
      demandsOf(site).years,
    ),
    left: {
      toNote: runs.filter(({ toNote }) => toNote.beforeTest > 0).length + camerasWithoutRun(site).length,
      toTest: runs.filter(({ findings }) => findings.missing.length > 0).length,
      toDecide: runs.filter(({ chosen }) => chosen === null).length,
      toPlace:
        runs.filter((evaluation) => !isGivenUp(evaluation) && !site.placement[evaluation.camera.id]).length +
        Object.values(site.networkCamera).filter(({ id, recordedAt }) => !site.placement[id] && !recordedAt)
          .length,
      broken:
        allocation.recorders.reduce((sum, { broken }) => sum + broken.length, 0) +
        allocation.leftOver.length +
        runs.filter(({ choiceBroken }) => choiceBroken !== null).length,
    },
    cableM: metresOf(runs),
    coaxKeptM: metresOf(runs.filter(({ run, camera }) => kept.has(camera.id) && lineKind(run) === 'coax')),
  };
}
