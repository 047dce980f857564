import { z } from 'zod';

/** What stands in a coax beside its joints: what of a picture it lets through, whether data and DC get past it, and what it takes. */
export interface InLineGear {
  label: string;
  /** In a cell of a table. */
  short: string;
  /** `composite` gear is too slow for the higher formats. */
  passes: { picture: 'any' | 'composite'; data: boolean; dc: boolean };
  /** What it takes from a picture, in dB. Typical. */
  lossDb: number;
}

/**
 * Source: practice. A video arrester clamps far below 54 V; an isolator is a transformer or an opto-coupler for the picture
 * alone; an amplifier works one way; a terminator or a second load takes 3.5 dB and would carry the feed's current.
 */
export const inLineGear = {
  splitter: {
    label: 'Splitter or tap',
    short: 'splitter',
    passes: { picture: 'any', data: false, dc: false },
    lossDb: 3.5,
  },
  'loop-through': {
    label: 'Loop through a device',
    short: 'loop',
    passes: { picture: 'any', data: false, dc: false },
    lossDb: 0.4,
  },
  terminator: {
    label: 'Terminator on the way',
    short: 'terminator',
    passes: { picture: 'any', data: false, dc: false },
    lossDb: 3.5,
  },
  'surge-arrester': {
    label: 'Surge arrester',
    short: 'arrester',
    passes: { picture: 'any', data: false, dc: false },
    lossDb: 0.3,
  },
  isolator: {
    label: 'Isolator',
    short: 'isolator',
    passes: { picture: 'composite', data: false, dc: false },
    lossDb: 0.5,
  },
  amplifier: {
    label: 'Amplifier',
    short: 'amplifier',
    passes: { picture: 'composite', data: false, dc: false },
    lossDb: 0,
  },
  equaliser: {
    label: 'Equaliser',
    short: 'equaliser',
    passes: { picture: 'composite', data: false, dc: false },
    lossDb: 0,
  },
  balun: {
    label: 'Balun',
    short: 'balun',
    passes: { picture: 'any', data: false, dc: false },
    lossDb: 0.7,
  },
  adapter: {
    label: 'Connector adapter',
    short: 'adapter',
    passes: { picture: 'any', data: true, dc: true },
    lossDb: 0.1,
  },
} as const satisfies Record<string, InLineGear>;
export type InLineGearKind = keyof typeof inLineGear;
export const inLineGearKinds = Object.keys(inLineGear) as [InLineGearKind, ...InLineGearKind[]];

export const inLinePositions = ['head-end', 'on-the-way', 'camera'] as const;
export type InLineAt = (typeof inLinePositions)[number];

export const inLineGearSchema = z.strictObject({
  kind: z.enum(inLineGearKinds),
  at: z.enum(inLinePositions),
});
