import { z } from 'zod';
import { slotFamily } from './slotFamily';

/** Network only: no coax inputs. The first `poe.ports` slots can have ports of its own that give power. */
export const networkOnly = slotFamily({
  kind: 'network-only',
  label: 'Network cameras only',
  schema: z.strictObject({
    kind: z.literal('network-only'),
    ipSlots: z.int().min(1).max(128),
    poe: z.strictObject({ ports: z.int().min(1).max(64), watts: z.number().positive().max(5000) }).optional(),
  }),
  takesCoax: false,
  conversion: 'none',
  usual: (_, ipSlots) => ({ ipSlots: Math.max(1, ipSlots) }),
  ipSlots: { path: 'ipSlots', of: ({ ipSlots }) => ipSlots },
  fields: [{ kind: 'count', key: 'ipSlots', label: 'IP slots' }, { kind: 'ports' }],
  words: ({ rules: { ipSlots, poe } }) =>
    `${ipSlots} IP slots${poe ? `, ${poe.ports} ports that give ${poe.watts} W together` : ''}`,
  shares: ({ rules: { ipSlots } }) => [{ coax: 0, ip: ipSlots, together: ipSlots }],
  modes: () => [{ label: 'as it is', carries: () => 'ip' }],
  ipInputs: () => new Set(),
  broken: () => [],
  usualChange: { restarts: false, factoryValues: false, losesAnalytics: false },
  ownPorts: ({ poe }) => poe,
});
