import type { Loop, RunFindings, Verdict } from '#core/test/findings';
import type { Impossible, Margin, Possible } from '#core/decide/options';
import type { OptionKind, Site } from '#core/model/site';
import type { Working, WorkingOut } from '#core/shared/derivation';
import type { RunEvaluation } from '#core/decide/runEvaluation';
import type { SiteEvaluation } from './evaluateSite';

/** An evaluation without its workings, small enough to be passed between threads after every edit. */
export type LightVerdict = Omit<Verdict, 'working'>;
export type LightMargin = Omit<Margin, 'working' | 'under'>;
export type LightPossible = Omit<Possible, 'margins' | 'binding'> & {
  margins: LightMargin[];
  binding: LightMargin | null;
};
export type LightOption = LightPossible | Impossible;
export type LightFindings = Omit<RunFindings, 'verdicts' | 'binding' | 'coaxLoop' | 'powerLoop'> & {
  verdicts: LightVerdict[];
  binding: LightVerdict;
} & Record<'coaxLoop' | 'powerLoop', Omit<Loop, 'step'>>;
export type LightRun = Omit<RunEvaluation, 'findings' | 'options'> & {
  findings: LightFindings;
  options: LightOption[];
};
export type LightSite = Omit<SiteEvaluation, 'runs'> & { runs: LightRun[] };

const withoutWorking = <T extends { working: WorkingOut }>({ working: _, ...rest }: T): Omit<T, 'working'> =>
  rest;
const withoutStep = ({ step: _, ...loop }: Loop): Omit<Loop, 'step'> => loop;

const lightMargin = ({ working: _, under: _under, ...rest }: Margin): LightMargin => rest;

const lightVerdicts = ({ findings }: RunEvaluation): LightVerdict[] => findings.verdicts.map(withoutWorking);

/** An evaluation without what is looked at in one run at a time: all of its verdicts, and the options. */
function withoutDetails({
  run,
  camera,
  findings,
  chosen,
  choiceBroken,
  lengthM,
  disputes,
  toNote,
}: RunEvaluation): LightRun {
  return {
    run,
    camera,
    chosen,
    choiceBroken,
    lengthM,
    disputes,
    toNote,
    options: [],
    findings: {
      ...findings,
      verdicts: [],
      binding: withoutWorking(findings.binding),
      coaxLoop: withoutStep(findings.coaxLoop),
      powerLoop: withoutStep(findings.powerLoop),
    },
  };
}

const withDetail = (run: LightRun, { verdicts, options }: LightDetail): LightRun => ({
  ...run,
  options,
  findings: { ...run.findings, verdicts },
});

const lightOptions = ({ options }: RunEvaluation): LightOption[] =>
  options.map((option) =>
    option.state === 'no'
      ? option
      : {
          ...option,
          margins: option.margins.map(lightMargin),
          binding: option.binding && lightMargin(option.binding),
        },
  );

const detailOf = (evaluation: RunEvaluation): LightDetail => ({
  verdicts: lightVerdicts(evaluation),
  options: lightOptions(evaluation),
});
const lightRun = (evaluation: RunEvaluation): LightRun =>
  withDetail(withoutDetails(evaluation), detailOf(evaluation));

export function lightSite(evaluation: SiteEvaluation): LightSite {
  return { ...evaluation, runs: evaluation.runs.map(lightRun) };
}

/** What is made of a run, without the run and its camera: whoever is told has those. */
export type RunNews = Omit<LightRun, 'run' | 'camera'> & { runId: string };

/** What is new in an evaluation: the runs that were worked out anew, and the order of all. */
export interface LightNews extends Omit<LightSite, 'runs'> {
  changed: RunNews[];
  order: string[];
}

function newsOf({ run, camera: _, ...rest }: LightRun): RunNews {
  return { runId: run.id, ...rest };
}

/** What to tell somebody who has the site and the earlier evaluation, or everything where there was none. */
export function lightNews(evaluation: SiteEvaluation, before?: SiteEvaluation): LightNews {
  const { runs, ...rest } = evaluation;
  const known = new Set(before?.runs);
  return {
    ...rest,
    order: runs.map(({ run }) => run.id),
    changed: runs.filter((run) => !known.has(run)).map((run) => newsOf(lightRun(run))),
  };
}

/** What the board and the lists show; verdicts and options are most of what there is to tell, and are looked at last. */
export function firstNews(evaluation: SiteEvaluation): LightNews {
  const { runs, ...rest } = evaluation;
  return {
    ...rest,
    order: runs.map(({ run }) => run.id),
    changed: runs.map((run) => newsOf(withoutDetails(run))),
  };
}

/** What the first news leave out, by run. */
export interface LightDetail {
  verdicts: LightVerdict[];
  options: LightOption[];
}
export type LightDetails = Record<string, LightDetail>;

export const detailsOf = ({ runs }: SiteEvaluation): LightDetails =>
  Object.fromEntries(runs.map((evaluation) => [evaluation.run.id, detailOf(evaluation)]));

export const withDetails = (light: LightSite, details: LightDetails): LightSite => ({
  ...light,
  runs: light.runs.map((run) => withDetail(run, details[run.run.id] ?? { verdicts: [], options: [] })),
});

/** The evaluation of a site that news lead to. */
export function withNews(
  before: LightSite | null,
  { changed, order, ...rest }: LightNews,
  site: Site,
): LightSite {
  const runs = new Map(before?.runs.map((evaluation) => [evaluation.run.id, evaluation]));
  for (const { runId, ...news } of changed) {
    const run = site.run[runId]!;
    runs.set(runId, { run, camera: site.camera[run.cameraId]!, ...news });
  }
  return { ...rest, runs: order.map((id) => runs.get(id)!) };
}

/** A figure whose working can be asked for. */
export type Subject =
  | { kind: 'verdict'; runId: string; id: Verdict['id'] }
  | { kind: 'margin'; runId: string; option: OptionKind; index: number };

/** The working behind a figure; `null` where the run no longer has that figure. */
export function workingOf({ runs }: SiteEvaluation, subject: Subject): Working | null {
  const run = runs.find((evaluation) => evaluation.run.id === subject.runId);
  if (!run) return null;
  if (subject.kind === 'verdict')
    return run.findings.verdicts.find(({ id }) => id === subject.id)?.working() ?? null;
  const option = run.options.find(({ kind }) => kind === subject.option);
  return option && option.state !== 'no' ? (option.margins[subject.index]?.working() ?? null) : null;
}
