import { lineKind } from '#core/test/findings';
import { readingsByRun, type RunReadings } from '#core/test/readings';
import { totalOf, type Total } from '#core/decide/options';
import { demandsOf, testIds, type OptionKind, type Site } from '#core/model/site';
import { allocationOf, chosenOption, type Allocation } from './allocation';
import { aroundOf } from './around';
import { evaluateRun, type RunEvaluation } from './evaluateRun';

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

/** Options that make no more use of the cable that is there. */
const leavesItsCable = new Set<OptionKind>(['new-category', 'fibre', 'wireless', 'retire']);

const metresOf = (runs: readonly RunEvaluation[]): number =>
  runs.reduce((sum, { lengthM }) => sum + lengthM, 0);

/** A site as it was evaluated before, whose runs can be taken over where nothing they rest on has changed. */
export interface Before {
  site: Site;
  evaluation: SiteEvaluation;
}

const sameReadings = (a: RunReadings, b: RunReadings): boolean =>
  testIds.every((test) => a[test] === b[test]);

/** The runs of an earlier evaluation that still hold: those whose every fact is the very object it was then. */
function standing(
  site: Site,
  readings: ReadonlyMap<string, RunReadings>,
  before: Before | undefined,
): Map<string, RunEvaluation> {
  const then = before?.site;
  if (
    !before ||
    !then ||
    then.place !== site.place ||
    then.supply !== site.supply ||
    then.product !== site.product ||
    then.demands !== site.demands ||
    then.radioPath !== site.radioPath ||
    then.recorder !== site.recorder ||
    then.route !== site.route ||
    then.drawing !== site.drawing ||
    then.slotting !== site.slotting
  )
    return new Map();
  const readThen = then.reading === site.reading ? readings : readingsByRun(then);
  return new Map(
    before.evaluation.runs
      .filter(
        ({ run, camera }) =>
          site.run[run.id] === run &&
          site.camera[camera.id] === camera &&
          site.choice[camera.id] === then.choice[camera.id] &&
          site.stream[camera.id] === then.stream[camera.id] &&
          sameReadings(readings.get(run.id) ?? {}, readThen.get(run.id) ?? {}),
      )
      .map((evaluation) => [evaluation.run.id, evaluation]),
  );
}

/**
 * Evaluates a whole site in one pass; the cost grows with the number of runs. Given what was evaluated before, only the
 * runs that changed since are worked out anew, and the others are the same objects.
 */
export function evaluateSite(site: Site, before?: Before): SiteEvaluation {
  const readings = readingsByRun(site);
  const unchanged = standing(site, readings, before);
  const around = aroundOf(site, readings);
  const runs = Object.values(site.run)
    .map((run) => unchanged.get(run.id) ?? evaluateRun(site, run, readings.get(run.id) ?? {}, around))
    .sort((a, b) => a.camera.number - b.camera.number);
  const allocation = allocationOf(site, runs);
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
      toNote:
        runs.filter(({ toNote }) => toNote.beforeTest > 0).length +
        (Object.keys(site.camera).length - runs.length),
      toTest: runs.filter(({ findings }) => findings.missing.length > 0).length,
      toDecide: runs.filter(({ chosen }) => chosen === null).length,
      toPlace: runs.filter(({ camera, chosen }) => chosen !== 'retire' && !site.placement[camera.id]).length,
      broken:
        allocation.recorders.reduce((sum, { broken }) => sum + broken.length, 0) +
        allocation.leftOver.length +
        runs.filter(({ choiceBroken }) => choiceBroken !== null).length,
    },
    cableM: metresOf(runs),
    coaxKeptM: metresOf(
      runs.filter(
        ({ run, chosen }) => chosen !== null && !leavesItsCable.has(chosen) && lineKind(run) === 'coax',
      ),
    ),
  };
}
