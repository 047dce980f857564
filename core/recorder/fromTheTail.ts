import { slotCount } from '#core/site';
import { inputsFrom, restartFor } from './restart';
import type { Occupant, SlotFamily } from './slots';

const lowestIpInput = (inputs: number, occupants: readonly Occupant[]): Occupant | undefined =>
  occupants.filter(({ need, slot }) => need.signal.kind === 'ip' && slot <= inputs).reduce<Occupant | undefined>((low, one) => (!low || one.slot < low.slot ? one : low), undefined);

const listed = (numbers: readonly number[]): string => numbers.join(', ').replace(/, (\d+)$/, ' and $1');

/**
 * From the tail: inputs turn to IP only from the highest number downwards, so input i can be IP only when
 * every input above it is. The recorder restarts, falls back to factory values and loses analytics while any is IP.
 */
export const fromTheTail: SlotFamily = {
  turned: (recorder, occupants, moreIp) => {
    const { inputs } = recorder;
    const lowest = lowestIpInput(inputs, occupants);
    const forced = lowest ? inputs - lowest.slot + 1 : 0;
    const extra = slotCount(recorder) - inputs;
    const taken = new Set(occupants.filter(({ slot }) => slot > inputs - forced).map(({ slot }) => slot)).size;
    const short = Math.max(0, moreIp - (extra + forced - taken));
    return new Set(inputsFrom(Math.max(0, inputs - forced - short) + 1, inputs));
  },
  broken: ({ inputs }, occupants) => {
    const lowest = lowestIpInput(inputs, occupants);
    if (!lowest) return [];
    const inTheWay = occupants.filter(({ need, slot }) => need.signal.kind === 'coax' && slot > lowest.slot && slot <= inputs).sort((a, b) => a.slot - b.slot);
    if (inTheWay.length === 0) return [];
    const numbers = listed(inTheWay.map(({ need }) => need.number));
    const many = inTheWay.length > 1;
    return [{
      rule: 'tail-order', slots: inTheWay.map(({ slot }) => slot),
      why: `Camera ${lowest.need.number} on input ${lowest.slot} is IP, so inputs ${lowest.slot} to ${inputs} all turn to IP, from the highest down; camera${many ? 's' : ''} ${numbers} still need${many ? '' : 's'} coax there.`,
      remedy: `Put camera ${lowest.need.number} on a slot after ${inTheWay.at(-1)!.slot}, or first move camera${many ? 's' : ''} ${numbers} below input ${lowest.slot} or change ${many ? 'them' : 'it'} to IP.`,
    }];
  },
  consequences: (recorder, turned) =>
    turned.size === 0 ? [] : [
      restartFor(recorder, turned),
      'Its settings fall back to factory values: save them first and restore them after.',
      'Analytics are lost while any input is IP.',
    ],
};
