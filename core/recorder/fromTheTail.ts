import type { Occupant, SlotFamily } from './slots';

const lowestIpInput = (inputs: number, occupants: readonly Occupant[]): Occupant | undefined =>
  occupants.filter(({ need, slot }) => need.signal.kind === 'ip' && slot <= inputs).reduce<Occupant | undefined>((low, one) => (!low || one.slot < low.slot ? one : low), undefined);

const listed = (numbers: readonly number[]): string => numbers.join(', ').replace(/, (\d+)$/, ' and $1');

/**
 * From the tail: inputs turn to IP only from the highest number downwards, so input i can be IP only when
 * every input above it is. The recorder restarts, falls back to factory values and loses analytics while any is IP.
 */
export const fromTheTail: SlotFamily = {
  mostConversions: ({ inputs }) => inputs,
  conversionsFor: ({ inputs }, occupants) => {
    const lowest = lowestIpInput(inputs, occupants);
    return lowest ? inputs - lowest.slot + 1 : 0;
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
  consequences: ({ name, restartMinutes }, conversions) =>
    conversions === 0 ? [] : [
      `${conversions} input${conversions === 1 ? '' : 's'} of ${name} turn${conversions === 1 ? 's' : ''} to IP: a restart of about ${restartMinutes} minutes, nothing recorded meanwhile.`,
      'Its settings fall back to factory values: save them first and restore them after.',
      'Analytics are lost while any input is IP.',
    ],
};
