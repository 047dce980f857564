import { optionRow, type OptionKind } from '#core/model/site';
import { brokenLimit, type FeasibleOption } from '#core/decide/options';
import { feasibleOption } from '#core/decide/runEvaluation';
import type { Row } from '#core/solver';
import { formatQuantity } from '#core/shared/units';
import type { Candidate } from './candidates';
import type { DemandRef } from './demandRef';
import { planSite } from './plan';
import type { Plan, PlanningInput, PlanSolver } from './types';
import { policyOptionOf } from './policies';

/** Why a plan has this option for a camera, and what the next best would come to. */
export interface Reason {
  cameraId: string;
  option: OptionKind;
  message: string;
  next: { option: OptionKind; moreWeighed: number; moreCost: number; message: string } | null;
  /** Every other option with what keeps it out. */
  others: { option: OptionKind; message: string }[];
}

const candidateOf = ({ candidates }: PlanningInput, cameraId: string): Candidate[] =>
  candidates.cameras.find((camera) => camera.cameraId === cameraId)?.candidates ?? [];

const goalNotMet = {
  mend: '',
  view: 'gives the view less than it needs',
  ip: 'is not IP, and some IP option holds here',
} as const;

/** Why a demand rules an option out, as it is told at the option. */
function ruledOutWords({ demands }: PlanningInput, demand: DemandRef): string {
  switch (demand.kind) {
    case 'goal':
      return goalNotMet[demands.goal];
    case 'listed':
      return `${policyOptionOf('listed', demands.policies.listed).label.toLowerCase()} in a listed place`;
    case 'spare':
      return `leaves less than ${demands.sparePercent} % of a limit`;
    case 'lock':
      return 'the camera is locked on another option';
    default:
      // The others bind several cameras together; none rules out an option by itself.
      return 'what several cameras share does not allow it';
  }
}

function othersOf(input: PlanningInput, cameraId: string, taken: OptionKind): Reason['others'] {
  const run = input.runs.find(({ camera }) => camera.id === cameraId);
  const candidates = candidateOf(input, cameraId);
  return (run?.options ?? [])
    .filter(({ kind }) => kind !== taken)
    .map((option) => {
      const candidate = candidates.find((one) => one.option.kind === option.kind);
      if (option.state === 'no') return { option: option.kind, message: option.why };
      if (!candidate)
        return {
          option: option.kind,
          message: brokenLimit(option)?.limit ?? 'does not hold on the figures that are demanded',
        };
      const [demand] = candidate.ruledOutBy;
      return {
        option: option.kind,
        message: demand
          ? ruledOutWords(input, demand)
          : `possible, costs ${formatQuantity(option.cost, 'money')}`,
      };
    });
}

const forbid = (input: PlanningInput, cameraId: string, option: OptionKind): Row => ({
  name: 'another option',
  sense: '<=',
  bound: 0,
  demand: null,
  terms: input.model.picks
    .filter(({ camera, candidate }) => camera.cameraId === cameraId && candidate.option.kind === option)
    .map(({ variable }) => ({ variable, by: 1 })),
});

const moreOrLess = (value: number): string =>
  `${formatQuantity(Math.abs(value), 'money')} ${value < 0 ? 'less' : 'more'}`;

