import { listed, numbersFrom } from './numbers';
import type { Occupant, SlotFamily } from './slots';

const lowestIpInput = (inputs: number, occupants: readonly Occupant[]): Occupant | undefined =>
  occupants
    .filter(({ need, slot }) => need.signal.kind === 'ip' && slot <= inputs)
    .reduce<Occupant | undefined>((low, one) => (!low || one.slot < low.slot ? one : low), undefined);

/**
 * From the tail: inputs turn to IP only from the highest number downwards, so input i can be IP only when
 * every input above it is. The recorder restarts, falls back to factory values and loses analytics while any is IP.
 */
export const highestFirst: SlotFamily = {
  turnsInOrder: true,
  splits: ({ inputs }) =>
    numbersFrom(0, inputs).map((count) => ({
      label: count === 0 ? 'no input turned' : `the last ${count} turned`,
      carries: (slot) => (slot <= inputs - count ? 'coax' : 'ip'),
    })),
  ipInputs: ({ inputs }, occupants) => {
    const lowest = lowestIpInput(inputs, occupants);
    return new Set(lowest ? numbersFrom(lowest.slot, inputs) : []);
  },
  broken: ({ inputs }, occupants) => {
    const lowest = lowestIpInput(inputs, occupants);
    if (!lowest) return [];
    const inTheWay = occupants
      .filter(({ need, slot }) => need.signal.kind === 'coax' && slot > lowest.slot && slot <= inputs)
      .sort((a, b) => a.slot - b.slot);
    if (inTheWay.length === 0) return [];
    const numbers = listed(inTheWay.map(({ need }) => need.number));
    const many = inTheWay.length > 1;
    return [
      {
        rule: 'tail-order',
        slots: inTheWay.map(({ slot }) => slot),
        why: `Camera ${lowest.need.number} on input ${lowest.slot} is IP, so inputs ${lowest.slot} to ${inputs} all turn to IP, from the highest down; camera${many ? 's' : ''} ${numbers} still need${many ? '' : 's'} coax there.`,
        remedy: `Put camera ${lowest.need.number} on a slot after ${inTheWay.at(-1)!.slot}, or first move camera${many ? 's' : ''} ${numbers} below input ${lowest.slot} or change ${many ? 'them' : 'it'} to IP.`,
      },
    ];
  },
  usualChange: { restarts: true, factoryValues: true, losesAnalytics: true },
};
