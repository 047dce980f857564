import { z } from 'zod';
import { slotFamily } from './slotFamily';

/** Fixed hybrid: coax inputs stay coax, IP cameras go on the IP slots after them, and nothing restarts. */
export const fixedHybrid = slotFamily({
  kind: 'fixed-hybrid',
  label: 'Inputs stay coax',
  schema: z.strictObject({ kind: z.literal('fixed-hybrid'), ipSlots: z.int().min(0).max(64) }),
  takesCoax: true,
  conversion: 'none',
  usual: (_, ipSlots) => ({ ipSlots: Math.min(64, ipSlots) }),
  ipSlots: { path: 'ipSlots', of: ({ ipSlots }) => ipSlots },
  fields: [{ kind: 'count', key: 'ipSlots', label: 'IP slots' }],
  words: ({ inputs, rules }) => `${inputs} inputs stay coax, ${rules.ipSlots} IP slots`,
  shares: ({ inputs, rules: { ipSlots } }) => [{ coax: inputs, ip: ipSlots, together: inputs + ipSlots }],
  modes: ({ inputs }) => [{ label: 'as it is', carries: (slot) => (slot <= inputs ? 'coax' : 'ip') }],
  ipInputs: () => new Set(),
  broken: () => [],
  usualChange: { restarts: false, factoryValues: false, losesAnalytics: false },
});
