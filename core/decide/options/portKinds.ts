/** Gear of which each camera takes a port and several share a unit: what a unit of it is called, and a port’s owner in a sentence. */
export const portKinds = {
  'coax-unit': {
    unit: 'Coax unit',
    one: 'head-end unit',
    remedy: 'a unit with stronger ports in the catalogue',
  },
  'poe-switch': {
    unit: 'PoE switch',
    one: 'PoE switch',
    remedy: 'a switch with stronger ports, there or in the catalogue',
  },
  'long-reach-switch': {
    unit: 'Long-reach switch',
    one: 'long-reach switch',
    remedy: 'one with stronger ports, there or in the catalogue',
  },
  encoder: { unit: 'Encoder', one: 'encoder', remedy: 'another encoder in the catalogue' },
} as const satisfies Record<string, { unit: string; one: string; remedy: string }>;

export type PortKind = keyof typeof portKinds;
