import { lengthDisputes, type LengthDispute } from '#core/survey/drawing';
import { feedSource, type RunFindings } from '#core/test/findings';
import type { RunReadings } from '#core/test/readings';
import { runGaps } from '#core/survey/gaps';
import {
  brokenLimit,
  heaviestLoad,
  keptCamera,
  lineBindings,
  newCameras,
  optionFor,
  optionsOf,
  renewingCosts,
  type Context,
  type KeptCamera,
  type Option,
  type Trunk,
} from '#core/decide/options';
import { runLengthM, type Camera, type OptionKind, type Run } from '#core/model/site';
import { remembered } from '#core/shared/memo';
import type { RunSite } from './dependencies';
import type { SiteContext } from './siteContext';
import { unseenView } from './unseenView';

/** Everything computed about one run and its camera. */
export interface RunEvaluation {
  run: Run;
  camera: Camera;
  lengthM: number;
  findings: RunFindings;
  /** All of them, worked out when they are first asked for, which is not while a site is opened. */
  readonly options: Option[];
  /** One of them, worked out by itself when it is first asked for. */
  readonly optionOf: (kind: OptionKind) => Option;
  chosen: OptionKind | null;
  /** Why what was chosen does not hold any more, where a later reading broke it. */
  choiceBroken: string | null;
  /** Ways of knowing a segment's length that contradict each other. */
  disputes: LengthDispute[];
  /** How much is left to note before it can be tested, and before it can be decided. */
  toNote: { beforeTest: number; beforeDecide: number };
}

function brokenChoice(
  site: RunSite,
  camera: Camera,
  chosen: Option,
  trunk: () => Trunk | undefined,
): string | null {
  if (chosen.state === 'no') return chosen.why;
  return (
    brokenLimit(chosen)?.limit ?? (chosen.kind === 'shared-view' ? unseenView(site, camera, trunk) : null)
  );
}

/** What the options of one run are worked out from. */
function optionContext(
  site: RunSite,
  run: Run,
  camera: Camera,
  findings: RunFindings,
  readings: RunReadings,
  context: SiteContext,
): Context {
  const { feed } = run;
  const place = site.place[camera.placeId]!;
  const headEnd = site.place[run.headEndId]!;
  const need = context.needOf(camera);
  const cameras = newCameras(need, place);
  const around: Context['around'] = {
    camerasAtPlace: () => context.camerasAt(camera.placeId),
    onSameCable: () => context.onSameCable(run.id),
    trunk: () => context.trunkBetween(run.headEndId, camera.placeId),
    pairsTogether: () => context.pairsBetween(run.headEndId, camera.placeId),
    hasRun: context.hasRun,
    needOf: context.needOf,
    routeFrom: (fromPlaceId) => context.routeBetween(fromPlaceId, camera.placeId),
  };
  let kept: KeptCamera | undefined;
  const built: Context = {
    site,
    camera,
    run,
    kept: () => (kept ??= keptCamera(built)),
    findings,
    readings,
    catalogue: context.catalogue,
    policies: context.policies,
    takes: (sent) => context.takesAt(run.headEndId, sent),
    hdFormats: () => context.hdFormatsAt(run.headEndId, need.hd),
    place,
    headEnd,
    source: feedSource(site, run, (one) => heaviestLoad(one, context.needOf(one))),
    need,
    line: lineBindings({ run, readings, place, headEnd }, need.ip.nightWatts),
    newCameras: cameras,
    renewing: renewingCosts({ catalogue: context.catalogue, newCameras: cameras, place, around }),
    radioPath: context.radioPathFrom.get(camera.placeId),
    airOver: context.airOver,
    mbpsAtPlace: () => context.mbpsAt(camera.placeId),
    around,
    rail: () => (feed.kind === 'local-adapter' ? undefined : context.railOf(feed.supplyId)),
  };
  return built;
}

/** An evaluation that works each of its options out once, when it is first asked for. */
class LazyRunEvaluation implements RunEvaluation {
  readonly run: Run;
  readonly camera: Camera;
  readonly lengthM: number;
  readonly findings: RunFindings;
  readonly chosen: OptionKind | null;
  readonly choiceBroken: string | null;
  readonly disputes: LengthDispute[];
  readonly toNote: RunEvaluation['toNote'];
  readonly optionOf: RunEvaluation['optionOf'];
  #options: Option[] | undefined;

  constructor(site: RunSite, run: Run, readings: RunReadings, context: SiteContext) {
    const camera = site.camera[run.cameraId]!;
    const findings = context.findingsOf(run.id);
    this.run = run;
    this.camera = camera;
    this.findings = findings;
    this.lengthM = runLengthM(run);
    let from: Context | undefined;
    this.optionOf = remembered((kind) =>
      optionFor((from ??= optionContext(site, run, camera, findings, readings, context)), kind),
    );
    this.chosen = site.choice[camera.id]?.option ?? null;
    this.choiceBroken =
      this.chosen === null
        ? null
        : brokenChoice(site, camera, this.optionOf(this.chosen), () =>
            context.trunkBetween(run.headEndId, camera.placeId),
          );
    this.disputes = lengthDisputes(site, run);
    const gaps = runGaps(site, run, this.disputes);
    const beforeTest = gaps.filter(({ before }) => before === 'test').length;
    this.toNote = { beforeTest, beforeDecide: gaps.length - beforeTest };
  }

  get options(): Option[] {
    return (this.#options ??= optionsOf(this.optionOf));
  }
}

/** Evaluates one run from its own readings and the site around it. */
export const evaluateRun = (
  site: RunSite,
  run: Run,
  readings: RunReadings,
  context: SiteContext,
): RunEvaluation => new LazyRunEvaluation(site, run, readings, context);
