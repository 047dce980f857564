import type { Loop, RunFindings, Verdict } from '#core/test/findings';
import {
  brokenLimit,
  type BrokenLimit,
  type InfeasibleOption,
  type Margin,
  type FeasibleOption,
} from '#core/decide/options';
import type { Site } from '#core/model/site';
import type { LazyDerivation } from '#core/shared/derivation';
import type { RunEvaluation } from '#core/decide/runEvaluation';
import type { SiteEvaluation } from './evaluateSite';

/** An evaluation without its workings, small enough to be passed between threads after every edit. */
export type VerdictSummary = Omit<Verdict, 'derivation'>;
export type MarginSummary = Omit<Margin, 'derivation' | 'under' | 'valueUnder'>;
export type FeasibleOptionSummary = Omit<FeasibleOption, 'margins' | 'binding' | 'remedy'> & {
  broken: BrokenLimit | null;
  margins: MarginSummary[];
  binding: MarginSummary | null;
};
export type OptionSummary = FeasibleOptionSummary | InfeasibleOption;
export type FindingsSummary = Omit<RunFindings, 'verdicts' | 'binding' | 'coaxLoop' | 'powerLoop'> & {
  verdicts: VerdictSummary[];
  binding: VerdictSummary;
} & Record<'coaxLoop' | 'powerLoop', Omit<Loop, 'step'>>;
export type RunSummary = Omit<RunEvaluation, 'findings' | 'options' | 'optionOf'> & {
  findings: FindingsSummary;
  options: OptionSummary[];
};
export type SiteSummary = Omit<SiteEvaluation, 'runs'> & { runs: RunSummary[] };

const withoutDerivation = <T extends { derivation: LazyDerivation }>({
  derivation: _,
  ...rest
}: T): Omit<T, 'derivation'> => rest;
const withoutStep = ({ step: _, ...loop }: Loop): Omit<Loop, 'step'> => loop;

const marginSummary = ({
  derivation: _,
  under: _under,
  valueUnder: _value,
  ...rest
}: Margin): MarginSummary => rest;

const verdictSummaries = ({ findings }: RunEvaluation): VerdictSummary[] =>
  findings.verdicts.map(withoutDerivation);

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
}: RunEvaluation): RunSummary {
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
      binding: withoutDerivation(findings.binding),
      coaxLoop: withoutStep(findings.coaxLoop),
      powerLoop: withoutStep(findings.powerLoop),
    },
  };
}

const withDetail = (run: RunSummary, { verdicts, options }: SummaryDetail): RunSummary => ({
  ...run,
  options,
  findings: { ...run.findings, verdicts },
});

function feasibleSummary(option: FeasibleOption): FeasibleOptionSummary {
  const { remedy: _, margins, binding, ...rest } = option;
  return {
    ...rest,
    margins: margins.map(marginSummary),
    binding: binding && marginSummary(binding),
    broken: brokenLimit(option),
  };
}

const optionSummaries = ({ options }: RunEvaluation): OptionSummary[] =>
  options.map((option) => (option.state === 'no' ? option : feasibleSummary(option)));

const detailOf = (evaluation: RunEvaluation): SummaryDetail => ({
  verdicts: verdictSummaries(evaluation),
  options: optionSummaries(evaluation),
});
const runSummary = (evaluation: RunEvaluation): RunSummary =>
  withDetail(withoutDetails(evaluation), detailOf(evaluation));

export function summaryOf(evaluation: SiteEvaluation): SiteSummary {
  return { ...evaluation, runs: evaluation.runs.map(runSummary) };
}

/** What is made of a run, without the run and its camera: whoever is told has those. */
export type RunPatch = Omit<RunSummary, 'run' | 'camera'> & { runId: string };

/** What is new in an evaluation: the runs that were worked out anew, and the order of all. */
export interface SummaryPatch extends Omit<SiteSummary, 'runs'> {
  changed: RunPatch[];
  order: string[];
}

function patchOf({ run, camera: _, ...rest }: RunSummary): RunPatch {
  return { runId: run.id, ...rest };
}

/** What to tell somebody who has the site and the earlier evaluation, or everything where there was none. */
export function summaryPatch(evaluation: SiteEvaluation, before?: SiteEvaluation): SummaryPatch {
  const { runs, ...rest } = evaluation;
  const known = new Set(before?.runs);
  return {
    ...rest,
    order: runs.map(({ run }) => run.id),
    changed: runs.filter((run) => !known.has(run)).map((run) => patchOf(runSummary(run))),
  };
}

/** The same without verdicts and options, for somebody who has not been told those of any run yet. */
export function boardPatch(evaluation: SiteEvaluation, before: SiteEvaluation): SummaryPatch {
  const { runs, ...rest } = evaluation;
  const known = new Set(before.runs);
  return {
    ...rest,
    order: runs.map(({ run }) => run.id),
    changed: runs.filter((run) => !known.has(run)).map((run) => patchOf(withoutDetails(run))),
  };
}

/** What the board and the lists show; verdicts and options are most of what there is to tell, and are looked at last. */
export function initialPatch(evaluation: SiteEvaluation): SummaryPatch {
  const { runs, ...rest } = evaluation;
  return {
    ...rest,
    order: runs.map(({ run }) => run.id),
    changed: runs.map((run) => patchOf(withoutDetails(run))),
  };
}

/** What the first news leave out, by run. */
export interface SummaryDetail {
  verdicts: VerdictSummary[];
  options: OptionSummary[];
}
export type SummaryDetails = Record<string, SummaryDetail>;

export const detailsOf = ({ runs }: SiteEvaluation): SummaryDetails =>
  Object.fromEntries(runs.map((evaluation) => [evaluation.run.id, detailOf(evaluation)]));

export const withDetails = (light: SiteSummary, details: SummaryDetails): SiteSummary => ({
  ...light,
  runs: light.runs.map((run) => withDetail(run, details[run.run.id] ?? { verdicts: [], options: [] })),
});

/** The evaluation of a site that news lead to. */
export function applyPatch(
  before: SiteSummary | null,
  { changed, order, ...rest }: SummaryPatch,
  site: Site,
): SiteSummary {
  const runs = new Map(before?.runs.map((evaluation) => [evaluation.run.id, evaluation]));
  for (const { runId, ...news } of changed) {
    const run = site.run[runId]!;
    runs.set(runId, { run, camera: site.camera[run.cameraId]!, ...news });
  }
  return { ...rest, runs: order.map((id) => runs.get(id)!) };
}