/** Why this for this camera: what the whole site would come to with anything else there. */
export function reasonFor(
  solver: PlanSolver,
  input: PlanningInput,
  plan: Plan,
  cameraId: string,
): Reason | null {
  const option = plan.options[cameraId];
  const taken = candidateOf(input, cameraId).find((candidate) => candidate.option.kind === option)?.option;
  if (!option || !taken) return null;
  const second = planSite(solver, input, {
    asked: ({ programme: { variables, rows } }) => ({
      variables,
      rows: [...rows, forbid(input, cameraId, option)],
    }),
  });
  const others = othersOf(input, cameraId, option);
  const head = `${optionRow(option).label}: costs ${formatQuantity(taken.cost, 'money')}${taken.binding ? `, ${taken.binding.label} ${formatQuantity(taken.binding.value, taken.binding.unit)}` : ''}.`;
  if (second.kind !== 'plan')
    return {
      cameraId,
      option,
      next: null,
      others,
      message: `${head} Nothing else can be had here under what is demanded.`,
    };
  const nextOption = second.plan.options[cameraId]!;
  const elsewhere = Object.keys(plan.options).filter(
    (id) => id !== cameraId && plan.options[id] !== second.plan.options[id],
  ).length;
  const [moreCost, moreWeighed] = [
    second.plan.totals.cost - plan.totals.cost,
    second.plan.totals.weighed - plan.totals.weighed,
  ];
  const beside =
    Math.abs(moreWeighed - moreCost) > 1
      ? ` (${moreOrLess(moreWeighed)} with renewals, downtime and preferences)`
      : '';
  return {
    cameraId,
    option,
    others,
    message: head,
    next: {
      option: nextOption,
      moreCost,
      moreWeighed,
      message: `Next best is “${optionRow(nextOption).label}”: the site would come to ${moreOrLess(moreCost)}${beside}${elsewhere > 0 ? `, with ${elsewhere} other camera${elsewhere === 1 ? '' : 's'} changed along` : ''}.`,
    },
  };
}

/** One camera on which two plans differ, and why. */
export interface Difference {
  cameraId: string;
  number: number;
  name: string;
  a: OptionKind | null;
  b: OptionKind | null;
  costA: number | null;
  costB: number | null;
  why: string;
}

function optionIn(
  input: PlanningInput,
  cameraId: string,
  kind: OptionKind | undefined,
): FeasibleOption | undefined {
  const run = input.runs.find(({ camera }) => camera.id === cameraId);
  return run && kind && feasibleOption(run, kind);
}

function whyDiffer(
  inputA: PlanningInput,
  inputB: PlanningInput,
  cameraId: string,
  a: OptionKind | undefined,
  b: OptionKind | undefined,
): string {
  const barred = (input: PlanningInput, kind: OptionKind | undefined, whose: string): string | undefined => {
    if (!kind) return undefined;
    const candidate = candidateOf(input, cameraId).find(({ option }) => option.kind === kind);
    if (!candidate) return `“${optionRow(kind).label}” does not hold under ${whose}`;
    const [demand] = candidate.ruledOutBy;
    return demand
      ? `under ${whose}, “${optionRow(kind).label}” is out: ${ruledOutWords(input, demand)}`
      : undefined;
  };
  const found = barred(inputB, a, 'the second') ?? barred(inputA, b, 'the first');
  if (found) return found;
  const [one, other] = [optionIn(inputA, cameraId, a), optionIn(inputB, cameraId, b)];
  if (!one || !other) return 'one of the plans leaves it out';
  const apart = [
    ...(other.cost === one.cost ? [] : [`costs ${moreOrLess(other.cost - one.cost)}`]),
    ...(Math.abs(other.darkHours - one.darkHours) < 0.05
      ? []
      : [
          `is dark ${formatQuantity(Math.abs(other.darkHours - one.darkHours), 'h')} ${other.darkHours < one.darkHours ? 'less' : 'longer'}`,
        ]),
    ...(one.shared?.of === other.shared?.of ? [] : ['shares other equipment']),
  ];
  return `either would do: the second ${apart.join(', ') || 'weighs differently beside the other cameras'}`;
}

/** Camera by camera where two plans differ. */
export function differences(inputA: PlanningInput, a: Plan, inputB: PlanningInput, b: Plan): Difference[] {
  return inputA.runs.flatMap(({ camera }): Difference[] => {
    const [one, other] = [a.options[camera.id], b.options[camera.id]];
    if (one === other) return [];
    return [
      {
        cameraId: camera.id,
        number: camera.number,
        name: camera.name,
        a: one ?? null,
        b: other ?? null,
        costA: optionIn(inputA, camera.id, one)?.cost ?? null,
        costB: optionIn(inputB, camera.id, other)?.cost ?? null,
        why: whyDiffer(inputA, inputB, camera.id, one, other),
      },
    ];
  });
}
