import { lengthDisputes, type LengthDispute } from '#core/survey/drawing';
import { feedSource, runFindings, runLengthM, type RunFindings } from '#core/test/findings';
import type { RunReadings } from '#core/test/readings';
import { runGaps } from '#core/survey/gaps';
import { optionsFor, type Option } from '#core/decide/options';
import { viewNeed } from '#core/model/views';
import type { Camera, OptionKind, Run } from '#core/model/site';
import type { RunSite } from './dependencies';
import type { SiteContext } from './siteContext';

/** Everything computed about one run and its camera. */
export interface RunEvaluation {
  run: Run;
  camera: Camera;
  lengthM: number;
  findings: RunFindings;
  /** Worked out when they are first asked for, which while a site is opened is only where one was chosen. */
  readonly options: Option[];
  chosen: OptionKind | null;
  /** Why what was chosen does not hold any more, where a later reading broke it. */
  choiceBroken: string | null;
  /** Ways of knowing a segment's length that contradict each other. */
  disputes: LengthDispute[];
  /** How much is left to note before it can be tested, and before it can be decided. */
  toNote: { beforeTest: number; beforeDecide: number };
}

const nothing: ReadonlySet<string> = new Set();

function brokenChoice(chosen: Option | undefined): string | null {
  if (!chosen) return null;
  if (chosen.state === 'no') return chosen.why;
  return chosen.broken?.limit ?? null;
}

/** Evaluates one run from its own readings and the site around it. */
export function evaluateRun(
  site: RunSite,
  run: Run,
  readings: RunReadings,
  context: SiteContext,
): RunEvaluation {
  const camera = site.camera[run.cameraId]!;
  const findings = runFindings(site, run, camera, readings);
  let options: Option[] | undefined;
  const workOut = (): Option[] =>
    (options ??= optionsFor({
      site,
      camera,
      run,
      findings,
      readings,
      catalogue: context.catalogue,
      policies: context.policies,
      accepted: context.acceptedAt.get(run.headEndId) ?? nothing,
      place: site.place[camera.placeId]!,
      headEnd: site.place[run.headEndId]!,
      source: feedSource(site, run),
      need: viewNeed(site, camera),
      radioPath: context.radioPathFrom.get(camera.placeId),
      mbpsAtPlace: () => context.mbpsAt(camera.placeId),
      rail: () => (run.feed.kind === 'local-adapter' ? undefined : context.railOf(run.feed.supplyId)),
    }));
  const chosen = site.choice[camera.id]?.option ?? null;
  const gaps = runGaps(site, run);
  const beforeTest = gaps.filter(({ before }) => before === 'test').length;
  return {
    run,
    camera,
    findings,
    chosen,
    lengthM: runLengthM(run),
    choiceBroken: chosen === null ? null : brokenChoice(workOut().find(({ kind }) => kind === chosen)),
    get options() {
      return workOut();
    },
    disputes: lengthDisputes(site, run),
    toNote: { beforeTest, beforeDecide: gaps.length - beforeTest },
  };
}
