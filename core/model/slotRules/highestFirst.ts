import { z } from 'zod';
import { listed } from '#core/shared/labels';
import { numbersFrom } from '#core/shared/numeric';
import { slotFamily, type Occupant } from './slotFamily';

const lowestIpInput = (inputs: number, occupants: readonly Occupant[]): Occupant | undefined =>
  occupants
    .filter(({ need, slot }) => need.signal.kind === 'ip' && slot <= inputs)
    .reduce<Occupant | undefined>((low, one) => (!low || one.slot < low.slot ? one : low), undefined);

/**
 * Highest first: inputs turn to IP only from the highest number downwards, so input i can be IP only when every input
 * above it is. The recorder restarts, falls back to factory values and loses analytics while any is IP.
 */
export const highestFirst = slotFamily({
  kind: 'highest-first',
  label: 'Inputs turn to IP from the highest down',
  schema: z.strictObject({ kind: z.literal('highest-first'), extraIpSlots: z.int().min(0).max(64) }),
  takesCoax: true,
  conversion: 'in-order',
  usual: (_, ipSlots) => ({ extraIpSlots: Math.min(64, ipSlots) }),
  ipSlots: { path: 'extraIpSlots', of: ({ extraIpSlots }) => extraIpSlots },
  fields: [{ kind: 'count', key: 'extraIpSlots', label: 'Additional IP channels' }],
  words: ({ inputs, rules }) =>
    `${inputs} inputs, ${rules.extraIpSlots} IP slots; inputs turn to IP from the highest down`,
  shares: ({ inputs, rules: { extraIpSlots } }) => [
    { coax: inputs, ip: inputs + extraIpSlots, together: inputs + extraIpSlots },
  ],
  modes: ({ inputs }) =>
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
        rule: 'family',
        slots: inTheWay.map(({ slot }) => slot),
        why: `Camera ${lowest.need.number} on input ${lowest.slot} is IP, so inputs ${lowest.slot} to ${inputs} all turn to IP, from the highest down; camera${many ? 's' : ''} ${numbers} still need${many ? '' : 's'} coax there.`,
        remedy: `Put camera ${lowest.need.number} on a slot after ${inTheWay.at(-1)!.slot}, or first move camera${many ? 's' : ''} ${numbers} below input ${lowest.slot} or change ${many ? 'them' : 'it'} to IP.`,
      },
    ];
  },
  usualChange: { restarts: true, factoryValues: true, losesAnalytics: true },
});
