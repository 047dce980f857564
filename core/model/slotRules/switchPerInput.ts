import { z } from 'zod';
import { slotFamily } from './slotFamily';

/** Switch per input: any input can turn to IP by itself, and IP slots come after them; the recorder restarts for it. */
export const switchPerInput = slotFamily({
  kind: 'switch-per-input',
  label: 'Any input can turn to IP by itself',
  schema: z.strictObject({ kind: z.literal('switch-per-input'), extraIpSlots: z.int().min(0).max(64) }),
  takesCoax: true,
  conversion: 'each',
  usual: (_, ipSlots) => ({ extraIpSlots: Math.min(64, ipSlots) }),
  ipSlots: { path: 'extraIpSlots', of: ({ extraIpSlots }) => extraIpSlots },
  fields: [{ kind: 'count', key: 'extraIpSlots', label: 'Additional IP channels' }],
  words: ({ inputs, rules }) => `${inputs} inputs, ${rules.extraIpSlots} IP slots; any input can turn to IP`,
  shares: ({ inputs, rules: { extraIpSlots } }) => [
    { coax: inputs, ip: inputs + extraIpSlots, together: inputs + extraIpSlots },
  ],
  modes: ({ inputs }) => [{ label: 'input by input', carries: (slot) => (slot <= inputs ? 'either' : 'ip') }],
  ipInputs: ({ inputs }, occupants) =>
    new Set(
      occupants
        .filter(({ need, slot }) => need.signal.kind === 'ip' && slot <= inputs)
        .map(({ slot }) => slot),
    ),
  broken: () => [],
  usualChange: { restarts: true, factoryValues: false, losesAnalytics: false },
});
