import { familyOf, type ChangeRules } from '#core/model/slotRules';
import { listed } from '#core/shared/labels';
import type { Recorder } from '#core/model/site';

/** The inputs that are IP on a recorder today. */
export const ipInputsToday = ({ ipInputs }: Pick<Recorder, 'ipInputs'>): ReadonlySet<number> =>
  new Set(ipInputs);

/** What a change costs on this recorder, as somebody noted it or as usual for its rules. */
export const changeRulesOf = (recorder: Recorder): ChangeRules =>
  recorder.onChange ?? familyOf(recorder).usualChange;

/** What it costs to go from one state of a recorder to another. */
export interface ChangeCost {
  toIp: number[];
  toCoax: number[];
  restartMinutes: number;
  factoryValues: boolean;
  losesAnalytics: boolean;
}

/** `null` where both states are the same. */
export function changeCost(
  recorder: Recorder,
  from: ReadonlySet<number>,
  to: ReadonlySet<number>,
): ChangeCost | null {
  const inOrder = (set: ReadonlySet<number>, less: ReadonlySet<number>) =>
    [...set].filter((input) => !less.has(input)).sort((a, b) => a - b);
  const [toIp, toCoax] = [inOrder(to, from), inOrder(from, to)];
  if (toIp.length + toCoax.length === 0) return null;
  const { restarts, factoryValues, losesAnalytics } = changeRulesOf(recorder);
  return {
    toIp,
    toCoax,
    factoryValues,
    losesAnalytics: losesAnalytics && to.size > 0,
    restartMinutes: restarts ? recorder.restartMinutes : 0,
  };
}

const inputs = (numbers: readonly number[], name: string, to: string): string =>
  `${numbers.length === 1 ? 'input' : 'inputs'} ${listed(numbers)} of ${name} turn${numbers.length === 1 ? 's' : ''} ${to}`;
const capital = (text: string): string => text.charAt(0).toUpperCase() + text.slice(1);

/** The cost of a change in sentences. */
export function changeInWords(
  { name }: Pick<Recorder, 'name'>,
  { toIp, toCoax, restartMinutes, factoryValues, losesAnalytics }: ChangeCost,
): string[] {
  const turns = capital(
    [
      ...(toIp.length > 0 ? [inputs(toIp, name, 'to IP')] : []),
      ...(toCoax.length > 0 ? [inputs(toCoax, name, 'back to coax')] : []),
    ].join('; '),
  );
  return [
    `${turns}: ${restartMinutes > 0 ? `a restart of about ${restartMinutes} minutes, nothing recorded meanwhile.` : 'without a restart.'}`,
    ...(factoryValues
      ? ['Its settings fall back to factory values: save them first and restore them after.']
      : []),
    ...(losesAnalytics ? ['Analytics are lost while any input is IP.'] : []),
  ];
}
