import { hasOwnCamera, optionRow, type Demands, type OptionKind, type Site } from '#core/model/site';
import type { RunEvaluation } from '#core/decide/runEvaluation';
import { brokenLimit, isIp, renewalsOf, type FeasibleOption, type Margin } from '#core/decide/options';
import { pessimistic } from '#core/test/scenarios';
import type { DemandRef } from './demandRef';
import { weights } from './policies';

/** An option that could be planned for a camera, what it weighs beside its price, and the demands that rule it out. */
export interface Candidate {
  option: FeasibleOption;
  weight: number;
  ruledOutBy: DemandRef[];
}

export interface CameraCandidates {
  cameraId: string;
  number: number;
  evaluation: RunEvaluation;
  candidates: Candidate[];
}

/** A camera that no plan can serve, or a choice that cannot be honoured, in words with the way out. */
export interface ExcludedCamera {
  cameraId: string;
  number: number;
  message: string;
}

export interface Candidates {
  cameras: CameraCandidates[];
  excluded: ExcludedCamera[];
  /** Cameras for which nothing can be planned: they stay as they hang. */
  leftOut: RunEvaluation[];
}

const onShow = ({ showsAt }: FeasibleOption, site: Site): boolean =>
  showsAt.some((id) => site.place[id]?.restrictions.includes('heritage'));

/** Whether a reading of the run tells a margin by itself; rates and losses are modelled along it all the same. */
const isTold = ({ kind }: Margin): boolean =>
  kind === 'watts' ||
  kind === 'night-volts' ||
  kind === 'highest-volts' ||
  kind === 'supply-setting' ||
  kind === 'channel' ||
  kind === 'clearance';

/** How an option stands under the figures that are demanded: past its limit, or resting on what nobody read. */
function standsUnder(
  { margins }: FeasibleOption,
  { figures, sparePercent }: Demands,
): { holds: boolean; spare: boolean } {
  const shares = margins.map((margin) => {
    if (figures === 'as-known') return margin.utilisation;
    // Measured figures only: what a test of this run could have told counts for nothing until it has.
    return figures === 'measured-only' && margin.unread && isTold(margin)
      ? Infinity
      : margin.under(pessimistic);
  });
  return {
    holds: shares.every((share) => share <= 1),
    spare: shares.every((share) => share <= 1 - sparePercent / 100 + 1e-9),
  };
}

const coversNeed = (
  option: FeasibleOption,
  { camera, options }: RunEvaluation,
  candidates: readonly Candidate[],
): boolean => {
  if (!hasOwnCamera(option.kind) || (camera.worthKeeping === 'yes' && optionRow(option.kind).keepsCamera))
    return true;
  const wanted = Math.max(...options.map((one) => (one.state !== 'no' && isIp(one) ? one.megapixels : 0)));
  const best = Math.max(...candidates.map((candidate) => candidate.option.megapixels));
  return option.megapixels >= Math.min(wanted, best);
};

function goalRulesOut(
  option: FeasibleOption,
  evaluation: RunEvaluation,
  free: readonly Candidate[],
  { goal }: Demands,
): boolean {
  if (goal === 'mend') return false;
  const keeps = evaluation.camera.worthKeeping === 'yes' && optionRow(option.kind).keepsCamera;
  if (goal === 'view') return !coversNeed(option, evaluation, free);
  return (
    !isIp(option) && hasOwnCamera(option.kind) && !keeps && free.some((candidate) => isIp(candidate.option))
  );
}

/** What an option weighs beside its price: policies, renewals within the years, dark hours. */
function weightOf(option: FeasibleOption, { policies, years }: Demands): number {
  const { cable, keepsPower } = optionRow(option.kind);
  const route =
    policies.route === 'cheapest'
      ? renewalsOf(option, years)
      : policies.route === 'reuse'
        ? option.newCableM > 0
          ? weights.policyPenalty
          : 0
        : (cable === 'none' && option.onCoaxOf === null) || cable === 'category'
          ? 0
          : weights.policyPenalty;
  const power = policies.power === 'central' && option.fedLocally && !keepsPower ? weights.awayFromUps : 0;
  return (
    route + power + option.darkHours * (policies.order === 'dark' ? weights.darkHourFirst : weights.darkHour)
  );
}

