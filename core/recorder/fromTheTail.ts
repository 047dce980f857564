import type { Occupant, SlotFamily } from './slots';

const lowestIpInput = (inputs: number, occupants: readonly Occupant[]): Occupant | undefined =>
  occupants.filter(({ need, slot }) => need.signal.kind === 'ip' && slot <= inputs).reduce<Occupant | undefined>((low, one) => (!low || one.slot < low.slot ? one : low), undefined);

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
    return occupants
      .filter(({ need, slot }) => need.signal.kind === 'coax' && slot > lowest.slot && slot <= inputs)
      .map(({ need, slot, placed }) => ({
        rule: 'tail-order', slot, cameraId: need.cameraId,
        why: `Camera ${lowest.need.number} on input ${lowest.slot} is IP, so inputs ${lowest.slot} to ${inputs} all turn to IP, from the highest down; camera ${need.number} on input ${slot} still needs coax.`,
        remedy: `Move camera ${need.number} below input ${lowest.slot}, change it to IP first, or put camera ${lowest.need.number} on a slot after ${placed ? slot : inputs}.`,
      }));
  },
  consequences: ({ name, restartMinutes }, conversions) =>
    conversions === 0 ? [] : [
      `${conversions} input${conversions === 1 ? '' : 's'} of ${name} turn${conversions === 1 ? 's' : ''} to IP: a restart of about ${restartMinutes} minutes, nothing recorded meanwhile.`,
      'Its settings fall back to factory values: save them first and restore them after.',
      'Analytics are lost while any input is IP.',
    ],
};