function excludedFor(
  { camera, findings, options }: RunEvaluation,
  lock: OptionKind | undefined,
  candidates: readonly Candidate[],
): ExcludedCamera | undefined {
  const whose = { cameraId: camera.id, number: camera.number };
  if (findings.state === 'stop')
    return {
      ...whose,
      message: `Camera ${camera.number} is left out: dangerous volts were read on its run. ${findings.binding.message} Read it again once it is safe.`,
    };
  if (lock && !candidates.some(({ option }) => option.kind === lock)) {
    const locked = options.find(({ kind }) => kind === lock);
    const why =
      !locked || locked.state === 'no'
        ? (locked?.why ?? '')
        : (brokenLimit(locked)?.limit ?? 'it does not hold on the figures that are demanded.');
    return {
      ...whose,
      message: `Camera ${camera.number} is locked on “${optionRow(lock).label}”, which cannot be: ${why} The lock counts for nothing until then; unlock it, or put right what it says.`,
    };
  }
  if (candidates.length > 0) return undefined;
  const nearest = options
    .filter((option): option is FeasibleOption => option.state === 'fails')
    .sort((a, b) => (a.binding?.utilisation ?? 99) - (b.binding?.utilisation ?? 99))[0];
  const limit = nearest && brokenLimit(nearest);
  return {
    ...whose,
    message: `Camera ${camera.number} is left out: no option holds on these figures.${limit ? ` Nearest is “${optionRow(nearest.kind).label}”. ${limit.limit} It would hold with ${limit.remedy}.` : ' Test its run, or ask less of the figures.'}`,
  };
}

/** What could be planned for every camera under what is demanded, and who has to be left out and why. */
export function candidatesOf(site: Site, runs: readonly RunEvaluation[], demands: Demands): Candidates {
  const excluded: ExcludedCamera[] = [];
  const leftOut: RunEvaluation[] = [];
  const cameras = runs.flatMap((evaluation): CameraCandidates[] => {
    const { camera, findings, options } = evaluation;
    const choice = site.choice[camera.id];
    const lock = choice?.locked ? choice.option : undefined;
    const candidates =
      findings.state === 'stop'
        ? []
        : options.flatMap((option): Candidate[] => {
            if (option.state === 'no') return [];
            const { holds, spare } = standsUnder(option, demands);
            if (!holds || option.state === 'fails') return [];
            return [
              {
                option,
                weight: weightOf(option, demands),
                ruledOutBy: [
                  ...(spare ? [] : [{ kind: 'spare' as const, cameraId: camera.id }]),
                  ...(demands.policies.listed === 'nothing-new' && onShow(option, site)
                    ? [{ kind: 'listed' as const, cameraId: camera.id }]
                    : []),
                ],
              },
            ];
          });
    const excludedCamera = excludedFor(evaluation, lock, candidates);
    if (excludedCamera) excluded.push(excludedCamera);
    if (candidates.length === 0) {
      leftOut.push(evaluation);
      return [];
    }
    const honoured = lock !== undefined && candidates.some(({ option }) => option.kind === lock);
    const free = candidates.filter(({ ruledOutBy }) => ruledOutBy.length === 0);
    for (const candidate of candidates) {
      if (honoured && candidate.option.kind !== lock)
        candidate.ruledOutBy.push({ kind: 'lock', cameraId: camera.id });
      // A lock is a person's word on this camera and goes before what all cameras are for.
      else if (!honoured && goalRulesOut(candidate.option, evaluation, free, demands))
        candidate.ruledOutBy.push({ kind: 'goal' });
    }
    return [{ cameraId: camera.id, number: camera.number, evaluation, candidates }];
  });
  return { cameras, excluded, leftOut };
}
